package palegate.core.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import palegate.core.people.PeopleAtPlaces;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** The lists behind a rehearsal's counts: whatever they are narrowed to or sorted by, they say what the pairs say. */
class DifferenceListsTest {
  private static final int SEEDS = Often.times(300);

  private static RightsDifference difference(long seed) {
    return rehearsal(seed).now();
  }

  private static Rehearsal rehearsal(long seed) {
    Structure structure = RandomStructures.fromSeed(seed);
    return Rehearsal.of(Snapshot.of(structure), RandomDrafts.fromSeed(structure, seed), RandomStructures.NOW, null);
  }

  private static final Comparator<RightsDifference.Pair> BY_NAME = Comparator.comparing((RightsDifference.Pair pair) -> pair.person().name())
      .thenComparing(pair -> pair.person().id());

  /** Each order worked out from the pairs one by one: those are in tree order, and sorting keeps it where the order says no more. */
  private static List<RightsDifference.Pair> expected(List<RightsDifference.Pair> pairs, PeopleAtPlaces.Order order) {
    if (order == PeopleAtPlaces.Order.PERSON) {
      return pairs.stream().sorted(BY_NAME).toList();
    }
    List<String> places = pairs.stream().map(pair -> pair.place().id()).distinct().toList();
    return pairs.stream().sorted(Comparator.comparing((RightsDifference.Pair pair) -> places.indexOf(pair.place().id())).thenComparing(BY_NAME)).toList();
  }

  private static boolean isBelow(Structure structure, String place, String top) {
    for (Place at = structure.places().get(place); at != null; at = at.parent() == null ? null : structure.places().get(at.parent())) {
      if (at.id().equals(top)) {
        return true;
      }
    }
    return false;
  }

  private static boolean takes(FoundPairs.Wanted wanted, RightsDifference.Pair pair, Structure... structures) {
    if (wanted.below() != null && Stream.of(structures).noneMatch(structure -> isBelow(structure, pair.place().id(), wanted.below()))) {
      return false;
    }
    boolean changes = wanted.gains() && !pair.gained().intersect(wanted.rights()).isEmpty() || wanted.losses() && !pair.lost().intersect(wanted.rights()).isEmpty();
    return changes && wanted.people().test(pair.person()) && (wanted.place() == null || wanted.place().equals(pair.place().id()))
        && (pair.person().name().toLowerCase(Locale.ROOT).contains(wanted.text()) || pair.path().toLowerCase(Locale.ROOT).contains(wanted.text()));
  }

  @Test
  void pairs_that_are_looked_for_are_those_of_all_that_are_wanted_in_any_order_and_from_any_of_them_on() {
    for (long seed = 1; seed <= SEEDS; seed++) {
      Rehearsal rehearsal = rehearsal(seed);
      RightsDifference difference = rehearsal.now();
      List<RightsDifference.Pair> all = difference.pairs().toList();
      Random random = new Random(seed);
      for (FoundPairs.Wanted wanted : wanted(all, random)) {
        FoundPairs found = difference.find(wanted);
        List<RightsDifference.Pair> those = all.stream().filter(pair -> takes(wanted, pair, rehearsal.before().structure(), rehearsal.after().structure())).toList();
        assertThat(found.count()).as("seed %d, %s", seed, wanted).isEqualTo(those.size());
        for (PeopleAtPlaces.Order order : PeopleAtPlaces.Order.values()) {
          List<RightsDifference.Pair> expected = new ArrayList<>(expected(those, order));
          int offset = random.nextInt(those.size() + 1);
          assertThat(found.from(order, false, 0)).as("seed %d, %s, %s", seed, wanted, order).containsExactlyElementsOf(expected);
          assertThat(found.from(order, false, offset)).as("seed %d, %s, %s, from %d", seed, wanted, order, offset).containsExactlyElementsOf(expected.subList(offset, expected.size()));
          Collections.reverse(expected);
          assertThat(found.from(order, true, offset)).as("seed %d, %s, %s, turned, from %d", seed, wanted, order, offset).containsExactlyElementsOf(expected.subList(offset, expected.size()));
        }
      }
    }
  }

  private static List<FoundPairs.Wanted> wanted(List<RightsDifference.Pair> all, Random random) {
    Predicate<Person> anybody = any -> true;
    String place = all.isEmpty() ? "nowhere" : all.get(random.nextInt(all.size())).place().id();
    return List.of(FoundPairs.Wanted.ALL,
        new FoundPairs.Wanted(true, false, Rights.ALL, anybody, null, ""),
        new FoundPairs.Wanted(false, true, Rights.of(Right.READ, Right.GOVERN), anybody, null, ""),
        new FoundPairs.Wanted(true, true, Rights.ALL, Person::external, null, ""),
        new FoundPairs.Wanted(true, true, Rights.ALL, person -> person.id().hashCode() % 2 == 0, null, " P1 "),
        new FoundPairs.Wanted(true, true, Rights.ALL, anybody, null, "1"),
        new FoundPairs.Wanted(true, true, Rights.ALL, anybody, place, ""),
        new FoundPairs.Wanted(true, true, Rights.ALL, Person::external, null, above(all, random), ""),
        new FoundPairs.Wanted(true, true, Rights.ALL, anybody, null, above(all, random), "1"));
  }

  /** Something that lies above one of the places, as it is now. */
  private static String above(List<RightsDifference.Pair> all, Random random) {
    Place place = all.isEmpty() ? null : all.get(random.nextInt(all.size())).place();
    return place == null ? "nowhere" : place.parent() == null || random.nextBoolean() ? place.id() : place.parent();
  }

  @Test
  void the_people_who_gain_or_lose_are_worked_out_once() {
    RightsDifference difference = difference(1);
    assertThat(difference.people()).isSameAs(difference.people());
  }

  @Test
  void places_narrowed_to_some_people_count_only_them() {
    for (long seed = 1; seed <= SEEDS; seed++) {
      RightsDifference difference = difference(seed);
      for (Predicate<Person> some : List.<Predicate<Person>>of(Person::external, person -> person.id().hashCode() % 2 == 0, any -> true, any -> false)) {
        Map<String, List<RightsDifference.Pair>> expected = difference.pairs().filter(pair -> some.test(pair.person()))
            .collect(Collectors.groupingBy(pair -> pair.place().id()));
        List<RightsDifference.PlaceShift> narrowed = difference.placesOf(some).toList();
        assertThat(narrowed).as("seed %d", seed).extracting(shift -> shift.place().id()).containsExactlyInAnyOrderElementsOf(expected.keySet());
        long shown = seed;
        assertThat(narrowed).allSatisfy(shift -> {
          List<RightsDifference.Pair> pairs = expected.get(shift.place().id());
          assertThat(shift.peopleGaining()).as("seed %d at %s", shown, difference.path(shift.place())).isEqualTo((int) pairs.stream().filter(pair -> !pair.gained().isEmpty()).count());
          assertThat(shift.peopleLosing()).as("seed %d at %s", shown, difference.path(shift.place())).isEqualTo((int) pairs.stream().filter(pair -> !pair.lost().isEmpty()).count());
          assertThat(shift.gained()).as("seed %d at %s", shown, difference.path(shift.place())).isEqualTo(pairs.stream().map(RightsDifference.Pair::gained).reduce(Rights.NONE, Rights::union));
          assertThat(shift.lost()).as("seed %d at %s", shown, difference.path(shift.place())).isEqualTo(pairs.stream().map(RightsDifference.Pair::lost).reduce(Rights.NONE, Rights::union));
        });
      }
    }
  }

  @Test
  void places_narrowed_to_everyone_are_all_places_that_change() {
    for (long seed = 1; seed <= SEEDS; seed++) {
      RightsDifference difference = difference(seed);
      assertThat(difference.placesOf(any -> true)).as("seed %d", seed).containsExactlyElementsOf(difference.places().toList());
    }
  }
}
