package palegate.core.changes;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.snapshot.Snapshot;

/** The access lists of places and who oversees them, as a draft has them so far. */
final class PendingLists {
  private final Snapshot base;
  private final PendingParts<Grant> grants;
  private final PendingParts<Withholding> withholdings;
  private final PendingParts<Oversight> oversights;
  /** The entries and appointments that the draft has put at a place: ids, some of which may have gone on. */
  private final Map<String, Set<String>> entriesPut = new HashMap<>();
  private final Map<String, Set<String>> oversightsPut = new HashMap<>();

  PendingLists(Snapshot base, PendingParts<Grant> grants, PendingParts<Withholding> withholdings, PendingParts<Oversight> oversights) {
    this.base = base;
    this.grants = grants;
    this.withholdings = withholdings;
    this.oversights = oversights;
  }

  /** The entries that stand at a place now. O(entries there, and those that the draft put there). */
  List<Entry> entriesAt(String place) {
    Set<Entry> found = new LinkedHashSet<>();
    int number = base.placeNumber(place);
    if (number >= 0) {
      base.ownEntries(number).forEach(entry -> addIfAt(place, entry instanceof Grant ? grants.get(entry.id()) : withholdings.get(entry.id()), found));
    }
    for (String id : entriesPut.getOrDefault(place, Set.of())) {
      addIfAt(place, grants.get(id), found);
      addIfAt(place, withholdings.get(id), found);
    }
    return new ArrayList<>(found);
  }

  private static void addIfAt(String place, Entry now, Set<Entry> found) {
    if (now != null && now.place().equals(place)) {
      found.add(now);
    }
  }

  /** The appointments that stand at a place now. O(appointments there, and those that the draft put there). */
  List<Oversight> oversightsAt(String place) {
    Set<String> ids = new LinkedHashSet<>();
    int number = base.placeNumber(place);
    if (number >= 0) {
      base.ownOversights(number).forEach(known -> ids.add(known.id()));
    }
    ids.addAll(oversightsPut.getOrDefault(place, Set.of()));
    return ids.stream().map(oversights::get).filter(now -> now != null && now.place().equals(place)).toList();
  }

  void put(Entry entry) {
    if (entry instanceof Grant grant) {
      grants.put(grant.id(), grant);
    } else {
      withholdings.put(entry.id(), (Withholding) entry);
    }
    entriesPut.computeIfAbsent(entry.place(), any -> new LinkedHashSet<>()).add(entry.id());
  }

  void remove(Entry entry) {
    if (entry instanceof Grant) {
      grants.remove(entry.id());
    } else {
      withholdings.remove(entry.id());
    }
  }

  void put(Oversight oversight) {
    oversights.put(oversight.id(), oversight);
    oversightsPut.computeIfAbsent(oversight.place(), any -> new LinkedHashSet<>()).add(oversight.id());
  }
}
