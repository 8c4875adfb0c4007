package palegate.core.changes;

import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import palegate.core.places.Place;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * A place that was there once and is gone: what may come back under its id.
 *
 * @param place as it was last
 * @param walls what kept somebody or other from it then, standing or planned
 */
public record FormerPlace(Place place, Set<Behind> walls) {
  /** One scope of a wall, by which it barred somebody from the place: each side of a wall has its own. */
  public record Behind(String wall, Scope scope) {}

  public FormerPlace {
    Objects.requireNonNull(place);
    walls = Set.copyOf(walls);
  }

  /** From the state in which the place was last. O(walls × depth). */
  public static FormerPlace in(Snapshot last, String id) {
    int number = last.placeNumber(id);
    return new FormerPlace(last.place(number), last.structure().walls().values().stream().filter(wall -> wall.state() != Wall.State.LIFTED)
        .flatMap(wall -> wall.barrier().scopes().stream().filter(scope -> bars(last, wall, scope, number)).map(scope -> new Behind(wall.id(), scope)))
        .collect(Collectors.toSet()));
  }

  /** Whether it is, once it has come back, behind each of those walls that is still to bar anybody; of one that has been redrawn since, behind any scope. */
  public boolean isBehindItsWalls(Snapshot snapshot, Instant now) {
    int number = snapshot.placeNumber(place.id());
    return walls.stream().allMatch(behind -> {
      Wall wall = snapshot.structure().walls().get(behind.wall());
      if (wall == null || wall.state() == Wall.State.LIFTED || wall.period().endedBy(now)) {
        return true;
      }
      List<Scope> scopes = wall.barrier().scopes();
      return scopes.contains(behind.scope()) ? bars(snapshot, wall, behind.scope(), number) : scopes.stream().anyMatch(scope -> bars(snapshot, wall, scope, number));
    });
  }

  private static boolean bars(Snapshot snapshot, Wall wall, Scope scope, int place) {
    return WallCoverage.covers(snapshot, scope, place) != wall.barrier() instanceof Barrier.Confine;
  }
}
