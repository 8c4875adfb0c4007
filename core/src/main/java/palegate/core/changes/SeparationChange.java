package palegate.core.changes;

import java.util.Objects;
import java.util.stream.Stream;
import palegate.core.duties.Duty;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.separations.Separation;

/** A change of what no one person may hold together (section 13). */
public sealed interface SeparationChange extends Change {
  /** The id of the separation. */
  String separation();

  @Override
  default String thing() {
    return "separation:" + separation();
  }

  @Override
  default Duty duty() {
    return Duty.ACCESS;
  }

  /** Puts a separation there, or another one in the place of the one with that id. */
  record SetSeparation(Separation given) implements SeparationChange {
    private static final Shape<Separation.Side> SIDE = Shape.<Separation.Side>named("SeparationSide")
        .ids("roles", "roles", Separation.Side::roles)
        .optional("rights", FieldType.list(FieldType.word(Right.words()), 0, Right.values().length, "rights"), side -> side.rights().words())
        .ids("groups", "groups", Separation.Side::groups)
        .optional("duties", FieldType.list(FieldType.constant(Duty.class), 0, Duty.values().length, "duties"), side -> side.duties().stream().sorted().toList())
        .ids("types", "document types", Separation.Side::types)
        .readBy(values -> new Separation.Side(values.set("roles"), Rights.parse(values.list("rights")), values.set("groups"), values.set("duties"), values.set("types")));

    static final Shape<SetSeparation> SHAPE = Shape.<SetSeparation>named("SetSeparation")
        .made("separation", "se", SetSeparation::separation).needed("name", FieldType.NAME, "Give the separation a name.", set -> set.given.name())
        .optional("reason", FieldType.STRIPPED_TEXT, set -> set.given.reason()).flag("needsApproval", set -> set.given.needsApproval())
        .needed("within", FieldType.constant(Separation.Within.class), "Say PLACE or ANYWHERE.", set -> set.given.within())
        .needed("sides", FieldType.list(SIDE, 2, Separation.SIDES_AT_MOST, "sides"), "Say what is not held together.", set -> set.given.sides())
        .readBy(values -> new SetSeparation(new Separation(values.text("separation"), values.text("name"), values.text("reason"), values.flag("needsApproval"), values.get("within"),
            values.list("sides"))));

    public SetSeparation {
      Objects.requireNonNull(given);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_SEPARATION;
    }

    @Override
    public String separation() {
      return given.id();
    }

    @Override
    public void make(Making on) {
      Checks checks = on.checks(this);
      given.sides().forEach(side -> {
        side.roles().stream().sorted().forEach(checks::role);
        checks.types(side.types());
        side.groups().stream().sorted().forEach(group -> checks.refuseIf(on.pending.group(group) == null, "There is no group [" + group + "] (any more).", "Choose groups that exist."));
      });
      if (checks.passed()) {
        on.pending.put(given);
      }
    }

    @Override
    public String words(Wording names) {
      return (names.before().separations().containsKey(given.id()) ? "Change what is kept apart: " : "Keep apart: ") + given.name()
          + (given.within() == Separation.Within.PLACE ? ", at one place" : ", anywhere") + (given.needsApproval() ? ", asking for approval" : "");
    }
  }

  /** Takes a separation away. */
  record RemoveSeparation(String separation) implements SeparationChange {
    static final Shape<RemoveSeparation> SHAPE = Shape.<RemoveSeparation>named("RemoveSeparation")
        .needed("separation", FieldType.ID, "Name a separation.", RemoveSeparation::separation).readBy(values -> new RemoveSeparation(values.text("separation")));

    public RemoveSeparation {
      Objects.requireNonNull(separation);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_SEPARATION;
    }

    @Override
    public void make(Making on) {
      Separation known = on.pending.separation(separation);
      if (known == null) {
        on.refuseGone(this, "There is no separation [" + separation + "] (any more).");
      } else {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      return "No longer keep apart: " + Stream.ofNullable(names.before().separations().get(separation)).map(Separation::name).findFirst().orElse(separation);
    }
  }
}
