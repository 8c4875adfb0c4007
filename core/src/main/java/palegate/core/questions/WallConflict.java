package palegate.core.questions;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;

/**
 * An active person on two sides or more of a standing wall, whom no exception frees (section 7).
 *
 * @param wall the wall's id
 * @param person the person's id
 * @param sides the names of the sides, in the wall's order
 */
public record WallConflict(String wall, String person, List<String> sides) {
  public WallConflict {
    sides = List.copyOf(sides);
  }

  /** All conflicts, by the name of the wall, then by person. O(walls of sides × people / 64). */
  public static List<WallConflict> all(SnapshotAt moment, Instant instant) {
    List<WallConflict> found = new ArrayList<>();
    for (Wall wall : moment.snapshot().structure().walls().values().stream().sorted(Comparator.comparing(Wall::name).thenComparing(Wall::id)).toList()) {
      if (wall.barsAt(instant) && wall.barrier() instanceof Barrier.Sides sides) {
        found.addAll(of(wall, sides, moment, instant));
      }
    }
    return found;
  }

  private static List<WallConflict> of(Wall wall, Barrier.Sides sides, SnapshotAt moment, Instant instant) {
    List<PersonSet> bySide = sides.sides().stream().map(side -> moment.matchingAny(side.subjects())).toList();
    PersonSet once = PersonSet.NOBODY;
    PersonSet twice = PersonSet.NOBODY;
    for (PersonSet side : bySide) {
      twice = twice.or(once.and(side));
      once = once.or(side);
    }
    List<Subject> exempt = wall.exceptions().stream().filter(exception -> exception.currentAt(instant))
        .map(Wall.Exempt::subject).toList();
    List<WallConflict> found = new ArrayList<>();
    twice.and(moment.active()).minus(moment.matchingAny(exempt)).forEach(person -> {
      List<String> on = new ArrayList<>();
      for (int side = 0; side < bySide.size(); side++) {
        if (bySide.get(side).contains(person)) {
          on.add(sides.sides().get(side).name());
        }
      }
      found.add(new WallConflict(wall.id(), moment.snapshot().person(person).id(), on));
    });
    return found;
  }
}
