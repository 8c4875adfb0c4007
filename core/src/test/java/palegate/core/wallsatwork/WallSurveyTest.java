package palegate.core.wallsatwork;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CancellationException;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.ScopeDescription.Oddity;

/** What is said of a wall before it is raised (section 7). */
class WallSurveyTest {
  private static final Subject OLA = new Subject.OfPerson("ola");

  private static Wall wall(Wall.State state, Period period, Barrier barrier) {
    return new Wall("w", "Wall", "reason", state, period, barrier, List.of());
  }

  @Test
  void each_criterion_is_counted_alone_beside_what_they_cover_together() {
    ScopeDescription found = ScopeDescription.of(Harbour.snapshot(), new Scope(Set.of("cas"), Set.of("valuation"), Map.of()), "Wall");
    assertThat(found.criteria()).extracting(ScopeDescription.Criterion::kind).containsExactly("places", "types");
    assertThat(found.documents()).isEqualTo((int) found.covered().stream().filter(Harbour.snapshot()::isDocument).count()).isPositive();
    assertThat(found.criteria()).allSatisfy(criterion -> assertThat(criterion.places()).isGreaterThanOrEqualTo(found.places()));
    assertThat(found.types()).extracting(ScopeDescription.Part::id).containsExactly("valuation");
    assertThat(found.libraries()).extracting(ScopeDescription.Part::id).containsExactly("cas");
    assertThat(found.libraries().stream().mapToInt(ScopeDescription.Part::documents).sum()).isEqualTo(found.documents());
  }

  @Test
  void a_scope_that_covers_nothing_nearly_everything_or_more_than_its_name_says_is_said_to() {
    Snapshot harbour = Harbour.snapshot();
    assertThat(ScopeDescription.of(harbour, Scope.ofLabel("case", "none"), "Wall").oddities()).containsExactly(Oddity.NOTHING);
    assertThat(ScopeDescription.of(harbour, Scope.ofPlaces("root"), "x").oddities()).containsExactly(Oddity.NEARLY_EVERYTHING);
    Snapshot many = Snapshot.of(Harbour.structure().withPlaces(IntStream.range(0, 12).mapToObj(i -> Place.plain("d" + i, PlaceKind.DOCUMENT, "cas", i < 3 ? "Kittiwake " + i : "Letter " + i, false, Map.of(), null, null, null))
        .collect(Collectors.toMap(Place::id, place -> place))));
    assertThat(ScopeDescription.of(many, Scope.ofPlaces("d0", "d1", "d2"), "Kittiwake").oddities()).as("just what its name says").isEmpty();
    assertThat(ScopeDescription.of(many, Scope.ofPlaces("d0", "d1", "d2", "d3", "d4", "d5", "d6"), "Kittiwake").oddities()).containsExactly(Oddity.MORE_THAN_ITS_NAME_SAYS);
    assertThat(ScopeDescription.of(many, Scope.ofPlaces("d3", "d4", "d5", "d6"), "Kittiwake").oddities()).as("it speaks of nothing inside").isEmpty();
  }

  @Test
  void a_wall_planned_for_a_day_to_come_is_looked_at_on_that_day_as_if_it_stood() {
    Wall planned = wall(Wall.State.PLANNED, new Period(Harbour.JULY, null), new Barrier.Screen(Scope.ofPlaces("cas"), List.of(OLA)));
    Snapshot snapshot = Snapshot.of(Harbour.structure().guardedBy(List.of(), List.of(planned)));
    StandingWall standing = StandingWall.of(snapshot, planned, Harbour.NOW);
    assertThat(standing.imagined()).isTrue();
    assertThat(standing.with().instant()).isEqualTo(Harbour.JULY);
    assertThat(standing.difference().people()).extracting(shift -> shift.person().id()).containsExactly("ola");
    assertThat(WallTies.keepers(standing.difference())).extracting(shift -> shift.person().id()).as("who keeps the place is barred").containsExactly("ola");
    WallProof proof = WallProof.of(snapshot, planned, Harbour.NOW, 10, 1, WallProof.Progress.NONE);
    assertThat(proof.planned()).isTrue();
    assertThat(proof.at()).isEqualTo(Harbour.JULY);
    assertThat(proof.holds()).isTrue();
    assertThat(proof.pairs()).isPositive();
  }

  @Test
  void a_proof_tells_how_far_it_is_and_can_be_broken_off() {
    Wall seal = wall(Wall.State.STANDING, Period.ALWAYS, new Barrier.Seal(Scope.ofPlaces("cas"), List.of(OLA)));
    Snapshot snapshot = Snapshot.of(Harbour.structure().guardedBy(List.of(), List.of(seal)));
    long[] last = new long[2];
    WallProof proof = WallProof.of(snapshot, seal, Harbour.NOW, 10, 1, (done, all) -> {
      synchronized (last) {
        last[0] = Math.max(last[0], done);
        last[1] = all;
      }
      return true;
    });
    assertThat(last).containsExactly(proof.pairs(), proof.pairs());
    assertThatThrownBy(() -> WallProof.of(snapshot, seal, Harbour.NOW, 10, 1, (done, all) -> false)).isInstanceOf(CancellationException.class);
  }
}
