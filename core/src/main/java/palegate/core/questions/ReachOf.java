package palegate.core.questions;

import java.util.stream.Stream;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.snapshot.SnapshotAt;

/**
 * "What can this person reach": every place where they hold at least one standing right. Counted first,
 * listed lazily.
 */
public final class ReachOf {
  /** A place's number, the place, and what the person may do there. */
  public record Reached(int number, Place place, Rights rights) {}

  private final SnapshotAt moment;
  private final int[] rightsByClass;

  private ReachOf(SnapshotAt moment, int[] rightsByClass) {
    this.moment = moment;
    this.rightsByClass = rightsByClass;
  }

  /** Works out one person's rights in every class. O(classes). */
  public static ReachOf person(SnapshotAt moment, int person) {
    return new ReachOf(moment, moment.rightsInEveryClass(person));
  }

  /** How many places. O(classes). */
  public int places() {
    int count = 0;
    for (int number = 0; number < rightsByClass.length; number++) {
      count += rightsByClass[number] == 0 ? 0 : moment.placesInClass(number);
    }
    return count;
  }

  /** How many of them are documents. O(classes). */
  public int documents() {
    int count = 0;
    for (int number = 0; number < rightsByClass.length; number++) {
      count += rightsByClass[number] == 0 ? 0 : moment.documentsInClass(number);
    }
    return count;
  }

  /** The rights at a place, as a mask. O(1). */
  public int rightsAt(int place) {
    return rightsByClass[moment.classOf(place)];
  }

  /** Lazily, in the order in which people read the tree. */
  public Stream<Reached> stream() {
    return moment.snapshot().inDisplayOrder().filter(place -> rightsAt(place) != 0)
        .mapToObj(place -> new Reached(place, moment.snapshot().place(place), Rights.ofMask(rightsAt(place))));
  }
}
