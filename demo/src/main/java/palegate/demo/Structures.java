package palegate.demo;

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
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.structure.SharedIds;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** Structures of stated sizes, the same every time. L is a million documents; M is a tenth of it, S a hundredth. */
public final class Structures {
  /** How big. */
  public enum Size {
    S(100, 0), M(10, 0), L(1, 0),
    /** L with 100,000 grants on single documents, where classes hardly collapse. */
    L_HARSH(1, 100_000);

    final int part;
    final int grantsOnDocuments;

    Size(int part, int grantsOnDocuments) {
      this.part = part;
      this.grantsOnDocuments = grantsOnDocuments;
    }
  }

  public static final Instant NOW = Instant.parse("2026-11-24T10:00:00Z");
  /** A group of this many people is among the groups; in smaller structures proportionally fewer. */
  public static final int BIG_GROUP = 2_700;

  private static final long SEED = 7_411;
  private static final int DOCUMENTS = 1_000_000;
  private static final int FOLDERS = 60_000;
  private static final int LIBRARIES = 200;
  private static final int PEOPLE = 20_000;
  private static final int GROUPS = 3_000;
  private static final int UNITS = 400;
  private static final int TYPES = 30;
  private static final int GUARDED_TYPES = 6;
  private static final int GRANTS = 30_000;
  private static final int WITHHOLDINGS = 2_000;
  private static final int BREAKS = 5_000;
  private static final int WALLS = 200;
  private static final int CASES = 4_000;
  private static final int OVERSIGHTS = 60;

  private final Random random = new Random(SEED);
  private final Size size;
  private final int libraries;
  private final int folders;
  private final int documents;
  private final int people;
  private final int groups;
  private final int units;

  private Structures(Size size) {
    this.size = size;
    libraries = LIBRARIES / size.part;
    folders = FOLDERS / size.part;
    documents = DOCUMENTS / size.part;
    people = PEOPLE / size.part;
    groups = GROUPS / size.part;
    units = UNITS / size.part;
  }

  public static Structure of(Size size) {
    return new Structures(size).make();
  }

  private Structure make() {
    List<Unit> unitList = new ArrayList<>();
    each(units, i -> unitList.add(new Unit("u" + i, "Unit " + i, i == 0 ? null : "u" + random.nextInt(i))));
    List<Person> personList = new ArrayList<>();
    each(people, i -> personList.add(new Person("p" + i, "Person " + i, null, null, random.nextInt(100) < 15, random.nextInt(50) > 0,
        "u" + random.nextInt(units))));
    List<Group> groupList = new ArrayList<>();
    each(groups, i -> groupList.add(new Group("g" + i, "Group " + i, null, members(i))));
    List<Role> roles = new ArrayList<>();
    each(6, i -> roles.add(new Role("r" + i, "Role " + i, Rights.ofMask((1 << (i + 3)) - 1))));
    List<DocumentType> types = new ArrayList<>();
    each(TYPES, i -> types.add(new DocumentType("t" + i, "Type " + i, i < GUARDED_TYPES, List.of(), i < GUARDED_TYPES ? clearances() : List.of())));
    List<Place> places = places();
    List<Grant> grants = new ArrayList<>();
    each(GRANTS / size.part, i -> grants.add(new Grant("e" + i, container(), subject(), "r" + random.nextInt(6), narrowing(), period(), null)));
    each(size.grantsOnDocuments, i -> grants.add(new Grant("x" + i, "d" + random.nextInt(documents), subject(), "r" + random.nextInt(6),
        Set.of(), Period.ALWAYS, null)));
    List<Withholding> withholdings = new ArrayList<>();
    each(WITHHOLDINGS / size.part, i -> withholdings.add(new Withholding("w" + i, container(), subject(),
        Rights.ofMask(1 << (2 + random.nextInt(7))), narrowing(), period(), null)));
    List<Oversight> oversights = new ArrayList<>();
    each(Math.max(1, OVERSIGHTS / size.part), i -> oversights.add(new Oversight("o" + i, "l" + random.nextInt(libraries), group(), Period.ALWAYS, null)));
    List<Wall> walls = new ArrayList<>();
    each(WALLS / size.part, i -> walls.add(wall(i)));
    return Structure.of(unitList, personList, groupList, roles, types, places, grants, withholdings).guardedBy(oversights, walls);
  }

  private List<Place> places() {
    SharedIds ids = new SharedIds();
    List<Place> places = new ArrayList<>(1 + libraries + folders + documents);
    places.add(container(ids.share("root"), PlaceKind.REPOSITORY, null, false, Map.of()));
    each(libraries, i -> places.add(container(ids.share("l" + i), PlaceKind.LIBRARY, ids.share("root"), false, Map.of())));
    int breakEvery = FOLDERS / BREAKS;
    int cases = Math.max(10, CASES / size.part);
    each(folders, i -> {
      boolean top = i < libraries * 20;
      places.add(container(ids.share("f" + i), PlaceKind.FOLDER, ids.share(top ? "l" + i % libraries : "f" + random.nextInt(i)), i % breakEvery == 0,
          top ? Map.of("case", "c" + i % cases) : Map.of()));
    });
    each(documents, i -> {
      boolean conditioned = random.nextInt(100) == 0;
      Conditions conditions = !conditioned ? Conditions.NONE : switch (i % 3) {
        case 0 -> new Conditions(true, false, null, null);
        case 1 -> new Conditions(false, true, null, null);
        default -> new Conditions(false, false, "p" + random.nextInt(people), NOW.minus(Duration.ofDays(3)));
      };
      places.add(new Place("d" + i, PlaceKind.DOCUMENT, ids.share("f" + random.nextInt(folders)), "Document " + i, false, Map.of(),
          ids.share("t" + random.nextInt(TYPES)), ids.share("p" + random.nextInt(people)), null, Guards.NONE, conditions));
    });
    return places;
  }

  private Place container(String id, PlaceKind kind, String parent, boolean standsAlone, Map<String, String> labels) {
    Guards guards = random.nextInt(200) > 0 || parent == null ? Guards.NONE
        : new Guards(random.nextBoolean() ? "r" + random.nextInt(6) : null, random.nextBoolean(), random.nextBoolean());
    return new Place(id, kind, parent, "Place " + id, standsAlone, labels, null, null, null, guards, Conditions.NONE);
  }

  private Wall wall(int i) {
    int cases = Math.max(10, CASES / size.part);
    Scope scope = i % 4 == 3 ? Scope.ofPlaces("f" + random.nextInt(folders)) : Scope.ofLabel("case", "c" + random.nextInt(cases));
    Barrier barrier = switch (i % 10) {
      case 0, 1, 2, 3, 4 -> new Barrier.Screen(scope, List.of(group()));
      case 5, 6, 7 -> new Barrier.Seal(scope, List.of(group(), group(), new Subject.OfUnit("u" + random.nextInt(units))));
      case 8 -> new Barrier.Sides(List.of(new Barrier.Side("one", List.of(group()), scope),
          new Barrier.Side("two", List.of(group()), Scope.ofLabel("case", "c" + random.nextInt(cases)))));
      default -> new Barrier.Confine(scope, List.of(new Subject.OfPerson("p" + random.nextInt(people))));
    };
    return new Wall("wall" + i, "Wall " + i, "measured", Wall.State.STANDING, Period.ALWAYS, barrier, List.of());
  }

  private List<Clearance> clearances() {
    List<Clearance> clearances = new ArrayList<>();
    each(4, i -> clearances.add(new Clearance(group(), "r" + random.nextInt(6), Period.ALWAYS)));
    return clearances;
  }

  private List<Membership> members(int number) {
    List<Membership> members = new ArrayList<>();
    Set<Integer> used = new HashSet<>();
    each(number == 0 ? BIG_GROUP / size.part : 3 + random.nextInt(30), any -> {
      int person = random.nextInt(people);
      if (used.add(person)) {
        members.add(new Membership(new Membership.PersonMember("p" + person), period()));
      }
    });
    if (number > 1 && random.nextInt(3) == 0) {
      members.add(new Membership(new Membership.GroupMember("g" + (1 + random.nextInt(number - 1))), Period.ALWAYS));
    }
    return members;
  }

  /** One in twenty has an end to come. */
  private Period period() {
    return random.nextInt(20) > 0 ? Period.ALWAYS : new Period(null, NOW.plus(Duration.ofDays(1 + random.nextInt(400))));
  }

  private String container() {
    return random.nextInt(20) == 0 ? "l" + random.nextInt(libraries) : "f" + random.nextInt(folders);
  }

  private Subject group() {
    return new Subject.OfGroup("g" + random.nextInt(groups));
  }

  private Subject subject() {
    int kind = random.nextInt(40);
    return kind == 0 ? Subject.BuiltIn.STAFF : kind < 8 ? new Subject.OfPerson("p" + random.nextInt(people))
        : kind < 12 ? new Subject.OfUnit("u" + random.nextInt(units)) : group();
  }

  private Set<String> narrowing() {
    return random.nextInt(5) == 0 ? Set.of("t" + random.nextInt(TYPES)) : Set.of();
  }

  private static void each(int count, IntConsumer action) {
    for (int i = 0; i < count; i++) {
      action.accept(i);
    }
  }
}
