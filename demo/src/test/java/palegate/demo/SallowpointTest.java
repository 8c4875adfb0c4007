package palegate.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.time.Instant;
import org.junit.jupiter.api.Test;
import palegate.core.bundle.BundleReader;
import palegate.core.bundle.BundleWriter;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.questions.WallConflict;
import palegate.core.questions.WallCoverage;
import palegate.core.rehearsal.LockOuts;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class SallowpointTest {
  private static final Instant NOW = Instant.parse("2026-11-24T08:00:00Z");
  private final Structure structure = Sallowpoint.structure(NOW);

  @Test
  void it_is_about_a_third_of_the_full_size() {
    assertThat(structure.people()).hasSizeBetween(55, 65);
    assertThat(structure.places().values().stream().filter(Place::isDocument).count()).isBetween(1_000L, 1_500L);
  }

  @Test
  void the_same_day_gives_the_same_structure() {
    assertThat(Sallowpoint.structure(NOW.plusSeconds(3600))).isEqualTo(structure);
  }

  @Test
  void it_is_a_valid_bundle() throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    BundleWriter.write(structure, out);
    assertThat(BundleReader.read(out.toByteArray()).structure()).isEqualTo(structure);
  }

  @Test
  void every_past_change_can_be_made_and_does_something_or_breaks_a_place() {
    Structure at = structure;
    for (Sallowpoint.PastChange change : Sallowpoint.history(NOW)) {
      Rehearsal rehearsal = Rehearsal.of(Snapshot.of(at), change.changes(), change.at(), null);
      assertThat(rehearsal.refusals()).as(change.note()).isEmpty();
      assertThat(rehearsal.refusedBreaks()).as(change.note()).isEmpty();
      DraftApplication.Result result = DraftApplication.of(Snapshot.of(at), change.changes(), change.at());
      assertThat(result.structure()).as(change.note()).isNotEqualTo(at);
      at = result.structure();
    }
  }

  @Test
  void the_planted_troubles_are_there() {
    Snapshot snapshot = Snapshot.of(structure);
    assertThat(snapshot.at(NOW).matching(new Subject.OfGroup("g-surveyors")).stream()
        .mapToObj(snapshot::person).filter(Person::external)).as("outsiders in a staff group").isNotEmpty();
    assertThat(LockOuts.all(snapshot, NOW).stream()).extracting(Place::id).contains("lib-acc-2024-contracts");
    assertThat(snapshot.at(NOW).matching(new Subject.OfGroup("g-ice")).isEmpty()).isTrue();
    assertThat(structure.types().get("appraisal").clearances()).as("a guarded type cleared for nobody").isEmpty();
    assertThat(WallCoverage.of(snapshot, structure.walls().get("wall-pilgrim"))).as("a wall that covers nothing")
        .allMatch(WallCoverage::matchesNothing);
    assertThat(WallConflict.all(snapshot.at(NOW), NOW)).as("somebody on both sides of the collision").isNotEmpty();
  }
}
