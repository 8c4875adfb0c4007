package palegate.core.changes;

import java.util.List;
import java.util.Objects;
import palegate.core.duties.Duty;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;

/** A change of one group's members: no overlaps, and no cycle, whatever the dates (section 1). */
public sealed interface MembershipChange extends Change {
  /** The id of the group. */
  String group();

  Membership membership();

  @Override
  default String thing() {
    return "group:" + group();
  }

  @Override
  default Duty duty() {
    return Duty.PEOPLE;
  }

  private static <C extends MembershipChange> Shape.Builder<C> shape(String name) {
    return Shape.<C>named(name).needed("group", FieldType.ID, "Name a group.", MembershipChange::group)
        .needed("memberKind", FieldType.word(List.of("person", "group")), "Say person or group.", MembershipChange::memberKind)
        .needed("member", FieldType.ID, "Name a person or a group.", change -> change.membership().member().id())
        .period(change -> change.membership().period());
  }

  /** What an earlier version kept without a kind was a group. */
  private static Membership membership(Values values) {
    String id = values.text("member");
    return new Membership("person".equals(values.text("memberKind")) ? new Membership.PersonMember(id) : new Membership.GroupMember(id), values.period());
  }

  private static String memberKind(MembershipChange change) {
    return change.membership().member() instanceof Membership.PersonMember ? "person" : "group";
  }

  private static String words(MembershipChange change, Wording names) {
    return names.name(memberKind(change), change.membership().member().id());
  }

  private static Group group(MembershipChange change, Making on) {
    Group group = on.pending.group(change.group());
    if (group == null) {
      on.refuseGone(change, "There is no group [" + change.group() + "] (any more).");
    }
    return group;
  }

  /** As people know them; the id of something that is not there. */
  private static String name(Membership.Member member, Pending pending) {
    if (member instanceof Membership.PersonMember) {
      Person person = pending.person(member.id());
      return person == null ? member.id() : person.name();
    }
    Group group = pending.group(member.id());
    return group == null ? member.id() : group.name();
  }

  /** Puts a person or a group into a group. */
  record AddMember(String group, Membership membership) implements MembershipChange {
    static final Shape<AddMember> SHAPE = MembershipChange.<AddMember>shape("AddMember")
        .readBy(values -> new AddMember(values.text("group"), MembershipChange.membership(values)));

    public AddMember {
      Objects.requireNonNull(group);
      Objects.requireNonNull(membership);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.ADD_MEMBER;
    }

    @Override
    public void make(Making on) {
      Group into = MembershipChange.group(this, on);
      if (into == null) {
        return;
      }
      Membership.Member member = membership.member();
      boolean person = member instanceof Membership.PersonMember;
      boolean known = person ? on.pending.person(member.id()) != null : on.pending.group(member.id()) != null;
      Checks checks = on.checks(this).refuseIf(!known, "There is no " + (person ? "person" : "group") + " [" + member.id() + "] (any more).",
              "Choose a person or a group that exists.")
          .refuseIf(membership.period().endedBy(on.now), "The membership would already have ended at [" + membership.period().until() + "].",
              "Choose an end that is still to come, or none.")
          .refuseIf(into.members().stream().anyMatch(other -> other.member().equals(member) && other.period().overlaps(membership.period())),
              "[" + name(member, on.pending) + "] is already a member of [" + into.name() + "] for an overlapping period.", "Choose a period that does not overlap.");
      List<String> cycle = person || !checks.passed() ? List.of() : Nesting.cycle(on.pending, into, member.id());
      if (!cycle.isEmpty()) {
        checks.cycle("groups", cycle.stream().map(id -> on.pending.group(id).name()).toList(), "Cut it at one of these.");
      }
      if (checks.passed()) {
        on.pending.put(into.with(Lists.with(into.members(), membership)));
      }
    }

    @Override
    public String words(Wording names) {
      return "Put " + MembershipChange.words(this, names) + " into " + names.name("group", group) + Wording.during(membership.period());
    }
  }

  /** Takes a membership, exactly as it stands, out of a group. */
  record RemoveMember(String group, Membership membership) implements MembershipChange {
    static final Shape<RemoveMember> SHAPE = MembershipChange.<RemoveMember>shape("RemoveMember")
        .readBy(values -> new RemoveMember(values.text("group"), MembershipChange.membership(values)));

    public RemoveMember {
      Objects.requireNonNull(group);
      Objects.requireNonNull(membership);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_MEMBER;
    }

    @Override
    public void make(Making on) {
      Group from = MembershipChange.group(this, on);
      if (from != null && from.members().contains(membership)) {
        on.pending.put(from.with(Lists.without(from.members(), membership)));
      } else if (from != null) {
        on.refuseGone(this, "[" + name(membership.member(), on.pending) + "] is not a member of [" + from.name() + "] for that period (any more).");
      }
    }

    @Override
    public String words(Wording names) {
      return "Take " + MembershipChange.words(this, names) + " out of " + names.name("group", group);
    }
  }
}
