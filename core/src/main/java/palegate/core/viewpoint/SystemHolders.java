package palegate.core.viewpoint;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;

/** The last active holder of {@code system} cannot be removed (section 9): not today, and not by a date that is to come. */
public final class SystemHolders {
  private final Structure structure;

  private SystemHolders(Structure structure) {
    this.structure = structure;
  }

  /**
   * The first instant from now on at which a change of the structure leaves nobody who holds {@code system}, although somebody
   * would hold it without the change. O(people and groups that hold it × instants at which any of that begins or ends).
   */
  public static Optional<Instant> lostFrom(Structure before, Structure after, Instant now) {
    if (before.duties() == after.duties() && before.people() == after.people() && before.groups() == after.groups() && before.units() == after.units()) {
      return Optional.empty();
    }
    SystemHolders was = new SystemHolders(before);
    SystemHolders is = new SystemHolders(after);
    TreeSet<Instant> instants = new TreeSet<>(List.of(now));
    was.boundaries(instants);
    is.boundaries(instants);
    return instants.tailSet(now).stream().filter(instant -> was.anybody(instant) && !is.anybody(instant)).findFirst();
  }

  private List<DutyAssignment> assignments() {
    return structure.duties().values().stream().filter(given -> given.duty() == Duty.SYSTEM).toList();
  }

  private boolean anybody(Instant instant) {
    return assignments().stream().anyMatch(given -> given.period().holdsAt(instant) && anybodyIn(given.subject(), instant));
  }

  private boolean anybodyIn(Subject subject, Instant instant) {
    if (subject instanceof Subject.OfPerson) {
      return active(subject.id());
    }
    if (subject instanceof Subject.OfUnit) {
      return structure.people().values().stream().anyMatch(person -> person.active() && person.unit() != null && Asker.unitIsAtOrBelow(structure, person.unit(), subject.id()));
    }
    return subject instanceof Subject.OfGroup && memberships(subject.id(), instant).stream()
        .anyMatch(member -> member.member() instanceof Membership.PersonMember && active(member.member().id()));
  }

  private boolean active(String id) {
    Person person = structure.people().get(id);
    return person != null && person.active();
  }

  /** Of a group and those nested in it: the memberships that hold at an instant, or all of them if there is none. */
  private List<Membership> memberships(String top, Instant instant) {
    List<Membership> found = new ArrayList<>();
    Set<String> seen = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(List.of(top));
    while (!open.isEmpty()) {
      Group group = structure.groups().get(open.poll());
      if (group != null && seen.add(group.id())) {
        group.members().stream().filter(member -> instant == null || member.period().holdsAt(instant)).forEach(member -> {
          found.add(member);
          if (member.member() instanceof Membership.GroupMember) {
            open.add(member.member().id());
          }
        });
      }
    }
    return found;
  }

  private void boundaries(Set<Instant> instants) {
    for (DutyAssignment given : assignments()) {
      ends(given.period(), instants);
      if (given.subject() instanceof Subject.OfGroup group) {
        memberships(group.id(), null).forEach(member -> ends(member.period(), instants));
      }
    }
  }

  private static void ends(Period period, Set<Instant> instants) {
    Optional.ofNullable(period.from()).ifPresent(instants::add);
    Optional.ofNullable(period.until()).ifPresent(instants::add);
  }
}
