package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** What a scope covers is counted as section 7 says it, one place at a time. */
class WallCoverageTest {
  private final Snapshot harbour = Harbour.snapshot();

  private static Wall around(Scope scope) {
    return new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(scope, List.of(Subject.BuiltIn.STAFF)), List.of());
  }

  private static WallCoverage of(Snapshot snapshot, Scope scope) {
    return WallCoverage.of(snapshot, around(scope)).get(0);
  }

  @Test
  void a_named_place_covers_itself_and_everything_below_it() {
    WallCoverage coverage = of(harbour, new Scope(Set.of("c1"), Set.of(), Map.of()));
    assertThat(coverage.places()).isEqualTo((int) harbour.below(harbour.placeNumber("c1")).count());
    assertThat(coverage.all()).isEqualTo(harbour.placeCount());
    assertThat(coverage.isOdd()).isFalse();
  }

  @Test
  void a_place_below_another_named_one_is_not_counted_twice() {
    assertThat(of(harbour, new Scope(Set.of("cas", "c1", "val1"), Set.of(), Map.of())).places())
        .isEqualTo(of(harbour, new Scope(Set.of("cas"), Set.of(), Map.of())).places());
  }

  @Test
  void everything_and_nothing_are_odd() {
    assertThat(of(harbour, new Scope(Set.of("root"), Set.of(), Map.of())).matchesEverything()).isTrue();
    WallCoverage nothing = of(harbour, new Scope(Set.of(), Set.of(), Map.of("case", Set.of("no case has this name"))));
    assertThat(nothing.matchesNothing()).isTrue();
    assertThat(nothing.isOdd()).isTrue();
  }

  @Test
  void a_label_from_above_the_named_place_counts_there_too() {
    Snapshot labelled = Snapshot.of(harbour.structure().withPlaces(Map.of("cas", harbour.structure().places().get("cas").labelled(Map.of("case", "C-1")))));
    assertThat(of(labelled, new Scope(Set.of("c1"), Set.of(), Map.of("case", Set.of("C-1")))).places()).isEqualTo((int) labelled.below(labelled.placeNumber("c1")).count());
    assertThat(of(labelled, new Scope(Set.of("c1"), Set.of(), Map.of("case", Set.of("C-2")))).matchesNothing()).isTrue();
  }

  @Test
  void random_scopes_in_random_structures_cover_what_they_cover_one_by_one() {
    for (long seed = 1; seed <= 300; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      Random random = new Random(seed);
      List<Place> places = List.copyOf(snapshot.structure().places().values());
      Set<String> named = new HashSet<>();
      for (int i = random.nextInt(4); i > 0 && !places.isEmpty(); i--) {
        named.add(places.get(random.nextInt(places.size())).id());
      }
      Set<String> types = random.nextBoolean() ? Set.of() : snapshot.structure().types().keySet().stream().limit(2).collect(Collectors.toSet());
      Scope scope = new Scope(named, types, random.nextBoolean() ? Map.of() : Map.of("k", Set.of("v1", "v2")));
      long expected = snapshot.places().filter(place -> WallCoverage.covers(snapshot, scope, place)).count();
      assertThat((long) of(snapshot, scope).places()).as("seed %d, %s", seed, scope).isEqualTo(expected);
    }
  }
}
