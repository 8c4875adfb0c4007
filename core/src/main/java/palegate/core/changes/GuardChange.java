package palegate.core.changes;

import java.time.Instant;
import java.util.Objects;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;

/** A change of what limits a place: its ceiling, its house rules, or the conditions of a document (section 5). */
public sealed interface GuardChange extends ChangeAtPlace {
  /** Sets the ceiling and house rules of a place. */
  record SetGuards(String place, Guards guards) implements GuardChange {
    static final Shape<SetGuards> SHAPE = Shape.<SetGuards>named("SetGuards")
        .place(SetGuards::place).optional("ceiling", FieldType.ID, set -> set.guards.ceiling())
        .flag("reserveSharing", set -> set.guards.reserveSharing()).flag("noTakeaway", set -> set.guards.noTakeaway())
        .readBy(values -> {
          Guards guards = new Guards(values.text("ceiling"), values.flag("reserveSharing"), values.flag("noTakeaway"));
          return new SetGuards(values.text("place"), guards.any() ? guards : Guards.NONE);
        });

    public SetGuards {
      Objects.requireNonNull(place);
      Objects.requireNonNull(guards);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_GUARDS;
    }

    @Override
    public void make(Making on) {
      Place at = on.place(this, place);
      if (at != null && (guards.ceiling() == null || on.checks(this).role(guards.ceiling()).passed())) {
        on.pending.put(at.guarded(guards));
      }
    }

    @Override
    public String words(Wording names) {
      String rules = guards.reserveSharing() && guards.noTakeaway() ? "sharing is reserved, and copies are for those who revise" : guards.reserveSharing() ? "sharing reserved"
          : guards.noTakeaway() ? "copies are for those who revise" : "no house rules";
      return (guards.ceiling() == null ? "No ceiling for outsiders" : "Outsiders get " + names.role(guards.ceiling()) + " at most") + ", " + rules;
    }
  }

  /** Releases a document from a condition. */
  record Release(String place, Conditions.Condition condition) implements GuardChange {
    static final Shape<Release> SHAPE = Shape.<Release>named("Release")
        .needed("place", FieldType.ID, "Name a document.", Release::place)
        .needed("condition", FieldType.constant(Conditions.Condition.class), "Name a condition.", Release::condition)
        .readBy(values -> new Release(values.text("place"), values.get("condition")));

    public Release {
      Objects.requireNonNull(place);
      Objects.requireNonNull(condition);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.RELEASE;
    }

    @Override
    public void make(Making on) {
      Place at = on.place(this, place);
      if (at != null && !at.conditions().has(condition)) {
        on.refuseGone(this, "[" + at.name() + "] is not " + condition.words() + " (any more).");
      } else if (at != null) {
        on.pending.put(at.in(at.conditions().released(condition)));
      }
    }

    @Override
    public String words(Wording names) {
      return "Release from being " + condition.words();
    }
  }

  /**
   * Puts a document under a condition, as the reverse of a release.
   *
   * @param by who has it checked out; null for the other conditions
   * @param since since when they have; null for the other conditions
   */
  record PutUnder(String place, Conditions.Condition condition, String by, Instant since) implements GuardChange {
    static final Shape<PutUnder> SHAPE = Shape.<PutUnder>named("PutUnder")
        .needed("place", FieldType.ID, "Name a document.", PutUnder::place)
        .needed("condition", FieldType.constant(Conditions.Condition.class), "Name a condition.", PutUnder::condition)
        .optional("by", FieldType.ID, PutUnder::by).optional("since", FieldType.INSTANT, PutUnder::since)
        .readBy(values -> new PutUnder(values.text("place"), values.get("condition"), values.text("by"), values.get("since")));

    public PutUnder {
      Objects.requireNonNull(place);
      Objects.requireNonNull(condition);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.PUT_UNDER;
    }

    @Override
    public void make(Making on) {
      Place at = on.place(this, place);
      if (at == null) {
        return;
      }
      boolean checkOut = condition == Conditions.Condition.CHECKED_OUT;
      Checks checks = on.checks(this)
          .refuseIf(!at.isDocument(), "[" + at.name() + "] is not a document.", "Choose a document.")
          .refuseIf(at.conditions().has(condition), "[" + at.name() + "] is " + condition.words() + " already.", "Remove this change from the draft.")
          .refuseIf(condition == Conditions.Condition.PRIVATE && at.owner() == null, "[" + at.name() + "] has no owner, and what is private has one.", "Name an owner first.")
          .refuseIf(checkOut && (by == null || on.pending.person(by) == null), "There is no person [" + by + "] (any more) who could have it checked out.",
              "Remove this change from the draft.");
      if (checks.passed()) {
        on.pending.put(at.in(at.conditions().with(condition, new Conditions(true, true, by, since))));
      }
    }

    @Override
    public String words(Wording names) {
      return "Make it " + condition.words() + " again" + (by == null ? "" : " by " + names.name("person", by));
    }
  }
}
