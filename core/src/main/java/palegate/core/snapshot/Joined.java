package palegate.core.snapshot;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.structure.Structure;

/** The memberships that hold at an instant, turned round: which groups a person or a group is directly in. */
public final class Joined {
  /** A group joined, and for how long. */
  public record In(String group, Period period) {}

  private final Map<String, List<In>> byPerson = new HashMap<>();
  private final Map<String, List<In>> byGroup = new HashMap<>();

  Joined(Structure structure, Instant instant) {
    for (Group group : structure.groups().values()) {
      for (Membership membership : group.members()) {
        if (membership.period().holdsAt(instant)) {
          (membership.member() instanceof Membership.PersonMember ? byPerson : byGroup)
              .computeIfAbsent(membership.member().id(), any -> new ArrayList<>(2))
              .add(new In(group.id(), membership.period()));
        }
      }
    }
  }

  public List<In> person(String id) {
    return byPerson.getOrDefault(id, List.of());
  }

  public List<In> group(String id) {
    return byGroup.getOrDefault(id, List.of());
  }
}
