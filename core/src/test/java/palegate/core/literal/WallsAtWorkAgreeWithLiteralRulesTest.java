package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;
import static palegate.core.literal.Literally.standing;

import java.time.Instant;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import palegate.core.walls.Barrier;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.Admitted;
import palegate.core.wallsatwork.Barring;
import palegate.core.wallsatwork.StandingWall;
import palegate.core.wallsatwork.WallAudience;
import palegate.core.wallsatwork.WallProof;

/** Section 7: what is said of a wall at work is what the rules read literally say, pair by pair, also of one that does not stand yet. */
class WallsAtWorkAgreeWithLiteralRulesTest {
  private static final int STRUCTURES = Often.times(700);

  @Test
  void a_wall_bars_just_the_pairs_it_literally_bars_takes_what_they_had_and_its_proof_counts_them() {
    int walls = 0;
    long barredPairs = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Instant now = RandomStructures.instant(new Random(seed));
      Snapshot snapshot = Snapshot.of(structure);
      for (Wall wall : structure.walls().values()) {
        StandingWall standing = StandingWall.of(snapshot, wall, now);
        Set<String> literally = new TreeSet<>();
        Map<String, Integer> losing = new HashMap<>();
        Structure with = standing.with().snapshot().structure();
        Structure without = standing.without().snapshot().structure();
        Instant at = standing.with().instant();
        for (Person person : structure.people().values()) {
          for (Place place : structure.places().values()) {
            if (person.active() && LiteralWalls.bars(with, standing.wall(), person, place, at)) {
              literally.add(person.id() + " " + place.id());
              Rights before = standing(without, person.id(), place.id(), at);
              losing.merge(person.id(), before.isEmpty() ? 0 : 1, Integer::sum);
            }
          }
        }
        List<Barring> barrings = standing.barrings();
        assertThat(pairs(snapshot, standing, barrings)).as("seed %d, %s", seed, wall).isEqualTo(literally);
        assertThat(pairs(snapshot, standing, Barring.disjoint(barrings))).as("seed %d, %s", seed, wall).isEqualTo(literally);
        assertThat(Barring.pairs(barrings)).as("seed %d, %s", seed, wall).isEqualTo(literally.size());
        WallProof proof = WallProof.of(snapshot, wall, now, 50, seed, WallProof.Progress.NONE);
        assertThat(proof.pairs()).isEqualTo(literally.size());
        assertThat(proof.holds()).as("seed %d, %s: %s", seed, wall, proof).isTrue();
        Map<String, Integer> found = new HashMap<>();
        for (RightsDifference.PersonShift shift : standing.difference().people()) {
          found.put(shift.person().id(), shift.placesLosing());
          assertThat(shift.placesGaining()).isZero();
        }
        losing.values().removeIf(count -> count == 0);
        assertThat(found).as("seed %d, %s", seed, wall).isEqualTo(losing);
        walls++;
        barredPairs += literally.size();
      }
    }
    assertThat(walls).as("walls compared").isGreaterThan(Often.times(250));
    assertThat(barredPairs).as("pairs barred").isGreaterThan(Often.times(1_000));
  }

  @Test
  void a_proof_finds_every_leak_there_is() {
    long leaks = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(400); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      for (Wall wall : structure.walls().values()) {
        StandingWall standing = StandingWall.of(snapshot, wall, RandomStructures.NOW);
        List<Barring> barrings = standing.barrings();
        // The state without the wall, asked as if the wall stood there: what anybody has of the pairs leaks.
        WallProof proof = WallProof.ofPairs(standing.without(), standing.at(), wall, true, barrings, 1_000_000, seed, WallProof.Progress.NONE);
        long literally = pairs(snapshot, standing, barrings).stream().map(pair -> pair.split(" "))
            .filter(pair -> !standing(standing.without().snapshot().structure(), pair[0], pair[1], standing.without().instant()).isEmpty()).count();
        assertThat(proof.leaks()).as("seed %d, %s", seed, wall).isEqualTo(literally);
        assertThat(proof.explainedLeaks()).as("seed %d, %s", seed, wall).isEqualTo(literally);
        leaks += literally;
      }
    }
    assertThat(leaks).as("leaks").isGreaterThan(Often.times(200));
  }

  @Test
  void who_may_be_told_of_a_wall_is_who_literally_has_something_inside_and_is_kept_out_of_nothing() {
    int told = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(400); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      for (Wall wall : structure.walls().values()) {
        StandingWall standing = StandingWall.of(snapshot, wall, RandomStructures.NOW);
        Structure with = standing.with().snapshot().structure();
        Instant at = standing.with().instant();
        Set<String> keepers = new TreeSet<>();
        Set<String> readers = new TreeSet<>();
        Set<String> keptOut = new TreeSet<>();
        for (Person person : structure.people().values()) {
          boolean barred = person.active() && structure.places().values().stream().anyMatch(place -> LiteralWalls.bars(with, standing.wall(), person, place, at));
          if (barred) {
            keptOut.add(person.id());
          } else if (person.active()) {
            structure.places().values().stream().filter(place -> standing.wall().barrier().scopes().stream().anyMatch(scope -> LiteralWalls.inScope(with, scope, place))).map(place -> standing(with, person.id(), place.id(), at))
                .filter(rights -> !rights.isEmpty()).forEach(rights -> {
                  readers.add(person.id());
                  if (rights.contains(Right.GOVERN)) {
                    keepers.add(person.id());
                  }
                });
          }
        }
        Set<String> named = ids(standing, WallAudience.KEPT_OUT);
        // Whoever a scope would keep out that covers nothing yet is not told either.
        readers.removeAll(named);
        keepers.removeAll(named);
        assertThat(ids(standing, WallAudience.READERS)).as("seed %d, %s", seed, wall).isEqualTo(readers);
        assertThat(ids(standing, WallAudience.KEEPERS)).as("seed %d, %s", seed, wall).isEqualTo(keepers);
        boolean covers = !(wall.barrier() instanceof Barrier.Confine) && standing.wall().barrier().scopes().stream().allMatch(scope -> structure.places().values().stream().anyMatch(place -> LiteralWalls.inScope(with, scope, place)));
        assertThat(!covers || named.equals(keptOut)).as("seed %d, %s: %s, %s", seed, wall, named, keptOut).isTrue();
        assertThat(named.containsAll(keptOut)).as("seed %d, %s: %s, %s", seed, wall, named, keptOut).isTrue();
        for (String person : structure.people().keySet()) {
          assertThat(WallAudience.READERS.mayStillRead(standing.with(), standing.wall(), person)).as("seed %d, %s, %s", seed, wall, person).isEqualTo(!ids(standing, WallAudience.KEPT_OUT).contains(person));
        }
        told += readers.size();
      }
    }
    assertThat(told).as("people who may be told").isGreaterThan(Often.times(100));
  }

  private static Set<String> ids(StandingWall standing, WallAudience audience) {
    Set<String> ids = new TreeSet<>();
    audience.of(standing.with(), standing.wall()).forEach(person -> ids.add(standing.with().snapshot().person(person).id()));
    return ids;
  }

  @Test
  void whoever_is_let_in_by_name_is_said_with_what_they_literally_reach_inside() {
    int compared = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(400); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      for (Wall wall : structure.walls().values()) {
        StandingWall standing = StandingWall.of(snapshot, wall, RandomStructures.NOW);
        Structure with = standing.with().snapshot().structure();
        Instant at = standing.with().instant();
        for (Admitted admitted : Admitted.of(standing)) {
          long documents = structure.places().values().stream().filter(Place::isDocument)
              .filter(place -> scopes(standing.wall(), admitted.side()).stream().anyMatch(scope -> LiteralWalls.inScope(with, scope, place)))
              .filter(place -> !standing(with, admitted.person().id(), place.id(), at).isEmpty()).count();
          assertThat(admitted.documents()).as("seed %d, %s, %s", seed, wall, admitted).isEqualTo((int) documents);
          compared++;
        }
      }
    }
    assertThat(compared).isGreaterThan(Often.times(200));
  }

  private static List<Scope> scopes(Wall wall, String side) {
    return wall.barrier() instanceof Barrier.Sides sides && side != null
        ? sides.sides().stream().filter(one -> one.name().equals(side)).map(Barrier.Side::scope).toList() : wall.barrier().scopes();
  }

  private static Set<String> pairs(Snapshot snapshot, StandingWall standing, List<Barring> barrings) {
    Set<String> pairs = new TreeSet<>();
    for (Barring barring : barrings) {
      BitSet places = barring.places();
      barring.people().forEach(person -> places.stream().forEach(place ->
          pairs.add(standing.with().snapshot().person(person).id() + " " + standing.with().snapshot().place(place).id())));
    }
    return pairs;
  }
}
