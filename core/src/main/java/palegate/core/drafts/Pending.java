package palegate.core.drafts;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.approvals.ApprovalRule;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** A structure with changes laid over it, while a draft is being made on it; null stands for what is gone. */
final class Pending {
  final Snapshot base;
  private final Structure structure;
  private final Map<String, Unit> units = new LinkedHashMap<>();
  private final Map<String, Person> people = new LinkedHashMap<>();
  private final Map<String, Role> roles = new LinkedHashMap<>();
  private final Map<String, Place> places = new LinkedHashMap<>();
  private final Map<String, Grant> grants = new LinkedHashMap<>();
  private final Map<String, Withholding> withholdings = new LinkedHashMap<>();
  private final Map<String, Oversight> oversights = new LinkedHashMap<>();
  private final Map<String, Group> groups = new LinkedHashMap<>();
  private final Map<String, DocumentType> types = new LinkedHashMap<>();
  private final Map<String, Wall> walls = new LinkedHashMap<>();
  private final Map<String, ApprovalRule> approvals = new LinkedHashMap<>();

  /** Places that were there once and are gone; null for an id that never was one. */
  private final Function<String, FormerPlace> gone;

  Pending(Snapshot base) {
    this(base, id -> null);
  }

  Pending(Snapshot base, Function<String, FormerPlace> gone) {
    this.base = base;
    this.gone = gone;
    structure = base.structure();
  }

  /** What had the id of a place that is not there now: removed by this draft or by an earlier change; null if nothing ever had. */
  Place formerly(String id) {
    Place before = structure.places().get(id);
    FormerPlace former = before == null ? gone.apply(id) : null;
    return former == null ? before : former.place();
  }

  Structure result() {
    return structure.withPlaces(places).withGrants(grants).withWithholdings(withholdings).withOversights(oversights)
        .withGroups(groups).withTypes(types).withWalls(walls).withUnits(units).withPeople(people).withRoles(roles)
        .withApprovals(approvals);
  }

  Structure before() {
    return structure;
  }

  Place place(String id) {
    return id == null ? null : places.containsKey(id) ? places.get(id) : structure.places().get(id);
  }

  Unit unit(String id) {
    return id == null ? null : units.containsKey(id) ? units.get(id) : structure.units().get(id);
  }

  Person person(String id) {
    return people.containsKey(id) ? people.get(id) : structure.people().get(id);
  }

  Role role(String id) {
    return roles.containsKey(id) ? roles.get(id) : structure.roles().get(id);
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

  ApprovalRule approval(String id) {
    return approvals.containsKey(id) ? approvals.get(id) : structure.approvals().get(id);
  }

  void put(ApprovalRule rule) {
    approvals.put(rule.id(), rule);
  }

  void remove(ApprovalRule rule) {
    approvals.put(rule.id(), null);
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

  /** The appointments that stand at a place now. O(appointments there + changes made). */
  List<Oversight> oversightsAt(String place) {
    Set<Oversight> found = new LinkedHashSet<>();
    int number = base.placeNumber(place);
    if (number >= 0) {
      base.ownOversights(number).stream().map(known -> oversight(known.id())).filter(now -> now != null && now.place().equals(place)).forEach(found::add);
    }
    oversights.values().stream().filter(now -> now != null && now.place().equals(place)).forEach(found::add);
    return new ArrayList<>(found);
  }

  /** Whether anything stands directly below a place now. O(places below + changes made). */
  boolean hasChildren(String place) {
    int number = base.placeNumber(place);
    boolean kept = number >= 0 && base.children(number).stream().map(child -> place(base.place(child).id()))
        .anyMatch(child -> child != null && place.equals(child.parent()));
    return kept || places.values().stream().anyMatch(child -> child != null && place.equals(child.parent()));
  }

  void put(Place place) {
    places.put(place.id(), place);
  }

  void remove(Place place) {
    places.put(place.id(), null);
  }

  void put(Unit unit) {
    units.put(unit.id(), unit);
  }

  void remove(Unit unit) {
    units.put(unit.id(), null);
  }

  void put(Person person) {
    people.put(person.id(), person);
  }

  void put(Role role) {
    roles.put(role.id(), role);
  }

  void remove(Role role) {
    roles.put(role.id(), null);
  }

  void remove(Group group) {
    groups.put(group.id(), null);
  }

  void remove(DocumentType type) {
    types.put(type.id(), null);
  }

  void remove(Wall wall) {
    walls.put(wall.id(), null);
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
