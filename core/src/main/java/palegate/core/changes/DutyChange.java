package palegate.core.changes;

import java.util.List;
import java.util.Objects;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;

/** A change of who administers what (section 9). */
public sealed interface DutyChange extends Change {
  /** The id of the assignment. */
  String assignment();

  @Override
  default String thing() {
    return "duty:" + assignment();
  }

  @Override
  default Duty duty() {
    return Duty.SYSTEM;
  }

  /** Hands a duty out, or changes the one with that id: its scope, ceiling or dates. */
  record SetDuty(DutyAssignment given) implements DutyChange {
    static final Shape<SetDuty> SHAPE = Shape.<SetDuty>named("SetDuty")
        .made("assignment", "du", SetDuty::assignment).subject(set -> set.given.subject())
        .needed("duty", FieldType.constant(Duty.class), "Name a duty.", set -> set.given.duty())
        .optional("place", FieldType.ID, set -> set.given.place()).optional("unit", FieldType.ID, set -> set.given.unit())
        .optional("ceiling", FieldType.ID, set -> set.given.ceiling()).period(set -> set.given.period())
        .readBy(values -> new SetDuty(new DutyAssignment(values.text("assignment"), values.subject(), values.get("duty"), values.text("place"), values.text("unit"),
            values.text("ceiling"), values.period())));

    public SetDuty {
      Objects.requireNonNull(given);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_DUTY;
    }

    @Override
    public String assignment() {
      return given.id();
    }

    @Override
    public void make(Making on) {
      DutyAssignment known = on.pending.duty(given.id());
      Checks checks = on.checks(this).subject(given.subject())
          .refuseIf(given.period().endedBy(on.now) && (known == null || !known.period().endedBy(on.now)), "The duty would already have ended at [" + given.period().until() + "].",
              "Choose an end that is still to come, or end it now.");
      given.wrong().ifPresent(wrong -> checks.refuseIf(true, wrong.what(), wrong.remedy()));
      if (given.place() != null) {
        checks.places(List.of(given.place()));
      }
      checks.refuseIf(given.unit() != null && on.pending.unit(given.unit()) == null, "There is no unit [" + given.unit() + "] (any more).", "Choose a unit that exists, or none.");
      if (given.ceiling() != null) {
        checks.role(given.ceiling());
      }
      if (checks.passed()) {
        on.pending.put(given);
      }
    }

    @Override
    public String words(Wording names) {
      String scope = given.place() != null ? " at “" + names.name("place", given.place()) + "” and below"
          : given.unit() != null ? " for “" + names.name("unit", given.unit()) + "” and below" : "";
      return (names.before().duties().containsKey(given.id()) ? "Change a duty: " : "Hand out a duty: ") + given.duty().word() + " to " + names.subject(given.subject()) + scope
          + (given.ceiling() == null ? "" : ", giving at most " + names.role(given.ceiling())) + Wording.during(given.period());
    }
  }

  /** Takes a duty back. */
  record RemoveDuty(String assignment) implements DutyChange {
    static final Shape<RemoveDuty> SHAPE = Shape.<RemoveDuty>named("RemoveDuty")
        .needed("assignment", FieldType.ID, "Name a duty that is held.", RemoveDuty::assignment).readBy(values -> new RemoveDuty(values.text("assignment")));

    public RemoveDuty {
      Objects.requireNonNull(assignment);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_DUTY;
    }

    @Override
    public void make(Making on) {
      DutyAssignment known = on.pending.duty(assignment);
      if (known == null) {
        on.refuseGone(this, "Nobody holds the duty [" + assignment + "] (any more).");
      } else {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      DutyAssignment was = names.before().duties().get(assignment);
      return was == null ? "Take back a duty that is no longer held" : "Take back a duty: " + was.duty().word() + " from " + names.subject(was.subject());
    }
  }
}
