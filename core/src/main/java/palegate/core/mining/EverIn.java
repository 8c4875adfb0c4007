package palegate.core.mining;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Set;
import java.util.TreeSet;
import palegate.core.collections.PersonSet;
import palegate.core.people.Membership;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;

/** Whoever is in something at any time, whatever the dates of memberships; inactive people too. */
final class EverIn {
  private EverIn() {}

  static PersonSet of(Snapshot snapshot, Membership.Member member) {
    return member instanceof Membership.PersonMember person ? PersonSet.of(snapshot.personNumber(person.id())) : ofGroup(snapshot, ((Membership.GroupMember) member).id());
  }

  static PersonSet of(Mined state, Subject subject) {
    return subject instanceof Subject.OfGroup group ? ofGroup(state.snapshot(), group.id()) : state.moment().matching(subject);
  }

  private static PersonSet ofGroup(Snapshot snapshot, String group) {
    Set<Integer> people = new TreeSet<>();
    Set<String> seen = new HashSet<>(Set.of(group));
    Deque<String> left = new ArrayDeque<>(seen);
    while (!left.isEmpty()) {
      for (Membership membership : snapshot.structure().groups().get(left.pop()).members()) {
        if (membership.member() instanceof Membership.PersonMember person) {
          people.add(snapshot.personNumber(person.id()));
        } else if (seen.add(((Membership.GroupMember) membership.member()).id())) {
          left.push(((Membership.GroupMember) membership.member()).id());
        }
      }
    }
    return PersonSet.of(people.stream().mapToInt(Integer::intValue).toArray());
  }
}
