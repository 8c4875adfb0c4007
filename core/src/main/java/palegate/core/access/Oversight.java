package palegate.core.access;

import java.util.Objects;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.text.WellFormed;

/** An appointment of a subject who must be able to see everything at and below a place (section 6). */
public record Oversight(String id, String place, Subject subject, Period period, String note) {
  public Oversight {
    Objects.requireNonNull(id);
    Objects.requireNonNull(place);
    Objects.requireNonNull(subject);
    Objects.requireNonNull(period);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::text, note);
  }
}
