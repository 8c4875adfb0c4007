package palegate.core.wallsatwork;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
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
 * What is given or shared to those whom a wall keeps out: in vain, because it lies inside, or against its purpose, because it lies
 * outside and looks as if it belonged inside. Part of {@link WallWatch}.
 */
final class WallWatchGiven {
  /** Of larger groups some are always at home somewhere. */
  private static final int PEOPLE_AT_MOST = 2_000;

  private final Snapshot before;
  private final Snapshot after;
  private final Instant now;
  private final List<Wall> walls;
  private final Map<Instant, Map<Wall, List<Barring>>> barrings = new HashMap<>();
  private final Map<Wall, List<WallGap>> gaps = new HashMap<>();
  private WallGapClues clues;

  /** @param clues of the state after, where they are known already; else null */
  WallWatchGiven(Snapshot before, Snapshot after, Instant now, List<Wall> walls, WallGapClues clues) {
    this.before = before;
    this.after = after;
    this.now = now;
    this.walls = walls;
    this.clues = clues;
  }

  /** Entries of access lists and shares that come, or whose place or subject becomes another, by id. O(what differs). */
  static List<Grant> entries(Structure was, Structure is, Instant now) {
    return was.grants().differing(is.grants()).stream().sorted().map(is.grants()::get).filter(grant -> grant != null && !grant.period().endedBy(now) && !givenBefore(was.grants().get(grant.id()), grant)).toList();
  }

  private static boolean givenBefore(Grant before, Grant after) {
    return before != null && before.place().equals(after.place()) && before.subject().equals(after.subject());
  }

  /** O(entries × (walls + people whom they name)), and the gaps of the walls that keep out any of these. */
  void look(List<Grant> given, List<WallWatch.Notice> notices) {
    Set<String> told = new HashSet<>();
    // Of what is given twice the topmost is told.
    for (Grant grant : given.stream().sorted(Comparator.comparing((Grant grant) -> after.path(after.placeNumber(grant.place())).size())).toList()) {
      Instant from = grant.period().from();
      // What is to begin is asked about when it does: walls may begin and end before that.
      Instant at = from != null && from.isAfter(now) ? from : now;
      SnapshotAt then = after.at(at);
      PersonSet people = then.matching(grant.subject()).and(then.active());
      if (people.isEmpty() || people.size() > PEOPLE_AT_MOST) {
        continue;
      }
      Entry entry = new Entry(grant, then, people, SubjectNames.of(grant.subject(), after.structure()), grant.subject() instanceof Subject.OfPerson one ? one.id() : null, at.equals(now) ? null : at);
      inVain(entry, notices);
      outside(entry, told, notices);
    }
  }

  /** @param from when it begins, if that is later */
  private record Entry(Grant grant, SnapshotAt then, PersonSet people, String whom, String person, Instant from) {}

  /** That a wall takes something from some of a large group is what it is for; that it leaves nobody anything of what is given is an error. */
  private void inVain(Entry entry, List<WallWatch.Notice> notices) {
    int place = after.placeNumber(entry.grant().place());
    Set<String> common = null;
    for (int person : entry.people().stream().toArray()) {
      Set<String> barring = entry.then().walls().barring(person, place).stream().map(Wall::id).collect(Collectors.toCollection(TreeSet::new));
      if (common == null) {
        common = barring;
      } else {
        common.retainAll(barring);
      }
      if (common.isEmpty()) {
        return;
      }
    }
    Set<String> known = walls.stream().map(Wall::id).collect(Collectors.toSet());
    common.stream().filter(known::contains).forEach(wall -> notices.add(new WallWatch.Notice(WallWatch.Kind.IN_VAIN, wall, null, entry.grant().place(), entry.person(), entry.whom(), null, null, entry.from())));
  }

  /** Only what somebody kept out has by this and had not before; of a place given and those below it, what looks so itself. */
  private void outside(Entry entry, Set<String> told, List<WallWatch.Notice> notices) {
    int place = after.placeNumber(entry.grant().place());
    List<Integer> above = after.path(place);
    for (Wall wall : walls) {
      List<Barring> keptOut = keptOut(wall, entry.then());
      if (keptOut.stream().allMatch(barring -> barring.people().and(entry.people()).isEmpty())) {
        continue;
      }
      for (WallGap gap : gaps.computeIfAbsent(wall, this::gaps)) {
        int found = after.placeNumber(gap.place());
        boolean comesWithIt = after.path(found).contains(place);
        if (!comesWithIt && !above.contains(found)) {
          continue;
        }
        int given = comesWithIt ? found : place;
        PersonSet concerned = keptOut.stream().filter(barring -> gap.side() == null || gap.side().equals(barring.side())).map(Barring::people).reduce(PersonSet.NOBODY, PersonSet::or).and(entry.people());
        if (concerned.stream().anyMatch(person -> comesToIt(entry.then(), person, given)) && told.add(wall.id() + " " + gap.place() + " " + entry.whom())) {
          notices.add(new WallWatch.Notice(WallWatch.Kind.GIVEN_OUTSIDE, wall.id(), gap.side(), after.place(given).id(), entry.person(), entry.whom(), gap.said(), gap.like(), entry.from()));
        }
      }
    }
  }

  private boolean comesToIt(SnapshotAt then, int person, int place) {
    if (then.rights(person, place).isEmpty()) {
      return false;
    }
    int was = before.personNumber(after.person(person).id());
    int at = before.placeNumber(after.place(place).id());
    return was < 0 || at < 0 || before.at(then.instant()).rights(was, at).isEmpty();
  }

  private List<Barring> keptOut(Wall wall, SnapshotAt then) {
    return barrings.computeIfAbsent(then.instant(), any -> new HashMap<>())
        .computeIfAbsent(wall, any -> wall.period().endedBy(then.instant()) ? List.of() : Barring.of(then, wall));
  }

  private List<WallGap> gaps(Wall wall) {
    if (clues == null) {
      clues = WallGapClues.of(after);
    }
    List<WallGap> likely = new ArrayList<>(WallGaps.of(after, wall, clues));
    likely.removeIf(gap -> gap.confidence() == WallGap.Confidence.POSSIBLE);
    return likely;
  }
}
