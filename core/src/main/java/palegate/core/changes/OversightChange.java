package palegate.core.changes;

import java.util.Objects;
import palegate.core.access.Oversight;
import palegate.core.duties.Duty;

/** A change of who oversees a place (section 6). */
public sealed interface OversightChange extends ChangeAtPlace {
  @Override
  default Duty duty() {
    return Duty.OVERSIGHT;
  }

  /** Appoints an overseer. */
  record AddOversight(Oversight oversight) implements OversightChange {
    static final Shape<AddOversight> SHAPE = Shape.<AddOversight>named("AddOversight")
        .made("entry", "e", add -> add.oversight.id()).place(add -> add.oversight.place()).subject(add -> add.oversight.subject())
        .period(add -> add.oversight.period()).note(add -> add.oversight.note())
        .readBy(values -> new AddOversight(new Oversight(values.text("entry"), values.text("place"), values.subject(), values.period(), values.text("note"))));

    public AddOversight {
      Objects.requireNonNull(oversight);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.ADD_OVERSIGHT;
    }

    @Override
    public String place() {
      return oversight.place();
    }

    @Override
    public void make(Making on) {
      if (on.place(this, place()) == null) {
        return;
      }
      Checks checks = on.checks(this)
          .refuseIf(on.pending.oversight(oversight.id()) != null, "The id [" + oversight.id() + "] is taken.", "Appoint under another id.")
          .subject(oversight.subject())
          .refuseIf(oversight.period().endedBy(on.now), "The oversight would already have ended at [" + oversight.period().until() + "].",
              "Choose an end that is still to come, or none.");
      if (checks.passed()) {
        on.pending.put(oversight);
      }
    }

    @Override
    public String words(Wording names) {
      return "Appoint " + names.subject(oversight.subject()) + " overseer" + Wording.during(oversight.period());
    }
  }

  /** Ends an appointment that stands at the place. */
  record RemoveOversight(String place, String oversight) implements OversightChange {
    static final Shape<RemoveOversight> SHAPE = Shape.<RemoveOversight>named("RemoveOversight")
        .needed("entry", FieldType.ID, "Name the oversight.", RemoveOversight::oversight).place(RemoveOversight::place)
        .readBy(values -> new RemoveOversight(values.text("place"), values.text("entry")));

    public RemoveOversight {
      Objects.requireNonNull(place);
      Objects.requireNonNull(oversight);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_OVERSIGHT;
    }

    @Override
    public void make(Making on) {
      Oversight known = on.pending.oversight(oversight);
      if (on.place(this, place) == null) {
        return;
      }
      if (known == null || !known.place().equals(place)) {
        on.refuseGone(this, "The oversight [" + oversight + "] does not stand at this place (any more).");
      } else {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      return "End an oversight";
    }
  }
}
