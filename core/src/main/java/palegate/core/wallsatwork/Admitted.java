package palegate.core.wallsatwork;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * Somebody whom a wall lets in by name, and how much they reach inside: to be let in gives nothing by itself.
 *
 * @param side the name of their side; null for a wall of one scope
 * @param excepted whether by an exception, not by being listed
 * @param documents how many documents inside they hold any standing right on
 */
public record Admitted(Person person, String side, boolean excepted, int documents) {

  /** A seal's subjects, the people of each side, and whoever an exception frees. O(admitted × covered places). */
  public static List<Admitted> of(StandingWall standing) {
    SnapshotAt moment = standing.with();
    Wall wall = standing.wall();
    PersonSet excepted = moment.matchingAny(wall.exceptions().stream().filter(one -> one.currentAt(moment.instant())).map(Wall.Exempt::subject).toList()).and(moment.active());
    List<Admitted> found = new ArrayList<>();
    PersonSet listed = PersonSet.NOBODY;
    if (wall.barrier() instanceof Barrier.Seal seal) {
      listed = add(found, moment, seal.subjects(), excepted, null, seal.scope());
    } else if (wall.barrier() instanceof Barrier.Sides sides) {
      for (Barrier.Side side : sides.sides()) {
        listed = listed.or(add(found, moment, side.subjects(), excepted, side.name(), side.scope()));
      }
    }
    BitSet inside = new BitSet();
    wall.barrier().scopes().forEach(scope -> inside.or(WallCoverage.covered(moment.snapshot(), scope)));
    excepted.minus(listed).forEach(person -> found.add(new Admitted(moment.snapshot().person(person), null, true, documents(moment, person, inside))));
    return found;
  }

  private static PersonSet add(List<Admitted> found, SnapshotAt moment, List<Subject> subjects, PersonSet excepted, String side, Scope scope) {
    BitSet inside = WallCoverage.covered(moment.snapshot(), scope);
    PersonSet people = moment.matchingAny(subjects).and(moment.active());
    people.forEach(person -> found.add(new Admitted(moment.snapshot().person(person), side, excepted.contains(person), documents(moment, person, inside))));
    return people;
  }

  /**
   * The documents behind {@link #documents} of somebody; none of somebody who is not let in. O(admitted + covered places).
   *
   * @param side of those on several sides, which is meant; null for a wall of one scope, or whoever is let in by an exception alone
   */
  public static BitSet reached(StandingWall standing, String person, String side) {
    SnapshotAt moment = standing.with();
    Snapshot snapshot = moment.snapshot();
    int number = snapshot.personNumber(person);
    BitSet reached = new BitSet();
    if (number < 0 || !moment.active().contains(number)) {
      return reached;
    }
    Wall wall = standing.wall();
    if (wall.barrier() instanceof Barrier.Seal seal && moment.matchingAny(seal.subjects()).contains(number)) {
      reached.or(WallCoverage.covered(snapshot, seal.scope()));
    } else if (wall.barrier() instanceof Barrier.Sides sides) {
      sides.sides().stream().filter(one -> one.name().equals(side) && moment.matchingAny(one.subjects()).contains(number)).forEach(one -> reached.or(WallCoverage.covered(snapshot, one.scope())));
    }
    if (reached.isEmpty() && side == null && wall.exceptions().stream().filter(one -> one.currentAt(moment.instant())).anyMatch(one -> moment.matchingAny(List.of(one.subject())).contains(number))) {
      wall.barrier().scopes().forEach(scope -> reached.or(WallCoverage.covered(snapshot, scope)));
    }
    int[] rights = moment.rightsInEveryClass(number);
    reached.stream().filter(place -> !snapshot.isDocument(place) || rights[moment.classOf(place)] == 0).forEach(reached::clear);
    return reached;
  }

  private static int documents(SnapshotAt moment, int person, BitSet inside) {
    Snapshot snapshot = moment.snapshot();
    int[] rights = moment.rightsInEveryClass(person);
    return (int) inside.stream().filter(place -> snapshot.isDocument(place) && rights[moment.classOf(place)] != 0).count();
  }
}
