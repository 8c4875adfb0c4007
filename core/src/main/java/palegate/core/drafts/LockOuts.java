package palegate.core.drafts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import palegate.core.people.Person;
import palegate.core.roles.Right;
import palegate.core.snapshot.Likeness;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;

/** Places where nobody active and on staff holds {@code govern} (section 8); worked out once an access class. */
public final class LockOuts {
  private final Moment moment;
  private final BitSet known = new BitSet();
  private final BitSet locked = new BitSet();

  private LockOuts(Moment moment) {
    this.moment = moment;
  }

  public static LockOuts in(Moment moment) {
    return new LockOuts(moment);
  }

  /** Whether a place is left without a keeper. */
  public boolean at(int place) {
    return ofClass(moment.classOf(place));
  }

  /** Every place without a keeper. O(places). */
  public static PlaceSet all(Snapshot snapshot, Instant instant) {
    return new PlaceSet(snapshot, in(snapshot.at(instant)).all());
  }

  /**
   * The places without a keeper after that had one before, or did not exist. Looks only where somebody
   * loses govern if both states have the same people, and everywhere if not: somebody may have left
   * staff without losing a right.
   */
  static BitSet between(Snapshot before, Snapshot after, Difference difference) {
    Moment was = before.at(difference.instant());
    Moment is = after.at(difference.instant());
    LockOuts lockedBefore = in(was);
    LockOuts lockedAfter = in(is);
    if (is.comparableTo(was) && !is.peopleAltered(was)) {
      return difference.placesWhere(pair -> difference.someoneLosesGovern(pair)
          && lockedAfter.ofClass(difference.classAfter(pair)) && !lockedBefore.ofClass(difference.classBefore(pair)));
    }
    if (!is.comparableTo(was) && Likeness.of(was, is).keepsEverybody()) {
      // A place is left without a keeper if it is new and never had one, or if somebody loses govern there.
      return difference.placesWhere(pair -> difference.classAfter(pair) >= 0 && lockedAfter.ofClass(difference.classAfter(pair)) && (difference.classBefore(pair) < 0
          || difference.someoneLosesGovern(pair) && !lockedBefore.ofClass(difference.classBefore(pair))));
    }
    BitSet locked = lockedAfter.all();
    for (int place = locked.nextSetBit(0); place >= 0; place = locked.nextSetBit(place + 1)) {
      int number = before.placeNumber(after.place(place).id());
      if (number >= 0 && lockedBefore.at(number)) {
        locked.clear(place);
      }
    }
    return locked;
  }

  /** Active staff who could be named to govern a place: those who do so now, in order of their ids. */
  public static List<Person> candidates(Snapshot snapshot, Instant instant, int place) {
    Moment moment = snapshot.at(instant);
    List<Person> candidates = new ArrayList<>();
    // Nobody may govern the place itself even before the break: then whoever governs nearest above.
    for (int at = place; at >= 0 && candidates.isEmpty(); at = snapshot.parent(at)) {
      moment.holdersOf(Right.GOVERN, at).and(moment.activeStaff())
          .forEach(person -> candidates.add(snapshot.person(person)));
    }
    return candidates;
  }

  boolean ofClass(int number) {
    if (!known.get(number)) {
      known.set(number);
      locked.set(number, !moment.holdersOfInClass(Right.GOVERN, number).intersects(moment.activeStaff()));
    }
    return locked.get(number);
  }

  private BitSet all() {
    BitSet found = new BitSet();
    for (int place = 0; place < moment.snapshot().placeCount(); place++) {
      found.set(place, at(place));
    }
    return found;
  }
}
