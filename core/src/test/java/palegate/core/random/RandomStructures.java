package palegate.core.random;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.IntConsumer;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.drafts.Change;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;

/** Small structures full of edge cases, each from a seed of its own. */
public final class RandomStructures {
  public static final Instant NOW = Instant.parse("2026-10-02T08:00:00Z");

  private final Random random;
  private final List<Unit> units = new ArrayList<>();
  private final List<Person> people = new ArrayList<>();
  private final List<Group> groups = new ArrayList<>();
  private final List<Role> roles = new ArrayList<>();
  private final List<DocumentType> types = new ArrayList<>();
  private final List<Place> places = new ArrayList<>();

  private RandomStructures(long seed) {
    random = new Random(seed);
  }

  public static Structure fromSeed(long seed) {
    return new RandomStructures(seed).make();
  }

  /** An instant that often falls exactly on an edge of some period. */
  public static Instant instant(Random random) {
    return NOW.plus(Duration.ofHours(random.nextInt(7) - 3));
  }

  private Structure make() {
    times(random.nextInt(5), i -> units.add(new Unit("u" + i, "Unit " + i, i == 0 || chance(30) ? null : "u" + random.nextInt(i))));
    times(random.nextInt(8), i -> people.add(new Person("p" + i, "Person " + i, null, null, chance(30), !chance(15),
        units.isEmpty() || chance(25) ? null : "u" + random.nextInt(units.size()))));
    times(random.nextInt(6), this::addGroup);
    times(1 + random.nextInt(4), i -> roles.add(new Role("r" + i, "Role " + i, Rights.ofMask(random.nextInt(512)))));
    times(random.nextInt(4), i -> types.add(new DocumentType("t" + i, "Type " + i, List.of())));
    places.add(new Place("root", PlaceKind.REPOSITORY, null, "Repository", true, Map.of(), null, null, null));
    times(random.nextInt(14), this::addPlace);
    List<Grant> grants = new ArrayList<>();
    times(random.nextInt(10), i -> grants.add(new Grant("e" + i, anyPlace(), subject(), "r" + random.nextInt(roles.size()), someTypes(), period(), null)));
    List<Withholding> withholdings = new ArrayList<>();
    times(random.nextInt(5), i -> withholdings.add(new Withholding("w" + i, anyPlace(), subject(), Rights.ofMask(random.nextInt(512)), someTypes(), period(), null)));
    return Structure.of(units, people, groups, roles, types, places, grants, withholdings);
  }

  /** A draft of one to four changes that can be made on the structure, most of the time. */
  public static List<Change> draft(Structure structure, long seed) {
    Random random = new Random(seed);
    List<Change> changes = new ArrayList<>();
    List<String> places = List.copyOf(structure.places().keySet());
    List<Grant> grants = List.copyOf(structure.grants().values());
    for (int i = 0; i <= random.nextInt(4); i++) {
      String place = places.get(random.nextInt(places.size()));
      Subject subject = structure.people().isEmpty() ? Subject.BuiltIn.STAFF
          : new Subject.OfPerson(structure.people().keySet().iterator().next());
      String role = structure.roles().keySet().iterator().next();
      Grant grant = new Grant("n" + i, place, subject, role, Set.of(), Period.ALWAYS, null);
      changes.add(switch (random.nextInt(6)) {
        case 0 -> new Change.AddGrant(grant);
        case 1 -> new Change.AddWithholding(new Withholding("n" + i, place, Subject.BuiltIn.STAFF, Rights.ofMask(1 + random.nextInt(511)), Set.of(), Period.ALWAYS, null));
        case 2 -> grants.isEmpty() ? new Change.AddGrant(grant) : remove(grants.get(random.nextInt(grants.size())));
        case 3 -> new Change.Break(place, Change.Start.CARRY_OVER, List.of(), "b" + i);
        case 4 -> new Change.Break(place, Change.Start.EMPTY, List.of(grant), "b" + i);
        default -> new Change.Rejoin(place, random.nextBoolean());
      });
    }
    return changes;
  }

  private static Change remove(Grant grant) {
    return new Change.RemoveGrant(grant.place(), grant.id());
  }

  private void addGroup(int i) {
    List<Membership> members = new ArrayList<>();
    Set<String> used = new HashSet<>();
    times(random.nextInt(4), any -> {
      if (!people.isEmpty()) {
        String person = "p" + random.nextInt(people.size());
        if (used.add(person)) {
          members.add(new Membership(new Membership.PersonMember(person), period()));
        }
      }
      // Only earlier groups can be inside: no cycle can arise.
      if (i > 0 && chance(45)) {
        String group = "g" + random.nextInt(i);
        if (used.add(group)) {
          members.add(new Membership(new Membership.GroupMember(group), period()));
        }
      }
    });
    groups.add(new Group("g" + i, "Group " + i, null, members));
  }

  private void addPlace(int i) {
    PlaceKind kind = List.of(PlaceKind.LIBRARY, PlaceKind.FOLDER, PlaceKind.FOLDER, PlaceKind.DOCUMENT, PlaceKind.DOCUMENT, PlaceKind.LINK).get(random.nextInt(6));
    List<Place> parents = places.stream().filter(place -> kind.mayStandBelow(place.kind())).toList();
    List<Place> targets = places.stream().filter(place -> place.kind() != PlaceKind.LINK).toList();
    if (parents.isEmpty()) {
      return;
    }
    places.add(new Place("d" + i, kind, parents.get(random.nextInt(parents.size())).id(), "Place " + i, chance(25), Map.of(),
        kind == PlaceKind.DOCUMENT && !types.isEmpty() && chance(75) ? "t" + random.nextInt(types.size()) : null, null,
        kind == PlaceKind.LINK ? targets.get(random.nextInt(targets.size())).id() : null));
  }

  private Subject subject() {
    return switch (random.nextInt(5)) {
      case 0 -> people.isEmpty() ? Subject.BuiltIn.STAFF : new Subject.OfPerson("p" + random.nextInt(people.size()));
      case 1, 2 -> groups.isEmpty() ? Subject.BuiltIn.OUTSIDERS : new Subject.OfGroup("g" + random.nextInt(groups.size()));
      case 3 -> units.isEmpty() ? Subject.BuiltIn.STAFF : new Subject.OfUnit("u" + random.nextInt(units.size()));
      default -> random.nextBoolean() ? Subject.BuiltIn.STAFF : Subject.BuiltIn.OUTSIDERS;
    };
  }

  private Period period() {
    if (chance(60)) {
      return Period.ALWAYS;
    }
    Instant from = chance(40) ? null : instant(random);
    Instant until = from == null || chance(60) ? instant(random) : null;
    return from != null && until != null && !until.isAfter(from) ? new Period(until.minusSeconds(1), from) : new Period(from, until);
  }

  private Set<String> someTypes() {
    return types.isEmpty() || chance(65) ? Set.of() : Set.of("t" + random.nextInt(types.size()));
  }

  private String anyPlace() {
    return places.get(random.nextInt(places.size())).id();
  }

  private boolean chance(int percent) {
    return random.nextInt(100) < percent;
  }

  private static void times(int count, IntConsumer action) {
    for (int i = 0; i < count; i++) {
      action.accept(i);
    }
  }
}
