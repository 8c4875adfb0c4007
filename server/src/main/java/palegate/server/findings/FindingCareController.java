package palegate.server.findings;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.FindingCare;

/**
 * Who sees to a finding, and what was said about it. What others said may tell of what is not known to everybody who has the finding, so only
 * whoever administers everything reads it, and everybody what they said themselves.
 */
@RestController
@RequestMapping("/api/findings")
class FindingCareController {
  /**
   * @param login missing, as {@code name} and {@code by} are, where the asker may only know that somebody sees to it
   * @param mine whether it is the asker
   */
  record CarerView(@MayBeMissing String login, @MayBeMissing String name, boolean mine, @MayBeMissing String by, Instant at) {}

  record RemarkView(String by, Instant at, String text) {}

  /**
   * @param carer missing if nobody sees to it
   * @param mayGive whether the asker may give it to somebody else
   * @param remarks those that the asker may read, oldest first
   */
  record CareView(@MayBeMissing CarerView carer, boolean mayGive, List<RemarkView> remarks) {}

  record ToGive(@NotBlank(message = "Say which finding.") @Size(max = 400, message = "A key has at most 400 characters.") String key, @NotBlank(message = "Say to whom.") @Size(max = 100, message = "A login has at most 100 characters.") String login) {}

  record ToSay(@NotBlank(message = "Say which finding.") @Size(max = 400, message = "A key has at most 400 characters.") String key, @NotBlank(message = "Write something.") @Size(max = 1000, message = "At most 1,000 characters.") String text) {}

  private final MadeFindings made;
  private final FindingCare care;
  private final Clock clock;

  FindingCareController(MadeFindings made, FindingCare care, Clock clock) {
    this.made = made;
    this.care = care;
    this.clock = clock;
  }

  /** Whether somebody may know who sees to a finding: whoever administers everything, who gave it, and who has it. Others know that somebody does. */
  static boolean mayKnow(FindingCare.Carer carer, boolean everything, String account) {
    return everything || carer.login().equals(account) || carer.by().equals(account);
  }

  @GetMapping("/carers")
  CareView care(@RequestParam String key, Principal who) {
    new Written().text("key", key).refuse("There is no such finding.");
    MadeFindings.Made all = made.of(who.getName());
    all.finding(key);
    FindingCare.Carer carer = care.carers().get(key);
    return new CareView(carer == null ? null : !mayKnow(carer, all.everything(), who.getName()) ? new CarerView(null, null, false, null, carer.at()) : new CarerView(carer.login(), carer.name(), carer.login().equals(who.getName()), carer.byName(), carer.at()), all.everything(),
        care.remarks(key).stream().filter(one -> all.everything() || one.by().equals(who.getName())).map(one -> new RemarkView(one.byName(), one.at(), one.text())).toList());
  }

  /** Gives one to somebody, or takes it up. Who may not know of it is not given it. */
  @PostMapping("/carers")
  CareView give(@Valid @RequestBody ToGive asked, Principal who) {
    new Written().text("key", asked.key()).text("login", asked.login()).refuse("The finding was not given to anybody.");
    MadeFindings.Made all = made.of(who.getName());
    all.finding(asked.key());
    boolean toMyself = asked.login().equals(who.getName());
    FindingCare.Carer before = care.carers().get(asked.key());
    if (!toMyself && !all.everything() || before != null && !mayKnow(before, all.everything(), who.getName())) {
      throw Problem.of(HttpStatus.FORBIDDEN, "not-yours-to-give", "Not yours to give", "Only who administers everything gives a finding to somebody else, or takes it from them. Take up one that nobody has.");
    }
    if (!toMyself && !isKnownTo(asked.login(), asked.key(), all)) {
      throw Problem.faults("The finding was not given to anybody.", List.of(new Problem.Fault("login", "There is nobody of that name who has this finding among theirs.", "Choose a colleague whose duties reach what it is about.")));
    }
    care.give(asked.key(), asked.login(), who.getName(), clock.instant());
    return care(asked.key(), who);
  }

  private boolean isKnownTo(String login, String key, MadeFindings.Made all) {
    return care.colleague(login).filter(one -> all.snapshot().structure().people().containsKey(one.person())).isPresent() && made.mayHave(login) && made.of(login).findings().stream().anyMatch(one -> one.key().equals(key));
  }

  /** Nobody sees to it any more. */
  @DeleteMapping("/carers")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeAway(@RequestParam String key, @RequestParam String login, Principal who) {
    new Written().text("key", key).text("login", login).refuse("There is no such finding.");
    MadeFindings.Made all = made.of(who.getName());
    all.finding(key);
    FindingCare.Carer carer = care.carers().get(key);
    if (carer == null || !mayKnow(carer, all.everything(), who.getName()) || !care.takeAway(key, login)) {
      throw Problem.notFound("finding of that colleague", key);
    }
  }

  @PostMapping("/remarks")
  CareView say(@Valid @RequestBody ToSay asked, Principal who) {
    new Written().text("key", asked.key()).text("text", asked.text()).refuse("Nothing was said.");
    made.of(who.getName()).finding(asked.key());
    if (!care.say(asked.key(), asked.text().strip(), who.getName(), clock.instant())) {
      throw Problem.of(HttpStatus.CONFLICT, "said-enough", "As much as may be has been said", "A finding has at most " + FindingCare.REMARKS_AT_MOST + " remarks. Mend it, or say that it is meant so.");
    }
    return care(asked.key(), who);
  }
}
