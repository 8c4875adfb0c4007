package palegate.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;

/** What is new is let in whatever there is, and what was asked for longest ago goes. */
class WeighedCacheTest {
  private static final long SEED = Long.getLong("palegate.seed", 20_261_201);

  private static WeighedCache<Integer, Integer> cache(long atMost) {
    return new WeighedCache<>(atMost, Duration.ofHours(1), value -> value);
  }

  private static boolean has(WeighedCache<Integer, Integer> cache, int key) {
    return cache.keys().contains(key);
  }

  @Test
  void something_new_is_kept_however_often_everything_else_was_asked_for() {
    WeighedCache<Integer, Integer> cache = cache(100);
    for (int i = 0; i < 4; i++) {
      cache.put(i, 25);
    }
    for (int asked = 0; asked < 50; asked++) {
      for (int i = 0; i < 4; i++) {
        cache.compute(i, (key, known) -> known);
      }
    }
    cache.put(9, 25);
    assertThat(has(cache, 9)).as("the one that somebody is at work on").isTrue();
    assertThat(has(cache, 0)).as("asked for longest ago").isFalse();
  }

  @Test
  void what_was_asked_for_last_is_kept_up_to_the_weight_as_a_list_would_say() {
    Random random = new Random(SEED);
    WeighedCache<Integer, Integer> cache = cache(100);
    Deque<Integer> order = new ArrayDeque<>();
    int[] weights = new int[12];
    for (int step = 0; step < 3_000; step++) {
      int key = random.nextInt(weights.length);
      int weight = order.contains(key) ? weights[key] : 1 + random.nextInt(60);
      weights[key] = weight;
      cache.compute(key, (any, known) -> known != null ? known : weight);
      order.remove(key);
      order.addFirst(key);
      int together = 0;
      for (int at : List.copyOf(order)) {
        together += weights[at];
        if (together > 100 && at != order.peekFirst()) {
          order.remove(at);
        }
      }
      assertThat(cache.keys()).as("seed %d, step %d", SEED, step).containsExactlyInAnyOrderElementsOf(order);
    }
  }

  @Test
  void the_newest_is_kept_whatever_it_weighs_and_what_is_nothing_is_not() {
    WeighedCache<Integer, Integer> cache = cache(100);
    cache.put(1, 10);
    cache.put(2, 5_000);
    assertThat(cache.keys()).containsExactly(2);
    assertThat(cache.compute(2, (key, known) -> null)).isNull();
    assertThat(cache.keys()).isEmpty();
  }

  @Test
  void whoever_asks_while_it_is_made_waits_for_that() throws Exception {
    WeighedCache<Integer, Integer> cache = cache(100);
    AtomicInteger made = new AtomicInteger();
    CountDownLatch begun = new CountDownLatch(1);
    CountDownLatch go = new CountDownLatch(1);
    ExecutorService threads = Executors.newFixedThreadPool(4);
    try {
      Future<Integer> first = threads.submit(() -> cache.compute(1, (key, known) -> {
        begun.countDown();
        await(go);
        return made.incrementAndGet();
      }));
      begun.await();
      List<Future<Integer>> others = List.of(1, 2, 3).stream().map(i -> threads.submit(() -> cache.compute(1, (key, known) -> known != null ? known : made.incrementAndGet()))).toList();
      go.countDown();
      assertThat(first.get()).isEqualTo(1);
      for (Future<Integer> other : others) {
        assertThat(other.get()).isEqualTo(1);
      }
    } finally {
      threads.shutdownNow();
    }
  }

  private static void await(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException broken) {
      throw new IllegalStateException(broken);
    }
  }
}
