package palegate.server.approvals;

import java.security.Principal;
import java.util.Comparator;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.Duty;
import palegate.core.structure.Structure;
import palegate.server.drafts.DraftedState;

/** Which drafts a second person must approve, as the asker's draft would have it. Rules are changed by drafts like everything else. */
@RestController
@RequestMapping("/api/approval-rules")
class ApprovalRulesController {
  record RulePlace(String id, String name) {}

  record RuleView(String id, String name, List<String> kinds, List<String> duties, boolean outsidersGain, List<RulePlace> places, String duty,
      DraftedState.Drafted drafted) {}

  private final DraftedState shown;

  ApprovalRulesController(DraftedState shown) {
    this.shown = shown;
  }

  @GetMapping
  List<RuleView> rules(Principal who) {
    DraftedState.State state = shown.to(who.getName());
    return state.structure().approvals().values().stream().sorted(Comparator.comparing(ApprovalRule::name)).map(rule -> view(rule, state)).toList();
  }

  private static RuleView view(ApprovalRule rule, DraftedState.State state) {
    return new RuleView(rule.id(), rule.name(), rule.when().kinds().stream().sorted().toList(), rule.when().duties().stream().map(Duty::word).sorted().toList(),
        rule.when().outsidersGain(), rule.when().places().stream().sorted().map(place -> new RulePlace(place, state.structure().places().get(place).name())).toList(),
        rule.duty().word(), state.drafted(Structure::approvals, rule.id()));
  }
}
