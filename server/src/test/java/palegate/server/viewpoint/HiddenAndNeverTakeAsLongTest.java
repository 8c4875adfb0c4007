package palegate.server.viewpoint;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/**
 * Section 9: asked for by its address, what one may not know takes as long as what never was. The two are asked in random order, and
 * their times are compared by how often one is longer than the other (Mann and Whitney's U). With 400 of each the test notices, nineteen
 * times out of twenty, that one is the longer in 57 or more of a hundred pairs; a look-up that read a row, or answered before the other
 * did, would be in nearly all. Less than that it does not see.
 */
@Order(5)
@ExtendWith(InDemo.class)
class HiddenAndNeverTakeAsLongTest {
  private static final long SEED = 20_261_128;
  private static final int EACH = 400;

  @Test
  void a_hidden_place_is_not_told_by_its_time(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    for (String path : List.of("/api/places/%s", "/api/papers/places/%s")) {
      for (int i = 0; i < 150; i++) {
        ola.get(path.formatted("f-2411"));
        ola.get(path.formatted("f-2999"));
      }
      double longer = longer(ola, path);
      // Five standard deviations, so that it fails by chance in one run of a million.
      double deviation = Math.sqrt((2.0 * EACH + 1) / (12.0 * EACH * EACH));
      assertThat(longer).as("%s: how often the hidden one takes longer (seed %d)", path, SEED).isBetween(0.5 - 5 * deviation, 0.5 + 5 * deviation);
    }
  }

  private static double longer(Browser asker, String path) {
    long[] hidden = new long[EACH];
    long[] never = new long[EACH];
    int hiddenAsked = 0;
    int neverAsked = 0;
    Random random = new Random(SEED);
    while (hiddenAsked < EACH || neverAsked < EACH) {
      boolean askHidden = neverAsked == EACH || hiddenAsked < EACH && random.nextBoolean();
      long start = System.nanoTime();
      int status = asker.get(path.formatted(askHidden ? "f-2411" : "f-2999")).status();
      long took = System.nanoTime() - start;
      assertThat(status).isEqualTo(404);
      if (askHidden) {
        hidden[hiddenAsked++] = took;
      } else {
        never[neverAsked++] = took;
      }
    }
    Arrays.sort(never);
    double wins = 0;
    for (long one : hidden) {
      int at = Arrays.binarySearch(never, one);
      wins += at < 0 ? -at - 1 : at + 0.5;
    }
    return wins / EACH / EACH;
  }
}
