package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.fail;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.access.Trace;
import palegate.core.drafts.Application;
import palegate.core.drafts.Change;
import palegate.core.drafts.Difference;
import palegate.core.drafts.LockOuts;
import palegate.core.drafts.Rehearsal;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.Explanation;
import palegate.core.questions.Passage;
import palegate.core.questions.ReachOf;
import palegate.core.questions.WhoCan;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomLayouts;
import palegate.core.random.RandomMoves;
import palegate.core.random.RandomStructures;
import palegate.core.random.Shrinking;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class EngineAgreesWithLiteralRulesTest {
  private static final int STRUCTURES = 4_000;
  private static final long FIRST_SEED = 20_261_002L;

  @Test
  void every_person_at_every_place_has_the_literal_rights_by_every_way_of_asking() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 10_000; seed++) {
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
    Moment moment = snapshot.at(instant);
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
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 600; seed++) {
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
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 1_000; seed++) {
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
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 600; seed++) {
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
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 600; seed++) {
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
  void a_rehearsal_is_exactly_the_literal_difference_over_all_people_and_places() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      assertRehearsalIsLiteral(seed, before, RandomDrafts.fromSeed(before, seed));
    }
  }

  @Test
  void a_rehearsal_is_literal_too_where_people_groups_roles_types_and_places_come_go_and_move() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 1_500; seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      assertRehearsalIsLiteral(seed, before, RandomLayouts.fromSeed(before, seed));
    }
  }

  @Test
  void a_rehearsal_is_literal_too_where_places_and_groups_come_and_are_used_in_the_same_draft() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 1_500; seed++) {
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
    Structure after = Application.of(snapshot, changes, now).structure();
    for (Difference difference : rehearsal.differences()) {
      assertThat(found(difference)).as("seed %d at %s", seed, difference.instant()).isEqualTo(literally(before, after, difference.instant()));
      assertTotalsCountTheList(seed, difference);
    }
  }

  @Test
  void the_difference_of_two_structures_that_have_only_ids_in_common_is_literal_too() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 1_000; seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      Structure after = RandomStructures.fromSeed(seed + 1);
      assertDifferenceIsLiteral(seed, Snapshot.of(before), Snapshot.of(after));
    }
  }

  @Test
  void a_snapshot_made_from_another_gives_the_same_rights_as_one_compiled_afresh_however_often_it_is_done() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 1_000; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      for (int step = 0; step < 3; step++) {
        snapshot = snapshot.next(Application.of(snapshot, RandomDrafts.fromSeed(snapshot.structure(), seed + step), RandomStructures.NOW).structure());
        Snapshot fresh = Snapshot.of(snapshot.structure());
        for (int hours = -3; hours <= 3; hours++) {
          Instant instant = RandomStructures.NOW.plusSeconds(3_600L * hours);
          for (int person = 0; person < fresh.personCount(); person++) {
            for (int place = 0; place < fresh.placeCount(); place++) {
              assertThat(List.of(snapshot.at(instant).rights(person, place), snapshot.at(instant).holders(place).of(person),
                  snapshot.detached().at(instant).holders(place).of(person)))
                  .as("seed %d, step %d at %s", seed, step, instant).containsOnly(fresh.at(instant).rights(person, place));
            }
          }
        }
        assertClassesCountTheirPlaces(seed, snapshot.at(RandomStructures.NOW));
      }
    }
  }

  @Test
  void a_snapshot_to_which_places_and_groups_come_is_like_one_compiled_afresh_however_often_they_do() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 600; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      for (int step = 0; step < 3; step++) {
        List<Change> changes = new ArrayList<>(RandomGrowth.fromSeed(snapshot.structure(), seed, step));
        changes.addAll(RandomDrafts.fromSeed(snapshot.structure(), seed + step));
        Structure grown = Application.of(snapshot, changes, RandomStructures.NOW).structure();
        snapshot = snapshot.next(grown);
        assertLikeFresh("seed %d, step %d".formatted(seed, step), snapshot, Snapshot.of(grown));
        assertLikeFresh("seed %d, step %d, detached".formatted(seed, step), snapshot.detached(), Snapshot.of(grown));
        assertClassesCountTheirPlaces(seed, snapshot.at(RandomStructures.NOW));
      }
    }
  }

  @Test
  void a_snapshot_in_which_places_move_go_and_come_back_is_like_one_compiled_afresh_however_often_they_do() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 600; seed++) {
      Structure first = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(first);
      Snapshot kept = snapshot;
      for (int step = 0; step < 4; step++) {
        List<Change> changes = new ArrayList<>(RandomMoves.fromSeed(first, snapshot.structure(), seed, step));
        changes.addAll(RandomDrafts.fromSeed(snapshot.structure(), seed + step));
        Structure moved = Application.of(snapshot, changes, RandomStructures.NOW).structure();
        snapshot = snapshot.next(moved);
        kept = kept.next(moved).detached();
        String as = "seed %d, step %d".formatted(seed, step);
        assertLikeFresh(as, snapshot, Snapshot.of(moved));
        assertLikeFresh(as + ", kept", kept, Snapshot.of(moved));
        assertClassesCountTheirPlaces(seed, snapshot.at(RandomStructures.NOW));
        assertClassesCountTheirPlaces(seed, kept.at(RandomStructures.NOW));
      }
    }
  }

  @Test
  void the_difference_is_literal_where_places_move_go_and_come_back_in_one_draft_after_another() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 500; seed++) {
      Structure first = RandomStructures.fromSeed(seed);
      Snapshot begun = Snapshot.of(first);
      Snapshot before = begun;
      for (int step = 0; step < 3; step++) {
        Snapshot after = before.next(Application.of(before, RandomMoves.fromSeed(first, before.structure(), seed, step), RandomStructures.NOW).structure());
        assertDifferenceIsLiteral(seed, before, after);
        assertDifferenceIsLiteral(seed, begun, after);
        assertDifferenceIsLiteral(seed, after, begun);
        before = after;
      }
    }
  }

  private static void assertDifferenceIsLiteral(long seed, Snapshot before, Snapshot after) {
    Difference difference = Difference.between(before, after, RandomStructures.NOW);
    assertThat(found(difference)).as("seed %d", seed).isEqualTo(literally(before.structure(), after.structure(), RandomStructures.NOW));
    assertTotalsCountTheList(seed, difference);
    assertPlacesAreInTreeOrder(seed, before, after, difference);
  }

  /** Those of the state after as its tree is read, then those that only stood before. */
  private static void assertPlacesAreInTreeOrder(long seed, Snapshot before, Snapshot after, Difference difference) {
    List<String> listed = difference.places().map(shift -> shift.place().id()).toList();
    List<String> expected = new ArrayList<>(ids(after, after.inDisplayOrder(0)));
    ids(before, before.inDisplayOrder(0)).stream().filter(id -> after.placeNumber(id) < 0).forEach(expected::add);
    expected.retainAll(Set.copyOf(listed));
    assertThat(listed).as("seed %d", seed).isEqualTo(expected);
  }

  /** The same people may do the same at the same places, and the tree reads the same, whatever the numbers. */
  private static void assertLikeFresh(String as, Snapshot snapshot, Snapshot fresh) {
    List<Integer> byWays = snapshot.places().boxed().sorted(snapshot.inTreeOrder()).toList();
    assertThat(snapshot.placeCount()).as(as).isEqualTo(fresh.placeCount());
    assertThat(byWays).as(as).isEqualTo(snapshot.inDisplayOrder(0).boxed().toList());
    assertThat(ids(snapshot, snapshot.inDisplayOrder(0))).as(as).isEqualTo(ids(fresh, fresh.inDisplayOrder(0)));
    for (int place = 0; place < fresh.placeCount(); place++) {
      int here = snapshot.placeNumber(fresh.place(place).id());
      assertThat(snapshot.place(here)).as(as).isEqualTo(fresh.place(place));
      assertThat(Set.copyOf(ids(snapshot, snapshot.below(here)))).as(as).isEqualTo(Set.copyOf(ids(fresh, fresh.below(place))));
      assertThat(ids(snapshot, snapshot.inDisplayOrder(here))).as(as).isEqualTo(ids(fresh, fresh.inDisplayOrder(place)));
      assertThat(snapshot.below(here).boxed().sorted(snapshot.inTreeOrder()).toList()).as(as).isEqualTo(snapshot.inDisplayOrder(here).boxed().toList());
      assertThat(snapshot.breaksBelow(here)).as(as).isEqualTo(fresh.breaksBelow(place));
      assertThat(snapshot.pathText(here)).as(as).isEqualTo(fresh.pathText(place));
      assertThat(Set.copyOf(snapshot.reachingEntries(here))).as(as).isEqualTo(Set.copyOf(fresh.reachingEntries(place)));
      for (int hours = -2; hours <= 2; hours += 2) {
        Instant instant = RandomStructures.NOW.plusSeconds(3_600L * hours);
        for (int person = 0; person < fresh.personCount(); person++) {
          int number = snapshot.personNumber(fresh.person(person).id());
          assertThat(List.of(snapshot.at(instant).rights(number, here), snapshot.at(instant).holders(here).of(number)))
              .as("%s, %s at %s, %s", as, fresh.person(person).id(), fresh.place(place).id(), instant).containsOnly(fresh.at(instant).rights(person, place));
        }
      }
    }
  }

  private static List<String> ids(Snapshot snapshot, IntStream places) {
    return places.mapToObj(place -> snapshot.place(place).id()).toList();
  }

  @Test
  void a_lock_out_is_a_place_where_literally_nobody_active_and_on_staff_governs() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 500; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Set<String> expected = structure.places().keySet().stream()
          .filter(place -> structure.people().values().stream().noneMatch(person -> person.active() && person.staff()
              && standing(structure, person.id(), place, RandomStructures.NOW).contains(Right.GOVERN)))
          .collect(Collectors.toSet());
      assertThat(LockOuts.all(Snapshot.of(structure), RandomStructures.NOW).stream().map(Place::id).collect(Collectors.toSet()))
          .as("seed %d", seed).isEqualTo(expected);
    }
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

  private static Set<String> found(Difference difference) {
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

  private static void assertTotalsCountTheList(long seed, Difference difference) {
    Difference.Totals totals = difference.totals();
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

  private static void assertClassesCountTheirPlaces(long seed, Moment moment) {
    int[] counted = new int[moment.classCount()];
    moment.snapshot().places().forEach(place -> counted[moment.classOf(place)]++);
    for (int number = 0; number < counted.length; number++) {
      assertThat(moment.placesInClass(number)).as("seed %d, class %d", seed, number).isEqualTo(counted[number]);
    }
  }

  private static Rights standing(Structure structure, String person, String place, Instant instant) {
    return Rights.copyOf(LiteralRules.standing(structure, person, place, instant));
  }

  private static Rights now(Structure structure, String person, String place, Instant instant) {
    return Rights.copyOf(LiteralRules.rights(structure, person, place, instant));
  }
}
