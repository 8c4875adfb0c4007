package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;
import static palegate.core.literal.Literally.standing;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomLayouts;
import palegate.core.random.RandomMoves;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** What a rehearsal or two days differ in is what two literal readings of everything differ in. */
class DifferenceAgreesWithLiteralRulesTest {
  private static final int STRUCTURES = Often.times(2_200);

  @Test
  void a_rehearsal_is_exactly_the_literal_difference_over_all_people_and_places() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      assertRehearsalIsLiteral(seed, before, RandomDrafts.fromSeed(before, seed));
    }
  }

  @Test
  void a_rehearsal_is_literal_too_where_people_groups_roles_types_and_places_come_go_and_move() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(1_000); seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      assertRehearsalIsLiteral(seed, before, RandomLayouts.fromSeed(before, seed));
    }
  }

  @Test
  void a_rehearsal_is_literal_too_where_places_and_groups_come_and_are_used_in_the_same_draft() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(1_000); seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      List<Change> changes = new ArrayList<>(RandomGrowth.fromSeed(before, seed, 0));
      changes.addAll(RandomDrafts.fromSeed(before, seed));
      assertRehearsalIsLiteral(seed, before, changes);
    }
  }

  private static void assertRehearsalIsLiteral(long seed, Structure before, List<Change> changes) {
    Instant now = RandomStructures.NOW;
    Snapshot snapshot = Snapshot.of(before);
    Rehearsal rehearsal = Rehearsal.of(snapshot, changes, now, null);
    Structure after = DraftApplication.of(snapshot, changes, now).structure();
    for (RightsDifference difference : rehearsal.differences()) {
      assertThat(found(difference)).as("seed %d at %s", seed, difference.instant()).isEqualTo(literally(before, after, difference.instant()));
      assertTotalsCountTheList(seed, difference);
    }
  }

  @Test
  void the_difference_of_two_structures_that_have_only_ids_in_common_is_literal_too() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(1_000); seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      Structure after = RandomStructures.fromSeed(seed + 1);
      assertDifferenceIsLiteral(seed, Snapshot.of(before), Snapshot.of(after));
    }
  }

  @Test
  void the_difference_is_literal_where_places_move_go_and_come_back_in_one_draft_after_another() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(400); seed++) {
      Structure first = RandomStructures.fromSeed(seed);
      Snapshot begun = Snapshot.of(first);
      Snapshot before = begun;
      for (int step = 0; step < 3; step++) {
        Snapshot after = before.next(DraftApplication.of(before, RandomMoves.fromSeed(first, before.structure(), seed, step), RandomStructures.NOW).structure());
        assertDifferenceIsLiteral(seed, before, after);
        assertDifferenceIsLiteral(seed, begun, after);
        assertDifferenceIsLiteral(seed, after, begun);
        before = after;
      }
    }
  }

  private static void assertDifferenceIsLiteral(long seed, Snapshot before, Snapshot after) {
    RightsDifference difference = RightsDifference.between(before, after, RandomStructures.NOW);
    assertThat(found(difference)).as("seed %d", seed).isEqualTo(literally(before.structure(), after.structure(), RandomStructures.NOW));
    assertTotalsCountTheList(seed, difference);
    assertPlacesAreInTreeOrder(seed, before, after, difference);
  }

  /** Those of the state after as its tree is read, then those that only stood before. */
  private static void assertPlacesAreInTreeOrder(long seed, Snapshot before, Snapshot after, RightsDifference difference) {
    List<String> listed = difference.places().map(shift -> shift.place().id()).toList();
    List<String> expected = new ArrayList<>(ids(after, after.inDisplayOrder()));
    ids(before, before.inDisplayOrder()).stream().filter(id -> after.placeNumber(id) < 0).forEach(expected::add);
    expected.retainAll(Set.copyOf(listed));
    assertThat(listed).as("seed %d", seed).isEqualTo(expected);
  }

  private static Set<String> literally(Structure before, Structure after, Instant instant) {
    Set<String> expected = new TreeSet<>();
    for (String place : union(before.places().keySet(), after.places().keySet())) {
      for (String person : union(before.people().keySet(), after.people().keySet())) {
        Rights had = standingIfAny(before, person, place, instant);
        Rights has = standingIfAny(after, person, place, instant);
        if (!had.equals(has)) {
          expected.add(person + " " + place + " +" + has.minus(had) + " -" + had.minus(has));
        }
      }
    }
    return expected;
  }

  private static Set<String> found(RightsDifference difference) {
    return difference.pairs()
        .map(pair -> pair.person().id() + " " + pair.place().id() + " +" + pair.gained() + " -" + pair.lost())
        .collect(Collectors.toCollection(TreeSet::new));
  }

  private static Set<String> union(Set<String> one, Set<String> other) {
    Set<String> both = new TreeSet<>(one);
    both.addAll(other);
    return both;
  }

  private static Rights standingIfAny(Structure structure, String person, String place, Instant instant) {
    return structure.people().containsKey(person) && structure.places().containsKey(place)
        ? standing(structure, person, place, instant) : Rights.NONE;
  }

  private static void assertTotalsCountTheList(long seed, RightsDifference difference) {
    RightsDifference.Totals totals = difference.totals();
    assertThat(totals.pairsGaining()).as("seed %d", seed)
        .isEqualTo(difference.pairs().filter(pair -> !pair.gained().isEmpty()).count());
    assertThat(totals.pairsLosing()).as("seed %d", seed)
        .isEqualTo(difference.pairs().filter(pair -> !pair.lost().isEmpty()).count());
    assertThat((long) totals.peopleGaining()).as("seed %d", seed)
        .isEqualTo(difference.people().stream().filter(person -> !person.gained().isEmpty()).count());
    assertThat((long) totals.places()).as("seed %d", seed).isEqualTo(difference.places().count());
    assertThat((long) totals.documents()).as("seed %d", seed)
        .isEqualTo(difference.places().filter(place -> place.place().isDocument()).count());
    assertThat(difference.changedPairs()).as("seed %d", seed).isEqualTo(difference.pairs().count());
    for (Right right : Right.values()) {
      assertThat(difference.gainedByRight().getOrDefault(right, 0L)).as("seed %d, %s", seed, right)
          .isEqualTo(difference.pairs().filter(pair -> pair.gained().contains(right)).count());
    }
  }

  private static List<String> ids(Snapshot snapshot, IntStream places) {
    return places.mapToObj(place -> snapshot.place(place).id()).toList();
  }
}
