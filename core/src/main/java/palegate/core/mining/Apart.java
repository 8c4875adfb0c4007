package palegate.core.mining;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import palegate.core.collections.PersonSet;
import palegate.core.snapshot.Snapshot;

/** Candidates that have been shown each by itself, of which no two touch rights of the same people at the same place: together they are shown as well. */
final class Apart {
  private final Snapshot snapshot;
  private final Map<String, List<PersonSet>> at = new HashMap<>();
  private final Map<String, List<PersonSet>> below = new HashMap<>();
  private final List<Candidate> candidates = new ArrayList<>();

  Apart(Snapshot snapshot) {
    this.snapshot = snapshot;
  }

  /** Whether it is taken: it has been shown, and touches nothing that another one taken touches. O(depth × candidates there). */
  boolean takes(Candidate candidate) {
    if (candidate.shown() == null) {
      return false;
    }
    String place = candidate.shown().place();
    PersonSet people = candidate.shown().people();
    List<String> path = snapshot.path(snapshot.placeNumber(place)).stream().map(number -> snapshot.place(number).id()).toList();
    if (path.stream().anyMatch(above -> meets(at.get(above), people)) || meets(below.get(place), people)) {
      return false;
    }
    candidates.add(candidate);
    at.computeIfAbsent(place, any -> new ArrayList<>()).add(people);
    path.forEach(above -> below.computeIfAbsent(above, any -> new ArrayList<>()).add(people));
    return true;
  }

  private static boolean meets(List<PersonSet> some, PersonSet people) {
    return some != null && some.stream().anyMatch(people::intersects);
  }

  List<Candidate> candidates() {
    return candidates;
  }
}
