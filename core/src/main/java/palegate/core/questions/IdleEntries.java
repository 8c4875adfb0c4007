package palegate.core.questions;

import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.collections.PersonSet;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** Which entries do nothing: now, once all that is dated has begun and ended, and with documents that are not there yet. */
public final class IdleEntries {
  /** Because others say it, or because it names nobody who is active. */
  public static final Set<AccessList.State> NOT_BY_GUARDS = Set.of(AccessList.State.SHADOWED, AccessList.State.NOBODY);

  private IdleEntries() {}

  /**
   * Own lines of some places that do nothing wherever they reach, in order of the places.
   *
   * @param atLast when all that is dated has begun and ended
   */
  public static List<AccessList.Line> at(SnapshotAt moment, SnapshotAt atLast, IntStream places) {
    return at(moment, atLast, places, NOT_BY_GUARDS);
  }

  /**
   * Those in some states at their place itself, further down too.
   *
   * @param states {@link #NOT_BY_GUARDS}, or with {@code WALLED} and {@code NOBODY_CLEARED} also what guards keep from doing anything
   */
  public static List<AccessList.Line> at(SnapshotAt moment, SnapshotAt atLast, IntStream places, Set<AccessList.State> states) {
    Snapshot snapshot = moment.snapshot();
    List<Integer> some = places.filter(place -> !snapshot.ownEntries(place).isEmpty()).boxed().toList();
    return some.parallelStream().flatMap(place -> idleAt(moment, atLast, place, states)).toList();
  }

  /** Whether an entry does nothing at an instant wherever it reaches, nor with documents put in later. O(as looking for it at its place). */
  public static boolean doesNothing(SnapshotAt moment, Entry entry) {
    return isImplied(moment, entry) || changesNothing(moment, entry) && NewDocuments.alikeWithout(moment, entry);
  }

  /**
   * Whether that follows from the entries alone: it names nobody active then, does not hold then, withholds what no grant gives to those whom
   * it names, or another one that reaches its place, and so every place that it reaches, says at least as much to at least the same people
   * for at least the same documents. O(entries that reach its place or stand where it reaches × people / 64).
   */
  private static boolean isImplied(SnapshotAt moment, Entry entry) {
    Snapshot snapshot = moment.snapshot();
    PersonSet named = AccessList.peopleBehind(moment, entry);
    int top = snapshot.placeNumber(entry.place());
    return named.isEmpty() || !entry.period().holdsAt(moment.instant()) || snapshot.reachingEntries(top).stream().anyMatch(other -> !other.equals(entry)
        && other.getClass() == entry.getClass() && other.period().holdsAt(moment.instant()) && AccessList.touchesAllOf(other, entry) && snapshot.rightsOf(other).containsAll(snapshot.rightsOf(entry))
        && named.minus(moment.matching(other.subject())).isEmpty())
        || entry instanceof Withholding && snapshot.reachingEntries(top).stream().noneMatch(other -> gives(moment, other, entry, named)) && noneBelowGives(moment, top, entry, named);
  }

  private static boolean noneBelowGives(SnapshotAt moment, int top, Entry withholding, PersonSet named) {
    Snapshot snapshot = moment.snapshot();
    Deque<Integer> left = new ArrayDeque<>(List.of(top));
    while (!left.isEmpty()) {
      for (int child : snapshot.childrenInNoOrder(left.pop())) {
        if (!snapshot.standsAlone(child)) {
          if (snapshot.ownEntries(child).stream().anyMatch(other -> gives(moment, other, withholding, named))) {
            return false;
          }
          left.push(child);
        }
      }
    }
    return true;
  }

  /** Whether an entry gives something of what a withholding takes to somebody of those whom that names. */
  private static boolean gives(SnapshotAt moment, Entry entry, Entry withholding, PersonSet named) {
    Snapshot snapshot = moment.snapshot();
    return entry instanceof Grant && entry.period().holdsAt(moment.instant()) && (snapshot.rightsOf(entry).mask() & snapshot.rightsOf(withholding).mask()) != 0
        && named.intersects(moment.matching(entry.subject()));
  }

  /** The whole list is made only where something is idle: it says which line from above says the same. */
  private static Stream<AccessList.Line> idleAt(SnapshotAt moment, SnapshotAt atLast, int place, Set<AccessList.State> states) {
    Snapshot snapshot = moment.snapshot();
    return AccessList.own(snapshot, moment.instant(), place).lines().stream().noneMatch(line -> states.contains(line.state())) ? Stream.empty()
        : AccessList.of(snapshot, moment.instant(), place).lines().stream().filter(line -> line.own() && states.contains(line.state()) && Stream.of(moment, atLast).distinct().allMatch(at -> doesNothing(at, line.entry())));
  }

  /**
   * Nor further down: wherever the entry reaches, everybody has the same without it. Places of one class, told apart by whether another entry
   * says the same to the same subject there, answer alike. O(places it reaches + classes among them × (entries + people / 64)).
   */
  private static boolean changesNothing(SnapshotAt moment, Entry entry) {
    Snapshot snapshot = moment.snapshot();
    Map<Boolean, BitSet> seen = Map.of(true, new BitSet(), false, new BitSet());
    Deque<Reached> left = new ArrayDeque<>();
    int top = snapshot.placeNumber(entry.place());
    left.push(new Reached(top, snapshot.reachingEntries(top).stream().anyMatch(other -> isDouble(snapshot, other, entry))));
    while (!left.isEmpty()) {
      Reached at = left.pop();
      int alike = moment.classOf(at.place());
      if (!seen.get(at.doubled()).get(alike)) {
        seen.get(at.doubled()).set(alike);
        if (!moment.holders(at.place()).sameAs(moment.holdersWithout(at.place(), entry))) {
          return false;
        }
      }
      for (int child : snapshot.childrenInNoOrder(at.place())) {
        if (!snapshot.standsAlone(child)) {
          left.push(new Reached(child, at.doubled() || snapshot.ownEntries(child).stream().anyMatch(other -> isDouble(snapshot, other, entry))));
        }
      }
    }
    return true;
  }

  /** @param doubled whether another entry that reaches the place says the same to the same subject */
  private record Reached(int place, boolean doubled) {}

  private static boolean isDouble(Snapshot snapshot, Entry other, Entry entry) {
    return !other.equals(entry) && other.getClass() == entry.getClass() && other.subject().equals(entry.subject()) && snapshot.rightsOf(other).equals(snapshot.rightsOf(entry));
  }
}
