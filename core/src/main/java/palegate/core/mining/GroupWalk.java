package palegate.core.mining;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashSet;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import palegate.core.collections.PersonSet;
import palegate.core.people.Membership;
import palegate.core.snapshot.Snapshot;

/** Goes through a group and the groups in it, however deep. */
final class GroupWalk {
  private GroupWalk() {}

  /**
   * Every membership, each group once.
   *
   * @param at of which instant; null for those of all times
   */
  static void each(Snapshot snapshot, String group, Instant at, Consumer<Membership> each) {
    Set<String> seen = new HashSet<>(Set.of(group));
    Deque<String> left = new ArrayDeque<>(seen);
    while (!left.isEmpty()) {
      for (Membership membership : snapshot.structure().groups().get(left.pop()).members()) {
        if (at == null || membership.period().holdsAt(at)) {
          each.accept(membership);
          if (membership.member() instanceof Membership.GroupMember inner && seen.add(inner.id())) {
            left.push(inner.id());
          }
        }
      }
    }
  }

  /** Whoever is in it then, or at any time; inactive people too. */
  static PersonSet people(Snapshot snapshot, String group, Instant at) {
    Set<Integer> people = new TreeSet<>();
    each(snapshot, group, at, membership -> {
      if (membership.member() instanceof Membership.PersonMember person) {
        people.add(snapshot.personNumber(person.id()));
      }
    });
    return PersonSet.of(people.stream().mapToInt(Integer::intValue).toArray());
  }
}
