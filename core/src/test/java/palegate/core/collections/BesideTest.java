package palegate.core.collections;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class BesideTest {
  @Test
  void pieces_run_in_the_order_in_which_they_were_handed_on() {
    List<Integer> done = new ArrayList<>();
    Beside beside = new Beside();
    IntStream.range(0, 2_000).forEach(i -> beside.handOn(() -> done.add(i)));
    beside.finish();
    assertThat(done).containsExactlyElementsOf(IntStream.range(0, 2_000).boxed().toList());
  }

  @Test
  void what_a_piece_threw_is_thrown_where_the_next_is_handed_on() {
    Beside beside = new Beside();
    beside.handOn(() -> {
      throw new IllegalArgumentException("full");
    });
    assertThatThrownBy(() -> beside.handOn(() -> {})).isInstanceOf(IllegalArgumentException.class).hasMessage("full");
    beside.giveUp();
  }

  @Test
  void several_may_be_open_and_still_run_in_order_one_at_a_time() {
    CountDownLatch begin = new CountDownLatch(1);
    List<Integer> done = new ArrayList<>();
    Beside beside = new Beside(3);
    IntStream.range(0, 3).forEach(i -> beside.handOn(() -> {
      await(begin);
      done.add(i);
    }));
    // Whoever handed on did not wait for the first.
    begin.countDown();
    IntStream.range(3, 2_000).forEach(i -> beside.handOn(() -> done.add(i)));
    beside.finish();
    assertThat(done).containsExactlyElementsOf(IntStream.range(0, 2_000).boxed().toList());
  }

  @Test
  void after_one_has_failed_none_of_those_behind_it_runs() {
    List<Integer> done = new ArrayList<>();
    CountDownLatch begin = new CountDownLatch(1);
    Beside beside = new Beside(4);
    beside.handOn(() -> {
      await(begin);
      throw new IllegalArgumentException("full");
    });
    beside.handOn(() -> done.add(1));
    beside.handOn(() -> done.add(2));
    begin.countDown();
    assertThatThrownBy(beside::finish).isInstanceOf(IllegalArgumentException.class).hasMessage("full");
    beside.giveUp();
    assertThat(done).isEmpty();
  }

  @Test
  void whoever_hands_on_does_not_wait_for_the_long_pieces_of_others() {
    CountDownLatch end = new CountDownLatch(1);
    List<Beside> others = Stream.generate(Beside::new).limit(Runtime.getRuntime().availableProcessors()).toList();
    others.forEach(other -> other.handOn(() -> await(end)));
    List<Integer> done = new ArrayList<>();
    Beside beside = new Beside();
    IntStream.range(0, 100).forEach(i -> beside.handOn(() -> done.add(i)));
    beside.finish();
    end.countDown();
    others.forEach(Beside::finish);
    assertThat(done).hasSize(100);
  }

  private static void await(CountDownLatch end) {
    try {
      assertThat(end.await(1, TimeUnit.MINUTES)).isTrue();
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
    }
  }
}
