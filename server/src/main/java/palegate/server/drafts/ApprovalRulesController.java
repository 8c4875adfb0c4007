package palegate.server.drafts;

import java.security.Principal;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.places.PlaceKind;
import palegate.core.structure.Structure;
import palegate.server.session.Duty;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;

/** Where a second person has to approve drafts: set for a duty, or for a library. */
@RestController
@RequestMapping("/api/approval-rules")
class ApprovalRulesController {
  record RuleView(long id, @MayBeMissing String duty, @MayBeMissing String library, @MayBeMissing String libraryName) {}

  /** Exactly one of the two. */
  record NewRule(@MayBeMissing Duty duty, @MayBeMissing String library) {}

  private final Approvals approvals;
  private final Shown shown;

  ApprovalRulesController(Approvals approvals, Shown shown) {
    this.approvals = approvals;
    this.shown = shown;
  }

  @GetMapping
  List<RuleView> rules(Principal who) {
    Structure structure = shown.to(who.getName()).before().structure();
    return approvals.rules().stream().map(rule -> new RuleView(rule.id(), rule.duty(), rule.library(),
        rule.library() == null || !structure.places().containsKey(rule.library()) ? null : structure.places().get(rule.library()).name())).toList();
  }

  @PostMapping
  List<RuleView> add(@RequestBody NewRule rule, Principal who) {
    Structure structure = shown.to(who.getName()).before().structure();
    boolean library = rule.library() != null && structure.places().containsKey(rule.library())
        && structure.places().get(rule.library()).kind() == PlaceKind.LIBRARY;
    if ((rule.duty() == null) == (rule.library() == null) || rule.library() != null && !library || rule.duty() == Duty.AUDIT) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-such-rule", "Not a rule", "Name a duty that changes things, or a library: one of the two.");
    }
    approvals.addRule(rule.duty(), rule.library());
    return rules(who);
  }

  @DeleteMapping("/{id}")
  List<RuleView> remove(@PathVariable long id, Principal who) {
    approvals.removeRule(id);
    return rules(who);
  }
}
