package palegate.core.people;

import java.util.Objects;

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
  }

  public boolean staff() {
    return !external;
  }
}
