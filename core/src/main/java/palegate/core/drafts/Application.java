package palegate.core.drafts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;

/**
 * Makes a draft's changes, in order, on a structure. A change that cannot be made is left out and
 * reported; the others are still made, so that all faults come at once. Costs grow with the changes,
 * not with the structure.
 */
public final class Application {
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

  private Application(Snapshot base, Instant now) {
    pending = new Pending(base);
    this.now = now;
  }

  /** {@code now} decides which entries have ended and are not worth carrying over a break. */
  public static Result of(Snapshot base, List<Change> changes, Instant now) {
    Application application = new Application(base, now);
    for (Change change : changes) {
      application.make(change);
      application.position++;
    }
    return new Result(application.pending.result(), application.refusals);
  }

  private void make(Change change) {
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
      makeOf(of);
    } else if (change instanceof Change.OfWall of) {
      makeOf(of);
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
    int before = refusals.size();
    if (pending.grant(entry.id()) != null || pending.withholding(entry.id()) != null) {
      refuse(change, "The id [" + entry.id() + "] is taken.", "Add the entry under another id.");
    }
    checkSubject(change, entry.subject());
    for (String type : entry.types()) {
      if (pending.type(type) == null) {
        refuse(change, "There is no document type [" + type + "].", "Choose one of the types that exist.");
      }
    }
    if (entry.period().endedBy(now)) {
      refuse(change, "The entry would already have ended at [" + entry.period().until() + "].",
          "Choose an end that is still to come, or none.");
    }
    if (entry instanceof Grant grant) {
      checkRole(change, grant.role());
    }
    if (entry instanceof Withholding withholding && withholding.rights().isEmpty()) {
      refuse(change, "The withholding names no right.", "Name at least one of the nine rights.");
    }
    if (refusals.size() == before) {
      pending.put(entry);
    }
  }

  private void checkRole(Change change, String role) {
    if (!pending.before().roles().containsKey(role)) {
      refuse(change, "There is no role [" + role + "].", "Choose one of the roles that exist.");
    }
  }

  private void checkSubject(Change change, Subject subject) {
    Structure structure = pending.before();
    boolean known = subject instanceof Subject.OfPerson ? structure.people().containsKey(subject.id())
        : subject instanceof Subject.OfGroup ? structure.groups().containsKey(subject.id())
        : !(subject instanceof Subject.OfUnit) || structure.units().containsKey(subject.id());
    if (!known) {
      refuse(change, "There is no " + subject.kind() + " [" + subject.id() + "] (any more).",
          "Choose a person, group or unit that exists.");
    }
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
        pending.entriesAt(rejoined.id()).forEach(pending::remove);
      }
    }
  }

  private List<Place> brokenAtOrBelow(Place top) {
    Snapshot base = pending.base;
    int number = base.placeNumber(top.id());
    List<Place> broken = new ArrayList<>();
    for (int at = number; at < base.endOf(number); at++) {
      Place place = pending.place(base.place(at).id());
      if (place.standsAlone()) {
        broken.add(place);
      }
    }
    return broken;
  }

  private void setGuards(Place place, Change.SetGuards set) {
    if (set.guards().ceiling() != null && !pending.before().roles().containsKey(set.guards().ceiling())) {
      checkRole(set, set.guards().ceiling());
    } else {
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

  private void appoint(Change.AddOversight add) {
    int before = refusals.size();
    if (pending.oversight(add.oversight().id()) != null) {
      refuse(add, "The id [" + add.oversight().id() + "] is taken.", "Appoint under another id.");
    }
    checkSubject(add, add.oversight().subject());
    if (add.oversight().period().endedBy(now)) {
      refuse(add, "The oversight would already have ended at [" + add.oversight().period().until() + "].",
          "Choose an end that is still to come, or none.");
    }
    if (refusals.size() == before) {
      pending.put(add.oversight());
    }
  }

  private void makeOf(Change.OfType change) {
    var type = pending.type(change.type());
    if (type == null) {
      refuse(change, "There is no document type [" + change.type() + "] (any more).", "Remove this change from the draft.");
    } else if (change instanceof Change.AddClearance add) {
      int before = refusals.size();
      checkSubject(change, add.clearance().subject());
      checkRole(change, add.clearance().role());
      if (refusals.size() == before) {
        pending.put(type.cleared(Lists.with(type.clearances(), add.clearance())));
      }
    } else if (change instanceof Change.RemoveClearance remove) {
      if (!type.clearances().contains(remove.clearance())) {
        refuse(change, "[" + type.name() + "] has no such clearance (any more).", "Remove this change from the draft.");
      } else {
        pending.put(type.cleared(Lists.without(type.clearances(), remove.clearance())));
      }
    }
  }

  private void makeOf(Change.OfWall change) {
    if (change instanceof Change.SetWall set) {
      int before = refusals.size();
      set.changed().barrier().subjects().forEach(subject -> checkSubject(change, subject));
      set.changed().exceptions().forEach(exempt -> checkSubject(change, exempt.subject()));
      set.changed().barrier().scopes().forEach(scope -> {
        scope.places().stream().filter(place -> pending.place(place) == null).sorted().forEach(place ->
            refuse(change, "There is no place [" + place + "] (any more).", "Choose places that exist."));
        scope.types().stream().filter(type -> pending.type(type) == null).sorted().forEach(type ->
            refuse(change, "There is no document type [" + type + "].", "Choose types that exist."));
      });
      if (refusals.size() == before) {
        pending.put(set.changed());
      }
    } else if (change instanceof Change.AddException add) {
      Wall wall = pending.wall(add.wall());
      if (wall == null) {
        refuse(change, "There is no wall [" + add.wall() + "] (any more).", "Remove this change from the draft.");
      } else {
        int before = refusals.size();
        checkSubject(change, add.exempt().subject());
        if (refusals.size() == before) {
          pending.put(wall.except(add.exempt()));
        }
      }
    }
  }

  private void refuse(Change change, String what, String remedy) {
    refusals.add(new Refusal(position, change.thing(), what, remedy));
  }
}
