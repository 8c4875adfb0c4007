package palegate.core.changes;

import java.util.Objects;
import palegate.core.access.Grant;
import palegate.core.sharing.SharingRule;

/** A change of who is let in at a place by sharing, and of what the place says about it (section 11). */
public sealed interface ShareChange extends ChangeAtPlace {

  /** Adds a grant that somebody makes with {@code share}, or that was made through a pass; undoing brings them back as what they were. */
  record AddShare(Grant grant) implements ShareChange {
    static final Shape<AddShare> SHAPE = Shape.<AddShare>named("AddShare")
        .made("entry", "e", add -> add.grant.id()).place(add -> add.grant.place()).subject(add -> add.grant.subject()).role(add -> add.grant.role())
        .ids("types", "document types", add -> add.grant.types()).period(add -> add.grant.period()).note(add -> add.grant.note())
        .optional("sharedBy", FieldType.ID, add -> add.grant.sharedBy()).optional("pass", FieldType.ID, add -> add.grant.pass())
        .readBy(values -> new AddShare(new Grant(values.text("entry"), values.text("place"), values.subject(), values.text("role"), values.set("types"),
            values.period(), values.text("note"), values.text("sharedBy"), values.text("pass"))));

    public AddShare {
      Objects.requireNonNull(grant);
      if (!grant.isShare()) {
        throw new IllegalArgumentException("The share does not say who made it. Name who shares in [sharedBy], or the [pass] through which it was made.");
      }
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.ADD_SHARE;
    }

    @Override
    public String place() {
      return grant.place();
    }

    @Override
    public void make(Making on) {
      boolean knownMaker = grant.sharedBy() == null || on.pending.person(grant.sharedBy()) != null;
      boolean knownPass = grant.pass() == null || on.pending.pass(grant.pass()) != null;
      on.checks(this).refuseIf(!knownMaker, "There is no person [" + grant.sharedBy() + "].", "Name who shares.")
          .refuseIf(!knownPass, "There is no pass [" + grant.pass() + "] (any more).", "Remove this change from the draft.");
      if (knownMaker && knownPass) {
        AccessList.add(on, this, grant);
      }
    }

    @Override
    public String words(Wording names) {
      return "Share: give " + names.role(grant.role()) + " to " + names.subject(grant.subject()) + names.onlyFor(grant.types()) + Wording.during(grant.period())
          + (grant.sharedBy() == null ? ", through a pass" : ", by " + names.name("person", grant.sharedBy()));
    }
  }

  /** Takes a share back, with what a break below carried over of it. */
  record TakeBackShare(String place, String share) implements ShareChange {
    static final Shape<TakeBackShare> SHAPE = Shape.<TakeBackShare>named("TakeBackShare")
        .needed("entry", FieldType.ID, "Name the share.", TakeBackShare::share).place(TakeBackShare::place)
        .readBy(values -> new TakeBackShare(values.text("place"), values.text("entry")));

    public TakeBackShare {
      Objects.requireNonNull(place);
      Objects.requireNonNull(share);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.TAKE_BACK_SHARE;
    }

    @Override
    public void make(Making on) {
      Grant known = on.pending.grant(share);
      if (known == null || !known.place().equals(place) || !known.isShare()) {
        on.refuseGone(this, "The share [" + share + "] does not stand at this place (any more).");
        return;
      }
      on.pending.remove(known);
      on.pending.shares().asOf(known).stream().filter(copy -> on.pending.isAtOrBelow(copy.place(), place)).forEach(on.pending::remove);
    }

    @Override
    public String words(Wording names) {
      return "Take back what was shared: " + names.entry(names.before().grants().get(share));
    }
  }

  /** Says who may share at a place and below, with whom, how much and for how long. */
  record SetSharing(SharingRule rule) implements ShareChange {
    static final Shape<SetSharing> SHAPE = Shape.<SetSharing>named("SetSharing")
        .place(set -> set.rule.place()).needed("who", FieldType.constant(SharingRule.Who.class), "Say NOBODY, KEEPERS or SHARERS.", set -> set.rule.who())
        .flag("outsiders", set -> set.rule.outsiders()).optional("role", FieldType.ID, set -> set.rule.role())
        .optional("days", FieldType.whole(1, SharingRule.DAYS_AT_MOST, "Say for how many days at most, or leave it out."), set -> set.rule.days())
        .readBy(values -> new SetSharing(new SharingRule(values.text("place"), values.get("who"), values.flag("outsiders"), values.text("role"), values.get("days"))));

    public SetSharing {
      Objects.requireNonNull(rule);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_SHARING;
    }

    @Override
    public String place() {
      return rule.place();
    }

    @Override
    public void make(Making on) {
      if (on.place(this, place()) == null) {
        return;
      }
      Checks checks = on.checks(this);
      if (rule.role() != null) {
        checks.role(rule.role());
      }
      if (checks.passed()) {
        on.pending.put(rule);
      }
    }

    @Override
    public String words(Wording names) {
      return (rule.who() == SharingRule.Who.NOBODY ? "Nobody shares here and below" : (rule.who() == SharingRule.Who.KEEPERS ? "Only keepers share" : "Whoever may share shares")
          + " here and below, " + (rule.outsiders() ? "also with outsiders" : "with no outsiders") + (rule.role() == null ? "" : ", giving at most " + names.role(rule.role()))
          + (rule.days() == null ? "" : ", for at most " + rule.days() + (rule.days() == 1 ? " day" : " days")));
    }
  }

  /** The place no longer says anything about sharing; what is said above it holds. */
  record RemoveSharing(String place) implements ShareChange {
    static final Shape<RemoveSharing> SHAPE = Shape.<RemoveSharing>named("RemoveSharing").place(RemoveSharing::place).readBy(values -> new RemoveSharing(values.text("place")));

    public RemoveSharing {
      Objects.requireNonNull(place);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_SHARING;
    }

    @Override
    public void make(Making on) {
      SharingRule known = on.pending.sharing(place);
      if (known == null) {
        on.refuseGone(this, "The place [" + place + "] says nothing about sharing (any more).");
      } else {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      return "Say nothing about sharing here: what is said above holds";
    }
  }
}
