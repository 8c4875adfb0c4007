package palegate.core.structure;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import palegate.core.people.Group;
import palegate.core.people.Membership;

/**
 * A part that a change altered: {@code before} is null if it began, {@code after} if it ended. Who is in a group is altered membership by
 * membership; a group itself is then without members.
 *
 * @param kind what the journal calls such a part
 * @param id of the part; of a membership, its group's
 */
public record Alteration(String kind, String id, Object before, Object after) {
  public static final String MEMBERSHIP = "membership";
  public static final String GROUP = "group";

  /** A membership with its group. */
  public record GroupMembership(String group, Membership membership) {}

  /** The structure that a change made of the one before it. O(alterations). */
  public static Structure applied(Structure before, List<Alteration> alterations) {
    Map<String, Map<String, Object>> byKind = new HashMap<>();
    Map<String, Group> groups = new LinkedHashMap<>();
    for (Alteration altered : alterations) {
      Group known = groups.containsKey(altered.id()) ? groups.get(altered.id()) : before.groups().get(altered.id());
      if (altered.kind().equals(MEMBERSHIP)) {
        if (known == null) {
          // The group has gone with all who were in it.
          continue;
        }
        List<Membership> members = new ArrayList<>(known.members());
        if (altered.before() instanceof GroupMembership ended) {
          members.remove(ended.membership());
        } else if (altered.after() instanceof GroupMembership begun) {
          members.add(begun.membership());
        }
        groups.put(altered.id(), known.with(members));
      } else if (altered.kind().equals(GROUP)) {
        Group now = (Group) altered.after();
        groups.put(altered.id(), now == null || known == null ? now : now.with(known.members()));
      } else {
        byKind.computeIfAbsent(altered.kind(), any -> new LinkedHashMap<>()).put(altered.id(), altered.after());
      }
    }
    return before.withUnits(of(byKind, "unit")).withPeople(of(byKind, "person")).withGroups(groups).withRoles(of(byKind, "role"))
        .withTypes(of(byKind, "type")).withPlaces(of(byKind, "place")).withGrants(of(byKind, "grant"))
        .withWithholdings(of(byKind, "withholding")).withOversights(of(byKind, "oversight")).withWalls(of(byKind, "wall"))
        .withApprovals(of(byKind, "approval")).withDuties(of(byKind, "duty"))
        .withSharing(of(byKind, "sharing")).withPasses(of(byKind, "pass")).withShortlists(of(byKind, "shortlist")).withSeparations(of(byKind, "separation"));
  }

  /** The structure before a change, from the one that it made. O(alterations). */
  public static Structure undone(Structure after, List<Alteration> alterations) {
    return applied(after, alterations.stream().map(one -> new Alteration(one.kind(), one.id(), one.after(), one.before())).toList());
  }

  @SuppressWarnings("unchecked") // each kind holds parts of one class only
  private static <T> Map<String, T> of(Map<String, Map<String, Object>> byKind, String kind) {
    return (Map<String, T>) byKind.getOrDefault(kind, Map.of());
  }
}
