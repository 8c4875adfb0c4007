package palegate.core.random;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class ShrinkingTest {
  @Test
  void what_is_left_still_fails_is_sound_and_nothing_in_it_could_go() {
    Structure whole = Harbour.structure();
    Structure small = Shrinking.smallest(whole, structure -> structure.grants().size() >= 1 && structure.withholdings().size() >= 1);

    assertThat(small.grants()).hasSize(1);
    assertThat(small.withholdings()).hasSize(1);
    assertThat(small.people().size() + small.groups().size() + small.units().size()).isLessThanOrEqualTo(2);
    assertThat(Snapshot.of(small).placeCount()).isLessThan(whole.places().size());
    assertThat(Shrinking.text(small)).startsWith("{").contains("pale-gate-bundle");
  }
}
