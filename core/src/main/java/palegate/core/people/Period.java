package palegate.core.people;

import java.time.Instant;
import palegate.core.text.WellFormed;

/**
 * A stretch of time, open at an end that is null.
 *
 * @param from the first instant, inclusive
 * @param until the end, exclusive
 */
public record Period(Instant from, Instant until) {
  public static final Period ALWAYS = new Period(null, null);

  public Period {
    WellFormed.require(WellFormed::instant, from);
    WellFormed.require(WellFormed::instant, until);
    if (from != null && until != null && !until.isAfter(from)) {
      throw new IllegalArgumentException(
          "until [" + until + "] must be after from [" + from + "].");
    }
  }

  public boolean holdsAt(Instant instant) {
    return (from == null || !instant.isBefore(from)) && (until == null || instant.isBefore(until));
  }

  public boolean endedBy(Instant instant) {
    return until != null && !instant.isBefore(until);
  }

  public boolean overlaps(Period other) {
    return (until == null || other.from == null || other.from.isBefore(until))
        && (other.until == null || from == null || from.isBefore(other.until));
  }

  /** Whether this holds whenever another does, from an instant on. */
  public boolean includes(Period other, Instant fromThenOn) {
    boolean begun = from == null || !from.isAfter(fromThenOn) || other.from != null && !other.from.isBefore(from);
    return begun && (until == null || other.until != null && !other.until.isAfter(until));
  }
}
