package palegate.core.drafts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.roaringbitmap.RoaringBitmap;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;

/** Places where nobody active and on staff holds {@code govern} (section 8). */
public final class LockOuts {
  private LockOuts() {}

  /** Whether a place is left without a keeper. O(1) once its class is known. */
  public static boolean at(Moment moment, int place) {
    return !RoaringBitmap.intersects(moment.holders(place).of(Right.GOVERN), moment.activeStaff());
  }

  /** Every place without a keeper, in tree order. O(places). */
  public static List<Place> all(Snapshot snapshot, Instant instant) {
    Moment moment = snapshot.at(instant);
    List<Place> found = new ArrayList<>();
    for (int place = 0; place < snapshot.placeCount(); place++) {
      if (at(moment, place)) {
        found.add(snapshot.place(place));
      }
    }
    return found;
  }

  /**
   * The places without a keeper after that had one before, or did not exist, in tree order. Looks only
   * where somebody loses govern if both states have the same people, and everywhere if not: somebody
   * may have left staff without losing a right.
   */
  public static List<Place> between(Snapshot before, Snapshot after, Difference difference) {
    Moment was = before.at(difference.instant());
    Moment is = after.at(difference.instant());
    Stream<Place> suspects = is.comparableTo(was)
        ? difference.placesWhereGovernMayBeMissed().filter(place -> at(is, after.placeNumber(place.id())))
        : all(after, difference.instant()).stream();
    return suspects.filter(place -> {
      int number = before.placeNumber(place.id());
      return number < 0 || !at(was, number);
    }).toList();
  }

  /** Active staff who could be named to govern a place: those who do so now, in order of their ids. */
  public static List<Person> candidates(Snapshot snapshot, Instant instant, int place) {
    Moment moment = snapshot.at(instant);
    List<Person> candidates = new ArrayList<>();
    // Nobody may govern the place itself even before the break: then whoever governs nearest above.
    for (int at = place; at >= 0 && candidates.isEmpty(); at = snapshot.parent(at)) {
      RoaringBitmap.and(moment.holders(at).of(Right.GOVERN), moment.activeStaff())
          .forEach((int person) -> candidates.add(snapshot.person(person)));
    }
    return candidates;
  }
}
