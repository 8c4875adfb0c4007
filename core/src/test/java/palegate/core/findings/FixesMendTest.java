package palegate.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import palegate.core.changes.DraftApplication;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** Every fix of every finding can be put in force, takes its finding away, and brings none that is graver. */
class FixesMendTest {
  private static final long FIRST_SEED = 20_261_129L;
  private static final int STRUCTURES = Often.times(500);

  @Test
  void every_fix_takes_its_finding_away_and_brings_none_that_is_graver() {
    SoftAssertions all = new SoftAssertions();
    Map<String, Integer> tried = new TreeMap<>();
    int given = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      List<Finding> before = Findings.of(snapshot, RandomStructures.NOW);
      Map<String, Severity> known = new HashMap<>();
      before.forEach(finding -> known.put(finding.key(), finding.severity()));
      assertThat(known).as("keys tell findings apart (seed %d)", seed).hasSameSizeAs(before);
      FixTrial trial = new FixTrial(snapshot, RandomStructures.NOW, KeptFindings.of(snapshot, RandomStructures.NOW, Limits.USUAL, Rules.ALL), Rules.ALL);
      for (Finding finding : before) {
        given += finding.fixes().size();
        for (Fix fix : trial.offered(finding)) {
          tried.merge(finding.rule(), 1, Integer::sum);
          String because = finding.key() + ": " + fix.words() + " (seed " + seed + ")";
          DraftApplication.Result result = DraftApplication.of(snapshot, fix.changes(), RandomStructures.NOW);
          all.assertThat(result.refusals()).as(because).isEmpty();
          if (result.refusals().isEmpty()) {
            List<Rule> concerned = Rules.ALL.stream().filter(rule -> rule.code().equals(finding.rule()) || rule.severity().compareTo(finding.severity()) < 0).toList();
            List<Finding> after = Findings.of(snapshot.next(result.difference()), RandomStructures.NOW, Limits.USUAL, concerned);
            all.assertThat(after).extracting(Finding::key).as(because).doesNotContain(finding.key());
            all.assertThat(after.stream().filter(one -> one.severity().compareTo(finding.severity()) < 0 && !known.containsKey(one.key())).map(Finding::text)).as(because).isEmpty();
          }
        }
      }
    }
    all.assertAll();
    assertThat(tried.keySet()).as("rules whose fixes were tried").hasSizeGreaterThan(24);
    assertThat(tried.values().stream().mapToInt(count -> count).sum()).as("few fixes are not offered after all").isGreaterThan(given * 9 / 10);
  }

  @Test
  void what_is_found_does_not_depend_on_the_order_in_which_things_are_held() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(100); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      List<Finding> once = Findings.of(Snapshot.of(structure), RandomStructures.NOW);
      List<Finding> again = Findings.of(Snapshot.of(RandomStructures.fromSeed(seed)), RandomStructures.NOW);
      assertThat(again).as("seed %d", seed).isEqualTo(once);
      assertThat(once.stream().map(Finding::severity)).isSorted();
    }
  }

  @Test
  void codes_are_unique_and_each_rule_says_why_it_matters() {
    assertThat(Rules.ALL.stream().map(Rule::code).collect(Collectors.toSet())).hasSameSizeAs(Rules.ALL);
    assertThat(Rules.ALL).allSatisfy(rule -> {
      assertThat(rule.matters()).endsWith(".");
      assertThat(rule.title()).isNotBlank();
      assertThat(Set.of(rule.code().split("-"))).isNotEmpty();
    });
  }
}
