package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;
import static palegate.core.literal.Literally.standing;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.journal.Alterations;
import palegate.core.journal.Between;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.PossibleContact;
import palegate.core.wallsatwork.StandingWall;

/** Who could have been inside, and when, is what the rules read literally say of every state of a history at every half hour of it. */
class PossibleContactAgreesWithLiteralRulesTest {
  private static final Duration STEP = Duration.ofMinutes(30);
  private static final Instant FROM = RandomStructures.NOW.minus(Duration.ofHours(4));
  private static final Instant UNTIL = RandomStructures.NOW.plus(Duration.ofHours(2));

  @Test
  void somebody_could_have_been_inside_just_when_they_could_literally_read_something_that_is_covered_today() {
    int inside = 0;
    int cameAndWent = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(250); seed++) {
      List<Between.State> states = history(seed);
      Snapshot now = states.get(states.size() - 1).snapshot();
      for (Wall wall : now.structure().walls().values()) {
        StandingWall standing = StandingWall.of(now, wall, UNTIL);
        Map<String, PossibleContact> found = PossibleContact.of(standing.with().snapshot(), standing.barrings(), states, FROM, UNTIL).stream()
            .collect(Collectors.toMap(one -> one.person().id(), one -> one, (a, b) -> a, TreeMap::new));
        assertThat(PossibleContact.of(standing.with().snapshot(), standing.barrings(), states.get(0).snapshot(), Alterations.made(states), FROM, UNTIL)).as("seed %d, %s, from what was altered", seed, wall).isEqualTo(List.copyOf(
            PossibleContact.of(standing.with().snapshot(), standing.barrings(), states, FROM, UNTIL)));
        for (Person person : now.structure().people().values()) {
          List<PossibleContact.Span> spans = found.containsKey(person.id()) ? found.get(person.id()).spans() : List.of();
          int most = 0;
          for (Instant instant = FROM; instant.isBefore(UNTIL); instant = instant.plus(STEP)) {
            int literally = readable(states, standing, person, instant);
            most = Math.max(most, literally);
            Instant at = instant;
            assertThat(spans.stream().anyMatch(span -> !at.isBefore(span.from()) && at.isBefore(span.until())))
                .as("seed %d, %s, %s at %s: %s", seed, wall, person.id(), at, spans).isEqualTo(literally > 0);
          }
          inside += spans.size();
          cameAndWent += spans.size() > 1 || !spans.isEmpty() && spans.get(0).until().isBefore(UNTIL) ? 1 : 0;
          assertThat(found.containsKey(person.id()) ? found.get(person.id()).documents() : 0).as("seed %d, %s, %s", seed, wall, person.id()).isGreaterThanOrEqualTo(most);
        }
      }
    }
    assertThat(inside).as("spans").isGreaterThan(Often.times(100));
    assertThat(cameAndWent).as("of them such as ended").isGreaterThan(Often.times(20));
  }

  private static List<Between.State> history(long seed) {
    List<Between.State> states = new ArrayList<>();
    Snapshot at = Snapshot.of(RandomStructures.fromSeed(seed));
    states.add(new Between.State(1, FROM.minusSeconds(60), at));
    for (int step = 0; step < 3; step++) {
      List<Change> changes = new ArrayList<>(RandomGrowth.fromSeed(at.structure(), seed, step));
      changes.addAll(RandomDrafts.fromSeed(at.structure(), seed + step));
      Instant when = FROM.plus(Duration.ofHours(1L + step)).plusSeconds(600);
      at = at.next(DraftApplication.of(at, changes, when).structure());
      states.add(new Between.State(2 + step, when, at));
    }
    return states;
  }

  /** How many of the documents from which somebody is kept today they could read at an instant. */
  private static int readable(List<Between.State> states, StandingWall standing, Person person, Instant instant) {
    Structure today = standing.with().snapshot().structure();
    Structure then = states.stream().filter(state -> !state.since().isAfter(instant)).reduce((a, b) -> b).orElseThrow().snapshot().structure();
    if (!person.active()) {
      return 0;
    }
    return (int) today.places().values().stream().filter(Place::isDocument).map(Place::id)
        .filter(id -> LiteralWalls.bars(today, standing.wall(), person, today.places().get(id), standing.with().instant()))
        .filter(id -> then.places().containsKey(id) && then.people().containsKey(person.id()) && standing(then, person.id(), id, instant).contains(Right.READ)).count();
  }
}
