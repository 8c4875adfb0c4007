package palegate.core.access;

import java.util.Objects;
import java.util.Set;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.text.WellFormed;

/** Takes named rights from a subject at a place and everything below it (section 4). */
public record Withholding(
    String id, String place, Subject subject, Rights rights, Set<String> types, Period period, String note)
    implements Entry {
  public Withholding {
    Objects.requireNonNull(id);
    Objects.requireNonNull(place);
    Objects.requireNonNull(subject);
    Objects.requireNonNull(rights);
    Objects.requireNonNull(period);
    types = Set.copyOf(types);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::text, note);
  }

  /** The same withholding as an own entry of another place. */
  public Withholding copiedTo(String newId, String newPlace) {
    return new Withholding(newId, newPlace, subject, rights, types, period, note);
  }

  @Override
  public boolean givesOrTakesTheSameAs(Entry other) {
    return other instanceof Withholding taken && taken.rights.equals(rights);
  }
}
