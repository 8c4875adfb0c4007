package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;
import static palegate.core.literal.Literally.FIRST_SEED;
import static palegate.core.literal.Literally.now;
import static palegate.core.literal.Literally.standing;

import java.time.Instant;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.access.Trace;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.Explanation;
import palegate.core.questions.Passage;
import palegate.core.questions.ReachOf;
import palegate.core.questions.WhoCan;
import palegate.core.random.RandomStructures;
import palegate.core.random.Shrinking;
import palegate.core.rehearsal.LockOuts;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** Who may do what, by every way of asking, is what the rules read literally say. */
class EngineAgreesWithLiteralRulesTest {
  @Test
  void every_person_at_every_place_has_the_literal_rights_by_every_way_of_asking() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(10_000); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Instant instant = RandomStructures.instant(new Random(seed));
      String disagreement = disagreement(structure, instant);
      if (disagreement != null) {
        Structure small = Shrinking.smallest(structure, smaller -> disagreement(smaller, instant) != null);
        fail("seed %d: %s%nthe same in small: %s%n%s", seed, disagreement, disagreement(small, instant), Shrinking.text(small));
      }
    }
  }

  /** Where the engine and the literal rules differ first, or null. */
  private static String disagreement(Structure structure, Instant instant) {
    Snapshot snapshot = Snapshot.of(structure);
    // The view of one instant is made from that of another that was asked for before.
    snapshot.at(RandomStructures.NOW);
    SnapshotAt moment = snapshot.at(instant);
    int places = snapshot.placeCount();
    int[] everyone = IntStream.range(0, snapshot.personCount() * places).map(i -> i / Math.max(1, places)).toArray();
    int[] everywhere = IntStream.range(0, everyone.length).map(i -> i % places).toArray();
    short[] sideBySide = moment.rights(everyone, everywhere);
    for (int person = 0; person < snapshot.personCount(); person++) {
      ReachOf reach = ReachOf.person(moment, person);
      for (int place = 0; place < snapshot.placeCount(); place++) {
        Rights standing = standing(structure, snapshot.person(person).id(), snapshot.place(place).id(), instant);
        Rights now = now(structure, snapshot.person(person).id(), snapshot.place(place).id(), instant);
        Trace trace = Explanation.of(snapshot, instant, person, place, Explanation.WallReasons.SHOWN);
        Set<Rights> foundStanding = Set.copyOf(Arrays.asList(moment.rights(person, place), moment.holders(place).of(person), trace.standing(),
            Rights.ofMask(reach.rightsAt(place)), Rights.ofMask(sideBySide[person * places + place])));
        Set<Rights> foundNow = Set.copyOf(Arrays.asList(moment.rightsNow(person, place), moment.holdersNow(place).of(person), trace.rights()));
        if (!foundStanding.equals(Set.of(standing)) || !foundNow.equals(Set.of(now))) {
          return "%s at %s, %s: literally [%s] standing and [%s] now, found %s and %s".formatted(snapshot.person(person).id(),
              snapshot.place(place).id(), instant, standing, now, foundStanding, foundNow);
        }
      }
    }
    return null;
  }

  @Test
  void who_can_is_for_each_right_exactly_the_people_who_literally_hold_it() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(600); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      for (int place = 0; place < snapshot.placeCount(); place++) {
        for (Right right : Right.values()) {
          String id = snapshot.place(place).id();
          Set<String> literal = structure.people().keySet().stream()
              .filter(person -> standing(structure, person, id, RandomStructures.NOW).contains(right)).collect(Collectors.toSet());
          WhoCan found = WhoCan.holding(snapshot.at(RandomStructures.NOW), right, place);
          assertThat(found.stream().map(person -> person.id()).collect(Collectors.toSet())).as("seed %d, %s at %s", seed, right, id)
              .isEqualTo(literal).hasSize(found.count());
        }
      }
    }
  }

  @Test
  void without_the_wall_is_the_literal_answer_of_the_structure_without_walls_and_each_wall_named_bars_alone() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(1_000); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Structure open = structure.guardedBy(structure.oversights().values(), List.of());
      Snapshot snapshot = Snapshot.of(structure);
      for (int person = 0; person < snapshot.personCount(); person++) {
        for (int place = 0; place < snapshot.placeCount(); place++) {
          String who = snapshot.person(person).id();
          Place where = snapshot.place(place);
          Trace trace = Explanation.of(snapshot, RandomStructures.NOW, person, place, Explanation.WallReasons.SHOWN);
          Set<String> barring = structure.walls().values().stream().filter(wall -> structure.people().get(who).active()
              && LiteralWalls.bars(structure, wall, structure.people().get(who), where, RandomStructures.NOW))
              .map(wall -> wall.id()).collect(Collectors.toSet());
          assertThat(trace.withoutWalls() != null).as("seed %d", seed).isEqualTo(!barring.isEmpty());
          if (!barring.isEmpty()) {
            assertThat(trace.withoutWalls().rights()).as("seed %d", seed).isEqualTo(now(open, who, where.id(), RandomStructures.NOW));
            assertThat(trace.stages().get(1).guards().stream().map(Trace.Guard::id).collect(Collectors.toSet()))
                .as("seed %d", seed).isEqualTo(barring);
          }
        }
      }
    }
  }

  @Test
  void passage_is_literal() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(600); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      for (int person = 0; person < snapshot.personCount(); person++) {
        BitSet shown = Passage.of(snapshot.at(RandomStructures.NOW), person);
        for (int place = 0; place < snapshot.placeCount(); place++) {
          Place here = snapshot.place(place);
          assertThat(shown.get(place)).as("seed %d, %s at %s", seed, snapshot.person(person).id(), here.id())
              .isEqualTo(here.kind().isContainer()
                  && LiteralRules.shows(structure, snapshot.person(person).id(), here, RandomStructures.NOW));
        }
      }
    }
  }

  @Test
  void what_may_be_added_is_the_literal_answer_for_a_document_that_is_really_put_there() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(600); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      for (Place container : structure.places().values()) {
        if (container.kind() == PlaceKind.FOLDER || container.kind() == PlaceKind.LIBRARY) {
          for (String type : structure.types().keySet()) {
            Place imagined = Place.plain("imagined", PlaceKind.DOCUMENT, container.id(), "imagined", false, Map.of(), type, null, null);
            Structure with = structure.withPlaces(Map.of("imagined", imagined));
            for (int person = 0; person < snapshot.personCount(); person++) {
              assertThat(snapshot.at(RandomStructures.NOW).rightsOnNew(person, snapshot.placeNumber(container.id()), type))
                  .as("seed %d, %s in %s", seed, type, container.id())
                  .isEqualTo(standing(with, snapshot.person(person).id(), "imagined", RandomStructures.NOW));
            }
          }
        }
      }
    }
  }

  @Test
  void a_lock_out_is_a_place_where_literally_nobody_active_and_on_staff_governs() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(500); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Set<String> expected = structure.places().keySet().stream()
          .filter(place -> structure.people().values().stream().noneMatch(person -> person.active() && person.staff()
              && standing(structure, person.id(), place, RandomStructures.NOW).contains(Right.GOVERN)))
          .collect(Collectors.toSet());
      assertThat(LockOuts.all(Snapshot.of(structure), RandomStructures.NOW).stream().map(Place::id).collect(Collectors.toSet()))
          .as("seed %d", seed).isEqualTo(expected);
    }
  }
}
