package palegate.core.wallsatwork;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import palegate.core.access.Grant;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
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
    IN_VAIN
  }

  /**
   * One thing that is told.
   *
   * @param side the side concerned; null for a wall of one scope
   * @param place of a place, its id; else null
   * @param person of a person, their id; else null
   * @param said of a place, the text that speaks for it, or whom it would be given to in vain; else null
   * @param like of a place, what that is like or unlike; else null
   * @param from when somebody is let in, or given something in vain, if that is later; else null
   */
  public record Notice(Kind kind, String wall, String side, String place, String person, String said, String like, Instant from) {}

  /** Of larger groups some are always at home somewhere. */
  private static final int PEOPLE_AT_MOST = 2_000;

  private WallWatch() {}

  /**
   * By wall in the order of their names; nothing if the changes alter neither places nor who belongs to what, nor give anybody anything. O(walls × (labels + covered
   * places)) of both states, and O(walls × people / 64) an instant; what is given O(entries that came × people in whom they name).
   *
   * @param instants now, and every later one from which the changes make a difference
   */
  public static List<Notice> of(Snapshot before, Snapshot after, List<Instant> instants) {
    Instant now = instants.get(0);
    Structure was = before.structure();
    Structure is = after.structure();
    boolean places = was.places() != is.places();
    boolean people = was.groups() != is.groups() || was.units() != is.units() || was.people() != is.people();
    List<Grant> given = given(was, is, now);
    if (!places && !people && given.isEmpty()) {
      return List.of();
    }
    List<Wall> walls = is.walls().values().stream().filter(wall -> wall.state() != Wall.State.LIFTED && !wall.period().endedBy(now) && wall.equals(was.walls().get(wall.id()))).sorted(Comparator.comparing(Wall::name).thenComparing(Wall::id)).toList();
    if (walls.isEmpty()) {
      return List.of();
    }
    WallGapClues then = places ? WallGapClues.of(before) : null;
    WallGapClues next = places ? WallGapClues.of(after) : null;
    List<Notice> notices = new ArrayList<>();
    for (Wall wall : walls) {
      if (places) {
        outside(before, then, after, next, wall, notices);
        inside(before, after, wall, notices);
      }
      if (people) {
        letIn(before, after, instants, wall, notices);
      }
    }
    Set<String> told = walls.stream().map(Wall::id).collect(Collectors.toSet());
    given.forEach(grant -> inVain(after, now, grant, told, notices));
    return List.copyOf(notices);
  }

  private static void outside(Snapshot before, WallGapClues then, Snapshot after, WallGapClues next, Wall wall, List<Notice> notices) {
    Set<String> known = WallGaps.of(before, wall, then).stream().map(WallGap::place).collect(Collectors.toSet());
    WallGaps.of(after, wall, next).stream().filter(gap -> gap.confidence() != WallGap.Confidence.POSSIBLE && !known.contains(gap.place()))
        .forEach(gap -> notices.add(new Notice(Kind.OUTSIDE, wall.id(), gap.side(), gap.place(), null, gap.said(), gap.like(), null)));
  }

  private static void inside(Snapshot before, Snapshot after, Wall wall, List<Notice> notices) {
    Set<WallMisfits.Misfit> known = new HashSet<>(WallMisfits.of(before, wall));
    WallMisfits.of(after, wall).stream().filter(misfit -> !known.contains(misfit)).forEach(misfit -> notices.add(new Notice(Kind.INSIDE, wall.id(), misfit.side(), misfit.place(), null, misfit.said(), misfit.like(), null)));
  }

  /** Each person once, from the first instant on. Numbers of people may differ from one state to the other: they are told apart by their ids. */
  private static void letIn(Snapshot before, Snapshot after, List<Instant> instants, Wall wall, List<Notice> notices) {
    Set<String> told = new HashSet<>();
    instants.stream().filter(at -> !wall.period().endedBy(at)).forEach(at -> {
      SnapshotAt then = after.at(at);
      Set<String> stillBarred = ids(then, Barring.people(Barring.of(then, wall)));
      SnapshotAt was = before.at(at);
      ids(was, Barring.people(Barring.of(was, wall))).stream().filter(person -> !stillBarred.contains(person) && isActive(then, person)).sorted().filter(told::add)
          .forEach(person -> notices.add(new Notice(Kind.LET_IN, wall.id(), null, null, person, null, null, at.equals(instants.get(0)) ? null : at)));
    });
  }

  private static List<Grant> given(Structure was, Structure is, Instant now) {
    return was.grants().differing(is.grants()).stream().sorted().map(is.grants()::get).filter(grant -> grant != null && !grant.period().endedBy(now) && !givenBefore(was.grants().get(grant.id()), grant)).toList();
  }

  private static boolean givenBefore(Grant before, Grant after) {
    return before != null && before.place().equals(after.place()) && before.subject().equals(after.subject());
  }

  /** That a wall takes something from some of a large group is what it is for; that it leaves nobody anything of what is given is an error. */
  private static void inVain(Snapshot state, Instant now, Grant grant, Set<String> walls, List<Notice> notices) {
    Instant from = grant.period().from();
    boolean later = from != null && from.isAfter(now);
    // What is to begin is asked about when it does: walls may begin and end before that.
    SnapshotAt after = state.at(later ? from : now);
    int place = state.placeNumber(grant.place());
    int[] people = after.matching(grant.subject()).and(after.active()).stream().toArray();
    if (people.length == 0 || people.length > PEOPLE_AT_MOST) {
      return;
    }
    Set<String> common = null;
    for (int person : people) {
      Set<String> barring = after.walls().barring(person, place).stream().map(Wall::id).collect(Collectors.toCollection(TreeSet::new));
      if (common == null) {
        common = barring;
      } else {
        common.retainAll(barring);
      }
      if (common.isEmpty()) {
        return;
      }
    }
    String whom = SubjectNames.of(grant.subject(), state.structure());
    String person = grant.subject() instanceof Subject.OfPerson one ? one.id() : null;
    common.stream().filter(walls::contains).forEach(wall -> notices.add(new Notice(Kind.IN_VAIN, wall, null, grant.place(), person, whom, null, later ? from : null)));
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
