package palegate.core.questions;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;

/** By what somebody has what they have at a place: the grants that reach it and are theirs, and oversight. O(entries that reach it). */
public final class WaysIn {
  private WaysIn() {}

  /** The grants that give somebody something there, as a moment has it. */
  public static List<Grant> giving(SnapshotAt moment, int place, int person) {
    Snapshot snapshot = moment.snapshot();
    return snapshot.reachingEntries(place).stream().filter(entry -> entry instanceof Grant && entry.period().holdsAt(moment.instant()) && entry.touches(snapshot.place(place).type()) && moment.matches(person, entry.subject()))
        .map(Grant.class::cast).toList();
  }

  public static boolean isOverseen(SnapshotAt moment, int place, int person) {
    Snapshot snapshot = moment.snapshot();
    return snapshot.person(person).staff() && snapshot.path(place).stream().flatMap(above -> snapshot.ownOversights(above).stream()).anyMatch((Oversight one) -> one.period().holdsAt(moment.instant()) && moment.matches(person, one.subject()));
  }

  /** In words, each once. */
  public static List<String> words(SnapshotAt moment, int place, int person) {
    Set<String> ways = new LinkedHashSet<>();
    giving(moment, place, person).forEach(grant -> ways.add(grant.pass() != null ? "a pass" : !(grant.subject() instanceof Subject.OfPerson) ? SubjectNames.of(grant.subject(), moment.snapshot().structure())
        : grant.isShare() ? "a share by name" : "an entry by name"));
    if (isOverseen(moment, place, person)) {
      ways.add("oversight");
    }
    return List.copyOf(ways);
  }
}
