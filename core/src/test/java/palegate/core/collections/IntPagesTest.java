package palegate.core.collections;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class IntPagesTest {
  private static final int SIZE = 20_000;

  private static IntPages squares() {
    IntPages pages = new IntPages(SIZE);
    IntStream.range(0, SIZE).forEach(i -> pages.set(i, i * i));
    return pages;
  }

  @Test
  void what_is_written_to_a_copy_does_not_show_in_what_it_was_copied_from() {
    IntPages first = squares();
    IntPages copy = first.copy();
    copy.set(9_000, -5);
    copy.add(9_001, 3);
    assertThat(first.get(9_000)).isEqualTo(9_000 * 9_000);
    assertThat(first.get(9_001)).isEqualTo(9_001 * 9_001);
    assertThat(copy.get(9_000)).isEqualTo(-5);
    assertThat(copy.get(9_001)).isEqualTo(9_001 * 9_001 + 3);
    assertThat(IntStream.range(0, SIZE).filter(i -> copy.get(i) != first.get(i))).containsExactly(9_000, 9_001);
  }

  @Test
  void it_grows_where_it_is_written_to_and_is_zero_where_nobody_has() {
    IntPages pages = new IntPages(0);
    assertThat(pages.getOrZero(50_000)).isZero();
    pages.add(50_000, 2);
    pages.add(50_000, -3);
    assertThat(pages.getOrZero(50_000)).isEqualTo(-1);
    assertThat(pages.getOrZero(49_999)).isZero();
  }

  @Test
  void two_threads_may_write_on_either_side_of_what_was_made_its_own() throws InterruptedException {
    IntPages first = squares();
    for (int round = 0; round < 200; round++) {
      IntPages copy = first.copy();
      int middle = 10_000 + round;
      copy.makeOwn(middle);
      Thread other = new Thread(() -> IntStream.range(middle, SIZE).forEach(i -> copy.set(i, -i)));
      other.start();
      IntStream.range(0, middle).forEach(i -> copy.set(i, -i));
      other.join();
      assertThat(IntStream.range(0, SIZE).allMatch(i -> copy.get(i) == -i)).as("cut at %d", middle).isTrue();
    }
  }
}
