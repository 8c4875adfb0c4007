package palegate.core.duties;

import java.util.Objects;
import java.util.Optional;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.text.WellFormed;

/**
 * A duty as somebody holds it (section 9).
 *
 * @param subject a person, group or unit; whoever matches it holds the duty
 * @param place the id of the place that it covers, with everything below; null for duties that are not about places
 * @param unit the id of the unit that it covers, with those below; null for everybody, and for duties that are not about people
 * @param ceiling the id of the role that bounds what its holder may give; null for no bound, and for every duty but {@code access}
 * @param period when it holds
 */
public record DutyAssignment(String id, Subject subject, Duty duty, String place, String unit, String ceiling, Period period) {
  public DutyAssignment {
    Objects.requireNonNull(id);
    Objects.requireNonNull(subject);
    Objects.requireNonNull(duty);
    Objects.requireNonNull(period);
    WellFormed.require(WellFormed::id, id);
  }

  /** What does not go together, and what would: the same words for every way in. */
  public Optional<Wrong> wrong() {
    return wrong(duty, subject instanceof Subject.BuiltIn, place != null, unit != null, ceiling != null);
  }

  /** @param everybody whether it is given to a built-in subject; the others say what it names */
  public static Optional<Wrong> wrong(Duty duty, boolean everybody, boolean place, boolean unit, boolean ceiling) {
    if (everybody) {
      return Optional.of(new Wrong("subject", "A duty is not given to everybody.", "Name a person, a group or a unit."));
    }
    if (duty.scope() == Duty.ScopeKind.PLACE && !place) {
      return Optional.of(new Wrong("place", "The duty [" + duty.word() + "] covers a place and what is below it, and none is named.", "Name a place; for all of them, the repository."));
    }
    if (duty.scope() != Duty.ScopeKind.PLACE && place) {
      return Optional.of(new Wrong("place", "The duty [" + duty.word() + "] is not limited to a place.", "Leave the place out."));
    }
    if (duty.scope() != Duty.ScopeKind.UNIT && unit) {
      return Optional.of(new Wrong("unit", "The duty [" + duty.word() + "] is not limited to a unit.", "Leave the unit out."));
    }
    return duty != Duty.ACCESS && ceiling
        ? Optional.of(new Wrong("ceiling", "The duty [" + duty.word() + "] gives nothing, so that nothing bounds what it gives.", "Leave the ceiling out."))
        : Optional.empty();
  }

  /** @param key what is wrong, as bundles name it */
  public record Wrong(String key, String what, String remedy) {}
}
