package palegate.core.questions;

import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.snapshot.SnapshotAt;

/**
 * Two people, or two groups, next to each other: who is in both, and where what they may do differs. What a group may do
 * at a place is what all of its people may do there.
 */
public final class SideBySide {
  /** A place where the two differ. */
  public record Differs(Place place, String path, Rights one, Rights other) {}

  private final SnapshotAt moment;
  private final PersonSet one;
  private final PersonSet other;
  private final int[] ofOne;
  private final int[] ofOther;

  private SideBySide(SnapshotAt moment, Subject one, Subject other) {
    this.moment = moment;
    this.one = moment.matching(one).and(moment.active());
    this.other = moment.matching(other).and(moment.active());
    ofOne = common(this.one);
    ofOther = common(this.other);
  }

  /** O((people of both) × classes). */
  public static SideBySide of(SnapshotAt moment, Subject one, Subject other) {
    return new SideBySide(moment, one, other);
  }

  private int[] common(PersonSet people) {
    int[] common = new int[moment.classCount()];
    boolean first = true;
    for (int person : people.toArray()) {
      int[] rights = moment.rightsInEveryClass(person);
      for (int number = 0; number < common.length; number++) {
        common[number] = first ? rights[number] : common[number] & rights[number];
      }
      first = false;
    }
    return common;
  }

  public PersonSet onlyInOne() {
    return one.minus(other);
  }

  public PersonSet onlyInOther() {
    return other.minus(one);
  }

  public PersonSet inBoth() {
    return one.and(other);
  }

  /** How many places differ. O(classes). */
  public int count() {
    return IntStream.range(0, ofOne.length).filter(number -> ofOne[number] != ofOther[number]).map(moment::placesInClass).sum();
  }

  /** The places that differ, lazily, in the order in which people read the tree. */
  public Stream<Differs> places() {
    return moment.snapshot().inDisplayOrder().filter(place -> ofOne[moment.classOf(place)] != ofOther[moment.classOf(place)])
        .mapToObj(place -> new Differs(moment.snapshot().place(place), moment.snapshot().pathText(place),
            Rights.ofMask(ofOne[moment.classOf(place)]), Rights.ofMask(ofOther[moment.classOf(place)])));
  }
}
