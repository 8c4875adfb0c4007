package palegate.server.gatehouse;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import palegate.server.store.ChangeLog;

/** What is new is what others changed, however much one has changed oneself, and however much there is that one may not know. */
class ChangesByOthersTest {
  private final List<Integer> readings = new ArrayList<>();

  /** Every hundredth is by Ola, the others by Wenna. */
  private List<ChangeLog.Logged> read(List<Long> numbers) {
    readings.add(numbers.size());
    return numbers.stream().map(number -> new ChangeLog.Logged(number, number % 100 == 0 ? "ola" : "wenna", "", Instant.EPOCH, "", null)).toList();
  }

  private List<Long> newest(List<Long> known, long after, int atMost) {
    return ChangesByOthers.newest(known, after, "wenna", atMost, this::read).stream().map(ChangeLog.Logged::number).toList();
  }

  private static List<Long> upTo(long last) {
    return LongStream.rangeClosed(1, last).boxed().toList();
  }

  @Test
  void ones_own_changes_do_not_take_the_place_of_those_of_others() {
    assertThat(newest(upTo(12_000), 11_399, 1_000)).containsExactly(12_000L, 11_900L, 11_800L, 11_700L, 11_600L, 11_500L, 11_400L);
    assertThat(newest(upTo(12_000), 0, 1_000)).hasSize(120).startsWith(12_000L).endsWith(100L);
  }

  @Test
  void no_more_is_read_than_is_shown() {
    assertThat(newest(upTo(12_000), 0, 3)).containsExactly(12_000L, 11_900L, 11_800L);
    assertThat(readings).containsExactly(1_000);
  }

  @Test
  void what_was_seen_is_not_new_and_nothing_known_is_nothing_read() {
    assertThat(newest(upTo(500), 400, 10)).containsExactly(500L);
    assertThat(newest(upTo(500), 500, 10)).isEmpty();
    assertThat(newest(List.of(), 0, 10)).isEmpty();
    assertThat(readings).containsExactly(100);
  }
}
