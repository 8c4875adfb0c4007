package palegate.core.changes;

import java.util.Objects;
import palegate.core.duties.Duty;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;

/** A change of who is cleared for a document type (section 5). */
public sealed interface ClearanceChange extends Change {
  /** The id of the type. */
  String type();

  Clearance clearance();

  @Override
  default String thing() {
    return "type:" + type();
  }

  @Override
  default Duty duty() {
    return Duty.TYPES;
  }

  private static <C extends ClearanceChange> Shape.Builder<C> shape(String name) {
    return Shape.<C>named(name).needed("type", FieldType.ID, "Name a type.", ClearanceChange::type)
        .subject(change -> change.clearance().subject()).role(change -> change.clearance().role()).period(change -> change.clearance().period());
  }

  private static Clearance clearance(Values values) {
    return new Clearance(values.subject(), values.text("role"), values.period());
  }

  private static DocumentType type(ClearanceChange change, Making on) {
    DocumentType type = on.pending.type(change.type());
    if (type == null) {
      on.refuseGone(change, "There is no document type [" + change.type() + "] (any more).");
    }
    return type;
  }

  /** Clears a subject for a type. */
  record AddClearance(String type, Clearance clearance) implements ClearanceChange {
    static final Shape<AddClearance> SHAPE = ClearanceChange.<AddClearance>shape("AddClearance")
        .readBy(values -> new AddClearance(values.text("type"), ClearanceChange.clearance(values)));

    public AddClearance {
      Objects.requireNonNull(type);
      Objects.requireNonNull(clearance);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.ADD_CLEARANCE;
    }

    @Override
    public void make(Making on) {
      DocumentType of = ClearanceChange.type(this, on);
      if (of != null && on.checks(this).subject(clearance.subject()).role(clearance.role())
          .refuseIf(of.clearances().contains(clearance), "[" + of.name() + "] has the very same clearance already.", "Remove this change from the draft.").passed()) {
        on.pending.put(of.cleared(Lists.with(of.clearances(), clearance)));
      }
    }

    @Override
    public String words(Wording names) {
      return "Clear " + names.subject(clearance.subject()) + " as " + names.role(clearance.role()) + " for " + names.name("type", type) + Wording.during(clearance.period());
    }
  }

  /** Takes a clearance, exactly as it stands, away. */
  record RemoveClearance(String type, Clearance clearance) implements ClearanceChange {
    static final Shape<RemoveClearance> SHAPE = ClearanceChange.<RemoveClearance>shape("RemoveClearance")
        .readBy(values -> new RemoveClearance(values.text("type"), ClearanceChange.clearance(values)));

    public RemoveClearance {
      Objects.requireNonNull(type);
      Objects.requireNonNull(clearance);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_CLEARANCE;
    }

    @Override
    public void make(Making on) {
      DocumentType of = ClearanceChange.type(this, on);
      if (of != null && of.clearances().contains(clearance)) {
        on.pending.put(of.cleared(Lists.without(of.clearances(), clearance)));
      } else if (of != null) {
        on.refuseGone(this, "[" + of.name() + "] has no such clearance (any more).");
      }
    }

    @Override
    public String words(Wording names) {
      return "End the clearance of " + names.subject(clearance.subject()) + " for " + names.name("type", type);
    }
  }
}
