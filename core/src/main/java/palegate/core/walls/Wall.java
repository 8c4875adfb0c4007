package palegate.core.walls;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.text.WellFormed;

/**
 * An ethical wall (section 7). Only a standing wall within its dates bars anyone.
 *
 * @param reason why it stands, or null; only for those who may see it
 * @param exceptions whom it does not bar
 */
public record Wall(
    String id, String name, String reason, State state, Period period, Barrier barrier, List<Exempt> exceptions) {
  public Wall {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    Objects.requireNonNull(state);
    Objects.requireNonNull(period);
    Objects.requireNonNull(barrier);
    exceptions = List.copyOf(exceptions);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::name, name);
    WellFormed.require(WellFormed::text, reason);
  }

  /** Whether a wall has been raised. */
  public enum State {
    PLANNED, STANDING, LIFTED;

    public String word() {
      return name().toLowerCase(Locale.ROOT);
    }

    public static State parse(String word) {
      return valueOf(word.toUpperCase(Locale.ROOT));
    }
  }

  /** A subject whom the wall does not bar; {@code until} is exclusive, null for no end. */
  public record Exempt(Subject subject, Instant until) {
    public Exempt {
      Objects.requireNonNull(subject);
      WellFormed.require(WellFormed::instant, until);
    }

    public boolean currentAt(Instant instant) {
      return until == null || instant.isBefore(until);
    }
  }

  public boolean barsAt(Instant instant) {
    return state == State.STANDING && period.holdsAt(instant);
  }

  /** This wall in another state. */
  public Wall in(State changed) {
    return new Wall(id, name, reason, changed, period, barrier, exceptions);
  }

  /** This wall with exactly these exceptions. */
  public Wall except(List<Exempt> exempt) {
    return new Wall(id, name, reason, state, period, barrier, exempt);
  }

  /** This wall with one exception less. */
  public Wall without(Exempt exempt) {
    List<Exempt> fewer = new ArrayList<>(exceptions);
    fewer.remove(exempt);
    return except(fewer);
  }

  /** This wall with one exception more. */
  public Wall except(Exempt exempt) {
    List<Exempt> more = new ArrayList<>(exceptions);
    more.add(exempt);
    return except(more);
  }
}
