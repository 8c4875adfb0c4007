package palegate.core.rounds;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * What decisions come to together.
 *
 * @param changes for one draft
 * @param left what cannot be carried out
 * @param besides what would not be as it was decided although the changes are made, because another decision makes it otherwise
 */
public record CarriedOut(List<Change> changes, List<Undone> left, List<Undone> besides) {
  /** Something that was decided. */
  public record Decided(ReviewItem item, Decision decision, DecidedChange.Instead instead) {}

  /** What is not so, and why. */
  public record Undone(ReviewItem item, String why) {}

  /**
   * One rehearsal of all of it, besides O(decisions).
   *
   * @param instant not that of the moment, which is shared by all instants at which the same holds
   * @param decided all that is handed in; what is so already is passed over
   * @param newId gives new entries ids, from a prefix
   */
  public static CarriedOut of(SnapshotAt moment, Instant instant, List<Decided> decided, UnaryOperator<String> newId) {
    StandingItems now = StandingItems.in(moment, instant);
    // Two decisions may remove the same entry.
    Set<Change> changes = new LinkedHashSet<>();
    List<Undone> left = new ArrayList<>();
    List<Decided> made = new ArrayList<>();
    for (Decided one : decided) {
      if (!one.decision().settles() || now.isCarriedOut(one.item(), one.decision(), one.instead())) {
        continue;
      }
      try {
        List<Change> own = one.decision() == Decision.REMOVE ? DecidedChange.removing(moment, one.item(), newId) : DecidedChange.changing(moment, one.item(), one.instead(), newId);
        if (own.isEmpty()) {
          left.add(new Undone(one.item(), now.inTheWay(one.item())));
        } else {
          changes.addAll(own);
          made.add(one);
        }
      } catch (IllegalArgumentException cannotBe) {
        left.add(new Undone(one.item(), "The new end is not after its beginning."));
      }
    }
    List<Change> all = List.copyOf(changes);
    return new CarriedOut(all, left, all.isEmpty() ? List.of() : besides(moment, instant, now, all, made, decided));
  }

  private static List<Undone> besides(SnapshotAt moment, Instant instant, StandingItems now, List<Change> changes, List<Decided> made, List<Decided> decided) {
    Snapshot snapshot = moment.snapshot();
    StandingItems then = StandingItems.in(snapshot.next(DraftApplication.of(snapshot, changes, instant).difference()).at(instant), instant);
    List<Undone> besides = new ArrayList<>();
    made.stream().filter(one -> !then.isCarriedOut(one.item(), one.decision(), one.instead())).forEach(one -> besides.add(new Undone(one.item(), then.inTheWay(one.item()))));
    decided.stream().filter(one -> one.decision() == Decision.KEEP && now.has(one.item())).forEach(one -> {
      Optional<ReviewItem> after = then.find(one.item());
      if (!after.map(ReviewItem::digest).equals(now.find(one.item()).map(ReviewItem::digest))) {
        besides.add(new Undone(one.item(), "It was to be kept, and another decision alters it: " + after.map(ReviewItem::sentence).orElse("nothing is left of it.")));
      }
    });
    return besides;
  }
}
