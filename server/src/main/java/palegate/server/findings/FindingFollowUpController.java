package palegate.server.findings;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Set;
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
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.FindingFollowUps;

/**
 * To whom a finding is assigned, and what was said about it. What others said may tell of what is not known to everybody who has the finding, so
 * only whoever administers everything reads it, and everybody what they said themselves.
 */
@RestController
@RequestMapping("/api/findings")
class FindingFollowUpController {
  /**
   * @param login missing, as {@code name} and {@code by} are, where the asker may only know that it is assigned
   * @param mine whether it is assigned to the asker
   * @param gone whether the assignee may not come in any more
   */
  record AssignmentView(@MayBeMissing String login, @MayBeMissing String name, boolean mine, boolean gone, @MayBeMissing String by, Instant at) {}

  record FindingComment(String by, Instant at, String text) {}

  /**
   * @param assignment missing if it is assigned to nobody
   * @param mayAssign whether the asker may assign it to somebody else
   * @param comments those that the asker may read, oldest first
   */
  record FindingFollowUp(@MayBeMissing AssignmentView assignment, boolean mayAssign, List<FindingComment> comments) {}

  /** @param seen to whom it is seen to be assigned; missing for nobody */
  record ToAssign(@NotBlank(message = "Say which finding.") @Size(max = 400, message = "A key has at most 400 characters.") String key, @NotBlank(message = "Say to whom.") @Size(max = 100, message = "A login has at most 100 characters.") String login,
      @MayBeMissing @Size(max = 100, message = "A login has at most 100 characters.") String seen) {}

  record ToSay(@NotBlank(message = "Say which finding.") @Size(max = 400, message = "A key has at most 400 characters.") String key, @NotBlank(message = "Write something.") @Size(max = 1000, message = "A comment has at most 1,000 characters.") String text) {}

  private final MadeFindings made;
  private final FindingFollowUps followUps;
  private final Accounts accounts;
  private final Clock clock;

  FindingFollowUpController(MadeFindings made, FindingFollowUps followUps, Accounts accounts, Clock clock) {
    this.made = made;
    this.followUps = followUps;
    this.accounts = accounts;
    this.clock = clock;
  }

  /** Whether somebody may know to whom a finding is assigned: whoever administers everything, who assigned it, and whose it is. Others know that it is. */
  static boolean mayKnow(FindingFollowUps.Assignment assignment, boolean everything, String account) {
    return everything || assignment.assignee().equals(account) || assignment.by().equals(account);
  }

  private FindingFollowUps.Assignment assignment(String key) {
    return followUps.of(List.of(key)).get(key);
  }

  @GetMapping("/follow-up")
  FindingFollowUp followUp(@RequestParam String key, Principal who) {
    new Written().text("key", key).refuse("There is no such finding.");
    MadeFindings.Made all = made.of(who.getName());
    all.finding(key);
    return followUp(key, all.everything(), who.getName());
  }

  private FindingFollowUp followUp(String key, boolean everything, String account) {
    FindingFollowUps.Assignment assignment = assignment(key);
    AssignmentView view = assignment == null ? null : !mayKnow(assignment, everything, account) ? new AssignmentView(null, null, false, false, null, assignment.at())
        : new AssignmentView(assignment.assignee(), assignment.name(), assignment.assignee().equals(account), accounts.open(Set.of(assignment.assignee())).isEmpty(), assignment.byName(), assignment.at());
    return new FindingFollowUp(view, everything, followUps.comments(key).stream().filter(one -> everything || one.author().equals(account)).map(one -> new FindingComment(one.name(), one.at(), one.text())).toList());
  }

  /** Assigns one to somebody, or to oneself. It is assigned to nobody who may not know of it. */
  @PostMapping("/assignment")
  FindingFollowUp assign(@Valid @RequestBody ToAssign asked, Principal who) {
    new Written().text("key", asked.key()).text("login", asked.login()).text("seen", asked.seen()).refuse("The finding was not assigned.");
    MadeFindings.Made all = made.of(who.getName());
    Finding finding = all.finding(asked.key());
    boolean toMyself = asked.login().equals(who.getName());
    // Who may not know to whom it is assigned cannot have seen it, and does not find it out by guessing.
    boolean mayTake = asked.seen() == null || all.everything() || asked.seen().equals(who.getName());
    if (!mayTake || !toMyself && !all.everything()) {
      throw Problem.of(HttpStatus.FORBIDDEN, "not-yours-to-assign", "Not yours to assign", "Only who administers everything assigns a finding to somebody else, or takes it from them. Take on one that is assigned to nobody.");
    }
    if (!toMyself && !isTheirs(asked.login(), finding, all)) {
      throw Problem.faults("The finding was not assigned.", List.of(new Problem.Fault("login", "There is nobody of that name who has this finding among theirs.", "Choose a colleague whose duties reach what it is about.")));
    }
    if (!followUps.assign(asked.key(), asked.seen(), asked.login(), who.getName(), clock.instant())) {
      throw Problem.of(HttpStatus.CONFLICT, "assignment-moved", "It is assigned otherwise now", "To whom the finding is assigned is not what you saw. Look at it again.");
    }
    return followUp(asked.key(), all.everything(), who.getName());
  }

  private boolean isTheirs(String login, Finding finding, MadeFindings.Made all) {
    return accounts.find(login).map(Accounts.Account::person).filter(all.snapshot().structure().people()::containsKey).isPresent() && made.has(login, finding);
  }

  /** It is assigned to nobody any more. */
  @DeleteMapping("/assignment")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(@RequestParam String key, @RequestParam String seen, Principal who) {
    new Written().text("key", key).text("seen", seen).refuse("There is no such finding.");
    MadeFindings.Made all = made.of(who.getName());
    all.finding(key);
    FindingFollowUps.Assignment assignment = assignment(key);
    if (assignment == null || !mayKnow(assignment, all.everything(), who.getName()) || !followUps.takeBack(key, seen)) {
      throw Problem.notFound("finding assigned to that colleague", key);
    }
  }

  @PostMapping("/comments")
  FindingFollowUp comment(@Valid @RequestBody ToSay asked, Principal who) {
    new Written().text("key", asked.key()).text("text", asked.text()).refuse("Nothing was said.");
    MadeFindings.Made all = made.of(who.getName());
    all.finding(asked.key());
    if (!followUps.comment(asked.key(), asked.text().strip(), who.getName(), clock.instant())) {
      throw Problem.of(HttpStatus.CONFLICT, "said-enough", "As much as may be has been said", "A finding has at most " + FindingFollowUps.COMMENTS_AT_MOST + " comments. Mend it, or say that it is meant so.");
    }
    return followUp(asked.key(), all.everything(), who.getName());
  }
}
