package palegate.core.wallsatwork;

import java.time.Instant;
import java.util.List;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.WallChange;
import palegate.core.collections.Later;
import palegate.core.people.Period;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Wall;

/**
 * A wall at work, and beside it the same state without it. One that does not stand at the instant asked about is looked at as if it did:
 * on its first day, if that is still to come.
 */
public final class StandingWall {
  private final Wall wall;
  private final SnapshotAt with;
  private final Instant at;
  private final boolean imagined;
  private final Later<SnapshotAt> without;

  private StandingWall(Wall wall, SnapshotAt with, Instant at, boolean imagined, Later<SnapshotAt> without) {
    this.wall = wall;
    this.with = with;
    this.at = at;
    this.imagined = imagined;
    this.without = without;
  }

  /** O(1) for a wall that stands; for another one a state is made anew, and for {@link #without} when it is first asked for. */
  public static StandingWall of(Snapshot snapshot, Wall wall, Instant now) {
    boolean known = wall.equals(snapshot.structure().walls().get(wall.id()));
    boolean imagined = !wall.barsAt(now) || !known;
    Instant at = imagined && wall.period().from() != null && now.isBefore(wall.period().from()) ? wall.period().from() : now;
    Wall standing = new Wall(wall.id(), wall.name(), wall.reason(), Wall.State.STANDING, Period.ALWAYS, wall.barrier(), wall.exceptions());
    Snapshot with = imagined ? snapshot.next(DraftApplication.of(snapshot, List.of(new WallChange.SetWall(standing)), at).difference()) : snapshot;
    return new StandingWall(imagined ? standing : wall, with.at(at), at, imagined, new Later<>(() -> !snapshot.structure().walls().containsKey(wall.id()) ? snapshot.at(at)
        : snapshot.next(DraftApplication.of(snapshot, List.of(new WallChange.RemoveWall(wall.id())), at).difference()).at(at)));
  }

  public Wall wall() {
    return wall;
  }

  public SnapshotAt with() {
    return with;
  }

  /** The instant that is asked about; the moment of the state is shared by all at which the same holds. */
  public Instant at() {
    return at;
  }

  /** The same instant of the state without the wall. */
  public SnapshotAt without() {
    return without.get();
  }

  /** Whether it does not stand at the instant that was asked about. */
  public boolean imagined() {
    return imagined;
  }

  /** Whom it bars from what, by its definition. */
  public List<Barring> barrings() {
    return Barring.of(with, wall);
  }

  /** What it takes from whom: the exact difference between the state without it and the one with it. */
  public RightsDifference difference() {
    return RightsDifference.between(without(), with);
  }
}
