package palegate.core.viewpoint;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import palegate.core.duties.Duty;
import palegate.core.people.Subject;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * The walls that bar the asker, as they stand now: no duty passes them, in whatever state of the structure one asks (section 9).
 * Of a wall that bars the asker no word reaches them, unless they hold {@code walls}: then they know the wall, and not what is behind it.
 */
final class BarringWalls {
  /** What hides a place. */
  enum Hidden {
    NO,
    /** Only a confinement bars: the place may lead to something. */
    CONFINED,
    /** A screen, a seal or sides: the place never shows. */
    BARRED
  }

  private record Reach(Scope scope, boolean outside) {}

  private final Asker asker;
  private final Snapshot snapshot;
  private final List<Reach> reaches = new ArrayList<>();
  /** By set of walls, where the state asked about is the one in which the asker holds their duties. */
  private final Map<Integer, Hidden> bySet = new HashMap<>();

  BarringWalls(Asker asker, Snapshot snapshot) {
    this.asker = asker;
    this.snapshot = snapshot;
    if (asker.person() >= 0 && snapshot != asker.snapshot()) {
      asker.snapshot().structure().walls().values().stream().filter(wall -> wall.barsAt(asker.state().instant()) && bars(wall)).forEach(this::add);
    }
  }

  private void add(Wall wall) {
    if (wall.barrier() instanceof Barrier.Sides sides) {
      IntStream.range(0, sides.sides().size()).filter(side -> isOnAnother(sides, side)).forEach(side -> reaches.add(new Reach(sides.sides().get(side).scope(), false)));
    } else {
      reaches.add(new Reach(wall.barrier().scopes().get(0), wall.barrier() instanceof Barrier.Confine));
    }
  }

  /** O(1) in the state in which the asker holds their duties; else O(walls that bar × depth). */
  Hidden at(int place) {
    if (asker.person() < 0) {
      return Hidden.NO;
    }
    if (snapshot == asker.snapshot()) {
      return bySet.computeIfAbsent(asker.state().walls().setAt(place), set -> {
        List<Wall> barring = asker.state().walls().barring(asker.person(), place);
        return barring.isEmpty() ? Hidden.NO : barring.stream().allMatch(wall -> wall.barrier() instanceof Barrier.Confine) ? Hidden.CONFINED : Hidden.BARRED;
      });
    }
    Hidden hidden = Hidden.NO;
    for (Reach reach : reaches) {
      if (WallCoverage.covers(snapshot, reach.scope(), place) != reach.outside()) {
        hidden = !reach.outside() ? Hidden.BARRED : hidden == Hidden.NO ? Hidden.CONFINED : hidden;
      }
    }
    return hidden;
  }

  /** Whether a wall, if it stands, keeps the asker from anything. */
  boolean bars(Wall wall) {
    boolean exempt = wall.exceptions().stream().anyMatch(one -> one.currentAt(asker.state().instant()) && matches(one.subject()));
    if (exempt || asker.person() < 0) {
      return false;
    }
    return wall.barrier() instanceof Barrier.Seal ? wall.barrier().subjects().stream().noneMatch(this::matches) : wall.barrier().subjects().stream().anyMatch(this::matches);
  }

  /** Whether the asker may know a wall: one that bars them only with the duty for it; a planned one also whoever audits. */
  boolean knows(Wall wall) {
    return asker.holds(Duty.WALLS) || !bars(wall) || asker.holds(Duty.AUDIT) && !wall.barsAt(asker.state().instant());
  }

  /** Of sides that bar the asker from one scope and not from another: those from which they are not barred. */
  List<Integer> open(Wall wall) {
    return !(wall.barrier() instanceof Barrier.Sides sides) ? List.of()
        : IntStream.range(0, sides.sides().size()).filter(side -> !isOnAnother(sides, side)).boxed().toList();
  }

  /** One side's scope, screened from everybody on the others. */
  static Wall screen(Wall wall, Barrier.Sides sides, int side) {
    return new Wall(wall.id(), wall.name(), wall.reason(), wall.state(), wall.period(), new Barrier.Screen(sides.sides().get(side).scope(), others(sides, side)), wall.exceptions());
  }

  /** Whoever is named on the other sides. */
  static List<Subject> others(Barrier.Sides sides, int side) {
    return IntStream.range(0, sides.sides().size()).filter(other -> other != side).boxed().flatMap(other -> sides.sides().get(other).subjects().stream()).distinct().toList();
  }

  private boolean isOnAnother(Barrier.Sides sides, int side) {
    return IntStream.range(0, sides.sides().size()).anyMatch(other -> other != side && sides.sides().get(other).subjects().stream().anyMatch(this::matches));
  }

  private boolean matches(Subject subject) {
    return asker.state().matches(asker.person(), subject);
  }
}
