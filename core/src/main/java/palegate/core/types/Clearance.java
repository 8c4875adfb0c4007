package palegate.core.types;

import java.util.Objects;
import palegate.core.people.Period;
import palegate.core.people.Subject;

/** What a subject may keep, at most, on documents of a guarded type (section 5). */
public record Clearance(Subject subject, String role, Period period) {
  public Clearance {
    Objects.requireNonNull(subject);
    Objects.requireNonNull(role);
    Objects.requireNonNull(period);
  }
}
