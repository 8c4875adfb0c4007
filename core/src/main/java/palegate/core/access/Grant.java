package palegate.core.access;

import java.util.Objects;
import java.util.Set;
import palegate.core.people.Period;
import palegate.core.people.Subject;

/** Gives a role to a subject at a place and everything below it (section 4). */
public record Grant(
    String id, String place, Subject subject, String role, Set<String> types, Period period, String note)
    implements Entry {
  public Grant {
    Objects.requireNonNull(id);
    Objects.requireNonNull(place);
    Objects.requireNonNull(subject);
    Objects.requireNonNull(role);
    Objects.requireNonNull(period);
    types = Set.copyOf(types);
  }

  /** The same gift as an own entry of another place, as a break that carries over makes it. */
  public Grant copiedTo(String newId, String newPlace) {
    return new Grant(newId, newPlace, subject, role, types, period, note);
  }

  @Override
  public boolean givesOrTakesTheSameAs(Entry other) {
    return other instanceof Grant grant && grant.role.equals(role);
  }
}
