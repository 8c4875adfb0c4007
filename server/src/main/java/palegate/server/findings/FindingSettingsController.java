package palegate.server.findings;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.findings.Limits;
import palegate.core.findings.Rules;
import palegate.core.findings.Severity;
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.FindingSettings;

/** What is looked for, in this house: rules that are switched off, with a reason, and limits. Everybody sees it; who looks after the system changes it. */
@RestController
@RequestMapping("/api/findings/settings")
class FindingSettingsController {
  record SwitchedOff(String by, Instant at, String reason) {}

  record RuleSetting(String code, Severity severity, String title, @MayBeMissing SwitchedOff off) {}

  /**
   * From where on something is worth saying.
   *
   * @param soonDays what ends within so many days ends soon
   * @param checkedOutDays how long a document may be checked out, frozen or private
   * @param nearlySamePeople a break that does something to at most so many people is nearly the same as its parent
   * @param unusedDays what nobody has used for so many days is unused
   * @param draftDays a draft that was begun so many days ago is forgotten
   */
  record FindingLimits(@Min(value = 1, message = "At least one day.") @Max(value = 365, message = "At most 365 days.") int soonDays, @Min(value = 1, message = "At least one day.") @Max(value = 365, message = "At most 365 days.") int checkedOutDays,
      @Min(value = 0, message = "Not below 0 people.") @Max(value = 1000, message = "At most 1,000 people.") int nearlySamePeople,
      @Min(value = 7, message = "At least seven days.") @Max(value = 1000, message = "At most 1,000 days.") int unusedDays, @Min(value = 1, message = "At least one day.") @Max(value = 365, message = "At most 365 days.") int draftDays) {}

  record FindingSettingsView(FindingLimits limits, List<RuleSetting> rules) {}

  record ToSwitchOff(@NotBlank(message = "Say why it is not looked for.") @Size(max = 1000, message = "A reason has at most 1,000 characters.") String reason) {}

  private final FindingSettings settings;
  private final Accounts accounts;
  private final Clock clock;

  FindingSettingsController(FindingSettings settings, Accounts accounts, Clock clock) {
    this.settings = settings;
    this.accounts = accounts;
    this.clock = clock;
  }

  @GetMapping
  FindingSettingsView settings() {
    FindingSettings.Settings now = settings.now();
    return new FindingSettingsView(new FindingLimits(now.limits().soonDays(), now.limits().checkedOutDays(), now.limits().nearlySamePeople(), now.limits().unusedDays(), now.limits().draftDays()), Rules.ALL.stream().map(rule -> {
      FindingSettings.Off off = now.off().get(rule.code());
      return new RuleSetting(rule.code(), rule.severity(), rule.title(), off == null ? null : new SwitchedOff(off.byName(), off.at(), off.reason()));
    }).toList());
  }

  @PostMapping("/limits")
  FindingSettingsView limit(@Valid @RequestBody FindingLimits limits) {
    settings.limit(new Limits(limits.soonDays(), limits.checkedOutDays(), limits.nearlySamePeople(), limits.unusedDays(), limits.draftDays(), Limits.USUAL.evidenceAtMost()));
    return settings();
  }

  @PostMapping("/off/{rule}")
  FindingSettingsView switchOff(@PathVariable String rule, @Valid @RequestBody ToSwitchOff asked, Principal who) {
    new Written().text("reason", asked.reason()).refuse("The rule was not switched off.");
    if (Rules.of(rule).isEmpty()) {
      throw Problem.notFound("rule", rule);
    }
    settings.switchOff(rule, asked.reason().strip(), who.getName(), accounts.nameOf(who.getName()), clock.instant());
    return settings();
  }

  @DeleteMapping("/off/{rule}")
  FindingSettingsView switchOn(@PathVariable String rule) {
    if (!settings.switchOn(rule)) {
      throw Problem.notFound("rule that is switched off", rule);
    }
    return settings();
  }
}
