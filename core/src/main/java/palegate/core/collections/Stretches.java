package palegate.core.collections;

import java.util.function.IntConsumer;
import java.util.stream.IntStream;

/** The same work on each of many numbers, on all processors; no two numbers may write to the same place. */
public final class Stretches {
  private static final int STRETCH = 1 << 15;

  private Stretches() {}

  /** Every number from 0, each stretch of them in order. */
  public static void each(int count, IntConsumer work) {
    int stretches = (count + STRETCH - 1) / STRETCH;
    IntStream numbers = IntStream.range(0, stretches);
    (stretches > 1 ? numbers.parallel() : numbers).forEach(stretch -> {
      int until = Math.min(count, (stretch + 1) * STRETCH);
      for (int number = stretch * STRETCH; number < until; number++) {
        work.accept(number);
      }
    });
  }
}
