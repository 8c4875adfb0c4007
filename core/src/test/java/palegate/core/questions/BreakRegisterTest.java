package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import palegate.core.changes.AccessChange;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;

class BreakRegisterTest {
  @Test
  void what_a_break_adds_and_removes_is_what_rejoining_it_would_take_and_give_at_the_place() {
    for (long seed = 1; seed <= 600; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      for (BreakRegister.Break found : BreakRegister.of(snapshot.at(RandomStructures.NOW), 0)) {
        RightsDifference rejoined = Rehearsal.of(snapshot, List.of(new AccessChange.RejoinPlace(found.place().id(), false)), RandomStructures.NOW, null).now();
        List<RightsDifference.Pair> there = rejoined.pairsAt(found.place().id()).toList();
        assertThat(found.adds()).as("seed %d, %s", seed, found.place().id()).isEqualTo((int) there.stream().filter(pair -> !pair.lost().isEmpty()).count());
        assertThat(found.removes()).as("seed %d, %s", seed, found.place().id()).isEqualTo((int) there.stream().filter(pair -> !pair.gained().isEmpty()).count());
        assertThat(found.sameAsParent()).as("seed %d, %s", seed, found.place().id()).isEqualTo(there.isEmpty());
      }
    }
  }

  @Test
  void every_break_below_a_place_is_listed_once_and_the_repository_is_none() {
    for (long seed = 1; seed <= 200; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      for (int top = 0; top < snapshot.placeCount(); top++) {
        boolean itself = top > 0 && snapshot.standsAlone(top);
        assertThat(BreakRegister.of(snapshot.at(RandomStructures.NOW), top)).as("seed %d", seed).hasSize(snapshot.breaksBelow(top) + (itself ? 1 : 0));
      }
    }
  }
}
