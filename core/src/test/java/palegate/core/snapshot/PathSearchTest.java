package palegate.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import palegate.core.random.RandomStructures;

class PathSearchTest {
  @Test
  void finds_the_places_whose_whole_path_contains_the_text() {
    for (long seed = 1; seed <= 300; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      if (snapshot.placeCount() > 0) {
        String some = snapshot.pathText(snapshot.placeCount() - 1);
        for (String text : List.of("", "1", "PLACE", " p2 ", "/", "1 / ", some, some.substring(some.length() / 2), some.substring(0, (some.length() + 1) / 2), "nothing")) {
          String wanted = text.strip().toLowerCase(Locale.ROOT);
          PathSearch search = new PathSearch(snapshot, text);
          for (int place = snapshot.placeCount() - 1; place >= 0; place--) {
            assertThat(search.finds(place)).as("seed %d, [%s] in %s", seed, text, snapshot.pathText(place))
                .isEqualTo(snapshot.pathText(place).toLowerCase(Locale.ROOT).contains(wanted));
          }
        }
      }
    }
  }
}
