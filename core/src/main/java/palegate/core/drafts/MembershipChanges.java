package palegate.core.drafts;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;

/** Makes changes of memberships: no overlaps, and no cycle, whatever the dates (section 1). */
final class MembershipChanges {
  private final Pending pending;
  private final Instant now;
  private final Refuser refuser;

  MembershipChanges(Pending pending, Instant now, Refuser refuser) {
    this.pending = pending;
    this.now = now;
    this.refuser = refuser;
  }

  void make(Change.InGroup change) {
    Group group = pending.group(change.group());
    if (group == null) {
      refuser.refuse(change, "There is no group [" + change.group() + "] (any more).", "Remove this change from the draft.");
    } else if (change instanceof Change.AddMember add) {
      if (mayJoin(group, add)) {
        pending.put(group.with(Lists.with(group.members(), add.membership())));
      }
    } else if (change instanceof Change.RemoveMember remove) {
      if (group.members().contains(remove.membership())) {
        pending.put(group.with(Lists.without(group.members(), remove.membership())));
      } else {
        refuser.refuse(change, "[" + name(remove.membership().member()) + "] is not a member of [" + group.name() + "] for that period (any more).",
            "Remove this change from the draft.");
      }
    }
  }

  private boolean mayJoin(Group group, Change.AddMember add) {
    Membership.Member member = add.membership().member();
    boolean person = member instanceof Membership.PersonMember;
    if (person ? pending.person(member.id()) == null : pending.group(member.id()) == null) {
      refuser.refuse(add, "There is no " + (person ? "person" : "group") + " [" + member.id() + "] (any more).",
          "Choose a person or a group that exists.");
      return false;
    }
    if (add.membership().period().endedBy(now)) {
      refuser.refuse(add, "The membership would already have ended at [" + add.membership().period().until() + "].",
          "Choose an end that is still to come, or none.");
      return false;
    }
    if (group.members().stream().anyMatch(other -> other.member().equals(member) && other.period().overlaps(add.membership().period()))) {
      refuser.refuse(add, "[" + name(member) + "] is already a member of [" + group.name() + "] for an overlapping period.",
          "Choose a period that does not overlap.");
      return false;
    }
    List<String> cycle = person ? List.of() : cycle(group, member.id());
    if (!cycle.isEmpty()) {
      refuser.refuseCycle(add, "groups", cycle.stream().map(id -> pending.group(id).name()).toList(), "Cut it at one of these.");
      return false;
    }
    return true;
  }

  /** As people know it; the id of something that is not there. */
  private String name(Membership.Member member) {
    if (member instanceof Membership.PersonMember) {
      Person person = pending.person(member.id());
      return person == null ? member.id() : person.name();
    }
    Group group = pending.group(member.id());
    return group == null ? member.id() : group.name();
  }

  /** From the group down through the new member back to the group; empty if there is no such way. */
  private List<String> cycle(Group group, String member) {
    if (group.id().equals(member)) {
      return List.of(member, member);
    }
    Map<String, String> cameFrom = new HashMap<>();
    Deque<String> open = new ArrayDeque<>(List.of(member));
    cameFrom.put(member, group.id());
    while (!open.isEmpty()) {
      String at = open.poll();
      for (Membership inner : pending.group(at).members()) {
        if (inner.member() instanceof Membership.GroupMember && cameFrom.putIfAbsent(inner.member().id(), at) == null) {
          if (inner.member().id().equals(group.id())) {
            return wayTo(group.id(), cameFrom);
          }
          open.add(inner.member().id());
        }
      }
    }
    return List.of();
  }

  private static List<String> wayTo(String goal, Map<String, String> cameFrom) {
    List<String> way = new ArrayList<>(List.of(goal));
    for (String at = cameFrom.get(goal); !at.equals(goal); at = cameFrom.get(at)) {
      way.add(at);
    }
    way.add(goal);
    Collections.reverse(way);
    return way;
  }
}
