package palegate.core.statements;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.temporal.TemporalAdjusters;
import java.util.Locale;

/**
 * When a regular statement is made: at six in the morning, UTC, of a day of each week or of each month.
 *
 * @param day 1 (Monday) to 7 of a week; 1 to 31 of a month, in shorter ones their last
 */
public record Rhythm(Every every, int day) {
  /** How often. */
  public enum Every {
    WEEK, MONTH;

    public String word() {
      return name().toLowerCase(Locale.ROOT);
    }
  }

  private static final LocalTime HOUR = LocalTime.of(6, 0);

  public Rhythm {
    if (day < 1 || day > (every == Every.WEEK ? 7 : 31)) {
      throw new IllegalArgumentException("There is no day " + day + " of a " + every.word() + ".");
    }
  }

  /** The first time after an instant; however long nobody looked, what was missed is not made up for. O(1). */
  public Instant next(Instant after) {
    ZonedDateTime at = after.atZone(ZoneOffset.UTC);
    ZonedDateTime next = every == Every.WEEK ? at.with(TemporalAdjusters.nextOrSame(DayOfWeek.of(day))).with(HOUR) : inMonth(at);
    if (!next.toInstant().isAfter(after)) {
      next = every == Every.WEEK ? next.plusWeeks(1) : inMonth(at.plusMonths(1));
    }
    return next.toInstant();
  }

  private ZonedDateTime inMonth(ZonedDateTime month) {
    return month.withDayOfMonth(Math.min(day, month.toLocalDate().lengthOfMonth())).with(HOUR);
  }
}
