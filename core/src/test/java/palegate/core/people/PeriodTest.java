package palegate.core.people;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import org.junit.jupiter.api.Test;

class PeriodTest {
  private static final Instant ONE = Instant.parse("2026-01-01T00:00:00Z");
  private static final Instant TWO = Instant.parse("2026-02-01T00:00:00Z");
  private static final Instant THREE = Instant.parse("2026-03-01T00:00:00Z");

  @Test
  void from_is_inclusive_and_until_exclusive() {
    Period period = new Period(ONE, TWO);
    assertThat(period.holdsAt(ONE)).isTrue();
    assertThat(period.holdsAt(ONE.minusNanos(1))).isFalse();
    assertThat(period.holdsAt(TWO.minusNanos(1))).isTrue();
    assertThat(period.holdsAt(TWO)).isFalse();
    assertThat(period.endedBy(TWO)).isTrue();
  }

  @Test
  void an_end_that_is_missing_is_open() {
    assertThat(Period.ALWAYS.holdsAt(Instant.MIN)).isTrue();
    assertThat(new Period(null, TWO).holdsAt(Instant.MIN)).isTrue();
    assertThat(new Period(TWO, null).holdsAt(Instant.MAX)).isTrue();
    assertThat(Period.ALWAYS.endedBy(Instant.MAX)).isFalse();
  }

  @Test
  void periods_that_follow_each_other_do_not_overlap() {
    assertThat(new Period(ONE, TWO).overlaps(new Period(TWO, THREE))).isFalse();
    assertThat(new Period(TWO, THREE).overlaps(new Period(ONE, TWO))).isFalse();
    assertThat(new Period(ONE, THREE).overlaps(new Period(TWO, null))).isTrue();
    assertThat(new Period(null, TWO).overlaps(new Period(ONE, null))).isTrue();
    assertThat(Period.ALWAYS.overlaps(Period.ALWAYS)).isTrue();
  }

  @Test
  void an_end_that_is_not_after_the_beginning_is_refused() {
    assertThatThrownBy(() -> new Period(TWO, TWO)).hasMessageContaining("2026-02-01");
    assertThatThrownBy(() -> new Period(TWO, ONE)).isInstanceOf(IllegalArgumentException.class);
  }

  @Test
  void one_includes_another_from_an_instant_on_whatever_was_before_that() {
    Instant now = Instant.parse("2026-05-01T00:00:00Z");
    Instant before = now.minusSeconds(60);
    Instant soon = now.plusSeconds(60);
    Instant later = now.plusSeconds(120);
    assertThat(Period.ALWAYS.includes(new Period(before, later), now)).isTrue();
    assertThat(new Period(before, null).includes(Period.ALWAYS, now)).as("begun already").isTrue();
    assertThat(new Period(soon, null).includes(Period.ALWAYS, now)).isFalse();
    assertThat(new Period(soon, later).includes(new Period(soon, later), now)).isTrue();
    assertThat(new Period(null, soon).includes(new Period(null, later), now)).isFalse();
    assertThat(new Period(null, soon).includes(Period.ALWAYS, now)).isFalse();
  }
}
