package palegate.core.roles;

import java.util.Objects;
import palegate.core.text.WellFormed;

/** A named set of rights; the set always holds what its rights need (section 3). */
public record Role(String id, String name, Rights rights) {
  public Role {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::name, name);
    rights = rights.complete();
  }
}
