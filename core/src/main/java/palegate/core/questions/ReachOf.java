package palegate.core.questions;

import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;

/** "What can this person reach": every place where they hold at least one right, in tree order. */
public final class ReachOf {
  /** A place's number, the place, and what the person may do there. */
  public record Reached(int number, Place place, Rights rights) {}

  private ReachOf() {}

  /** Lazily; each class of places is computed once. */
  public static Stream<Reached> person(Moment moment, int person) {
    Rights[] byClass = new Rights[moment.classCount()];
    return IntStream.range(0, moment.snapshot().placeCount()).mapToObj(place -> {
      int number = moment.classOf(place);
      if (byClass[number] == null) {
        byClass[number] = moment.rights(person, place);
      }
      return new Reached(place, moment.snapshot().place(place), byClass[number]);
    }).filter(reached -> !reached.rights().isEmpty());
  }
}
