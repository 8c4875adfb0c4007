package palegate.core.questions;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.stages.Holders;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;

/** "Who can do what here": everyone with at least one right at a place, in order of person numbers. */
public final class WhoCan {
  /** What one person may do at the place. */
  public record Holder(Person person, Rights rights, Origin origin) {}

  private WhoCan() {}

  public static List<Holder> at(Snapshot snapshot, Instant instant, int place) {
    Moment moment = snapshot.at(instant);
    Holders holders = moment.holders(place);
    RoaringBitmap here = new RoaringBitmap();
    RoaringBitmap above = new RoaringBitmap();
    DirectMembers direct = new DirectMembers(snapshot, instant);
    String type = snapshot.place(place).type();
    for (Entry entry : snapshot.reachingEntries(place)) {
      if (entry instanceof Grant && entry.period().holdsAt(instant) && entry.touches(type)) {
        (entry.place().equals(snapshot.place(place).id()) ? here : above)
            .or(direct.of(moment, entry.subject()));
      }
    }
    List<Holder> list = new ArrayList<>();
    holders.anyone().forEach((int number) -> list.add(new Holder(
        snapshot.person(number), holders.of(number),
        here.contains(number) ? Origin.HERE
            : above.contains(number) ? Origin.ABOVE : Origin.THROUGH_GROUP)));
    return list;
  }

  /** The people a subject names without going through a group inside another group. */
  private static final class DirectMembers {
    private final Map<String, RoaringBitmap> byGroup = new HashMap<>();
    private final Snapshot snapshot;
    private final Instant instant;

    DirectMembers(Snapshot snapshot, Instant instant) {
      this.snapshot = snapshot;
      this.instant = instant;
    }

    RoaringBitmap of(Moment moment, Subject subject) {
      return subject instanceof Subject.OfGroup group
          ? byGroup.computeIfAbsent(group.id(), this::inGroup) : moment.matching(subject);
    }

    private RoaringBitmap inGroup(String id) {
      RoaringBitmap members = new RoaringBitmap();
      Group group = snapshot.structure().groups().get(id);
      for (Membership membership : group.members()) {
        if (membership.member() instanceof Membership.PersonMember person
            && membership.period().holdsAt(instant)) {
          members.add(snapshot.personNumber(person.id()));
        }
      }
      return members;
    }
  }
}
