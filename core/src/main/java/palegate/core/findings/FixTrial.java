package palegate.core.findings;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.ClearanceChange;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.DutyChange;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.OversightChange;
import palegate.core.changes.PassChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.RoleChange;
import palegate.core.changes.ShareChange;
import palegate.core.questions.SeparationsBroken;
import palegate.core.snapshot.Snapshot;

/** Which fixes of a finding can be put in force, take it away, and bring none that is graver. What is not sure of that is tried. */
public final class FixTrial {
  private final Snapshot snapshot;
  private final Instant instant;
  private final KeptFindings found;
  private final List<Rule> rules;
  private final Set<String> known = new HashSet<>();
  /** Who holds together what is kept apart already; null until it is asked. */
  private SeparationsBroken before;

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
    boolean sure = Rules.of(finding.rule()).map(Rule::fixesAreSure).orElse(false);
    return finding.fixes().stream().filter(fix -> sure ? keepsApart(fix) : mends(finding, fix)).toList();
  }

  /** However sure a fix is, what it gives may bring somebody to hold together what is kept apart (section 13). */
  private boolean keepsApart(Fix fix) {
    if (snapshot.structure().separations().isEmpty() || fix.changes().stream().allMatch(FixTrial::onlyTakes)) {
      return true;
    }
    DraftApplication.Result result = DraftApplication.of(snapshot, fix.changes(), instant);
    before = before == null ? SeparationsBroken.of(snapshot.at(instant)) : before;
    return SeparationsBroken.of(snapshot.next(result.difference()).at(instant)).since(before).isEmpty();
  }

  private static boolean onlyTakes(Change change) {
    return change instanceof AccessChange.RemoveGrant || change instanceof MembershipChange.RemoveMember || change instanceof DutyChange.RemoveDuty || change instanceof OversightChange.RemoveOversight
        || change instanceof PeopleChange.RemoveGroup || change instanceof RoleChange.RemoveRole || change instanceof ClearanceChange.RemoveClearance || change instanceof ShareChange.TakeBackShare || change instanceof PassChange.TakeBackPass;
  }

  private boolean mends(Finding finding, Fix fix) {
    DraftApplication.Result result = DraftApplication.of(snapshot, fix.changes(), instant);
    return result.refusals().isEmpty() && found.next(snapshot.next(result.difference()), instant, concerned(finding)).findings().stream()
        .noneMatch(one -> one.key().equals(finding.key()) || one.severity().compareTo(finding.severity()) < 0 && !known.contains(one.key()));
  }

  /** Its own rule, and those that are graver: what the others would say is of no concern. */
  private List<Rule> concerned(Finding finding) {
    return rules.stream().filter(rule -> rule.code().equals(finding.rule()) || rule.severity().compareTo(finding.severity()) < 0).toList();
  }
}
