package palegate.core.drafts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Function;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.text.WellFormed;

/**
 * Makes a draft's changes, in order, on a structure. A change that cannot be made is left out and
 * reported; the others are still made, so that all faults come at once. Costs grow with the changes,
 * not with the structure.
 */
public final class DraftApplication {
  private final Instant now;
  private final Pending pending;
  private final List<Refusal> refusals = new ArrayList<>();
  private int position;

  /** The structure that results, and what was refused on the way. */
  public record Result(Structure structure, List<Refusal> refusals) {
    public Result {
      refusals = List.copyOf(refusals);
    }
  }

  private DraftApplication(Snapshot base, Instant now, Function<String, FormerPlace> gone) {
    pending = new Pending(base, gone);
    this.now = now;
  }

  /** {@code now} decides which entries have ended and are not worth carrying over a break. */
  public static Result of(Snapshot base, List<Change> changes, Instant now) {
    return of(base, changes, now, id -> null);
  }

  /** @param gone places that were there once and are gone; null for an id that never was one */
  public static Result of(Snapshot base, List<Change> changes, Instant now, Function<String, FormerPlace> gone) {
    DraftApplication application = new DraftApplication(base, now, gone);
    for (Change change : changes) {
      application.make(change);
      application.position++;
    }
    return new Result(application.pending.result(), application.refusals);
  }

  private void make(Change change) {
    List<WellFormed.Wrong> wrong = ChangeCheck.of(change);
    wrong.forEach(one -> refuse(change, one.what(), one.remedy()));
    if (!wrong.isEmpty()) {
      return;
    }
    if (change instanceof Change.AtPlace at) {
      Place place = pending.place(at.place());
      if (place == null) {
        refuse(change, "The place [" + at.place() + "] does not exist (any more).", "Remove this change from the draft.");
      } else {
        makeAt(place, at);
      }
    } else if (change instanceof Change.InGroup in) {
      new MembershipChanges(pending, now, this::refuse).make(in);
    } else if (change instanceof Change.OfType of) {
      new TypeChanges(pending, this::refuse).make(of);
    } else if (change instanceof Change.OfWall of) {
      new WallChanges(pending, this::refuse).make(of);
    } else if (change instanceof PeopleChange of) {
      new PeopleChanges(pending, this::refuse).make(of);
    } else if (change instanceof ApprovalChange of) {
      new ApprovalChanges(pending, this::refuse).make(of);
    } else if (change instanceof RoleChange of) {
      new RoleChanges(pending, this::refuse).make(of);
    } else if (change instanceof TypeChange of) {
      new TypeChanges(pending, this::refuse).make(of);
    } else {
      new LayoutChanges(pending, this::refuse).make((LayoutChange) change);
    }
  }

  private void makeAt(Place place, Change.AtPlace change) {
    if (change instanceof Change.AddGrant add) {
      add(change, add.grant());
    } else if (change instanceof Change.AddWithholding add) {
      add(change, add.withholding());
    } else if (change instanceof Change.RemoveGrant remove) {
      remove(change, pending.grant(remove.grant()), "grant", remove.grant());
    } else if (change instanceof Change.RemoveWithholding remove) {
      remove(change, pending.withholding(remove.withholding()), "withholding", remove.withholding());
    } else if (change instanceof Change.Break broken) {
      breakAt(place, broken);
    } else if (change instanceof Change.Rejoin rejoin) {
      rejoin(place, rejoin);
    } else if (change instanceof Change.SetGuards set) {
      setGuards(place, set);
    } else if (change instanceof Change.SetLabels set) {
      pending.put(place.labelled(set.labels()));
    } else if (change instanceof Change.Release release) {
      release(place, release);
    } else if (change instanceof Change.PutUnder put) {
      putUnder(place, put);
    } else if (change instanceof Change.AddOversight add) {
      appoint(add);
    } else if (change instanceof Change.RemoveOversight remove) {
      Oversight oversight = pending.oversight(remove.oversight());
      if (oversight == null || !oversight.place().equals(place.id())) {
        refuse(change, "The oversight [" + remove.oversight() + "] does not stand at this place (any more).",
            "Remove this change from the draft.");
      } else {
        pending.remove(oversight);
      }
    }
  }

  private void add(Change change, Entry entry) {
    Checks checks = checks()
        .refuseIf(pending.grant(entry.id()) != null || pending.withholding(entry.id()) != null, change,
            "The id [" + entry.id() + "] is taken.", "Add the entry under another id.")
        .subject(change, entry.subject())
        .types(change, entry.types())
        .refuseIf(entry.period().endedBy(now), change, "The entry would already have ended at [" + entry.period().until() + "].",
            "Choose an end that is still to come, or none.");
    if (entry instanceof Grant grant) {
      checks.role(change, grant.role());
    } else {
      checks.refuseIf(((Withholding) entry).rights().isEmpty(), change, "The withholding names no right.", "Name at least one of the nine rights.");
    }
    if (checks.passed()) {
      pending.put(entry);
    }
  }

  private Checks checks() {
    return new Checks(pending, this::refuse);
  }

  private void remove(Change.AtPlace change, Entry entry, String noun, String id) {
    if (entry == null || !entry.place().equals(change.place())) {
      refuse(change, "The " + noun + " [" + id + "] does not stand at this place (any more).",
          "Remove this change from the draft.");
    } else {
      pending.remove(entry);
    }
  }

  private void breakAt(Place place, Change.Break broken) {
    if (place.kind() == PlaceKind.REPOSITORY) {
      refuse(broken, "The repository stands alone by nature.", "Break a library, a folder or a document.");
    } else if (place.standsAlone()) {
      refuse(broken, "[" + place.name() + "] already stands alone.", "Remove this change from the draft.");
    } else {
      if (broken.start() == Change.Start.CARRY_OVER) {
        carryOver(place, broken);
      }
      pending.put(place.broken());
      broken.keepers().forEach(keeper -> add(broken, keeper));
    }
  }

  private void carryOver(Place place, Change.Break broken) {
    int carried = 0;
    for (Place above = pending.place(place.parent()); above != null; above = reachedFrom(above)) {
      for (Entry entry : pending.entriesAt(above.id())) {
        boolean matters = !entry.period().endedBy(now) && (!place.isDocument() || entry.touches(place.type()));
        if (matters && !standsAt(place.id(), entry)) {
          String id = broken.prefix() + "." + ++carried;
          pending.put(entry instanceof Grant grant ? grant.copiedTo(id, place.id()) : ((Withholding) entry).copiedTo(id, place.id()));
        }
      }
    }
  }

  private Place reachedFrom(Place place) {
    return place.standsAlone() ? null : pending.place(place.parent());
  }

  /** Whether the place already says the same itself: carrying it over would only say it twice. */
  private boolean standsAt(String place, Entry entry) {
    return pending.entriesAt(place).stream().anyMatch(own -> own.saysTheSameAs(entry));
  }

  private void rejoin(Place place, Change.Rejoin rejoin) {
    if (place.kind() == PlaceKind.REPOSITORY) {
      refuse(rejoin, "The repository has no parent to follow.", "Rejoin a library, a folder or a document.");
    } else if (!place.standsAlone()) {
      refuse(rejoin, "[" + place.name() + "] already follows its parent.", "Remove this change from the draft.");
    } else {
      for (Place rejoined : rejoin.below() ? brokenAtOrBelow(place) : List.of(place)) {
        pending.put(pending.place(rejoined.id()).following());
        boolean top = rejoined.id().equals(place.id());
        pending.entriesAt(rejoined.id()).stream().filter(entry -> !top || !rejoin.keep().contains(entry.id())).forEach(pending::remove);
      }
    }
  }

  private List<Place> brokenAtOrBelow(Place top) {
    Snapshot base = pending.base;
    int number = base.placeNumber(top.id());
    if (number < 0) {
      return List.of(top);
    }
    List<Place> broken = new ArrayList<>();
    for (int at : base.below(number).toArray()) {
      Place place = pending.place(base.place(at).id());
      if (place != null && place.standsAlone()) {
        broken.add(place);
      }
    }
    return broken;
  }

  private void setGuards(Place place, Change.SetGuards set) {
    if (set.guards().ceiling() == null || checks().role(set, set.guards().ceiling()).passed()) {
      pending.put(place.guarded(set.guards()));
    }
  }

  private void release(Place place, Change.Release release) {
    if (!place.conditions().has(release.condition())) {
      refuse(release, "[" + place.name() + "] is not " + release.condition().words() + " (any more).", "Remove this change from the draft.");
    } else {
      pending.put(place.in(place.conditions().released(release.condition())));
    }
  }

  private void putUnder(Place place, Change.PutUnder put) {
    boolean checkOut = put.condition() == Conditions.Condition.CHECKED_OUT;
    Checks checks = checks()
        .refuseIf(!place.isDocument(), put, "[" + place.name() + "] is not a document.", "Choose a document.")
        .refuseIf(place.conditions().has(put.condition()), put, "[" + place.name() + "] is " + put.condition().words() + " already.", "Remove this change from the draft.")
        .refuseIf(put.condition() == Conditions.Condition.PRIVATE && place.owner() == null, put, "[" + place.name() + "] has no owner, and what is private has one.",
            "Name an owner first.")
        .refuseIf(checkOut && (put.by() == null || pending.person(put.by()) == null), put, "There is no person [" + put.by() + "] (any more) who could have it checked out.",
            "Remove this change from the draft.");
    if (checks.passed()) {
      pending.put(place.in(place.conditions().with(put.condition(), new Conditions(true, true, put.by(), put.since()))));
    }
  }

  private void appoint(Change.AddOversight add) {
    Checks checks = checks()
        .refuseIf(pending.oversight(add.oversight().id()) != null, add, "The id [" + add.oversight().id() + "] is taken.", "Appoint under another id.")
        .subject(add, add.oversight().subject())
        .refuseIf(add.oversight().period().endedBy(now), add, "The oversight would already have ended at [" + add.oversight().period().until() + "].",
            "Choose an end that is still to come, or none.");
    if (checks.passed()) {
      pending.put(add.oversight());
    }
  }

  private void refuse(Change change, String what, String remedy) {
    refuse(change, what, remedy, List.of());
  }

  private void refuse(Change change, String what, String remedy, List<String> cycle) {
    refusals.add(new Refusal(position, change.thing(), what, remedy, cycle));
  }
}
