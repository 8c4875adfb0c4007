package palegate.core.ways;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.changes.AccessChange;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

class WaysToTest {
  private static WaysTo.Answer ways(Structure structure, WaysTo.Direction direction, Right right, String person, String place) {
    Snapshot snapshot = Snapshot.of(structure);
    return WaysTo.find(snapshot, Harbour.NOW, direction, right, snapshot.personNumber(person), snapshot.placeNumber(place));
  }

  @Test
  void joining_a_group_and_a_grant_of_ones_own_are_ways_to_a_right_and_the_one_with_fewer_side_effects_comes_first() {
    WaysTo.Answer answer = ways(Harbour.structure(), WaysTo.Direction.GIVE, Right.ADD, "per", "c1");
    assertThat(answer.impossible()).isNull();
    assertThat(answer.ways()).extracting(WaysTo.Way::words)
        .contains("give Per the role Preparer at C1", "put Per into the group Adjusters");
    assertThat(answer.ways()).extracting(WaysTo.Way::otherPairs).isSorted();
    assertThat(answer.ways().get(0).words()).startsWith("give Per");
  }

  @Test
  void what_the_person_has_already_needs_no_way() {
    assertThat(ways(Harbour.structure(), WaysTo.Direction.GIVE, Right.READ, "ola", "c1"))
        .isEqualTo(new WaysTo.Answer(true, List.of(), null));
    assertThat(ways(Harbour.structure(), WaysTo.Direction.TAKE, Right.READ, "per", "c1").already()).isTrue();
  }

  @Test
  void for_somebody_inactive_it_is_impossible_and_says_why() {
    WaysTo.Answer answer = ways(Harbour.structure(), WaysTo.Direction.GIVE, Right.READ, "una", "c1");
    assertThat(answer.ways()).isEmpty();
    assertThat(answer.impossible()).contains("Una is not active");
  }

  @Test
  void a_withholding_in_the_way_is_removed() {
    WaysTo.Answer answer = ways(Harbour.structure(), WaysTo.Direction.GIVE, Right.COPY, "mia", "val1");
    assertThat(answer.ways().get(0).changes()).contains(new AccessChange.RemoveWithholding("c1", "w-val"));
  }

  @Test
  void a_wall_in_the_way_is_met_with_an_exception() {
    Wall wall = new Wall("w", "Hull", "reason", Wall.State.STANDING, Period.ALWAYS,
        new Barrier.Screen(Scope.ofPlaces("c1"), List.of(new Subject.OfGroup("trainees"))), List.of());
    WaysTo.Answer answer = ways(Harbour.structure().guardedBy(List.of(), List.of(wall)), WaysTo.Direction.GIVE, Right.ADD, "mia", "c1");
    assertThat(answer.ways()).isNotEmpty().allSatisfy(way -> assertThat(way.words()).contains("except Mia from the wall \"Hull\""));
    assertThat(answer.ways()).allSatisfy(way -> assertThat(way.words()).doesNotContain("reason"));
  }

  @Test
  void leaving_the_group_removing_the_grant_and_withholding_are_ways_to_take_a_right() {
    WaysTo.Answer answer = ways(Harbour.structure(), WaysTo.Direction.TAKE, Right.ADD, "mia", "c1");
    assertThat(answer.ways()).extracting(WaysTo.Way::words).contains("withhold add from Mia at C1",
        "take Mia out of Trainees", "remove the grant to Adjusters at CAS");
  }

  @Test
  void every_way_answered_does_what_it_says_in_random_structures() {
    int found = 0;
    for (long seed = 1; seed <= 300; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Random random = new Random(seed);
      Snapshot snapshot = Snapshot.of(structure);
      if (snapshot.personCount() == 0) {
        continue;
      }
      int person = random.nextInt(snapshot.personCount());
      int place = random.nextInt(snapshot.placeCount());
      Right right = Right.values()[random.nextInt(9)];
      boolean has = snapshot.at(RandomStructures.NOW).rightsNow(person, place).contains(right);
      WaysTo.Answer answer = WaysTo.find(snapshot, RandomStructures.NOW, has ? WaysTo.Direction.TAKE : WaysTo.Direction.GIVE, right, person, place);
      assertThat(answer.already()).isFalse();
      assertThat(answer.ways().isEmpty()).as("seed %d: either ways or a reason", seed).isEqualTo(answer.impossible() != null);
      for (WaysTo.Way way : answer.ways()) {
        DraftApplication.Result applied = DraftApplication.of(snapshot, way.changes(), RandomStructures.NOW);
        assertThat(applied.refusals()).isEmpty();
        assertThat(Snapshot.of(applied.structure()).at(RandomStructures.NOW).rightsNow(person, place).contains(right))
            .as("seed %d, %s", seed, way.words()).isEqualTo(!has);
        found++;
      }
    }
    assertThat(found).as("ways tried").isGreaterThan(200);
  }
}
