package palegate.core.shares;

import java.util.ArrayDeque;
import java.util.Collection;
import java.util.Deque;
import java.util.HashSet;
import java.util.Set;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;

/** Whom some subjects name at any instant at all: periods of memberships and whether somebody is active are left out. */
final class EverNamed {
  private EverNamed() {}

  /** Ids of people. O(memberships of the groups inside + people). */
  static Set<String> by(Collection<Subject> subjects, Structure structure) {
    Set<String> people = new HashSet<>();
    Set<String> groups = new HashSet<>();
    Deque<String> open = new ArrayDeque<>();
    for (Subject subject : subjects) {
      if (subject instanceof Subject.OfPerson) {
        people.add(subject.id());
      } else if (subject instanceof Subject.OfGroup) {
        open.add(subject.id());
      } else {
        // Units and whoever is on staff or from outside: few are left out, and finding out which takes longer than asking about them.
        people.addAll(structure.people().keySet());
      }
    }
    while (!open.isEmpty()) {
      String id = open.pop();
      Group group = structure.groups().get(id);
      if (group != null && groups.add(id)) {
        for (Membership held : group.members()) {
          (held.member() instanceof Membership.PersonMember ? people : open).add(held.member().id());
        }
      }
    }
    return people;
  }
}
