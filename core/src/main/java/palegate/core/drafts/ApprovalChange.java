package palegate.core.drafts;

import java.util.Objects;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.Duty;

/** A change of the rules that say which drafts a second person must approve. */
public sealed interface ApprovalChange extends Change {
  /** The id of the rule. */
  String approval();

  @Override
  default String thing() {
    return "approval:" + approval();
  }

  @Override
  default Duty duty() {
    return Duty.ACCESS;
  }

  /** Puts a rule there: a new one, or a changed one in the place of the rule with that id. */
  record SetApproval(ApprovalRule rule) implements ApprovalChange {
    public SetApproval {
      Objects.requireNonNull(rule);
    }

    @Override
    public String approval() {
      return rule.id();
    }
  }

  /** Takes a rule away. */
  record RemoveApproval(String approval) implements ApprovalChange {
    public RemoveApproval {
      Objects.requireNonNull(approval);
    }
  }
}
