package palegate.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import palegate.core.Harbour;

class FindingsTest {
  @Test
  void empty_groups_and_the_topmost_places_without_a_keeper_are_found() {
    assertThat(Findings.of(Harbour.snapshot(), Harbour.NOW)).extracting(Finding::thing)
        .containsExactly("group divers", "place c2");
  }
}
