package palegate.core.drafts;

import palegate.core.approvals.ApprovalRule;

/** Makes changes of the rules of approval. */
final class ApprovalChanges {
  private final Pending pending;
  private final Refuser refuser;

  ApprovalChanges(Pending pending, Refuser refuser) {
    this.pending = pending;
    this.refuser = refuser;
  }

  void make(ApprovalChange change) {
    if (change instanceof ApprovalChange.SetApproval set) {
      ApprovalRule rule = set.rule();
      Checks checks = new Checks(pending, refuser);
      rule.when().places().stream().sorted().forEach(place -> checks.refuseIf(pending.place(place) == null, set,
          "There is no place [" + place + "] (any more).", "Choose places that exist."));
      if (checks.passed()) {
        pending.put(rule);
      }
      return;
    }
    ApprovalRule rule = pending.approval(change.approval());
    if (rule == null) {
      refuser.refuse(change, "There is no rule of approval [" + change.approval() + "] (any more).", "Remove this change from the draft.");
    } else {
      pending.remove(rule);
    }
  }
}
