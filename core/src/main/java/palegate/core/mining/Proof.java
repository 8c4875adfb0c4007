package palegate.core.mining;

import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.Change;
import palegate.core.changes.ChangeAtPlace;
import palegate.core.changes.DraftApplication;
import palegate.core.collections.Later;
import palegate.core.questions.NewDocuments;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;

/**
 * That nobody has anything else after some changes: now, at every later instant at which anything begins or ends, and with documents put in later.
 * Either it is the same in other words ({@link Coverage}) and a rehearsal now says so too, or a rehearsal of every instant says so.
 */
final class Proof {
  private final Snapshot before;
  private final Instant now;
  private final Later<RelevantInstants> relevant;
  private int rehearsed;

  /** @param relevant of the state before */
  Proof(Snapshot before, Instant now, Later<RelevantInstants> relevant) {
    this.before = before;
    this.now = now;
    this.relevant = relevant;
  }

  /** How many instants were rehearsed that need not have been if it were the same in other words. */
  int rehearsed() {
    return rehearsed;
  }

  /** The state after changes of which each has been shown by itself, and which touch nothing in common; null if a rehearsal now says otherwise. */
  Snapshot ofShown(List<Change> changes) {
    DraftApplication.Result applied = DraftApplication.of(before, changes, now);
    if (!applied.refusals().isEmpty()) {
      return null;
    }
    Snapshot after = before.next(applied.difference());
    return RightsDifference.between(before, after, now).isEmpty() ? after.detached() : null;
  }

  /**
   * The state after them, if it differs from the one before in nothing but how much it says; else null.
   *
   * @param everyInstant whether to rehearse every instant if it is not the same in other words. O(instants to come × what the changes touch).
   */
  Snapshot of(List<Change> changes, boolean everyInstant) {
    DraftApplication.Result applied = DraftApplication.of(before, changes, now);
    if (!applied.refusals().isEmpty()) {
      return null;
    }
    Snapshot after = before.next(applied.difference());
    if (!Size.of(after.structure()).isLessThan(Size.of(before.structure()))) {
      return null;
    }
    boolean same = new Coverage(before, after, applied.difference(), now).shows() ? RightsDifference.between(before, after, now).isEmpty() : everyInstant && atEveryInstant(after, changes);
    return same ? after.detached() : null;
  }

  private boolean atEveryInstant(Snapshot after, List<Change> changes) {
    List<String> places = changes.stream().filter(ChangeAtPlace.class::isInstance).map(change -> ((ChangeAtPlace) change).place()).distinct().toList();
    // A rehearsal looks at instants that its draft touches. That nothing does anything has to hold whenever anything begins or ends. What changes add has the dates of what they take away.
    return Stream.concat(Stream.of(now), places.stream().flatMap(place -> relevant.get().at(place).stream()).distinct().sorted()).allMatch(instant -> {
      rehearsed++;
      return RightsDifference.between(before, after, instant).isEmpty() && NewDocuments.alike(before.at(instant), after.at(instant), places);
    });
  }
}
