package palegate.core.changes;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import palegate.core.people.Group;
import palegate.core.people.Membership;

/** Whether a group would come to be inside itself. */
final class Nesting {
  private Nesting() {}

  /** From the group down through the new member back to the group; empty if there is no such way. O(memberships below the member). */
  static List<String> cycle(Pending pending, Group group, String member) {
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
