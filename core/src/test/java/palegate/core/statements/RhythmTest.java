package palegate.core.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** When regular statements come: on their day at six, in short months on the last, and never twice. */
class RhythmTest {
  private static final long SEED = 20_261_129;

  private static Instant next(Rhythm.Every every, int day, String after) {
    return new Rhythm(every, day).next(Instant.parse(after));
  }

  @Test
  void on_the_day_before_six_it_is_today_and_at_six_it_is_the_next_time() {
    // 2026-11-30 is a Monday.
    assertThat(next(Rhythm.Every.WEEK, 1, "2026-11-30T05:59:59Z")).isEqualTo("2026-11-30T06:00:00Z");
    assertThat(next(Rhythm.Every.WEEK, 1, "2026-11-30T06:00:00Z")).isEqualTo("2026-12-07T06:00:00Z");
    assertThat(next(Rhythm.Every.WEEK, 7, "2026-11-30T06:00:00Z")).isEqualTo("2026-12-06T06:00:00Z");
    assertThat(next(Rhythm.Every.MONTH, 30, "2026-11-30T06:00:00Z")).isEqualTo("2026-12-30T06:00:00Z");
  }

  @Test
  void a_month_that_is_too_short_has_its_last_day_and_the_one_after_has_the_right_one() {
    assertThat(next(Rhythm.Every.MONTH, 31, "2027-01-31T06:00:00Z")).isEqualTo("2027-02-28T06:00:00Z");
    assertThat(next(Rhythm.Every.MONTH, 31, "2027-02-28T06:00:00Z")).isEqualTo("2027-03-31T06:00:00Z");
    assertThat(next(Rhythm.Every.MONTH, 29, "2028-02-01T00:00:00Z")).isEqualTo("2028-02-29T06:00:00Z");
    assertThat(next(Rhythm.Every.MONTH, 1, "2026-12-31T23:00:00Z")).isEqualTo("2027-01-01T06:00:00Z");
  }

  @Test
  void every_next_time_is_later_no_further_than_the_rhythm_and_on_its_day() {
    Random random = new Random(SEED);
    for (int i = 0; i < 20_000; i++) {
      boolean week = random.nextBoolean();
      Rhythm rhythm = new Rhythm(week ? Rhythm.Every.WEEK : Rhythm.Every.MONTH, 1 + random.nextInt(week ? 7 : 31));
      Instant after = Instant.parse("2024-01-01T00:00:00Z").plusSeconds(random.nextInt(200_000_000));
      Instant next = rhythm.next(after);
      ZonedDateTime at = next.atZone(ZoneOffset.UTC);
      assertThat(next).as("%s after %s (seed %d)", rhythm, after, SEED).isAfter(after).isBeforeOrEqualTo(after.plus(Duration.ofDays(week ? 7 : 31)));
      assertThat(at.getHour()).isEqualTo(6);
      assertThat(week ? at.getDayOfWeek().getValue() : at.getDayOfMonth()).isEqualTo(week ? rhythm.day() : Math.min(rhythm.day(), at.toLocalDate().lengthOfMonth()));
    }
  }

  @Test
  void a_day_that_no_week_or_month_has_is_refused() {
    assertThatThrownBy(() -> new Rhythm(Rhythm.Every.WEEK, 8)).hasMessageContaining("no day 8 of a week");
    assertThatThrownBy(() -> new Rhythm(Rhythm.Every.MONTH, 0)).hasMessageContaining("no day 0 of a month");
  }
}
