package palegate.core.access;

import java.util.Objects;
import java.util.Set;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.text.WellFormed;

/**
 * Gives a role to a subject at a place and everything below it (section 4).
 *
 * @param sharedBy the id of the person who made it by sharing (section 11); null if a duty did
 * @param pass the id of the pass through which it was made, or null
 */
public record Grant(
    String id, String place, Subject subject, String role, Set<String> types, Period period, String note, String sharedBy, String pass)
    implements Entry {
  public Grant(String id, String place, Subject subject, String role, Set<String> types, Period period, String note) {
    this(id, place, subject, role, types, period, note, null, null);
  }

  public Grant {
    Objects.requireNonNull(id);
    Objects.requireNonNull(place);
    Objects.requireNonNull(subject);
    Objects.requireNonNull(role);
    Objects.requireNonNull(period);
    types = Set.copyOf(types);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::text, note);
  }

  /** Whether somebody let others in by it, rather than an administrator. */
  public boolean isShare() {
    return sharedBy != null || pass != null;
  }

  /** The same gift as an own entry of another place, as a break that carries over makes it. */
  public Grant copiedTo(String newId, String newPlace) {
    return new Grant(newId, newPlace, subject, role, types, period, note, sharedBy, pass);
  }

  /** The same with another role. */
  public Grant giving(String otherRole) {
    return new Grant(id, place, subject, otherRole, types, period, note, sharedBy, pass);
  }

  /** The same to somebody else. */
  public Grant to(Subject other) {
    return new Grant(id, place, other, role, types, period, note, sharedBy, pass);
  }

  /** The same for another time. */
  public Grant lasting(Period other) {
    return new Grant(id, place, subject, role, types, other, note, sharedBy, pass);
  }

  /** The same, given by a duty and no longer in the name of whoever shared it. */
  public Grant asEntry() {
    return new Grant(id, place, subject, role, types, period, note);
  }

  /** The same gift, for somebody who may not know the pass through which it was made. */
  public Grant copiedThroughNoPass() {
    return new Grant(id, place, subject, role, types, period, note, sharedBy, null);
  }

  @Override
  public boolean givesOrTakesTheSameAs(Entry other) {
    return other instanceof Grant grant && grant.role.equals(role);
  }
}
