package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.DraftApplication;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.testkit.Often;

/** An entry does nothing if a structure without it says the same of everybody everywhere, and of every document that may be put in: asked without any of the short cuts. */
class IdleEntriesTest {
  private static final long FIRST_SEED = 20_261_201L;
  private static final int STRUCTURES = Often.times(300);

  private static Snapshot without(Snapshot snapshot, Entry entry) {
    return snapshot.next(DraftApplication.of(snapshot, List.of(entry instanceof Grant ? new AccessChange.RemoveGrant(entry.place(), entry.id()) : new AccessChange.RemoveWithholding(entry.place(), entry.id())), RandomStructures.NOW).difference());
  }

  private static boolean sameHere(SnapshotAt before, SnapshotAt after, int place) {
    int other = after.snapshot().placeNumber(before.snapshot().place(place).id());
    return before.snapshot().structure().people().keySet().stream().allMatch(person -> before.rights(before.snapshot().personNumber(person), place).equals(after.rights(after.snapshot().personNumber(person), other)));
  }

  private static boolean sameEverywhere(SnapshotAt before, SnapshotAt after) {
    return before.snapshot().places().allMatch(place -> sameHere(before, after, place)) && NewDocuments.alike(before, after, List.of(before.snapshot().place(before.snapshot().places().findFirst().orElseThrow()).id()));
  }

  @Test
  void an_entry_that_does_nothing_can_be_removed_and_one_that_acts_cannot() {
    int idle = 0;
    int acting = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      SnapshotAt moment = snapshot.at(RandomStructures.NOW);
      for (Entry entry : Stream.<Entry>concat(snapshot.structure().grants().values().stream(), snapshot.structure().withholdings().values().stream()).toList()) {
        boolean nothing = IdleEntries.doesNothing(moment, entry);
        assertThat(nothing).as("%s, seed %d", entry, seed).isEqualTo(sameEverywhere(moment, without(snapshot, entry).at(RandomStructures.NOW)));
        idle += nothing ? 1 : 0;
        acting += nothing ? 0 : 1;
      }
    }
    assertThat(idle).isGreaterThan(STRUCTURES / 2);
    assertThat(acting).isGreaterThan(STRUCTURES);
  }

  @Test
  void a_line_that_acts_changes_something_at_its_place_and_one_that_others_say_does_not() {
    int acting = 0;
    int said = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      SnapshotAt moment = snapshot.at(RandomStructures.NOW);
      for (int place : snapshot.places().toArray()) {
        // Each is left out together with those before it that were found idle.
        boolean alone = true;
        for (AccessList.Line line : AccessList.own(snapshot, RandomStructures.NOW, place).lines()) {
          boolean same = sameHere(moment, without(snapshot, line.entry()).at(RandomStructures.NOW), place);
          if (line.state() == AccessList.State.SHADOWED) {
            assertThat(same || !alone).as("%s, seed %d", line.entry(), seed).isTrue();
            alone = false;
            said++;
          } else if (line.state() == AccessList.State.ACTS && alone && line.entry().touches(snapshot.place(place).type())) {
            assertThat(same).as("%s, seed %d", line.entry(), seed).isFalse();
            acting++;
          }
        }
      }
    }
    assertThat(said).isGreaterThan(STRUCTURES / 10);
    assertThat(acting).isGreaterThan(STRUCTURES / 2);
  }
}
