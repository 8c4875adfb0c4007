package palegate.core.changes;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/** A change of one place's access list, or of whether it follows its parent's (section 4). */
public sealed interface AccessChange extends ChangeAtPlace {
  /** So many entries of its own a rejoined place may keep: an undone break can have that many. */
  int KEPT_AT_MOST = 100_000;

  /** The change that adds a grant: as a share, if it is one. */
  static ChangeAtPlace adding(Grant grant) {
    return grant.isShare() ? new ShareChange.AddShare(grant) : new AddGrant(grant);
  }

  /** Adds a grant. */
  record AddGrant(Grant grant) implements AccessChange {
    static final Shape<AddGrant> SHAPE = Shape.<AddGrant>named("AddGrant")
        .made("entry", "e", add -> add.grant.id()).place(add -> add.grant.place()).subject(add -> add.grant.subject()).role(add -> add.grant.role())
        .ids("types", "document types", add -> add.grant.types()).period(add -> add.grant.period()).note(add -> add.grant.note())
        .readBy(values -> new AddGrant(new Grant(values.text("entry"), values.text("place"), values.subject(), values.text("role"), values.set("types"),
            values.period(), values.text("note"))));

    public AddGrant {
      Objects.requireNonNull(grant);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.ADD_GRANT;
    }

    @Override
    public String place() {
      return grant.place();
    }

    @Override
    public void make(Making on) {
      AccessList.add(on, this, grant);
    }

    @Override
    public String words(Wording names) {
      return "Give " + names.role(grant.role()) + " to " + names.subject(grant.subject()) + names.onlyFor(grant.types()) + Wording.during(grant.period());
    }
  }

  /** Removes a grant that stands at the place. */
  record RemoveGrant(String place, String grant) implements AccessChange {
    static final Shape<RemoveGrant> SHAPE = Shape.<RemoveGrant>named("RemoveGrant")
        .needed("entry", FieldType.ID, "Name the grant.", RemoveGrant::grant).place(RemoveGrant::place)
        .readBy(values -> new RemoveGrant(values.text("place"), values.text("entry")));

    public RemoveGrant {
      Objects.requireNonNull(place);
      Objects.requireNonNull(grant);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_GRANT;
    }

    @Override
    public void make(Making on) {
      AccessList.remove(on, this, on.pending.grant(grant), "grant", grant);
    }

    @Override
    public String words(Wording names) {
      return "Remove the grant of " + names.entry(names.before().grants().get(grant));
    }
  }

  /** Adds a withholding. */
  record AddWithholding(Withholding withholding) implements AccessChange {
    static final Shape<AddWithholding> SHAPE = Shape.<AddWithholding>named("AddWithholding")
        .made("entry", "e", add -> add.withholding.id()).place(add -> add.withholding.place()).subject(add -> add.withholding.subject())
        .needed("rights", FieldType.list(FieldType.word(Right.words()), 1, Right.values().length, "rights"), "Name at least one right.", add -> add.withholding.rights().words())
        .ids("types", "document types", add -> add.withholding.types()).period(add -> add.withholding.period()).note(add -> add.withholding.note())
        .readBy(values -> new AddWithholding(new Withholding(values.text("entry"), values.text("place"), values.subject(), Rights.parse(values.list("rights")),
            values.set("types"), values.period(), values.text("note"))));

    public AddWithholding {
      Objects.requireNonNull(withholding);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.ADD_WITHHOLDING;
    }

    @Override
    public String place() {
      return withholding.place();
    }

    @Override
    public void make(Making on) {
      AccessList.add(on, this, withholding);
    }

    @Override
    public String words(Wording names) {
      return "Withhold " + String.join(", ", withholding.rights().words()) + " from " + names.subject(withholding.subject())
          + names.onlyFor(withholding.types()) + Wording.during(withholding.period());
    }
  }

  /** Removes a withholding that stands at the place. */
  record RemoveWithholding(String place, String withholding) implements AccessChange {
    static final Shape<RemoveWithholding> SHAPE = Shape.<RemoveWithholding>named("RemoveWithholding")
        .needed("entry", FieldType.ID, "Name the withholding.", RemoveWithholding::withholding).place(RemoveWithholding::place)
        .readBy(values -> new RemoveWithholding(values.text("place"), values.text("entry")));

    public RemoveWithholding {
      Objects.requireNonNull(place);
      Objects.requireNonNull(withholding);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_WITHHOLDING;
    }

    @Override
    public void make(Making on) {
      AccessList.remove(on, this, on.pending.withholding(withholding), "withholding", withholding);
    }

    @Override
    public String words(Wording names) {
      return "Remove the withholding of " + names.entry(names.before().withholdings().get(withholding));
    }
  }

  /** What a broken place starts with. */
  enum Start {
    /** The entries that reached the place become its own. */
    CARRY_OVER,
    /** Nothing but the place's own entries. */
    EMPTY
  }

  /** Who governs a place from its break on. */
  record Keeper(Subject subject, String role) {
    static final Shape<Keeper> SHAPE = Shape.<Keeper>named("Keeper").subject(Keeper::subject).role(Keeper::role)
        .readBy(values -> new Keeper(values.subject(), values.text("role")));

    public Keeper {
      Objects.requireNonNull(subject);
      Objects.requireNonNull(role);
    }
  }

  /**
   * Breaks a place: from now on it stands alone.
   *
   * @param keepers get a grant at the place with the break, so that somebody governs
   * @param prefix begins the ids of the entries that the break makes
   */
  record BreakPlace(String place, Start start, List<Keeper> keepers, String prefix) implements AccessChange {
    static final Shape<BreakPlace> SHAPE = Shape.<BreakPlace>named("BreakPlace")
        .made("entry", FieldType.PREFIX, values -> "e", BreakPlace::prefix).place(BreakPlace::place)
        .needed("start", FieldType.constant(Start.class), "Say CARRY_OVER or EMPTY.", BreakPlace::start)
        .optional("keepers", FieldType.list(Keeper.SHAPE, 0, FieldType.LIST_AT_MOST, "keepers"), BreakPlace::keepers)
        .readBy(values -> new BreakPlace(values.text("place"), values.get("start"), values.list("keepers"), values.text("entry")));

    public BreakPlace {
      Objects.requireNonNull(place);
      Objects.requireNonNull(start);
      Objects.requireNonNull(prefix);
      keepers = List.copyOf(keepers);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.BREAK;
    }

    @Override
    public void make(Making on) {
      Place at = on.place(this, place);
      Checks checks = on.checks(this);
      if (at == null) {
        return;
      }
      if (at.kind() == PlaceKind.REPOSITORY) {
        checks.refuseIf(true, "The repository has no parent to break from.", "Break a library, a folder or a document.");
      } else if (at.standsAlone()) {
        on.refuseGone(this, "[" + at.name() + "] already stands alone.");
      } else {
        if (start == Start.CARRY_OVER) {
          AccessList.carryOver(on, at, prefix);
        }
        on.pending.put(at.broken());
        for (int i = 0; i < keepers.size(); i++) {
          AccessList.add(on, this, new Grant(prefix + ".k" + (i + 1), place, keepers.get(i).subject(), keepers.get(i).role(), Set.of(), Period.ALWAYS, null));
        }
      }
    }

    @Override
    public String words(Wording names) {
      return "Break, " + (start == Start.CARRY_OVER ? "carrying the entries over" : "starting empty") + (keepers.isEmpty() ? "" : ", with "
          + keepers.stream().map(keeper -> names.subject(keeper.subject()) + " as " + names.role(keeper.role())).collect(Collectors.joining(", ")));
    }
  }

  /**
   * Lets a place follow its parent again and discards its own list.
   *
   * @param below whether the breaks further down are rejoined too
   * @param keep the ids of those of its own entries that stay: an undone break discards only what it made
   */
  record RejoinPlace(String place, boolean below, Set<String> keep) implements AccessChange {
    static final Shape<RejoinPlace> SHAPE = Shape.<RejoinPlace>named("RejoinPlace")
        .place(RejoinPlace::place).flag("below", RejoinPlace::below)
        .optional("keep", FieldType.list(FieldType.ID, 0, KEPT_AT_MOST, "entries"), rejoin -> rejoin.keep.stream().sorted().toList())
        .readBy(values -> new RejoinPlace(values.text("place"), values.flag("below"), values.set("keep")));

    public RejoinPlace {
      Objects.requireNonNull(place);
      keep = Set.copyOf(keep);
    }

    public RejoinPlace(String place, boolean below) {
      this(place, below, Set.of());
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REJOIN;
    }

    @Override
    public void make(Making on) {
      Place at = on.place(this, place);
      if (at == null) {
        return;
      }
      if (at.kind() == PlaceKind.REPOSITORY) {
        on.refuse(this, "The repository has no parent to follow.", "Rejoin a library, a folder or a document.");
      } else if (!at.standsAlone()) {
        on.refuseGone(this, "[" + at.name() + "] already follows its parent.");
      } else {
        for (Place rejoined : below ? AccessList.brokenAtOrBelow(on.pending, at) : List.of(at)) {
          on.pending.put(on.pending.place(rejoined.id()).following());
          boolean top = rejoined.id().equals(at.id());
          List<Entry> own = on.pending.entriesAt(rejoined.id());
          own.stream().filter(entry -> !top || !keep.contains(entry.id())).forEach(on.pending::remove);
        }
      }
    }

    @Override
    public String words(Wording names) {
      return "Rejoin" + (below ? ", and everything below it too" : "")
          + (keep.isEmpty() ? "" : ", keeping " + keep.size() + (keep.size() == 1 ? " entry" : " entries") + " of its own");
    }
  }
}
