package palegate.core.people;

import java.util.Objects;
import palegate.core.text.WellFormed;

/** A unit of the organisation; {@code parent} is the id of the unit above, or null at the top. */
public record Unit(String id, String name, String parent) {
  public Unit {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::name, name);
  }
}
