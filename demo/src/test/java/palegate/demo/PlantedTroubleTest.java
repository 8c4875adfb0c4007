package palegate.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.findings.Finding;
import palegate.core.findings.Findings;
import palegate.core.findings.Fix;
import palegate.core.findings.FixTrial;
import palegate.core.findings.KeptFindings;
import palegate.core.findings.Limits;
import palegate.core.findings.Rule;
import palegate.core.findings.Rules;
import palegate.core.findings.Severity;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.snapshot.Snapshot;

/** Every trouble that is planted in the demo is found by its rule, and gone with its fix. */
class PlantedTroubleTest {
  private static final Instant NOW = Instant.parse("2026-11-28T10:00:00Z");

  private final Snapshot snapshot = Snapshot.of(WholeHistoryTest.replay(NOW, new ArrayList<>()));
  private final List<Finding> findings = Findings.of(snapshot, NOW);

  private List<String> things(String rule) {
    return findings.stream().filter(finding -> finding.rule().equals(rule)).map(Finding::thing).toList();
  }

  @Test
  void each_planted_trouble_is_found_by_its_rule() {
    assertThat(things("outsider-in-staff-group")).as("an outside firm inside a staff group").containsExactly("group:g-team-2406");
    assertThat(things("rights-beyond-peers")).as("a regional group with Keeper on two folders").containsExactly("entry:e-146", "entry:e-147");
    assertThat(things("break-nearly-same")).as("a break identical to its parent but for what is narrowed to a type").contains("place:f-2513");
    assertThat(things("no-keeper")).as("a break with nobody left to govern").containsExactly("place:lib-acc-2024-contracts");
    assertThat(things("group-empty")).as("two empty groups and more").contains("group:g-ice", "group:g-liaison");
    assertThat(things("group-same-as-another")).as("two with the same members").contains("group:g-cargo-desk");
    assertThat(things("person-entry-covered-by-group")).as("single people in access lists").isNotEmpty();
    assertThat(things("type-cleared-for-nobody")).as("a guarded type cleared for nobody").containsExactly("type:appraisal");
    assertThat(things("wall-covers-nothing")).as("a wall whose label matches nothing").containsExactly("wall:wall-pilgrim");
    assertThat(things("wall-conflict")).as("a person on both sides").containsExactly("wall:wall-collision");
    assertThat(things("condition-too-long")).as("checked out for three weeks").containsExactly("place:d-10004");
    assertThat(things("entry-without-effect")).as("a withholding without effect").contains("entry:w-1");
    assertThat(things("pass-open")).as("an open pass to a fee note").containsExactly("pass:pa-fee");
    assertThat(things("pass-unused")).as("a pass that ended, and one that nobody opened").containsExactly("pass:pa-fee", "pass:pa-old");
    assertThat(things("share-open-ended")).as("a share without an end").containsExactly("entry:e-sh-2");
    assertThat(things("separation-broken")).as("people who prepare and keep fee notes").isNotEmpty().allMatch("separation:se-fees"::equals);
    assertThat(things("ends-soon")).as("access that ends in three days").isNotEmpty();
  }

  @Test
  void every_fix_that_is_offered_takes_its_finding_away_and_brings_none_that_is_graver() {
    Map<String, Severity> known = new HashMap<>();
    findings.forEach(finding -> known.put(finding.key(), finding.severity()));
    FixTrial trial = new FixTrial(snapshot, NOW, KeptFindings.of(snapshot, NOW, Limits.USUAL, Rules.ALL), Rules.ALL);
    SoftAssertions all = new SoftAssertions();
    int tried = 0;
    for (Finding finding : findings) {
      for (Fix fix : trial.offered(finding)) {
        tried++;
        DraftApplication.Result result = DraftApplication.of(snapshot, fix.changes(), NOW);
        all.assertThat(result.refusals()).as(finding.key() + ": " + fix.words()).isEmpty();
        List<Rule> concerned = Rules.ALL.stream().filter(rule -> rule.code().equals(finding.rule()) || rule.severity().compareTo(finding.severity()) < 0).toList();
        List<Finding> after = Findings.of(snapshot.next(result.difference()), NOW, Limits.USUAL, concerned);
        all.assertThat(after).extracting(Finding::key).as(finding.key() + ": " + fix.words()).doesNotContain(finding.key());
        all.assertThat(after.stream().filter(one -> one.severity().compareTo(finding.severity()) < 0 && !known.containsKey(one.key()))).as(finding.key() + ": " + fix.words()).isEmpty();
      }
    }
    all.assertAll();
    assertThat(tried).isGreaterThan(50);
  }

  @Test
  void what_is_only_untidy_is_tidied_without_anybody_gaining_or_losing_anything() {
    for (Finding finding : findings) {
      if (List.of("entry-ended", "entry-without-effect", "person-entry-covered-by-group", "break-same-as-parent", "group-same-as-another", "membership-ended", "group-nested-twice").contains(finding.rule())) {
        for (Fix fix : finding.fixes()) {
          List<Change> changes = fix.changes();
          assertThat(Rehearsal.of(snapshot, changes, NOW, null).now().people()).as(finding.key() + ": " + fix.words()).isEmpty();
        }
      }
    }
  }

  @Test
  void every_rule_has_its_paragraph_in_the_docs() throws Exception {
    String page = Files.readString(Path.of("..", "docs", "findings.md"));
    assertThat(Rules.ALL.stream().map(Rule::code)).allSatisfy(code -> assertThat(page).contains("`" + code + "`"));
  }
}
