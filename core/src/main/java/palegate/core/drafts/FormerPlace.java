package palegate.core.drafts;

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
 * @param walls the ids of the walls that kept somebody or other from it then, standing or planned
 */
public record FormerPlace(Place place, Set<String> walls) {
  public FormerPlace {
    Objects.requireNonNull(place);
    walls = Set.copyOf(walls);
  }

  /** From the state in which the place was last. O(walls × depth). */
  public static FormerPlace in(Snapshot last, String id) {
    int number = last.placeNumber(id);
    return new FormerPlace(last.place(number), last.structure().walls().values().stream()
        .filter(wall -> wall.state() != Wall.State.LIFTED && covers(last, wall, number)).map(Wall::id).collect(Collectors.toSet()));
  }

  /** Whether the wall bars somebody or other from the place while it stands. */
  static boolean covers(Snapshot snapshot, Wall wall, int place) {
    boolean inScope = false;
    for (Scope scope : wall.barrier().scopes()) {
      inScope |= WallCoverage.covers(snapshot, scope, place);
    }
    return inScope != wall.barrier() instanceof Barrier.Confine;
  }
}
