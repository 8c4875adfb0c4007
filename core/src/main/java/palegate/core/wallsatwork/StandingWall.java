package palegate.core.wallsatwork;

import java.time.Instant;
import java.util.List;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.WallChange;
import palegate.core.people.Period;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Wall;

/**
 * A wall at work beside the same state without it. One that does not stand at the instant asked about is looked at as if it did: on
 * its first day, if that is still to come.
 *
 * @param imagined whether it does not stand at the instant that was asked about
 */
public record StandingWall(Wall wall, SnapshotAt with, SnapshotAt without, boolean imagined) {

  /** O(1) for the state with it or the one without, and a state made anew for the other. */
  public static StandingWall of(Snapshot snapshot, Wall wall, Instant now) {
    boolean known = wall.equals(snapshot.structure().walls().get(wall.id()));
    boolean imagined = !wall.barsAt(now) || !known;
    Instant at = imagined && wall.period().from() != null && now.isBefore(wall.period().from()) ? wall.period().from() : now;
    Wall standing = new Wall(wall.id(), wall.name(), wall.reason(), Wall.State.STANDING, Period.ALWAYS, wall.barrier(), wall.exceptions());
    Snapshot with = imagined ? snapshot.next(DraftApplication.of(snapshot, List.of(new WallChange.SetWall(standing)), at).difference()) : snapshot;
    Snapshot without = !snapshot.structure().walls().containsKey(wall.id()) ? snapshot
        : snapshot.next(DraftApplication.of(snapshot, List.of(new WallChange.RemoveWall(wall.id())), at).difference());
    return new StandingWall(imagined ? standing : wall, with.at(at), without.at(at), imagined);
  }

  /** Whom it bars from what, by its definition. */
  public List<Barring> barrings() {
    return Barring.of(with, wall);
  }

  /** What it takes from whom: the exact difference between the state without it and the one with it. */
  public RightsDifference difference() {
    return RightsDifference.between(without, with);
  }
}
