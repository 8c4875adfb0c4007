package palegate.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import palegate.core.changes.DraftApplication;
import palegate.core.places.PlaceKind;
import palegate.core.questions.BreakRegister;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;

/** Two years of changes are made through the engine, one after the other, whatever the day is on which the demo begins. */
class WholeHistoryTest {
  private static List<String> refused(Instant now) {
    List<String> refused = new ArrayList<>();
    replay(now, refused);
    return refused;
  }

  static Structure replay(Instant now, List<String> refused) {
    Snapshot state = Snapshot.of(Sallowpoint.structure(now));
    for (Sallowpoint.PastChange past : Sallowpoint.wholeHistory(now)) {
      DraftApplication.Result made = DraftApplication.of(state, past.changes(), past.at());
      made.refusals().forEach(refusal -> refused.add(past.note() + " " + refusal.what()));
      if (made.difference().things().isEmpty()) {
        refused.add(past.note() + " alters nothing");
      }
      state = state.next(made.difference());
    }
    return state.structure();
  }

  @Test
  void every_change_can_be_made_on_whatever_day_the_demo_begins() {
    Instant day = Instant.parse("2026-11-28T10:00:00Z");
    assertThat(refused(day)).isEmpty();
    assertThat(refused(day.plus(Duration.ofDays(93)))).isEmpty();
    assertThat(refused(Instant.parse("2028-02-29T23:59:59Z"))).isEmpty();
  }

  @Test
  void it_comes_to_the_size_of_the_scenario() {
    Structure structure = replay(Instant.parse("2026-11-28T10:00:00Z"), new ArrayList<>());
    SnapshotAt today = Snapshot.of(structure).at(Instant.parse("2026-11-28T10:00:00Z"));
    assertThat(BreakRegister.at(today, today.snapshot().placeNumber("f-2513")).sameAsParent()).as("the planted break that does nothing").isTrue();
    assertThat(structure.people()).hasSizeBetween(170, 200);
    assertThat(structure.groups()).hasSizeBetween(45, 75);
    assertThat(structure.places().values().stream().filter(place -> place.kind() == PlaceKind.DOCUMENT).count()).isBetween(3_700L, 4_300L);
    assertThat(structure.places().values().stream().filter(place -> place.kind() == PlaceKind.FOLDER).count()).isBetween(320L, 400L);
    assertThat(Sallowpoint.wholeHistory(Instant.parse("2026-11-28T10:00:00Z"))).hasSizeGreaterThan(150).isSortedAccordingTo((a, b) -> a.at().compareTo(b.at()));
  }
}
