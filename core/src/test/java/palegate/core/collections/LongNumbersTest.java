package palegate.core.collections;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class LongNumbersTest {
  private final LongNumbers numbers = new LongNumbers();

  @Test
  void a_key_without_a_number_has_none_and_zero_is_a_key_like_any_other() {
    assertThat(numbers.get(0)).isEqualTo(-1);
    numbers.put(0, 7);
    assertThat(numbers.get(0)).isEqualTo(7);
    assertThat(numbers.get(1L << 40)).isEqualTo(-1);
  }

  @Test
  void however_many_there_are_each_keeps_its_own() {
    long seed = 4_711;
    Random random = new Random(seed);
    Map<Long, Integer> expected = new HashMap<>();
    for (int i = 0; i < 20_000; i++) {
      long key = (long) random.nextInt(5_000_000) << 16 | random.nextInt(40);
      if (expected.putIfAbsent(key, i) == null) {
        numbers.put(key, i);
      }
    }
    expected.forEach((key, number) -> assertThat(numbers.get(key)).as("seed %d, key %d", seed, key).isEqualTo(number));
    Map<Long, Integer> all = new HashMap<>();
    numbers.forEach(all::put);
    assertThat(all).isEqualTo(expected);
  }

  @Test
  void what_is_known_already_stays_when_others_are_added() {
    numbers.put(1, 10);
    LongNumbers others = new LongNumbers();
    others.put(1, 11);
    others.put(2, 12);
    numbers.putAll(others);
    assertThat(numbers.get(1)).isEqualTo(10);
    assertThat(numbers.get(2)).isEqualTo(12);
  }
}
