package palegate.core.walls;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.questions.WallConflict;
import palegate.core.questions.WallCoverage;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

class WallsTest {
  private static final Subject MIA = new Subject.OfPerson("mia");
  private static final Subject OLA = new Subject.OfPerson("ola");

  private static Wall wall(Barrier barrier) {
    return new Wall("w", "Wall", "reason", Wall.State.STANDING, Period.ALWAYS, barrier, List.of());
  }

  private static Rights rights(String person, String place, Instant instant, Wall... walls) {
    Snapshot snapshot = Snapshot.of(Harbour.structure().guardedBy(List.of(), List.of(walls)));
    return snapshot.at(instant).rights(snapshot.personNumber(person), snapshot.placeNumber(place));
  }

  private static Rights rights(String person, String place, Wall... walls) {
    return rights(person, place, Harbour.NOW, walls);
  }

  @Test
  void a_screen_bars_the_listed_from_the_scope_and_everything_below_and_touches_nobody_else() {
    Wall screen = wall(new Barrier.Screen(Scope.ofPlaces("c1"), List.of(OLA)));
    assertThat(rights("ola", "val1", screen)).isEqualTo(Rights.NONE);
    assertThat(rights("ola", "cas", screen)).isEqualTo(Rights.ALL);
    assertThat(rights("mia", "c1", screen)).isNotEqualTo(Rights.NONE);
  }

  @Test
  void a_seal_bars_everyone_but_the_listed_and_stops_at_no_break() {
    Wall seal = wall(new Barrier.Seal(Scope.ofPlaces("cas"), List.of(MIA)));
    assertThat(rights("ola", "let2", seal)).isEqualTo(Rights.NONE);
    assertThat(rights("mia", "let2", seal)).isNotEqualTo(Rights.NONE);
    assertThat(rights("ola", "root", seal)).isEqualTo(Rights.ALL);
  }

  @Test
  void a_confinement_bars_the_listed_from_everything_outside_the_scope() {
    Wall confine = wall(new Barrier.Confine(Scope.ofTypes("valuation"), List.of(OLA)));
    assertThat(rights("ola", "val1", confine)).isEqualTo(Rights.ALL);
    assertThat(rights("ola", "c1", confine)).isEqualTo(Rights.NONE);
    assertThat(rights("ola", "root", confine)).isEqualTo(Rights.NONE);
  }

  @Test
  void who_is_on_one_side_is_barred_from_the_others_and_who_is_on_two_from_all() {
    Wall sides = wall(new Barrier.Sides(List.of(
        new Barrier.Side("Hull", List.of(MIA, OLA), Scope.ofPlaces("c1")), new Barrier.Side("Cargo", List.of(OLA), Scope.ofPlaces("c2")))));
    assertThat(rights("mia", "c1", sides)).isNotEqualTo(Rights.NONE);
    assertThat(rights("mia", "c2", sides)).isEqualTo(Rights.NONE);
    assertThat(rights("ola", "c1", sides)).isEqualTo(Rights.NONE);
    assertThat(rights("ola", "c2", sides)).isEqualTo(Rights.NONE);
    Snapshot snapshot = Snapshot.of(Harbour.structure().guardedBy(List.of(), List.of(sides)));
    assertThat(WallConflict.all(snapshot.at(Harbour.NOW), Harbour.NOW)).containsExactly(new WallConflict("w", "ola", List.of("Hull", "Cargo")));
  }

  @Test
  void a_conflict_is_no_conflict_once_an_exception_frees_the_person() {
    Wall sides = wall(new Barrier.Sides(List.of(
        new Barrier.Side("Hull", List.of(OLA), Scope.ofPlaces("c1")), new Barrier.Side("Cargo", List.of(OLA), Scope.ofPlaces("c2")))))
        .except(new Wall.Exempt(OLA, Harbour.JULY));
    SnapshotAt moment = Snapshot.of(Harbour.structure().guardedBy(List.of(), List.of(sides))).at(Harbour.NOW);
    assertThat(WallConflict.all(moment, Harbour.NOW)).isEmpty();
    assertThat(rights("ola", "c1", Harbour.JULY, sides)).as("the exception has ended").isEqualTo(Rights.NONE);
  }

  @Test
  void planned_and_lifted_walls_and_walls_outside_their_dates_bar_nobody() {
    Barrier barrier = new Barrier.Screen(Scope.ofPlaces("root"), List.of(OLA));
    assertThat(rights("ola", "c1", wall(barrier).in(Wall.State.PLANNED))).isEqualTo(Rights.ALL);
    assertThat(rights("ola", "c1", wall(barrier).in(Wall.State.LIFTED))).isEqualTo(Rights.ALL);
    Wall later = new Wall("w", "W", null, Wall.State.STANDING, new Period(Harbour.JULY, null), barrier, List.of());
    assertThat(rights("ola", "c1", later)).isEqualTo(Rights.ALL);
    assertThat(rights("ola", "c1", Harbour.JULY, later)).isEqualTo(Rights.NONE);
  }

  @Nested
  class Scopes {
    @Test
    void all_criteria_that_are_given_must_hold() {
      Scope both = new Scope(Set.of("c1"), Set.of("letter"), Map.of());
      assertThat(rights("ola", "val1", wall(new Barrier.Screen(both, List.of(OLA))))).isEqualTo(Rights.ALL);
    }

    @Test
    void the_nearest_label_counts_and_flows_down_through_every_break() {
      var labelled = Harbour.structure().withPlaces(Map.of(
          "cas", Harbour.structure().places().get("cas").labelled(Map.of("case", "A")),
          "val1", Harbour.structure().places().get("val1").labelled(Map.of("case", "B"))))
          .guardedBy(List.of(), List.of(wall(new Barrier.Screen(Scope.ofLabel("case", "A"), List.of(OLA)))));
      Snapshot snapshot = Snapshot.of(labelled);
      SnapshotAt moment = snapshot.at(Harbour.NOW);
      int ola = snapshot.personNumber("ola");
      assertThat(moment.rights(ola, snapshot.placeNumber("let2"))).as("below a break").isEqualTo(Rights.NONE);
      assertThat(moment.rights(ola, snapshot.placeNumber("val1"))).as("its own value is another").isEqualTo(Rights.ALL);
    }

    @Test
    void a_scope_without_any_criterion_and_an_empty_list_are_refused() {
      assertThatThrownBy(() -> new Scope(Set.of(), Set.of(), Map.of())).hasMessageContaining("no criterion");
      assertThatThrownBy(() -> new Scope(Set.of(), Set.of(), Map.of("case", Set.of()))).hasMessageContaining("[case]");
      assertThatThrownBy(() -> new Barrier.Seal(Scope.ofPlaces("c1"), List.of())).hasMessageContaining("at least one subject");
    }

    @Test
    void how_much_a_scope_covers_is_counted_and_nothing_or_everything_is_odd() {
      Snapshot snapshot = Harbour.snapshot();
      assertThat(WallCoverage.of(snapshot, wall(new Barrier.Screen(Scope.ofPlaces("c1"), List.of(OLA)))).get(0).places()).isEqualTo(2);
      assertThat(WallCoverage.of(snapshot, wall(new Barrier.Screen(Scope.ofLabel("case", "X"), List.of(OLA)))).get(0).matchesNothing()).isTrue();
      assertThat(WallCoverage.of(snapshot, wall(new Barrier.Screen(Scope.ofPlaces("root"), List.of(OLA)))).get(0).matchesEverything()).isTrue();
    }
  }
}
