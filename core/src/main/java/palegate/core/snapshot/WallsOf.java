package palegate.core.snapshot;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;
import palegate.core.collections.PersonSet;
import palegate.core.walls.Wall;

/** The walls that stand at a moment: which of them run around a place, and whom they bar (section 7). Cost: the walls of the place. */
public final class WallsOf {
  private final Classes classes;
  /** By set of walls; null for the empty one. */
  private final PersonSet[] barred;

  WallsOf(Classes classes, PersonSet[] barred) {
    this.classes = classes;
    this.barred = barred;
  }

  /** The walls that bar a person from a place, by name; each would alone. */
  public List<Wall> barring(int person, int place) {
    return wallsWhere(place, reach -> reach.barred().contains(person));
  }

  /** The walls that bar anybody from a place, by name. */
  public List<Wall> around(int place) {
    return wallsWhere(place, reach -> !reach.barred().isEmpty());
  }

  /** Whether a place lies behind a screen, a seal or sides. A confinement runs around other places, for a few people. */
  public boolean surround(int place) {
    for (int number : reachesAt(place)) {
      StandingWalls.Reach reach = classes.barriers.reach(number);
      if (!reach.outside() && !reach.barred().isEmpty()) {
        return true;
      }
    }
    return false;
  }

  /** Everyone whom one wall bars from a place. */
  public PersonSet barredBy(Wall wall, int place) {
    PersonSet barredHere = PersonSet.NOBODY;
    for (int number : reachesAt(place)) {
      StandingWalls.Reach reach = classes.barriers.reach(number);
      barredHere = reach.wall().equals(wall) ? barredHere.or(reach.barred()) : barredHere;
    }
    return barredHere;
  }

  /** Everyone whom walls bar from a place. */
  public PersonSet barredFrom(int place) {
    PersonSet found = barred[setAt(place)];
    return found == null ? PersonSet.NOBODY : found;
  }

  private List<Wall> wallsWhere(int place, Predicate<StandingWalls.Reach> wanted) {
    List<Wall> walls = new ArrayList<>();
    for (int number : reachesAt(place)) {
      StandingWalls.Reach reach = classes.barriers.reach(number);
      if (wanted.test(reach) && !walls.contains(reach.wall())) {
        walls.add(reach.wall());
      }
    }
    // In an order that does not tell which of them were made first, or how the snapshot came to be.
    walls.sort(Comparator.comparing(Wall::name).thenComparing(Wall::id));
    return walls;
  }

  private int[] reachesAt(int place) {
    return classes.book().wallSet(setAt(place));
  }

  /** The number of the set of walls around a place: two places of a moment with one number lie behind the same. */
  public int setAt(int place) {
    return ClassRow.walls(classes.row(classes.ofPlace.get(place)), 0);
  }
}
