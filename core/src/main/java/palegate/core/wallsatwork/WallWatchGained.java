package palegate.core.wallsatwork;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Wall;

/**
 * Rights at what lies outside a wall and looks as if it belonged inside, gained by those whom the wall keeps out. It is judged by what the
 * changes give, not by their kinds: an entry, a share, a membership, a role, a break that is rejoined. Part of {@link WallWatch}.
 */
final class WallWatchGained {
  private static final int NAMED_AT_MOST = 3;

  private WallWatchGained() {}

  /**
   * Each gap of a wall once, at the first instant and the topmost place. What comes to lie there with the changes is told as such, not here.
   * O(people who gain + walls × people / 64), and of walls that keep out any of them the gaps and what lies in these.
   */
  static void look(Snapshot before, Snapshot after, List<RightsDifference> differences, List<Wall> walls, Function<Wall, List<WallGap>> gaps, List<WallWatch.Notice> notices) {
    Set<String> told = new HashSet<>();
    Instant now = differences.get(0).instant();
    for (RightsDifference difference : atEndsOfExceptions(before, after, differences, walls)) {
      List<Integer> gaining = difference.people().stream().filter(shift -> !shift.gained().isEmpty()).map(shift -> after.personNumber(shift.person().id())).filter(number -> number >= 0).toList();
      if (gaining.isEmpty()) {
        continue;
      }
      SnapshotAt then = after.at(difference.instant());
      PersonSet people = PersonSet.of(gaining.stream().mapToInt(Integer::intValue).sorted().toArray()).and(then.active());
      for (Wall wall : walls) {
        List<Barring> barrings = wall.period().endedBy(difference.instant()) ? List.of() : Barring.ofPeople(then, wall);
        if (barrings.stream().noneMatch(barring -> barring.people().intersects(people))) {
          continue;
        }
        for (WallGap gap : gaps.apply(wall)) {
          PersonSet concerned = barrings.stream().filter(barring -> gap.side() == null || gap.side().equals(barring.side())).map(Barring::people).reduce(PersonSet.NOBODY, PersonSet::or).and(people);
          if (!concerned.isEmpty() && !told.contains(wall.id() + " " + gap.place())) {
            WallWatch.Notice notice = notice(before, then, difference, wall, gap, concerned, difference.instant().equals(now) ? null : difference.instant());
            if (notice != null) {
              told.add(wall.id() + " " + gap.place());
              notices.add(notice);
            }
          }
        }
      }
    }
  }

  /** Whoever is let in for a while is kept out again at the end of that: then too it is looked at what they have by the changes. In order of time. */
  private static List<RightsDifference> atEndsOfExceptions(Snapshot before, Snapshot after, List<RightsDifference> differences, List<Wall> walls) {
    Map<Instant, RightsDifference> all = new TreeMap<>();
    differences.forEach(difference -> all.put(difference.instant(), difference));
    Instant now = differences.get(0).instant();
    walls.stream().flatMap(wall -> wall.exceptions().stream()).map(Wall.Exempt::until).filter(end -> end != null && end.isAfter(now)).distinct()
        .forEach(end -> all.computeIfAbsent(end, at -> RightsDifference.between(before, after, at)));
    return List.copyOf(all.values());
  }

  /** Null if none of them comes to have anything at the gap or below it. */
  private static WallWatch.Notice notice(Snapshot before, SnapshotAt then, RightsDifference difference, Wall wall, WallGap gap, PersonSet concerned, Instant from) {
    Snapshot after = then.snapshot();
    SnapshotAt was = before.at(then.instant());
    Set<Long> seen = new HashSet<>();
    for (int place : after.below(after.placeNumber(gap.place())).boxed().sorted(after.inTreeOrder()).toList()) {
      int known = before.placeNumber(after.place(place).id());
      // Places of one class before and one after change alike: of each pair of classes one is asked.
      if (known < 0 || !seen.add(((long) was.classOf(known) << 32) | then.classOf(place))) {
        continue;
      }
      Map<String, Person> coming = new TreeMap<>();
      difference.pairsAt(after.place(place).id()).filter(pair -> pair.before().isEmpty() && !pair.after().isEmpty() && concerned.contains(after.personNumber(pair.person().id()))).forEach(pair -> coming.put(pair.person().name() + " " + pair.person().id(), pair.person()));
      if (!coming.isEmpty()) {
        List<Person> people = List.copyOf(coming.values());
        String whom = String.join(", ", people.stream().limit(NAMED_AT_MOST).map(Person::name).toList()) + (people.size() > NAMED_AT_MOST ? " and " + (people.size() - NAMED_AT_MOST) + " more" : "");
        return new WallWatch.Notice(WallWatch.Kind.GAINED_OUTSIDE, wall.id(), gap.side(), after.place(place).id(), people.size() == 1 ? people.get(0).id() : null, whom, gap.said(), gap.like(), from);
      }
    }
    return null;
  }
}
