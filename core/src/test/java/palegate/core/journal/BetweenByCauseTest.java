package palegate.core.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Person;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.FoundPairs;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** What is put together by what did it, and then by person and place, is all that differs and nothing else, and every count is of what it opens. */
class BetweenByCauseTest {
  private static final long FIRST_SEED = 20_261_202L;

  private static Between history(long seed) {
    Structure structure = RandomStructures.fromSeed(seed);
    Snapshot snapshot = Snapshot.of(structure);
    List<Between.State> states = new ArrayList<>(List.of(new Between.State(1, RandomStructures.NOW, snapshot)));
    for (Change change : RandomDrafts.fromSeed(structure, seed)) {
      DraftApplication.Result result = DraftApplication.of(snapshot, List.of(change), RandomStructures.NOW);
      if (result.refusals().isEmpty()) {
        snapshot = snapshot.next(result.difference());
        states.add(new Between.State(states.size() + 1L, RandomStructures.NOW.plus(Duration.ofMinutes(states.size())), snapshot));
      }
    }
    Instant until = RandomStructures.NOW.plus(Duration.ofDays(40));
    return Between.of(states, RandomStructures.NOW, until);
  }

  @Test
  void every_group_opens_to_just_what_it_counts_and_together_they_are_all_of_it() {
    int groups = 0;
    int several = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(300); seed++) {
      Between between = history(seed);
      for (boolean outsiders : new boolean[] {false, true}) {
        FoundPairs found = between.difference().find(new FoundPairs.Wanted(true, true, Rights.ALL, person -> !outsiders || person.external(), null, ""));
        BetweenByCause byCause = BetweenByCause.of(between, found, 20_000).orElseThrow();
        Map<List<String>, Set<Between.Cause>> expected = new HashMap<>();
        between.pairs().filter(one -> !outsiders || one.pair().person().external()).forEach(one -> expected.put(List.of(one.pair().person().id(), one.pair().place().id()), new HashSet<>(between.causes(one.pair().person().id(), one.pair().place().id()))));
        Map<List<String>, Set<Between.Cause>> opened = new HashMap<>();
        for (BetweenByCause.Group group : byCause.groups()) {
          List<BetweenByCause.OfPerson> people = byCause.people(group.cause());
          assertThat(people).as("seed %d, %s", seed, group).hasSize(group.people()).extracting(one -> one.person().name()).isSorted();
          assertThat(people.stream().filter(one -> one.gaining() > 0).count()).as("seed %d, %s", seed, group).isEqualTo(group.gaining());
          assertThat(people.stream().filter(one -> one.losing() > 0).count()).as("seed %d, %s", seed, group).isEqualTo(group.losing());
          Set<String> places = new HashSet<>();
          for (BetweenByCause.OfPerson person : people) {
            List<Between.Caused> at = byCause.places(group.cause(), person.person().id());
            assertThat(at).as("seed %d, %s, %s", seed, group, person).hasSize(person.places()).doesNotHaveDuplicates();
            at.forEach(one -> {
              places.add(one.pair().place().id());
              opened.computeIfAbsent(List.of(person.person().id(), one.pair().place().id()), any -> new HashSet<>()).add(group.cause());
            });
          }
          assertThat(places).as("seed %d, %s", seed, group).hasSize(group.places());
          groups++;
        }
        several += expected.values().stream().anyMatch(causes -> causes.size() > 1) ? 1 : 0;
        expected.values().removeIf(Set::isEmpty);
        assertThat(opened).as("seed %d", seed).isEqualTo(expected);
        assertThat(byCause.people(null).stream().map(BetweenByCause.OfPerson::person).map(Person::id)).as("seed %d", seed).doesNotHaveDuplicates();
        assertThat(byCause.people(null).stream().mapToLong(BetweenByCause.OfPerson::places).sum()).as("seed %d, all of them", seed).isEqualTo(found.count());
        assertThat(found.count() == 0 || BetweenByCause.of(between, found, (int) found.count() - 1).isEmpty()).as("seed %d", seed).isTrue();
      }
    }
    assertThat(groups).isGreaterThan(Often.times(200));
    assertThat(several).as("what several changes did together").isGreaterThan(Often.times(5));
  }
}
