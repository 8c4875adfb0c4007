package palegate.core.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.journal.Between.PersonAtPlace;
import palegate.core.journal.Between.State;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomDuties;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Alteration;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;

/** What is read from alterations alone says the same as what is read from every state on the way. */
class CausesByAlterationsTest {
  private static final Instant FROM = RandomStructures.NOW.minus(Duration.ofHours(4));
  private static final Instant UNTIL = FROM.plus(Duration.ofHours(9));
  private static final int STEPS = 6;
  private static final int STRUCTURES = 50;

  @Test
  void causes_are_the_same_as_those_read_from_every_state() {
    int named = 0;
    int several = 0;
    int byTime = 0;
    for (long seed = 0; seed < STRUCTURES; seed++) {
      List<State> states = history(seed, RandomStructures.fromSeed(seed));
      Between byStates = Between.of(states, FROM, UNTIL);
      Between byAlterations = Between.of(states.get(0).snapshot(), states.get(STEPS).snapshot(), Alterations.made(states), FROM, UNTIL, Between.Knowing.EVERYTHING);
      List<PersonAtPlace> all = pairs(states);
      // Alone and beside others: what is asked about together must not change what is said of each.
      Random random = new Random(seed);
      List<PersonAtPlace> some = all.stream().filter(any -> random.nextInt(all.size()) < 12).toList();
      for (List<PersonAtPlace> asked : List.of(all, some)) {
        assertThat(byAlterations.causes(asked)).as("seed %d, %s", seed, asked).isEqualTo(byStates.causes(asked));
      }
      for (PersonAtPlace pair : some) {
        List<Between.Cause> causes = byAlterations.causes(pair.person(), pair.place());
        assertThat(causes).as("seed %d, %s", seed, pair).isEqualTo(byStates.causes(pair.person(), pair.place()));
        named += causes.isEmpty() ? 0 : 1;
        several += causes.size() > 1 ? 1 : 0;
        byTime += causes.stream().anyMatch(Between.Cause.OfTime.class::isInstance) ? 1 : 0;
      }
      assertThat(byAlterations.numbers()).containsExactlyElementsOf(byStates.numbers().toList());
    }
    assertThat(named).as("pairs with causes").isGreaterThan(60);
    assertThat(several).as("with more than one").isGreaterThan(30);
    assertThat(byTime).as("by the passing of time").isGreaterThan(10);
  }

  @Test
  void whoever_may_know_a_part_hears_the_same_as_from_every_state_cut_to_what_they_may_know() {
    int cut = 0;
    int named = 0;
    for (long seed = 0; seed < STRUCTURES; seed++) {
      Random random = new Random(seed);
      List<State> states = history(seed, RandomDuties.over(RandomStructures.fromSeed(seed), random));
      SnapshotAt today = states.get(STEPS).snapshot().at(UNTIL);
      List<String> people = List.copyOf(today.snapshot().structure().people().keySet());
      if (people.isEmpty()) {
        continue;
      }
      Viewpoint viewpoint = Viewpoint.of(Asker.of(today, people.get(random.nextInt(people.size()))));
      List<State> known = states.stream().map(state -> new State(state.change(), state.since(), Viewpoint.of(viewpoint.asker(), state.snapshot()).snapshot())).toList();
      Between byStates = Between.of(known, FROM, UNTIL);
      Between byAlterations = Between.of(states.get(0).snapshot(), states.get(STEPS).snapshot(), Alterations.made(states), FROM, UNTIL, viewpoint.knowing());
      List<Between.Caused> expected = byStates.pairs().toList();
      // What is known only because the asker finds it is not covered by a duty: of it entries are told as far as they reach what is.
      assertThat(byAlterations.pairs()).as("seed %d, %s with %s", seed, viewpoint.asker().id(), viewpoint.asker().held()).containsExactlyElementsOf(expected);
      cut += viewpoint.whole() ? 0 : 1;
      named += viewpoint.whole() ? 0 : expected.size();
    }
    assertThat(cut).as("askers who may not know everything").isGreaterThan(30);
    assertThat(named).as("pairs that they are told of").isGreaterThan(20);
  }

  @Test
  void a_change_elsewhere_makes_no_state_of_what_is_asked_about() {
    Structure first = Harbour.snapshot().structure();
    Bearing bearing = Bearing.on(Set.of("per"), List.of("c2"), first, List.of());
    Structure bears = bearing.of(first);
    assertThat(bears.places().keySet()).contains("c2", first.repository().orElseThrow().id()).hasSizeLessThan(first.places().size());
    assertThat(bears.grants().values()).allSatisfy(grant -> assertThat(bears.places()).containsKey(grant.place()));
    Membership other = new Membership(new Membership.PersonMember("somebody else"), Period.ALWAYS);
    assertThat(bearing.of(List.of(new Alteration("membership", "g", null, new Alteration.GroupMembership("g", other))))).isEmpty();
  }

  private static List<PersonAtPlace> pairs(List<State> states) {
    Set<String> people = new TreeSet<>();
    Set<String> places = new TreeSet<>();
    for (State state : states) {
      people.addAll(state.snapshot().structure().people().keySet());
      places.addAll(state.snapshot().structure().places().keySet());
    }
    return people.stream().flatMap(person -> places.stream().map(place -> new PersonAtPlace(person, place))).toList();
  }

  private static List<State> history(long seed, Structure first) {
    List<State> states = new ArrayList<>();
    Snapshot at = Snapshot.of(first);
    states.add(new State(1, FROM, at));
    for (int step = 0; step < STEPS; step++) {
      List<Change> changes = new ArrayList<>(step % 2 == 0 ? RandomDrafts.fromSeed(at.structure(), seed * 31 + step) : RandomGrowth.fromSeed(at.structure(), seed, step));
      Instant when = FROM.plus(Duration.ofMinutes(75L * step + 30));
      at = at.next(DraftApplication.of(at, changes, when).structure());
      states.add(new State(2 + step, when, at));
    }
    return states;
  }
}
