package palegate.core.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PeopleChange;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Subject;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;

/**
 * What names a group.
 *
 * @param other whether walls, clearances, oversight or duties name it: what becomes of those only a person can say
 */
record GroupUses(Survey survey, String group, List<Entry> entries, List<MembershipChange.RemoveMember> memberships, boolean other) {
  private static final int AT_MOST = 200;

  static GroupUses of(Survey survey, String group) {
    Subject subject = new Subject.OfGroup(group);
    List<Entry> entries = Stream.<Entry>concat(survey.grantsTo(subject).stream(), survey.structure().withholdings().values().stream().filter(one -> one.subject().equals(subject))).sorted(Comparator.comparing(Entry::id)).toList();
    List<MembershipChange.RemoveMember> memberships = survey.groups().flatMap(outer -> outer.members().stream().filter(member -> member.member().equals(new Membership.GroupMember(group)))
        .map(member -> new MembershipChange.RemoveMember(outer.id(), member))).toList();
    boolean other = survey.structure().oversights().values().stream().anyMatch(one -> one.subject().equals(subject)) || survey.structure().duties().values().stream().anyMatch(one -> one.subject().equals(subject))
        || survey.structure().types().values().stream().anyMatch(type -> type.clearances().stream().anyMatch(one -> one.subject().equals(subject)))
        || survey.structure().walls().values().stream().anyMatch(wall -> names(wall, subject));
    return new GroupUses(survey, group, entries, memberships, other);
  }

  private static boolean names(Wall wall, Subject subject) {
    return wall.exceptions().stream().anyMatch(one -> one.subject().equals(subject)) || subjects(wall.barrier()).anyMatch(subject::equals);
  }

  private static Stream<Subject> subjects(Barrier barrier) {
    if (barrier instanceof Barrier.Sides sides) {
      return sides.sides().stream().flatMap(side -> side.subjects().stream());
    }
    return barrier instanceof Barrier.Screen screen ? screen.subjects().stream() : barrier instanceof Barrier.Seal seal ? seal.subjects().stream() : ((Barrier.Confine) barrier).subjects().stream();
  }

  /** Removes it and what names it; empty if only a person can say what becomes of that. */
  Optional<List<Change>> removal() {
    if (other || entries.size() + memberships.size() > AT_MOST) {
      return Optional.empty();
    }
    List<Change> changes = new ArrayList<>();
    entries.forEach(entry -> changes.add(EntryEnded.removal(entry)));
    changes.addAll(memberships);
    emptied(changes);
    return Optional.of(changes);
  }

  /** Lets another group take its place everywhere. */
  Optional<List<Change>> handOver(String to) {
    Group into = survey.structure().groups().get(to);
    if (other || entries.size() + memberships.size() > AT_MOST || entries.stream().anyMatch(entry -> entry.period().endedBy(survey.now()))
        || memberships.stream().anyMatch(one -> one.membership().period().endedBy(survey.now()) || one.group().equals(to))
        || memberships.stream().anyMatch(one -> survey.structure().groups().get(one.group()).members().stream().anyMatch(member -> member.member().equals(new Membership.GroupMember(to))))
        || into.members().stream().anyMatch(member -> member.member().equals(new Membership.GroupMember(group)))) {
      return Optional.empty();
    }
    List<Change> changes = new ArrayList<>();
    Subject subject = new Subject.OfGroup(to);
    for (Entry entry : entries) {
      changes.add(EntryEnded.removal(entry));
      changes.add(entry instanceof Grant grant ? new AccessChange.AddGrant(new Grant(grant.id(), grant.place(), subject, grant.role(), grant.types(), grant.period(), grant.note()))
          : new AccessChange.AddWithholding(new Withholding(entry.id(), entry.place(), subject, ((Withholding) entry).rights(), entry.types(), entry.period(), entry.note())));
    }
    for (MembershipChange.RemoveMember one : memberships) {
      changes.add(one);
      changes.add(new MembershipChange.AddMember(one.group(), new Membership(new Membership.GroupMember(to), one.membership().period())));
    }
    emptied(changes);
    return Optional.of(changes);
  }

  private void emptied(List<Change> changes) {
    survey.structure().groups().get(group).members().forEach(member -> changes.add(new MembershipChange.RemoveMember(group, member)));
    changes.add(new PeopleChange.RemoveGroup(group));
  }
}
