package palegate.core.drafts;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.people.Group;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** A structure with changes laid over it, while a draft is being made on it; null stands for what is gone. */
final class Pending {
  final Snapshot base;
  private final Structure structure;
  private final Map<String, Place> places = new LinkedHashMap<>();
  private final Map<String, Grant> grants = new LinkedHashMap<>();
  private final Map<String, Withholding> withholdings = new LinkedHashMap<>();
  private final Map<String, Oversight> oversights = new LinkedHashMap<>();
  private final Map<String, Group> groups = new LinkedHashMap<>();
  private final Map<String, DocumentType> types = new LinkedHashMap<>();
  private final Map<String, Wall> walls = new LinkedHashMap<>();

  Pending(Snapshot base) {
    this.base = base;
    structure = base.structure();
  }

  Structure result() {
    return structure.withPlaces(places).withGrants(grants).withWithholdings(withholdings).withOversights(oversights)
        .withGroups(groups).withTypes(types).withWalls(walls);
  }

  Structure before() {
    return structure;
  }

  Place place(String id) {
    return places.containsKey(id) ? places.get(id) : structure.places().get(id);
  }

  Group group(String id) {
    return groups.containsKey(id) ? groups.get(id) : structure.groups().get(id);
  }

  DocumentType type(String id) {
    return types.containsKey(id) ? types.get(id) : structure.types().get(id);
  }

  Wall wall(String id) {
    return walls.containsKey(id) ? walls.get(id) : structure.walls().get(id);
  }

  Oversight oversight(String id) {
    return oversights.containsKey(id) ? oversights.get(id) : structure.oversights().get(id);
  }

  Grant grant(String id) {
    return grants.containsKey(id) ? grants.get(id) : structure.grants().get(id);
  }

  Withholding withholding(String id) {
    return withholdings.containsKey(id) ? withholdings.get(id) : structure.withholdings().get(id);
  }

  /** The entries that stand at a place now. O(entries there + changes made). */
  List<Entry> entriesAt(String place) {
    Set<Entry> found = new LinkedHashSet<>();
    int number = base.placeNumber(place);
    if (number >= 0) {
      for (Entry entry : base.ownEntries(number)) {
        Entry now = entry instanceof Grant ? grant(entry.id()) : withholding(entry.id());
        if (now != null && now.place().equals(place)) {
          found.add(now);
        }
      }
    }
    grants.values().stream().filter(grant -> grant != null && grant.place().equals(place)).forEach(found::add);
    withholdings.values().stream().filter(taken -> taken != null && taken.place().equals(place)).forEach(found::add);
    return new ArrayList<>(found);
  }

  void put(Place place) {
    places.put(place.id(), place);
  }

  void put(Entry entry) {
    if (entry instanceof Grant grant) {
      grants.put(grant.id(), grant);
    } else {
      withholdings.put(entry.id(), (Withholding) entry);
    }
  }

  void remove(Entry entry) {
    if (entry instanceof Grant) {
      grants.put(entry.id(), null);
    } else {
      withholdings.put(entry.id(), null);
    }
  }

  void put(Oversight oversight) {
    oversights.put(oversight.id(), oversight);
  }

  void remove(Oversight oversight) {
    oversights.put(oversight.id(), null);
  }

  void put(Group group) {
    groups.put(group.id(), group);
  }

  void put(DocumentType type) {
    types.put(type.id(), type);
  }

  void put(Wall wall) {
    walls.put(wall.id(), wall);
  }
}
