package palegate.core.snapshot;

import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.roaringbitmap.RoaringBitmap;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;

/** Who matches which subject at one instant (section 1), as bitmaps of person numbers. */
final class Matching {
  private static final RoaringBitmap NOBODY = new RoaringBitmap();

  private final Snapshot snapshot;
  private final RoaringBitmap active = new RoaringBitmap();
  private final RoaringBitmap external = new RoaringBitmap();
  private final RoaringBitmap activeStaff;
  private final RoaringBitmap activeOutsiders;
  private final Map<String, RoaringBitmap> byGroup = new HashMap<>();
  private final Map<String, RoaringBitmap> byUnit = new HashMap<>();

  Matching(Snapshot snapshot, Instant instant) {
    this.snapshot = snapshot;
    for (Unit unit : snapshot.unitsLowerFirst()) {
      byUnit.put(unit.id(), new RoaringBitmap());
    }
    for (int number = 0; number < snapshot.personCount(); number++) {
      Person person = snapshot.person(number);
      if (person.active()) {
        active.add(number);
      }
      if (person.external()) {
        external.add(number);
      }
      if (person.unit() != null) {
        byUnit.get(person.unit()).add(number);
      }
    }
    for (Unit unit : snapshot.unitsLowerFirst()) {
      if (unit.parent() != null) {
        byUnit.get(unit.parent()).or(byUnit.get(unit.id()));
      }
    }
    for (Group group : snapshot.groupsInnerFirst()) {
      byGroup.put(group.id(), membersOf(group, instant));
    }
    activeStaff = RoaringBitmap.andNot(active, external);
    activeOutsiders = RoaringBitmap.and(active, external);
  }

  RoaringBitmap active() {
    return active;
  }

  RoaringBitmap activeStaff() {
    return activeStaff;
  }

  RoaringBitmap activeOutsiders() {
    return activeOutsiders;
  }

  /** Everyone who matches, inactive people too; only to be read. */
  RoaringBitmap of(Subject subject) {
    if (subject instanceof Subject.OfGroup group) {
      return byGroup.getOrDefault(group.id(), NOBODY);
    }
    if (subject instanceof Subject.OfUnit unit) {
      return byUnit.getOrDefault(unit.id(), NOBODY);
    }
    if (subject instanceof Subject.OfPerson person) {
      int number = snapshot.personNumber(person.id());
      return number < 0 ? NOBODY : RoaringBitmap.bitmapOf(number);
    }
    return subject == Subject.BuiltIn.STAFF ? activeStaff : activeOutsiders;
  }

  boolean matches(int person, Subject subject) {
    if (subject instanceof Subject.OfPerson one) {
      return snapshot.person(person).id().equals(one.id());
    }
    return of(subject).contains(person);
  }

  private RoaringBitmap membersOf(Group group, Instant instant) {
    RoaringBitmap members = new RoaringBitmap();
    for (Membership membership : group.members()) {
      if (!membership.period().holdsAt(instant)) {
        continue;
      }
      if (membership.member() instanceof Membership.PersonMember person) {
        members.add(snapshot.personNumber(person.id()));
      } else {
        members.or(byGroup.get(membership.member().id()));
      }
    }
    members.runOptimize();
    return members;
  }
}
