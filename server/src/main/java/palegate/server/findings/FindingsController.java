package palegate.server.findings;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.findings.Finding;
import palegate.core.findings.FixTrial;
import palegate.core.findings.Rule;
import palegate.core.findings.Rules;
import palegate.core.findings.Severity;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.server.changes.ChangeBody;
import palegate.server.lists.PageRequest;
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.FindingAcceptances;
import palegate.server.store.FindingFollowUps;
import palegate.server.viewpoint.Viewpoints;

/** What needs a look, the gravest first; each with what speaks for it, and with what would mend it as a draft. */
@RestController
@RequestMapping("/api/findings")
class FindingsController {
  /** @param found how many of its findings are not accepted */
  record FindingRule(String code, Severity severity, String title, int found) {}

  /**
   * That it is meant to be so.
   *
   * @param reason missing for whoever does not administer everything and did not write it: it may tell of what is not theirs
   */
  record AcceptanceView(String by, Instant until, @MayBeMissing String reason) {}

  /** @param about what kind of thing has a page for it, and {@code aboutId} which: of an entry, the place where it stands */
  record FindingRow(String key, String rule, Severity severity, String text, String about, String aboutId, @MayBeMissing AcceptanceView accepted, @MayBeMissing String assignee) {}

  /**
   * @param accepted how many are left out for being meant so, or are the only ones shown
   * @param mine how many of the others are assigned to the asker
   */
  record FindingsShown(List<FindingRule> rules, int accepted, int mine, Page<FindingRow> findings) {}

  /** What a fix would do now: counted in people who gain something, who lose something, and places that nobody would keep. */
  record FixView(String words, List<ChangeBody> changes, int gaining, int losing, int lockOuts) {}

  /** @param dated whether it can be asked since when it has been there */
  record FindingView(FindingRow finding, String facts, String title, String matters, List<String> evidence, boolean dated, List<FixView> fixes) {}

  record ToAccept(@NotBlank(message = "Say which finding.") @Size(max = 400, message = "A key has at most 400 characters.") String key, @NotNull(message = "Say which facts were seen.") @Size(max = 32, message = "Facts have at most 32 characters.") String facts,
      @NotBlank(message = "Say why it is meant to be so.") @Size(max = 1000, message = "A reason has at most 1,000 characters.") String reason, @NotNull(message = "Choose a day until which it is meant to be so.") Instant until) {}

  private static final Duration ACCEPTED_AT_MOST = Duration.ofDays(366);

  private final MadeFindings made;
  private final FindingAcceptances acceptances;
  private final FindingFollowUps followUps;
  private final Viewpoints viewpoints;
  private final Accounts accounts;
  private final Clock clock;

  FindingsController(MadeFindings made, FindingAcceptances acceptances, FindingFollowUps followUps, Viewpoints viewpoints, Accounts accounts, Clock clock) {
    this.made = made;
    this.acceptances = acceptances;
    this.followUps = followUps;
    this.viewpoints = viewpoints;
    this.accounts = accounts;
    this.clock = clock;
  }

  /**
   * A page of them.
   *
   * @param rule only of this rule
   * @param accepted those that are meant to be so instead of the others
   * @param mine only those that are assigned to the asker
   */
  @GetMapping
  FindingsShown findings(@RequestParam(required = false) String rule, @RequestParam(defaultValue = "false") boolean accepted, @RequestParam(defaultValue = "false") boolean mine, @ParameterObject PageRequest part, Principal who) {
    MadeFindings.Made found = made.of(who.getName());
    Map<FindingAcceptances.Accepted, FindingAcceptances.Acceptance> meant = acceptances.at(clock.instant());
    Predicate<Finding> isAccepted = finding -> meant.containsKey(accepted(finding));
    List<Finding> open = found.findings().stream().filter(isAccepted.negate()).toList();
    Set<String> assigned = followUps.assignedTo(who.getName());
    Predicate<Finding> isMine = finding -> assigned.contains(finding.key());
    List<Finding> shown = (accepted ? found.findings().stream().filter(isAccepted) : open.stream()).filter(finding -> (!mine || isMine.test(finding)) && (rule == null || rule.isEmpty() || finding.rule().equals(rule)) && part.takes(finding.text(), finding.rule())).toList();
    return new FindingsShown(found.rules().stream().map(one -> new FindingRule(one.code(), one.severity(), one.title(), (int) open.stream().filter(finding -> finding.rule().equals(one.code())).count())).toList(),
        found.findings().size() - open.size(), (int) open.stream().filter(isMine).count(), rows(shown, part, found, meant, who.getName()));
  }

  /** To whom they are assigned is asked once, for those of the page. */
  private Page<FindingRow> rows(List<Finding> shown, PageRequest part, MadeFindings.Made found, Map<FindingAcceptances.Accepted, FindingAcceptances.Acceptance> meant, String account) {
    Map<String, FindingFollowUps.Assignment> assignments = followUps.of(Page.of(shown, part.offset(), part.limit(), Finding::key).items());
    return Page.of(shown, part.offset(), part.limit(), finding -> row(finding, found, meant, assignments, account));
  }

  private static FindingAcceptances.Accepted accepted(Finding finding) {
    return new FindingAcceptances.Accepted(finding.key(), finding.facts());
  }

  private static FindingRow row(Finding finding, MadeFindings.Made all, Map<FindingAcceptances.Accepted, FindingAcceptances.Acceptance> meant, Map<String, FindingFollowUps.Assignment> assignments, String account) {
    String kind = finding.thing().substring(0, finding.thing().indexOf(':'));
    String id = finding.thing().substring(kind.length() + 1);
    if (kind.equals("entry")) {
      kind = "place";
      id = all.snapshot().structure().entry(id).place();
    }
    return new FindingRow(finding.key(), finding.rule(), finding.severity(), finding.text(), kind, id, Optional.ofNullable(meant.get(accepted(finding)))
        .map(one -> new AcceptanceView(one.byName(), one.until(), all.everything() || one.by().equals(account) ? one.reason() : null)).orElse(null),
        Optional.ofNullable(assignments.get(finding.key())).filter(one -> FindingFollowUpController.mayKnow(one, all.everything(), account)).map(FindingFollowUps.Assignment::name).orElse(null));
  }

  /** One of them, with its fixes; each was tried, and what it would do is counted. */
  @GetMapping("/one")
  FindingView finding(@RequestParam String key, Principal who) {
    new Written().text("key", key).refuse("There is no such finding.");
    MadeFindings.Made all = made.of(who.getName());
    Finding finding = all.finding(key);
    Rule rule = Rules.of(finding.rule()).orElseThrow();
    Instant now = clock.instant();
    String person = viewpoints.asker(who.getName()).id();
    List<FixView> fixes = new FixTrial(all.snapshot(), now, all.kept(), all.rules()).offered(finding).stream().map(fix -> {
      Rehearsal rehearsal = Rehearsal.of(all.snapshot(), fix.changes(), now, person);
      List<RightsDifference.PersonShift> people = rehearsal.now().people();
      return new FixView(fix.words(), fix.changes().stream().map(ChangeBody::of).toList(), (int) people.stream().filter(one -> !one.gained().isEmpty()).count(), (int) people.stream().filter(one -> !one.lost().isEmpty()).count(), rehearsal.lockOuts().size());
    }).toList();
    return new FindingView(row(finding, all, acceptances.at(now), followUps.of(List.of(key)), who.getName()), finding.facts(), rule.title(), rule.matters(), finding.evidence(), FindingHistoryController.isDated(all, finding), fixes);
  }

  /** Says that one is meant to be so, for a while, as long as its facts are those that were seen. */
  @PostMapping("/acceptances")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void accept(@Valid @RequestBody ToAccept asked, Principal who) {
    new Written().text("key", asked.key()).text("facts", asked.facts()).text("reason", asked.reason()).instant("until", asked.until()).refuse("The finding was not accepted.");
    Instant now = clock.instant();
    if (!asked.until().isAfter(now) || asked.until().isAfter(now.plus(ACCEPTED_AT_MOST))) {
      throw Problem.faults("The finding was not accepted.", List.of(new Problem.Fault("until", "It cannot be accepted until then.", "Choose a day that is still to come, at most a year away.")));
    }
    Finding finding = made.of(who.getName()).finding(asked.key());
    if (!finding.facts().equals(asked.facts())) {
      throw Problem.of(HttpStatus.CONFLICT, "facts-moved", "It says something else now", "What was found is not what you saw: " + finding.text() + " Look at it again.");
    }
    acceptances.accept(new FindingAcceptances.Acceptance(finding.key(), finding.facts(), asked.reason().strip(), asked.until(), who.getName(), accounts.nameOf(who.getName()), now));
  }

  /** Takes that back; the finding is in the list again. */
  @DeleteMapping("/acceptances")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(@RequestParam String key, Principal who) {
    new Written().text("key", key).refuse("There is no such finding.");
    if (!acceptances.takeBack(key, made.of(who.getName()).finding(key).facts())) {
      throw Problem.notFound("accepted finding", key);
    }
  }
}
