package palegate.core.drafts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.people.Person;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/** The lists behind a rehearsal's counts: whatever they are narrowed to or sorted by, they say what the pairs say. */
class DifferenceListsTest {
  private static final int SEEDS = 300;

  private static Difference difference(long seed) {
    Structure structure = RandomStructures.fromSeed(seed);
    return Rehearsal.of(Snapshot.of(structure), RandomDrafts.fromSeed(structure, seed), RandomStructures.NOW, null).now();
  }

  @Test
  void by_person_the_same_pairs_follow_each_other_person_after_person() {
    for (long seed = 1; seed <= SEEDS; seed++) {
      Difference difference = difference(seed);
      List<Difference.Pair> byPerson = difference.pairsByPerson().toList();
      assertThat(byPerson).as("seed %d", seed).containsExactlyInAnyOrderElementsOf(difference.pairs().toList());
      assertThat(byPerson.stream().map(pair -> pair.person().name() + " " + pair.person().id()).toList()).as("seed %d", seed).isSorted();
    }
  }

  @Test
  void places_narrowed_to_some_people_count_only_them() {
    for (long seed = 1; seed <= SEEDS; seed++) {
      Difference difference = difference(seed);
      for (Predicate<Person> some : List.<Predicate<Person>>of(Person::external, person -> person.id().hashCode() % 2 == 0, any -> true, any -> false)) {
        Map<String, List<Difference.Pair>> expected = difference.pairs().filter(pair -> some.test(pair.person()))
            .collect(Collectors.groupingBy(pair -> pair.place().id()));
        List<Difference.PlaceShift> narrowed = difference.placesOf(some).toList();
        assertThat(narrowed).as("seed %d", seed).extracting(shift -> shift.place().id()).containsExactlyInAnyOrderElementsOf(expected.keySet());
        long shown = seed;
        assertThat(narrowed).allSatisfy(shift -> {
          List<Difference.Pair> pairs = expected.get(shift.place().id());
          assertThat(shift.peopleGaining()).as("seed %d at %s", shown, shift.path()).isEqualTo((int) pairs.stream().filter(pair -> !pair.gained().isEmpty()).count());
          assertThat(shift.peopleLosing()).as("seed %d at %s", shown, shift.path()).isEqualTo((int) pairs.stream().filter(pair -> !pair.lost().isEmpty()).count());
          assertThat(shift.gained()).as("seed %d at %s", shown, shift.path()).isEqualTo(pairs.stream().map(Difference.Pair::gained).reduce(Rights.NONE, Rights::union));
          assertThat(shift.lost()).as("seed %d at %s", shown, shift.path()).isEqualTo(pairs.stream().map(Difference.Pair::lost).reduce(Rights.NONE, Rights::union));
        });
      }
    }
  }

  @Test
  void places_narrowed_to_everyone_are_all_places_that_change() {
    for (long seed = 1; seed <= SEEDS; seed++) {
      Difference difference = difference(seed);
      assertThat(difference.placesOf(any -> true)).as("seed %d", seed).containsExactlyElementsOf(difference.places().toList());
    }
  }
}
