package palegate.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import palegate.core.changes.DraftApplication;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.BreakRegister;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.ContentEvidence;
import palegate.core.wallsatwork.WallGap;
import palegate.core.wallsatwork.WallGapClues;
import palegate.core.wallsatwork.WallGaps;

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

  @Test
  void the_misfiled_copy_and_letter_are_found_beside_the_walls_they_belong_behind() {
    Snapshot state = Snapshot.of(replay(Instant.parse("2026-11-28T10:00:00Z"), new ArrayList<>()));
    Map<String, List<String>> byText = new HashMap<>();
    state.structure().places().values().stream().filter(Place::isDocument).forEach(document -> {
      int original = state.placeNumber(Writing.original(document.id()));
      byText.computeIfAbsent(String.join("\n", Writing.of(state.place(original), state.pathText(state.parent(original)))), any -> new ArrayList<>()).add(document.id());
    });
    assertThat(gaps(state, "wall-fraud", byText)).contains("d-10785 SAME_CONTENT NEARLY_SURE");
    assertThat(gaps(state, "wall-brother", byText)).containsExactly("d-10379 IN_ITS_TEXT LIKELY");
    assertThat(gaps(state, "wall-late", byText)).as("where none is planted").isEmpty();
  }

  private static List<String> gaps(Snapshot state, String id, Map<String, List<String>> byText) {
    Wall wall = state.structure().walls().get(id);
    List<ContentEvidence.Mention> mentions = new ArrayList<>();
    WallGaps.searchTerms(state, wall).forEach(term -> {
      Pattern said = Pattern.compile(term.expression(), Pattern.CASE_INSENSITIVE);
      byText.forEach((text, documents) -> {
        Matcher matcher = said.matcher(text);
        if (matcher.find()) {
          documents.forEach(document -> mentions.add(new ContentEvidence.Mention(document, term, matcher.group(), matcher.start())));
        }
      });
    });
    ContentEvidence evidence = new ContentEvidence(byText.values().stream().filter(documents -> documents.size() > 1).toList(), mentions);
    return WallGaps.of(state, wall, WallGapClues.of(state).with(evidence)).stream().filter(gap -> gap.confidence() != WallGap.Confidence.POSSIBLE).map(gap -> gap.place() + " " + gap.kind() + " " + gap.confidence()).toList();
  }
}
