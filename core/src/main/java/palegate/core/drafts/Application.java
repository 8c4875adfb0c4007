package palegate.core.drafts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.structure.Structure;

/**
 * Makes a draft's changes, in order, on a structure. A change that cannot be made is left out and
 * reported; the others are still made, so that all faults come at once.
 */
public final class Application {
  private final Instant now;
  private final Structure base;
  private final Map<String, Place> changedPlaces = new LinkedHashMap<>();
  private final Map<String, Grant> grants;
  private final Map<String, Withholding> withholdings;
  private final List<Refusal> refusals = new ArrayList<>();
  private final Set<String> touched = new LinkedHashSet<>();
  private int position;

  /**
   * The structure that results, and what was refused on the way.
   *
   * @param touched the ids of the places whose entries or break may differ from before; no others do
   */
  public record Result(Structure structure, List<Refusal> refusals, Set<String> touched) {
    public Result {
      refusals = List.copyOf(refusals);
      touched = Set.copyOf(touched);
    }
  }

  private Application(Structure base, Instant now) {
    this.base = base;
    this.now = now;
    grants = new LinkedHashMap<>(base.grants());
    withholdings = new LinkedHashMap<>(base.withholdings());
  }

  /** {@code now} decides which entries have ended and are not worth carrying over a break. */
  public static Result of(Structure base, List<Change> changes, Instant now) {
    Application application = new Application(base, now);
    for (Change change : changes) {
      application.make(change);
      application.position++;
    }
    return new Result(application.result(), application.refusals, application.touched);
  }

  private Structure result() {
    Structure withEntries = base.withEntries(grants, withholdings);
    if (changedPlaces.isEmpty()) {
      return withEntries;
    }
    Map<String, Place> places = new LinkedHashMap<>(base.places());
    places.putAll(changedPlaces);
    return withEntries.withPlaces(places);
  }

  private Place place(String id) {
    Place changed = changedPlaces.get(id);
    return changed == null ? base.places().get(id) : changed;
  }

  private void change(Place place) {
    changedPlaces.put(place.id(), place);
    touched.add(place.id());
  }

  private void make(Change change) {
    Place place = place(change.place());
    if (place == null) {
      refuse(change, "The place [" + change.place() + "] does not exist (any more).",
          "Remove this change from the draft.");
    } else if (change instanceof Change.AddGrant add) {
      add(change, add.grant());
    } else if (change instanceof Change.AddWithholding add) {
      add(change, add.withholding());
    } else if (change instanceof Change.RemoveGrant remove) {
      remove(change, grants, remove.grant(), "grant");
    } else if (change instanceof Change.RemoveWithholding remove) {
      remove(change, withholdings, remove.withholding(), "withholding");
    } else if (change instanceof Change.Break broken) {
      breakAt(place, broken);
    } else if (change instanceof Change.Rejoin rejoin) {
      rejoin(place, rejoin);
    }
  }

  private void add(Change change, Entry entry) {
    int before = refusals.size();
    if (grants.containsKey(entry.id()) || withholdings.containsKey(entry.id())) {
      refuse(change, "The id [" + entry.id() + "] is taken.", "Add the entry under another id.");
    }
    checkSubject(change, entry.subject());
    for (String type : entry.types()) {
      if (!base.types().containsKey(type)) {
        refuse(change, "There is no document type [" + type + "].", "Choose one of the types that exist.");
      }
    }
    if (entry.period().endedBy(now)) {
      refuse(change, "The entry would already have ended at [" + entry.period().until() + "].",
          "Choose an end that is still to come, or none.");
    }
    if (entry instanceof Grant grant && !base.roles().containsKey(grant.role())) {
      refuse(change, "There is no role [" + grant.role() + "].", "Choose one of the roles that exist.");
    }
    if (entry instanceof Withholding withholding && withholding.rights().isEmpty()) {
      refuse(change, "The withholding names no right.", "Name at least one of the nine rights.");
    }
    if (refusals.size() == before) {
      touched.add(entry.place());
      if (entry instanceof Grant grant) {
        grants.put(grant.id(), grant);
      } else {
        withholdings.put(entry.id(), (Withholding) entry);
      }
    }
  }

  private void checkSubject(Change change, Subject subject) {
    boolean known = subject instanceof Subject.OfPerson ? base.people().containsKey(subject.id())
        : subject instanceof Subject.OfGroup ? base.groups().containsKey(subject.id())
        : !(subject instanceof Subject.OfUnit) || base.units().containsKey(subject.id());
    if (!known) {
      refuse(change, "There is no " + subject.kind() + " [" + subject.id() + "] (any more).",
          "Choose a person, group or unit that exists.");
    }
  }

  private void remove(Change change, Map<String, ? extends Entry> entries, String id, String noun) {
    Entry entry = entries.get(id);
    if (entry == null || !entry.place().equals(change.place())) {
      refuse(change, "The " + noun + " [" + id + "] does not stand at this place (any more).",
          "Remove this change from the draft.");
    } else {
      entries.remove(id);
      touched.add(change.place());
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
      change(place.broken());
      broken.keepers().forEach(keeper -> add(broken, keeper));
    }
  }

  private void carryOver(Place place, Change.Break broken) {
    int carried = 0;
    for (Place above = place(place.parent()); above != null; above = reachedFrom(above)) {
      for (Entry entry : entriesAt(above.id())) {
        boolean matters = !entry.period().endedBy(now) && (!place.isDocument() || entry.touches(place.type()));
        if (matters && !standsAt(place.id(), entry)) {
          String id = broken.prefix() + "." + ++carried;
          if (entry instanceof Grant grant) {
            grants.put(id, grant.copiedTo(id, place.id()));
          } else {
            withholdings.put(id, ((Withholding) entry).copiedTo(id, place.id()));
          }
        }
      }
    }
  }

  private Place reachedFrom(Place place) {
    return place.standsAlone() ? null : place(place.parent());
  }

  /** Whether the place already says the same itself: carrying it over would only say it twice. */
  private boolean standsAt(String place, Entry entry) {
    return entriesAt(place).stream().anyMatch(own -> own.saysTheSameAs(entry));
  }

  private List<Entry> entriesAt(String place) {
    List<Entry> found = new ArrayList<>();
    grants.values().stream().filter(entry -> entry.place().equals(place)).forEach(found::add);
    withholdings.values().stream().filter(entry -> entry.place().equals(place)).forEach(found::add);
    return found;
  }

  private void rejoin(Place place, Change.Rejoin rejoin) {
    if (place.kind() == PlaceKind.REPOSITORY) {
      refuse(rejoin, "The repository has no parent to follow.", "Rejoin a library, a folder or a document.");
      return;
    }
    if (!place.standsAlone()) {
      refuse(rejoin, "[" + place.name() + "] already follows its parent.", "Remove this change from the draft.");
      return;
    }
    Set<String> rejoined = rejoin.below() ? brokenAtOrBelow(place) : Set.of(place.id());
    rejoined.forEach(id -> change(place(id).following()));
    grants.values().removeIf(entry -> rejoined.contains(entry.place()));
    withholdings.values().removeIf(entry -> rejoined.contains(entry.place()));
  }

  private Set<String> brokenAtOrBelow(Place top) {
    Map<String, Boolean> below = new LinkedHashMap<>();
    below.put(top.id(), true);
    Set<String> broken = new LinkedHashSet<>();
    for (String start : base.places().keySet()) {
      List<String> climbed = new ArrayList<>();
      Place at = place(start);
      while (at != null && !below.containsKey(at.id())) {
        climbed.add(at.id());
        at = at.parent() == null ? null : place(at.parent());
      }
      boolean answer = at != null && below.get(at.id());
      climbed.forEach(id -> below.put(id, answer));
      if (below.get(start) && place(start).standsAlone()) {
        broken.add(start);
      }
    }
    return broken;
  }

  private void refuse(Change change, String what, String remedy) {
    refusals.add(new Refusal(position, change.place(), what, remedy));
  }
}
