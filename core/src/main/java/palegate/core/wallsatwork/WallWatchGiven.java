package palegate.core.wallsatwork;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import palegate.core.access.Grant;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.walls.Wall;

/** What is given or shared to those whom a wall keeps out of it, and so gives nothing. Part of {@link WallWatch}. */
final class WallWatchGiven {
  /** Of larger groups some are always at home somewhere. */
  private static final int PEOPLE_AT_MOST = 2_000;

  private WallWatchGiven() {}

  /** O(entries that came × people whom they name). */
  static void look(Snapshot before, Snapshot after, Instant now, List<Wall> walls, List<WallWatch.Notice> notices) {
    Set<String> known = walls.stream().map(Wall::id).collect(Collectors.toSet());
    entries(before.structure(), after.structure(), now).forEach(grant -> inVain(after, now, grant, known, notices));
  }

  /** Entries of access lists and shares that come, or whose place or subject becomes another, by id. */
  private static List<Grant> entries(Structure was, Structure is, Instant now) {
    return was.grants().differing(is.grants()).stream().sorted().map(is.grants()::get).filter(grant -> grant != null && !grant.period().endedBy(now) && !givenBefore(was.grants().get(grant.id()), grant)).toList();
  }

  private static boolean givenBefore(Grant before, Grant after) {
    return before != null && before.place().equals(after.place()) && before.subject().equals(after.subject());
  }

  /** That a wall takes something from some of a large group is what it is for; that it leaves nobody anything of what is given is an error. */
  private static void inVain(Snapshot state, Instant now, Grant grant, Set<String> walls, List<WallWatch.Notice> notices) {
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
    common.stream().filter(walls::contains).forEach(wall -> notices.add(new WallWatch.Notice(WallWatch.Kind.IN_VAIN, wall, null, grant.place(), person, whom, null, null, later ? from : null)));
  }
}
