package palegate.core.people;

import java.util.Objects;
import palegate.core.text.WellFormed;

/**
 * A person (section 1).
 *
 * @param login the sign-in name, or null
 * @param email the address, or null
 * @param external an outsider rather than staff
 * @param active an inactive person has no rights at all
 * @param unit the id of the organisational unit the person sits in, or null
 */
public record Person(
    String id, String name, String login, String email, boolean external, boolean active, String unit) {
  public Person {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::name, name);
    WellFormed.require(WellFormed::login, login);
    WellFormed.require(WellFormed::email, email);
  }

  public boolean staff() {
    return !external;
  }
}
