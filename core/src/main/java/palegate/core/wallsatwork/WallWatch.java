package palegate.core.wallsatwork;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import palegate.core.collections.PersonSet;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;

/**
 * What changes do to walls, standing or still to stand, against what these evidently are for: told before they are put in force. Of walls
 * that the changes themselves alter nothing is told: whoever alters one sees on its page what it does.
 */
public final class WallWatch {
  /** What is against a wall's purpose. */
  public enum Kind {
    /** A place would lie outside and looks as if it belonged inside. */
    OUTSIDE,
    /** A place would lie inside and looks as if it were of another matter. */
    INSIDE,
    /** Somebody whom it keeps out would not be kept out any more. */
    LET_IN,
    /** Somebody would be given, or have shared with them, what it keeps from them: it gives nothing. */
    IN_VAIN,
    /** Somebody whom it keeps out would come to have rights, by whatever way, at what lies outside and looks as if it belonged inside. */
    GAINED_OUTSIDE
  }

  /**
   * One thing that is told.
   *
   * @param side the side concerned; null for a wall of one scope
   * @param place of a place, its id; else null
   * @param person of a person, their id; else null
   * @param whom of what is given or gained, the names of the person, group, unit or people; else null
   * @param said of a place, the text that speaks for it; else null
   * @param like of a place, what that is like or unlike; else null
   * @param from when somebody is let in, or gains something, if that is later; else null
   */
  public record Notice(Kind kind, String wall, String side, String place, String person, String whom, String said, String like, Instant from) {}

  private WallWatch() {}

  /**
   * By wall in the order of their names. O(walls × labels) of both states where the changes alter places, and the gaps of the walls that these may
   * concern; O(walls × people / 64) an instant. What is given see {@link WallWatchGiven}, what is gained {@link WallWatchGained}.
   *
   * @param differences now, and at every later instant from which the changes make a difference
   */
  public static List<Notice> of(Snapshot before, Snapshot after, List<RightsDifference> differences) {
    Instant now = differences.get(0).instant();
    Structure was = before.structure();
    Structure is = after.structure();
    List<Wall> walls = is.walls().values().stream().filter(wall -> wall.state() != Wall.State.LIFTED && !wall.period().endedBy(now) && wall.equals(was.walls().get(wall.id()))).sorted(Comparator.comparing(Wall::name).thenComparing(Wall::id)).toList();
    if (walls.isEmpty()) {
      return List.of();
    }
    List<Notice> notices = new ArrayList<>();
    Gaps gaps = new Gaps(after);
    if (was.places() != is.places()) {
      WallGapClues clues = WallGapClues.of(before);
      for (Wall wall : walls) {
        if (mayHaveOtherGaps(before, after, wall, clues)) {
          outside(before, clues, gaps, wall, notices);
        }
        inside(before, after, wall, notices);
      }
    }
    if (was.groups() != is.groups() || was.units() != is.units() || was.people() != is.people()) {
      walls.forEach(wall -> letIn(before, after, differences.stream().map(RightsDifference::instant).toList(), wall, notices));
    }
    WallWatchGiven.look(before, after, now, walls, notices);
    WallWatchGained.look(before, after, differences, walls, gaps::of, notices);
    notices.sort(Comparator.comparingInt(notice -> position(walls, notice.wall())));
    return List.copyOf(notices);
  }

  private static int position(List<Wall> walls, String id) {
    for (int i = 0; i < walls.size(); i++) {
      if (walls.get(i).id().equals(id)) {
        return i;
      }
    }
    return walls.size();
  }

  /** Whether any place that comes, goes or is another says anything by which gaps of a wall are found. */
  private static boolean mayHaveOtherGaps(Snapshot before, Snapshot after, Wall wall, WallGapClues clues) {
    WallGapTerms terms = WallGapTerms.of(before, List.of(wall), clues);
    return before.structure().places().differing(after.structure().places()).stream().anyMatch(place -> terms.mayConcern(place, before.structure(), after.structure()));
  }

  /** The gaps of a state that are likely at least, of one wall after another, each looked for once. */
  private static final class Gaps {
    private final Snapshot state;
    private final Map<Wall, List<WallGap>> known = new HashMap<>();
    private WallGapClues clues;

    Gaps(Snapshot state) {
      this.state = state;
    }

    List<WallGap> of(Wall wall) {
      if (clues == null) {
        clues = WallGapClues.of(state);
      }
      return known.computeIfAbsent(wall, any -> WallGaps.likely(state, wall, clues));
    }
  }

  private static void outside(Snapshot before, WallGapClues clues, Gaps after, Wall wall, List<Notice> notices) {
    Set<String> known = WallGaps.of(before, wall, clues).stream().map(WallGap::place).collect(Collectors.toSet());
    after.of(wall).stream().filter(gap -> !known.contains(gap.place()))
        .forEach(gap -> notices.add(new Notice(Kind.OUTSIDE, wall.id(), gap.side(), gap.place(), null, null, gap.said(), gap.like(), null)));
  }

  private static void inside(Snapshot before, Snapshot after, Wall wall, List<Notice> notices) {
    Set<WallMisfits.Misfit> known = new HashSet<>(WallMisfits.of(before, wall));
    WallMisfits.of(after, wall).stream().filter(misfit -> !known.contains(misfit)).forEach(misfit -> notices.add(new Notice(Kind.INSIDE, wall.id(), misfit.side(), misfit.place(), null, null, misfit.said(), misfit.like(), null)));
  }

  /** Each person once, from the first instant on. Numbers of people may differ from one state to the other: they are told apart by their ids. */
  private static void letIn(Snapshot before, Snapshot after, List<Instant> instants, Wall wall, List<Notice> notices) {
    Set<String> told = new HashSet<>();
    instants.stream().filter(at -> !wall.period().endedBy(at)).forEach(at -> {
      SnapshotAt then = after.at(at);
      Set<String> stillBarred = ids(then, Barring.people(Barring.of(then, wall)));
      SnapshotAt was = before.at(at);
      ids(was, Barring.people(Barring.of(was, wall))).stream().filter(person -> !stillBarred.contains(person) && isActive(then, person)).sorted().filter(told::add)
          .forEach(person -> notices.add(new Notice(Kind.LET_IN, wall.id(), null, null, person, null, null, null, at.equals(instants.get(0)) ? null : at)));
    });
  }

  private static boolean isActive(SnapshotAt state, String person) {
    int number = state.snapshot().personNumber(person);
    return number >= 0 && state.active().contains(number);
  }

  private static Set<String> ids(SnapshotAt state, PersonSet people) {
    Set<String> ids = new HashSet<>();
    people.forEach(person -> ids.add(state.snapshot().person(person).id()));
    return ids;
  }
}
