package palegate.core.findings;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import palegate.core.changes.DraftApplication;
import palegate.core.snapshot.Snapshot;

/** Which fixes of a finding can be put in force, take it away, and bring none that is graver. What is not sure of that is tried. */
public final class FixTrial {
  private final Snapshot snapshot;
  private final Instant instant;
  private final KeptFindings found;
  private final List<Rule> rules;
  private final Set<String> known = new HashSet<>();

  /** @param found what was found there by these rules */
  public FixTrial(Snapshot snapshot, Instant instant, KeptFindings found, List<Rule> rules) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.found = found;
    this.rules = rules;
    found.findings().forEach(finding -> known.add(finding.key()));
  }

  /** O(1) for most rules; for the others the rules concerned are asked once a fix, about what it touches. */
  public List<Fix> offered(Finding finding) {
    return finding.fixes().isEmpty() || Rules.of(finding.rule()).map(Rule::fixesAreSure).orElse(false) ? finding.fixes() : finding.fixes().stream().filter(fix -> mends(finding, fix)).toList();
  }

  private boolean mends(Finding finding, Fix fix) {
    DraftApplication.Result result = DraftApplication.of(snapshot, fix.changes(), instant);
    return result.refusals().isEmpty() && found.next(snapshot.next(result.difference()).at(instant), concerned(finding)).findings().stream()
        .noneMatch(one -> one.key().equals(finding.key()) || one.severity().compareTo(finding.severity()) < 0 && !known.contains(one.key()));
  }

  /** Its own rule, and those that are graver: what the others would say is of no concern. */
  private List<Rule> concerned(Finding finding) {
    return rules.stream().filter(rule -> rule.code().equals(finding.rule()) || rule.severity().compareTo(finding.severity()) < 0).toList();
  }
}
