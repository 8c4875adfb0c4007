package palegate.core.mining;

import palegate.core.collections.PersonSet;
import palegate.core.people.Membership;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;

/** Whoever is in something at any time, whatever the dates of memberships; inactive people too. */
final class EverIn {
  private EverIn() {}

  static PersonSet of(Snapshot snapshot, Membership.Member member) {
    return member instanceof Membership.PersonMember person ? PersonSet.of(snapshot.personNumber(person.id())) : GroupWalk.people(snapshot, ((Membership.GroupMember) member).id(), null);
  }

  static PersonSet of(Mined state, Subject subject) {
    return subject instanceof Subject.OfGroup group ? GroupWalk.people(state.snapshot(), group.id(), null) : state.moment().matching(subject);
  }
}
