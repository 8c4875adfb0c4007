package palegate.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.random.RandomMatters;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
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
  private static final List<Rule> RULE = List.of(new WallGapsFound());

  private static Structure first(Random random) {
    Structure made = RandomMatters.in(random, 24, 0);
    return made.withWalls(Map.of("by-label", wall("by-label", Scope.ofLabel("case", "C-7101")), "by-place", wall("by-place", new Scope(Set.of(RandomMatters.any(RandomMatters.folders(made), random)), Set.of(), Map.of()))));
  }

  private static Wall wall(String id, Scope scope) {
    return new Wall(id, id, null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(scope, List.of(new Subject.OfPerson("mia"))), List.of());
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
        Change change = RandomMatters.change(snapshot.structure(), random, i);
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
