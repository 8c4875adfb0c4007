package palegate.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.Random;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** Texts that come again are encoded once, and always as they would be alone. */
class RepeatedTextsTest {
  @Test
  void whatever_repeats_each_text_is_encoded_as_it_is() {
    Random random = new Random(20_261_130);
    RepeatedTexts texts = new RepeatedTexts(3, text -> text.getBytes(StandardCharsets.UTF_8));
    String[] some = random.ints(500, 0, 1_000_000).mapToObj(number -> "cell " + number + "x".repeat(number % 700)).toArray(String[]::new);
    for (int i = 0; i < 400_000; i++) {
      int column = random.nextInt(3);
      // Runs that repeat, single texts that never come again – more of them than are held – and others that say the same.
      String text = i % 7 == 0 ? "row " + i : i % 11 == 0 ? new String(some[i % 500].toCharArray()) : some[i % (50 + column * 200)];
      byte[] encoded = i % 5 == 0 ? texts.of(text) : texts.next(column, text);
      if (i % 13 == 0 || i > 390_000) {
        assertThat(new String(encoded, StandardCharsets.UTF_8)).as("text %d", i).isEqualTo(text);
      }
    }
  }

  @Test
  void what_comes_again_is_encoded_once() {
    AtomicInteger encoded = new AtomicInteger();
    RepeatedTexts texts = new RepeatedTexts(1, text -> {
      encoded.incrementAndGet();
      return text.getBytes(StandardCharsets.UTF_8);
    });
    for (int i = 0; i < 10_000; i++) {
      texts.next(0, "name " + i % 40);
    }
    assertThat(encoded.get()).isEqualTo(40);
  }
}
