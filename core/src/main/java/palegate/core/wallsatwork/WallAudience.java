package palegate.core.wallsatwork;

import java.util.BitSet;
import palegate.core.collections.PersonSet;
import palegate.core.questions.WallCoverage;
import palegate.core.roles.Right;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Wall;

/** Who may be told of a wall. Whom it keeps out is in no audience but their own, whatever else they are. */
public enum WallAudience {
  /** Those who keep what lies inside: they govern some of it. */
  KEEPERS,
  /** Those who have any right on something inside. */
  READERS,
  /** Those whom it keeps out. They are told only if somebody chooses so, and then no more than they must know. */
  KEPT_OUT;

  /** Active people, as the wall stands or would stand. O(covered places + access classes inside × people / 64). */
  public PersonSet of(SnapshotAt moment, Wall wall) {
    PersonSet barred = Barring.of(moment, wall).stream().map(Barring::people).reduce(PersonSet.NOBODY, PersonSet::or);
    if (this == KEPT_OUT) {
      return barred;
    }
    BitSet classes = new BitSet();
    wall.barrier().scopes().forEach(scope -> WallCoverage.covered(moment.snapshot(), scope).stream().forEach(place -> classes.set(moment.classOf(place))));
    PersonSet people = PersonSet.NOBODY;
    for (int at = classes.nextSetBit(0); at >= 0; at = classes.nextSetBit(at + 1)) {
      for (Right right : this == KEEPERS ? new Right[] {Right.GOVERN} : Right.values()) {
        people = people.or(moment.holdersOfInClass(right, at));
      }
    }
    return people.and(moment.active()).minus(barred);
  }

  /** Whether what was written to this audience is still for somebody: of a wall that is lifted or over it is for nobody, of another for whoever still is, or is not, kept out. */
  public boolean mayStillRead(SnapshotAt moment, Wall wall, String person) {
    int number = moment.snapshot().personNumber(person);
    boolean keptOut = number >= 0 && Barring.of(moment, wall).stream().anyMatch(barring -> barring.people().contains(number));
    return number >= 0 && wall.state() != Wall.State.LIFTED && !wall.period().endedBy(moment.instant()) && keptOut == (this == KEPT_OUT);
  }
}
