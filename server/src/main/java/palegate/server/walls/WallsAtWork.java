package palegate.server.walls;

import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import palegate.core.collections.PersonSet;
import palegate.core.duties.Duty;
import palegate.core.questions.WallCoverage;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.viewpoint.Asker;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.Barring;
import palegate.core.wallsatwork.StandingWall;
import palegate.server.drafts.DraftedState;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.store.StateCaches;
import palegate.server.store.WeighedCache;
import palegate.server.viewpoint.Viewpoints;

/** Walls as somebody may know them and as their draft would have them; what one takes from whom is worked out once for a state. */
@Component
class WallsAtWork {
  /** So many states with or without a wall are kept: the lists of one wall's page ask for the same one. */
  private static final int KEPT_AT_MOST = 8;

  private record Key(Snapshot snapshot, Wall wall) {}

  /** What one wall does, and what it takes from whom. */
  record Worked(StandingWall standing, RightsDifference difference, Instant asked) {}

  /**
   * How much a wall covers, and whom it keeps out.
   *
   * @param named everybody whom it would keep out, whatever it covers
   */
  record Counted(int places, int documents, int people, long pairs, PersonSet named) {}

  private record Register(Map<String, Counted> byWall, Instant asked) {}

  private final WeighedCache<Snapshot, Register> registers;
  private final WeighedCache<Key, Worked> kept;
  private final DraftedState shown;
  private final Viewpoints viewpoints;
  private final Accounts accounts;
  private final Clock clock;

  WallsAtWork(DraftedState shown, Viewpoints viewpoints, Accounts accounts, StateCaches caches, Clock clock) {
    this.shown = shown;
    this.viewpoints = viewpoints;
    this.accounts = accounts;
    this.clock = clock;
    registers = caches.few(KEPT_AT_MOST, Duration.ofMinutes(2));
    kept = caches.few(KEPT_AT_MOST, Duration.ofMinutes(2));
  }

  /** The state with the asker's draft in it. The room is for holders of {@code walls} and {@code audit}. */
  DraftedState.State shownTo(Principal who) {
    refuseOthers(who, Duty.WALLS, Duty.AUDIT);
    return shown.to(who.getName());
  }

  /** The asker's draft, with both of its states and what differs between them. */
  Rehearsal rehearsed(Principal who) {
    refuseOthers(who, Duty.WALLS, Duty.AUDIT);
    return shown.rehearsed(who.getName());
  }

  void refuseOthers(Principal who, Duty... duties) {
    if (!accounts.holdsAny(who.getName(), duties)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed", "This takes the duty [" + duties[0].word() + "]. Ask somebody who has it.");
    }
  }

  static Wall find(DraftedState.State state, String id) {
    Wall wall = state.structure().walls().get(id);
    if (wall == null) {
      throw Problem.notFound("wall", id);
    }
    return wall;
  }

  /** Of a wall as the asker may know it. */
  Worked worked(String id, Principal who) {
    DraftedState.State state = shownTo(who);
    return worked(state.after(), find(state, id));
  }

  /** Of a state and a wall that need not be in it. */
  Worked worked(Snapshot snapshot, Wall wall) {
    Instant now = clock.instant();
    return kept.compute(new Key(snapshot, wall), (key, known) -> {
      if (known != null && snapshot.sameBetween(known.asked(), now)) {
        return known;
      }
      StandingWall standing = StandingWall.of(snapshot, wall, now);
      return new Worked(standing, standing.difference(), now);
    });
  }

  /** Of every wall of a state, by its id. O(walls × places) once for a state. */
  Map<String, Counted> counted(DraftedState.State state) {
    return registers.compute(state.after(), (snapshot, known) -> {
      if (known != null && snapshot.sameBetween(known.asked(), state.now())) {
        return known;
      }
      Map<String, Counted> counts = new HashMap<>();
      snapshot.structure().walls().values().forEach(wall -> counts.put(wall.id(), counted(wall, state)));
      return new Register(counts, state.now());
    }).byWall();
  }

  private static Counted counted(Wall wall, DraftedState.State state) {
    BitSet covered = new BitSet();
    wall.barrier().scopes().forEach(scope -> covered.or(WallCoverage.covered(state.after(), scope)));
    List<Barring> barrings = Barring.of(state.moment(), wall);
    return new Counted(covered.cardinality(), (int) covered.stream().filter(state.after()::isDocument).count(), Barring.people(barrings).size(), Barring.pairs(barrings),
        barrings.stream().map(Barring::people).reduce(PersonSet.NOBODY, PersonSet::or));
  }

  Asker asker(Principal who) {
    return viewpoints.asker(who.getName());
  }
}
