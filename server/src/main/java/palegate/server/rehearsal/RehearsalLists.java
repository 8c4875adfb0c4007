package palegate.server.rehearsal;

import java.time.Duration;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import palegate.core.people.Person;
import palegate.core.rehearsal.FoundPairs;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.store.StateCaches;
import palegate.server.store.WeighedCache;

/** The long lists behind a rehearsal's counts: whoever reads one asks for page after page of it, and it is found once. */
@Component
class RehearsalLists {
  /** In tree order as they are found. */
  private static final SortOrders<RightsDifference.PlaceShift> PLACES = SortOrders.<RightsDifference.PlaceShift>by("place", (a, b) -> 0)
      .or("gains", Comparator.comparing(RightsDifference.PlaceShift::peopleGaining)).or("losses", Comparator.comparing(RightsDifference.PlaceShift::peopleLosing));

  private record PairsKey(RightsDifference difference, Narrowing narrowing, String person, String place, String text) {}

  private record PlacesKey(RightsDifference difference, Narrowing narrowing, boolean documentsOnly, String text, String sort) {}

  private final WeighedCache<PairsKey, FoundPairs> pairs;
  private final WeighedCache<PlacesKey, List<RightsDifference.PlaceShift>> places;

  RehearsalLists(StateCaches caches) {
    pairs = caches.few(4, Duration.ofMinutes(2));
    places = caches.few(4, Duration.ofMinutes(2));
  }

  /** Each person at each place; of one person or one place if they are named. */
  FoundPairs pairs(Rehearsal rehearsal, RightsDifference difference, Narrowing narrowing, String person, String place, String text) {
    return pairs.get(new PairsKey(difference, narrowing, person, place, text), any -> {
      Predicate<Person> people = narrowing.people(rehearsal, difference.instant());
      return difference.find(new FoundPairs.Wanted(narrowing.direction().takesGains(), narrowing.direction().takesLosses(), narrowing.wanted(),
          one -> people.test(one) && (person == null || person.equals(one.id())), place, text));
    });
  }

  /** Where anything changes. What is narrowed to people is narrowed to the places where something changes for them. */
  List<RightsDifference.PlaceShift> places(Rehearsal rehearsal, RightsDifference difference, Narrowing narrowing, boolean documentsOnly, PageRequest part) {
    return places.get(new PlacesKey(difference, narrowing, documentsOnly, part.text(), Objects.requireNonNullElse(part.sort(), "")), any -> {
      Stream<RightsDifference.PlaceShift> shifts = narrowing.namesPeople() ? difference.placesOf(narrowing.people(rehearsal, difference.instant())) : difference.places();
      return PLACES.sorted(part, shifts.filter(shift -> (!documentsOnly || shift.place().isDocument())
          && (part.takesAll() || part.takes(difference.path(shift.place()))) && narrowing.takes(shift.gained(), shift.lost(), narrowing.namesOutsiders())));
    });
  }
}
