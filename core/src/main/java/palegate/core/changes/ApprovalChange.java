package palegate.core.changes;

import java.util.Objects;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.Duty;

/** A change of the rules that say which drafts a second person must approve (section 8). */
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

  /** Puts a rule there: a new one, or a changed one in the place of the rule with that id. A criterion that is left out is not given. */
  record SetApproval(ApprovalRule rule) implements ApprovalChange {
    static final Shape<SetApproval> SHAPE = Shape.<SetApproval>named("SetApproval")
        .made("approval", "ap", SetApproval::approval).needed("name", FieldType.NAME, "Give the rule a name.", set -> set.rule.name())
        .ids("kinds", "kinds", set -> set.rule.when().kinds())
        .optional("duties", FieldType.list(FieldType.constant(Duty.class), 0, Duty.values().length, "duties"), set -> set.rule.when().duties().stream().sorted().toList())
        .flag("outsidersGain", set -> set.rule.when().outsidersGain()).ids("places", "places", set -> set.rule.when().places())
        .needed("duty", FieldType.constant(Duty.class), "Name the duty of who approves.", set -> set.rule.duty())
        .readBy(values -> new SetApproval(new ApprovalRule(values.text("approval"), values.text("name"),
            new ApprovalRule.When(values.set("kinds"), values.set("duties"), values.flag("outsidersGain"), values.set("places")), values.get("duty"))));

    public SetApproval {
      Objects.requireNonNull(rule);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_APPROVAL;
    }

    @Override
    public String approval() {
      return rule.id();
    }

    @Override
    public void make(Making on) {
      Checks checks = on.checks(this).places(rule.when().places());
      rule.when().kinds().stream().sorted().forEach(kind -> checks.refuseIf(ChangeKind.parse(kind).isEmpty(), "There is no kind of change [" + kind + "]: the rule would never apply.",
          "Name kinds as the interface of the application does, such as addGrant."));
      if (checks.passed()) {
        on.pending.put(rule);
      }
    }

    @Override
    public String words(Wording names) {
      return (names.before().approvals().containsKey(rule.id()) ? "Change the rule of approval " : "Ask for approval: ") + rule.name()
          + ", by somebody with the duty " + rule.duty().word();
    }
  }

  /** Takes a rule away. */
  record RemoveApproval(String approval) implements ApprovalChange {
    static final Shape<RemoveApproval> SHAPE = Shape.<RemoveApproval>named("RemoveApproval")
        .needed("approval", FieldType.ID, "Name a rule.", RemoveApproval::approval).readBy(values -> new RemoveApproval(values.text("approval")));

    public RemoveApproval {
      Objects.requireNonNull(approval);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_APPROVAL;
    }

    @Override
    public void make(Making on) {
      ApprovalRule known = on.pending.approval(approval);
      if (known == null) {
        on.refuseGone(this, "There is no rule of approval [" + approval + "] (any more).");
      } else {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      return "No longer ask for approval: " + names.name("approval", approval);
    }
  }
}
