package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.access.Trace;
import palegate.core.drafts.Application;
import palegate.core.drafts.Difference;
import palegate.core.drafts.LockOuts;
import palegate.core.drafts.Rehearsal;
import palegate.core.places.Place;
import palegate.core.questions.Explanation;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class EngineAgreesWithLiteralRulesTest {
  private static final int STRUCTURES = 3_000;
  private static final long FIRST_SEED = 20_261_002L;

  @Test
  void every_person_at_every_place_has_the_literal_rights_by_every_way_of_asking() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      Instant instant = RandomStructures.instant(new Random(seed));
      Moment moment = snapshot.at(instant);
      for (int person = 0; person < snapshot.personCount(); person++) {
        for (int place = 0; place < snapshot.placeCount(); place++) {
          Rights literal = literal(structure, snapshot.person(person).id(), snapshot.place(place).id(), instant);
          Trace trace = Explanation.of(snapshot, instant, person, place);
          assertThat(List.of(moment.rights(person, place), moment.holders(place).of(person), trace.rights()))
              .as("seed %d, %s at %s, %s", seed, snapshot.person(person).id(), snapshot.place(place).id(), instant)
              .containsOnly(literal);
        }
      }
    }
  }

  @Test
  void a_rehearsal_is_exactly_the_literal_difference_over_all_people_and_places() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      Instant now = RandomStructures.NOW;
      Rehearsal rehearsal = Rehearsal.of(Snapshot.of(before), RandomStructures.draft(before, seed), now, null);
      Structure after = Application.of(before, RandomStructures.draft(before, seed), now).structure();
      for (Difference difference : rehearsal.differences()) {
        Set<String> expected = new TreeSet<>();
        for (Place place : after.places().values()) {
          for (String person : after.people().keySet()) {
            Rights had = literal(before, person, place.id(), difference.instant());
            Rights has = literal(after, person, place.id(), difference.instant());
            if (!had.equals(has)) {
              expected.add(person + " " + place.id() + " +" + has.minus(had) + " -" + had.minus(has));
            }
          }
        }
        Set<String> found = difference.pairs()
            .map(pair -> pair.person().id() + " " + pair.place().id() + " +" + pair.gained() + " -" + pair.lost())
            .collect(Collectors.toCollection(TreeSet::new));
        assertThat(found).as("seed %d at %s", seed, difference.instant()).isEqualTo(expected);
        assertTotalsCountTheList(seed, difference);
      }
    }
  }

  @Test
  void a_lock_out_is_a_place_where_literally_nobody_active_and_on_staff_governs() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 500; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Set<String> expected = structure.places().keySet().stream()
          .filter(place -> structure.people().values().stream().noneMatch(person -> person.active() && person.staff()
              && LiteralRules.rights(structure, person.id(), place, RandomStructures.NOW).contains(Right.GOVERN)))
          .collect(Collectors.toSet());
      assertThat(LockOuts.all(Snapshot.of(structure), RandomStructures.NOW).stream().map(Place::id).collect(Collectors.toSet()))
          .as("seed %d", seed).isEqualTo(expected);
    }
  }

  private static void assertTotalsCountTheList(long seed, Difference difference) {
    Difference.Totals totals = difference.totals();
    assertThat(totals.pairsGaining()).as("seed %d", seed)
        .isEqualTo(difference.pairs().filter(pair -> !pair.gained().isEmpty()).count());
    assertThat(totals.pairsLosing()).as("seed %d", seed)
        .isEqualTo(difference.pairs().filter(pair -> !pair.lost().isEmpty()).count());
    assertThat((long) totals.peopleGaining()).as("seed %d", seed)
        .isEqualTo(difference.people().stream().filter(person -> !person.gained().isEmpty()).count());
    assertThat(totals.places()).as("seed %d", seed).isEqualTo(difference.places().size());
    assertThat(totals.documents()).as("seed %d", seed)
        .isEqualTo((int) difference.places().stream().filter(place -> place.place().isDocument()).count());
  }

  private static Rights literal(Structure structure, String person, String place, Instant instant) {
    return Rights.copyOf(LiteralRules.rights(structure, person, place, instant));
  }
}
