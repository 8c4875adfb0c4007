package palegate.core.questions;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.stages.HoldersByRight;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** "Who can do what here": counted first, listed lazily in order of person numbers. Standing rights. */
public final class WhoCan {
  /** What one person may do at the place. */
  public record Holder(Person person, Rights rights, Origin origin) {}

  private final Snapshot snapshot;
  private final PersonSet people;

  private WhoCan(Snapshot snapshot, PersonSet people) {
    this.snapshot = snapshot;
    this.people = people;
  }

  /** Who has one right at a place. O(lines + people / 64). */
  public static WhoCan holding(SnapshotAt moment, Right right, int place) {
    return new WhoCan(moment.snapshot(), moment.holdersOf(right, place));
  }

  public int count() {
    return people.size();
  }

  /** By number; a new array. */
  public int[] numbers() {
    return people.toArray();
  }

  /** In byte order of their ids. */
  public Stream<Person> stream() {
    return snapshot.inOrder(people.stream()).mapToObj(snapshot::person);
  }

  /** Everyone with at least one right at a place, with all they have there and where it comes from. */
  public static List<Holder> at(Snapshot snapshot, Instant instant, int place) {
    SnapshotAt moment = snapshot.at(instant);
    HoldersByRight holders = moment.holders(place);
    PersonSet here = PersonSet.NOBODY;
    PersonSet above = PersonSet.NOBODY;
    DirectMembers direct = new DirectMembers(snapshot, instant);
    String type = snapshot.place(place).type();
    for (Entry entry : snapshot.reachingEntries(place)) {
      if (entry instanceof Grant && entry.period().holdsAt(instant) && entry.touches(type)) {
        PersonSet named = direct.of(moment, entry.subject());
        if (entry.place().equals(snapshot.place(place).id())) {
          here = here.or(named);
        } else {
          above = above.or(named);
        }
      }
    }
    PersonSet givenHere = here;
    PersonSet givenAbove = above;
    PersonSet granted = moment.granted(place);
    List<Holder> list = new ArrayList<>();
    holders.anyone().forEach(number -> list.add(new Holder(
        snapshot.person(number), holders.of(number),
        givenHere.contains(number) ? Origin.HERE : givenAbove.contains(number) ? Origin.ABOVE
            : granted.contains(number) ? Origin.THROUGH_GROUP : Origin.OVERSIGHT)));
    return list;
  }

  /** The people a subject names without going through a group inside another group. */
  private static final class DirectMembers {
    private final Map<String, PersonSet> byGroup = new HashMap<>();
    private final Snapshot snapshot;
    private final Instant instant;

    DirectMembers(Snapshot snapshot, Instant instant) {
      this.snapshot = snapshot;
      this.instant = instant;
    }

    PersonSet of(SnapshotAt moment, Subject subject) {
      return subject instanceof Subject.OfGroup group
          ? byGroup.computeIfAbsent(group.id(), this::inGroup) : moment.matching(subject);
    }

    private PersonSet inGroup(String id) {
      Group group = snapshot.structure().groups().get(id);
      return PersonSet.of(group.members().stream()
          .filter(membership -> membership.member() instanceof Membership.PersonMember && membership.period().holdsAt(instant))
          .mapToInt(membership -> snapshot.personNumber(membership.member().id())).toArray());
    }
  }
}
