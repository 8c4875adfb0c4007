package palegate.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.PlaceChange;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * Most places that come, go or are called otherwise cannot alter what looks as if it belonged behind a wall, and then nothing is looked for anew:
 * in a repository made of words that gaps are found by, what is found is always what is found afresh.
 */
class KeptWallGapsTest {
  private static final long FIRST_SEED = 20_261_201L;
  private static final List<String> NAMES = List.of("C-7101 Amber Tern", "Amber Tern, survey", "Letter", "Re: Survey of the Amber Tern hull", "Survey of the Amber Tern hull", "c 7101 fees", "7101", "C-7110", "Blue Heron",
      "Minutes", "More of it", "Reply to Letter of the harbour master", "Letter of the harbour master", "C-7102 Blue Heron");
  private static final List<Map<String, String>> LABELS = List.of(Map.of(), Map.of(), Map.of("case", "C-7101"), Map.of("case", "c 7101"), Map.of("case", "C-7110"), Map.of("case", "C-7102"), Map.of("matter", "C-7101"), Map.of("year", "2026"));
  private static final List<Rule> RULE = List.of(new WallGapsFound());

  private static Structure first(Random random) {
    Structure base = Harbour.structure();
    List<Place> all = new ArrayList<>(base.places().values());
    List<String> folders = new ArrayList<>(List.of("cas"));
    for (int i = 0; i < 24; i++) {
      boolean folder = random.nextInt(3) == 0;
      all.add(Place.plain("p" + i, folder ? PlaceKind.FOLDER : PlaceKind.DOCUMENT, any(folders, random), any(NAMES, random), false, any(LABELS, random), null, null, null));
      if (folder) {
        folders.add("p" + i);
      }
    }
    Structure made = base.withPlaces(Parts.of(all, Place::id));
    return made.withWalls(Map.of("by-label", wall("by-label", Scope.ofLabel("case", "C-7101")), "by-place", wall("by-place", new Scope(Set.of(any(folders, random)), Set.of(), Map.of()))));
  }

  private static Wall wall(String id, Scope scope) {
    return new Wall(id, id, null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(scope, List.of(new Subject.OfPerson("mia"))), List.of());
  }

  private static <T> T any(List<T> some, Random random) {
    return some.get(random.nextInt(some.size()));
  }

  private static Change change(Structure structure, Random random, int number) {
    List<Place> own = structure.places().values().stream().filter(place -> place.id().startsWith("p")).sorted(Comparator.comparing(Place::id)).toList();
    List<String> folders = new ArrayList<>(List.of("cas"));
    own.stream().filter(place -> !place.isDocument()).forEach(place -> folders.add(place.id()));
    return switch (random.nextInt(own.isEmpty() ? 1 : 5)) {
      case 0 -> new PlaceChange.AddPlace(Place.plain("pn" + number, random.nextInt(3) == 0 ? PlaceKind.FOLDER : PlaceKind.DOCUMENT, any(folders, random), any(NAMES, random), false, any(LABELS, random), null, null, null));
      case 1 -> new PlaceChange.RenamePlace(any(own, random).id(), any(NAMES, random));
      case 2 -> new PlaceChange.SetLabels(any(own, random).id(), any(LABELS, random));
      case 3 -> new PlaceChange.MovePlace(any(own, random).id(), any(folders, random));
      default -> new PlaceChange.RemovePlace(any(own, random).id());
    };
  }

  @Test
  void after_any_change_of_a_place_the_same_gaps_are_found_as_afresh() {
    int others = 0;
    int kept = 0;
    int changes = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(150); seed++) {
      Random random = new Random(seed);
      Snapshot snapshot = Snapshot.of(first(random));
      KeptFindings findings = KeptFindings.of(snapshot, RandomStructures.NOW, Limits.USUAL, RULE);
      for (int i = 0; i < 20; i++) {
        Change change = change(snapshot.structure(), random, i);
        DraftApplication.Result result = DraftApplication.of(snapshot, List.of(change), RandomStructures.NOW);
        if (!result.refusals().isEmpty()) {
          continue;
        }
        List<Finding> before = findings.findings();
        snapshot = snapshot.next(result.difference());
        findings = findings.next(snapshot, RandomStructures.NOW, Limits.USUAL, RULE);
        assertThat(findings.findings()).as("seed %d, after %s", seed, change).isEqualTo(Findings.of(Snapshot.of(snapshot.structure()), RandomStructures.NOW, Limits.USUAL, RULE));
        others += findings.findings().equals(before) ? 0 : 1;
        kept += !before.isEmpty() && findings.findings().size() == before.size() && findings.findings().get(0) == before.get(0) ? 1 : 0;
        changes++;
      }
    }
    assertThat(changes).isGreaterThan(Often.times(1_500));
    assertThat(others).as("changes that altered what is found").isGreaterThan(Often.times(300));
    assertThat(kept).as("changes after which nothing was looked for anew").isGreaterThan(Often.times(20));
  }
}
