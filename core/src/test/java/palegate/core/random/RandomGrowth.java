package palegate.core.random;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.PlaceChange;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.structure.Structure;

/** Drafts in which only people, places and groups come, below and inside each other too, and are then given and filled; and something that was there is altered. */
public final class RandomGrowth {
  private final Structure structure;
  private final RandomParts parts;
  private final String step;
  private final List<Change> changes = new ArrayList<>();
  private final List<String> containers = new ArrayList<>();
  private final List<String> places = new ArrayList<>();
  private final List<String> groups = new ArrayList<>();
  private final List<String> people = new ArrayList<>();

  private RandomGrowth(Structure structure, long seed, int step) {
    this.structure = structure;
    this.step = "s" + step + "-";
    parts = RandomParts.of(structure, seed * 31 + step);
    structure.places().values().stream().filter(place -> place.kind() == PlaceKind.LIBRARY || place.kind() == PlaceKind.FOLDER).map(Place::id).sorted().forEach(containers::add);
  }

  /** @param step tells the ids of one draft from those of the next */
  public static List<Change> fromSeed(Structure structure, long seed, int step) {
    RandomGrowth growth = new RandomGrowth(structure, seed, step);
    for (int i = 0; i < 10; i++) {
      growth.grow(i, (int) Math.floorMod(seed + 3L * i + step, 10));
    }
    return growth.changes;
  }

  private void grow(int i, int kind) {
    switch (kind) {
      case 0, 1 -> place("p" + step + i, PlaceKind.FOLDER);
      case 2 -> place("p" + step + i, PlaceKind.DOCUMENT);
      case 3 -> {
        groups.add("g" + step + i);
        changes.add(new PeopleChange.SetGroup("g" + step + i, "New " + i, null));
      }
      case 4 -> changes.add(new AccessChange.AddGrant(new Grant("e" + step + i, anyPlace(), subject(), parts.role(), Set.of(), Period.ALWAYS, null)));
      case 5 -> parts.person().filter(any -> !groups.isEmpty()).ifPresent(person -> changes.add(
          new MembershipChange.AddMember(any(groups), new Membership(new Membership.PersonMember(person), Period.ALWAYS))));
      case 6 -> parts.group().filter(any -> !groups.isEmpty()).ifPresent(group -> changes.add(
          new MembershipChange.AddMember(any(groups), new Membership(new Membership.GroupMember(group), Period.ALWAYS))));
      case 7 -> {
        String id = (parts.chance(50) ? "a" : "z") + step + i;
        changes.add(new PeopleChange.SetPerson(new Person(id, "New " + i, null, null, parts.chance(30), parts.chance(90), parts.chance(60) ? parts.unit().orElse(null) : null)));
        people.add(id);
      }
      case 8 -> {
        String group = groups.isEmpty() ? parts.group().orElse(null) : any(groups);
        if (!people.isEmpty() && group != null) {
          changes.add(new MembershipChange.AddMember(group, new Membership(new Membership.PersonMember(any(people)), Period.ALWAYS)));
        }
      }
      default -> changes.add(parts.chance(50) ? new PlaceChange.SetLabels(anyPlace(), Map.of("k", "v" + i % 3))
          : new AccessChange.BreakPlace(anyPlace(), AccessChange.Start.EMPTY, List.of(), "b" + step + i));
    }
  }

  private void place(String id, PlaceKind kind) {
    String parent = containers.isEmpty() ? structure.repository().map(Place::id).orElse("root") : any(containers);
    PlaceKind made = containers.isEmpty() ? PlaceKind.LIBRARY : kind;
    changes.add(new PlaceChange.AddPlace(Place.plain(id, made, parent, "New " + id, parts.chance(20), parts.chance(50) ? Map.of("k", "v" + id.length() % 3) : Map.of(),
        made == PlaceKind.DOCUMENT ? parts.type().orElse(null) : null, null, null)));
    places.add(id);
    if (made != PlaceKind.DOCUMENT) {
      containers.add(id);
    }
  }

  private String anyPlace() {
    return !places.isEmpty() && parts.chance(60) ? any(places) : parts.place();
  }

  private Subject subject() {
    return !people.isEmpty() && parts.chance(50) ? new Subject.OfPerson(any(people)) : groups.isEmpty() ? Subject.BuiltIn.STAFF : new Subject.OfGroup(any(groups));
  }

  private String any(List<String> list) {
    for (int i = list.size() - 1; i > 0; i--) {
      if (parts.chance(40)) {
        return list.get(i);
      }
    }
    return list.get(0);
  }
}
