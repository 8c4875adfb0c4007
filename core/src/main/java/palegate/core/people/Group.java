package palegate.core.people;

import java.util.List;
import java.util.Objects;
import palegate.core.text.WellFormed;

/** A group of people and of other groups, nested to any depth (section 1). */
public record Group(String id, String name, String description, List<Membership> members) {
  public Group {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::name, name);
    WellFormed.require(WellFormed::text, description);
    members = List.copyOf(members);
  }

  /** This group with other members. */
  public Group with(List<Membership> changed) {
    return new Group(id, name, description, changed);
  }
}
