package palegate.bench;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.IntConsumer;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
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

/** Structures of stated sizes, the same every time. Size S is a hundredth of L, M a tenth. */
final class Structures {
  enum Size {
    S(100), M(10);

    final int part;

    Size(int part) {
      this.part = part;
    }
  }

  private static final long SEED = 7_411;
  private static final int DOCUMENTS = 1_000_000;
  private static final int FOLDERS = 60_000;
  private static final int LIBRARIES = 200;
  private static final int PEOPLE = 20_000;
  private static final int GROUPS = 3_000;
  private static final int UNITS = 400;
  private static final int TYPES = 30;
  private static final int GRANTS = 30_000;
  private static final int WITHHOLDINGS = 2_000;
  private static final int BREAKS = 5_000;

  private final Random random = new Random(SEED);
  private final int part;

  private Structures(Size size) {
    part = size.part;
  }

  static Structure of(Size size) {
    return new Structures(size).make();
  }

  private Structure make() {
    int libraries = LIBRARIES / part;
    int folders = FOLDERS / part;
    List<Unit> units = new ArrayList<>();
    each(UNITS / part, i -> units.add(new Unit("u" + i, "Unit " + i, i == 0 ? null : "u" + random.nextInt(i))));
    List<Person> people = new ArrayList<>();
    each(PEOPLE / part, i -> people.add(new Person("p" + i, "Person " + i, null, null, random.nextInt(100) < 15, true, "u" + random.nextInt(units.size()))));
    List<Group> groups = new ArrayList<>();
    each(GROUPS / part, i -> groups.add(new Group("g" + i, "Group " + i, null, members(i, people.size()))));
    List<DocumentType> types = new ArrayList<>();
    each(TYPES, i -> types.add(new DocumentType("t" + i, "Type " + i, List.of())));
    List<Role> roles = new ArrayList<>();
    each(6, i -> roles.add(new Role("r" + i, "Role " + i, Rights.ofMask((1 << (i + 3)) - 1))));
    List<Place> places = new ArrayList<>();
    places.add(place("root", PlaceKind.REPOSITORY, null, false, null));
    each(libraries, i -> places.add(place("l" + i, PlaceKind.LIBRARY, "root", false, null)));
    int breakEvery = FOLDERS / BREAKS;
    each(folders, i -> places.add(place("f" + i, PlaceKind.FOLDER,
        i < libraries * 5 ? "l" + random.nextInt(libraries) : "f" + random.nextInt(i), i % breakEvery == 0, null)));
    each(DOCUMENTS / part, i -> places.add(place("d" + i, PlaceKind.DOCUMENT, "f" + random.nextInt(folders), false, "t" + random.nextInt(TYPES))));
    List<Grant> grants = new ArrayList<>();
    each(GRANTS / part, i -> grants.add(new Grant("e" + i, container(libraries, folders), subject(people.size(), groups.size(), units.size()),
        "r" + random.nextInt(6), narrowing(), Period.ALWAYS, null)));
    List<Withholding> withholdings = new ArrayList<>();
    each(WITHHOLDINGS / part, i -> withholdings.add(new Withholding("w" + i, container(libraries, folders),
        subject(people.size(), groups.size(), units.size()), Rights.ofMask(1 << (2 + random.nextInt(7))), narrowing(), Period.ALWAYS, null)));
    return Structure.of(units, people, groups, roles, types, places, grants, withholdings);
  }

  private List<Membership> members(int group, int people) {
    List<Membership> members = new ArrayList<>();
    Set<Integer> used = new HashSet<>();
    each(3 + random.nextInt(30), any -> {
      int person = random.nextInt(people);
      if (used.add(person)) {
        members.add(new Membership(new Membership.PersonMember("p" + person), Period.ALWAYS));
      }
    });
    if (group > 0 && random.nextInt(3) == 0) {
      members.add(new Membership(new Membership.GroupMember("g" + random.nextInt(group)), Period.ALWAYS));
    }
    return members;
  }

  private String container(int libraries, int folders) {
    return random.nextInt(20) == 0 ? "l" + random.nextInt(libraries) : "f" + random.nextInt(folders);
  }

  private Subject subject(int people, int groups, int units) {
    int kind = random.nextInt(20);
    return kind == 0 ? Subject.BuiltIn.STAFF : kind < 4 ? new Subject.OfPerson("p" + random.nextInt(people))
        : kind < 6 ? new Subject.OfUnit("u" + random.nextInt(units)) : new Subject.OfGroup("g" + random.nextInt(groups));
  }

  private Set<String> narrowing() {
    return random.nextInt(5) == 0 ? Set.of("t" + random.nextInt(TYPES)) : Set.of();
  }

  private static Place place(String id, PlaceKind kind, String parent, boolean standsAlone, String type) {
    return new Place(id, kind, parent, id, standsAlone, Map.of(), type, null, null);
  }

  private static void each(int count, IntConsumer action) {
    for (int i = 0; i < count; i++) {
      action.accept(i);
    }
  }
}
