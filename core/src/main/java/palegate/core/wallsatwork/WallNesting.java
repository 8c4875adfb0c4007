package palegate.core.wallsatwork;

import java.util.ArrayList;
import java.util.List;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Subject;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;

/**
 * A group through which people come to be named by a wall, without being members themselves of the group that it names: whoever fills that
 * group decides whom the wall keeps out or lets in.
 *
 * @param as what the wall names them as
 * @param side the side; null for a wall of one scope and for exceptions
 * @param group the group that the wall names
 * @param through the group that is a member of it
 * @param people how many active people are named by that alone
 */
public record WallNesting(As as, String side, String group, String through, int people) {
  /** What a wall names people as. */
  public enum As {
    KEPT_OUT, LET_IN, ON_A_SIDE, EXCEPTED
  }

  /** In the order in which the wall names them. O(groups that it names × their members × people / 64). */
  public static List<WallNesting> of(SnapshotAt moment, Wall wall) {
    List<WallNesting> found = new ArrayList<>();
    if (wall.barrier() instanceof Barrier.Sides sides) {
      sides.sides().forEach(side -> side.subjects().forEach(subject -> look(moment, As.ON_A_SIDE, side.name(), subject, found)));
    } else {
      wall.barrier().subjects().forEach(subject -> look(moment, wall.barrier() instanceof Barrier.Seal ? As.LET_IN : As.KEPT_OUT, null, subject, found));
    }
    wall.exceptions().stream().filter(one -> one.currentAt(moment.instant())).forEach(one -> look(moment, As.EXCEPTED, null, one.subject(), found));
    return List.copyOf(found);
  }

  private static void look(SnapshotAt moment, As as, String side, Subject subject, List<WallNesting> found) {
    Group group = subject instanceof Subject.OfGroup ? moment.snapshot().structure().groups().get(subject.id()) : null;
    if (group == null) {
      return;
    }
    List<Membership> current = group.members().stream().filter(member -> member.period().holdsAt(moment.instant())).toList();
    for (Membership member : current) {
      if (member.member() instanceof Membership.GroupMember through) {
        PersonSet otherwise = current.stream().filter(other -> !other.member().equals(through)).map(other -> moment.matching(subject(other.member()))).reduce(PersonSet.NOBODY, PersonSet::or);
        int people = moment.matching(subject(through)).and(moment.active()).minus(otherwise).size();
        if (people > 0) {
          found.add(new WallNesting(as, side, group.id(), through.id(), people));
        }
      }
    }
  }

  private static Subject subject(Membership.Member member) {
    return member instanceof Membership.GroupMember ? new Subject.OfGroup(member.id()) : new Subject.OfPerson(member.id());
  }
}
