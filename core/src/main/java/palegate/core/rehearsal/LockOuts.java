package palegate.core.rehearsal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.stream.IntStream;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.ClassEquivalence;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** Places where nobody active and on staff holds {@code govern} (section 8); worked out once an access class. */
public final class LockOuts {
  private static final int FEW_PEOPLE = 48;

  private final SnapshotAt moment;
  private final BitSet known = new BitSet();
  private final BitSet locked = new BitSet();

  private LockOuts(SnapshotAt moment) {
    this.moment = moment;
  }

  public static LockOuts in(SnapshotAt moment) {
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

  /** Of some places those without a keeper that stand below one that has one, by id: the rest follow from them. O(places). */
  public static List<String> topmost(SnapshotAt moment, IntStream places) {
    Snapshot snapshot = moment.snapshot();
    LockOuts lockOuts = in(moment);
    return places.filter(place -> lockOuts.at(place) && (snapshot.parent(place) < 0 || !lockOuts.at(snapshot.parent(place)))).mapToObj(place -> snapshot.place(place).id()).toList();
  }

  /**
   * The places without a keeper after that had one before, or did not exist. Looks only where somebody
   * loses govern or leaves the staff, and everywhere if many do.
   */
  static BitSet between(Snapshot before, Snapshot after, RightsDifference difference) {
    SnapshotAt was = before.at(difference.instant());
    SnapshotAt is = after.at(difference.instant());
    LockOuts lockedBefore = in(was);
    LockOuts lockedAfter = in(is);
    boolean comparable = is.comparableTo(was);
    PersonSet left = comparable ? was.activeStaff().minus(is.activeStaff()) : PersonSet.NOBODY;
    if (comparable ? left.size() <= FEW_PEOPLE : ClassEquivalence.of(was, is).keepsEverybody()) {
      // A place is left without a keeper if it is new and never had one, or if somebody loses govern there or leaves the staff.
      return difference.placesWhere(pair -> {
        int classBefore = difference.classBefore(pair);
        int classAfter = difference.classAfter(pair);
        return classAfter >= 0 && (classBefore < 0 || difference.someoneLosesGovern(pair) || anyGoverns(was, left, classBefore)) && lockedAfter.ofClass(classAfter)
            && (classBefore < 0 || !lockedBefore.ofClass(classBefore));
      });
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

  private static boolean anyGoverns(SnapshotAt moment, PersonSet people, int classNumber) {
    return people.stream().anyMatch(person -> (moment.rightsInClass(person, classNumber) & Rights.bit(Right.GOVERN)) != 0);
  }

  /** Active staff who could be named to govern a place: those who do so now, in order of their ids. */
  public static List<Person> candidates(Snapshot snapshot, Instant instant, int place) {
    SnapshotAt moment = snapshot.at(instant);
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
    moment.snapshot().places().forEach(place -> found.set(place, at(place)));
    return found;
  }
}
