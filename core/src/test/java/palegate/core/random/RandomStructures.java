package palegate.core.random;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
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
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

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

  private RandomStructures(Random random) {
    this.random = random;
  }

  public static Structure fromSeed(long seed) {
    return new RandomStructures(new Random(seed)).make();
  }

  /** An instant that often falls exactly on an edge of some period. */
  public static Instant instant(Random random) {
    return NOW.plus(Duration.ofHours(random.nextInt(7) - 3));
  }

  /** A maker of more parts for a structure that this class has made. */
  static RandomStructures moreFor(Structure structure, Random random) {
    RandomStructures more = new RandomStructures(random);
    more.units.addAll(structure.units().values());
    more.people.addAll(structure.people().values());
    more.groups.addAll(structure.groups().values());
    more.roles.addAll(structure.roles().values());
    more.types.addAll(structure.types().values());
    more.places.addAll(structure.places().values());
    return more;
  }

  private Structure make() {
    times(random.nextInt(5), i -> units.add(new Unit("u" + i, "Unit " + i, i == 0 || chance(30) ? null : "u" + random.nextInt(i))));
    times(random.nextInt(8), i -> people.add(new Person("p" + i, "Person " + i, null, null, chance(30), !chance(15),
        units.isEmpty() || chance(25) ? null : "u" + random.nextInt(units.size()))));
    times(random.nextInt(6), this::addGroup);
    times(1 + random.nextInt(4), i -> roles.add(new Role("r" + i, "Role " + i, Rights.ofMask(random.nextInt(512)))));
    times(random.nextInt(4), i -> types.add(new DocumentType("t" + i, "Type " + i, chance(40), List.of(), clearances())));
    places.add(new Place("root", PlaceKind.REPOSITORY, null, "Repository", true, labels(), null, null, null, guards(), Conditions.NONE));
    times(random.nextInt(14), this::addPlace);
    List<Grant> grants = new ArrayList<>();
    times(random.nextInt(10), i -> grants.add(new Grant("e" + i, anyPlace(), subject(), "r" + random.nextInt(roles.size()), someTypes(), period(), null)));
    List<Withholding> withholdings = new ArrayList<>();
    times(random.nextInt(5), i -> withholdings.add(new Withholding("w" + i, anyPlace(), subject(), Rights.ofMask(random.nextInt(512)), someTypes(), period(), null)));
    List<Oversight> oversights = new ArrayList<>();
    times(random.nextInt(3), i -> oversights.add(new Oversight("o" + i, anyPlace(), subject(), period(), null)));
    List<Wall> walls = new ArrayList<>();
    times(random.nextInt(4), i -> walls.add(wall("x" + i)));
    return shared(Structure.of(units, people, groups, roles, types, places, grants, withholdings).guardedBy(oversights, walls));
  }

  /** What sections 11 to 13 add, to some and drawn last: the rest of a seed stays what it was. */
  private Structure shared(Structure structure) {
    if (!chance(30)) {
      return structure;
    }
    List<SharingRule> rules = new ArrayList<>();
    places.stream().filter(place -> chance(25)).forEach(place -> rules.add(new SharingRule(place.id(), SharingRule.Who.values()[random.nextInt(3)], chance(60), chance(60) ? null : "r" + random.nextInt(roles.size()),
        chance(60) ? null : 1 + random.nextInt(40))));
    List<Pass> passes = new ArrayList<>();
    Map<String, Grant> marked = new LinkedHashMap<>();
    if (!people.isEmpty()) {
      times(random.nextInt(3), i -> passes.add(new Pass("pa" + i, anyPlace(), "r" + random.nextInt(roles.size()), List.of(audience(), audience()), anyPerson(), period(), chance(70) ? null : 1 + random.nextInt(3), null)));
      structure.grants().values().stream().filter(grant -> chance(30)).forEach(grant -> {
        boolean throughPass = !passes.isEmpty() && grant.subject() instanceof Subject.OfPerson;
        marked.put(grant.id(), new Grant(grant.id(), grant.place(), grant.subject(), grant.role(), grant.types(), grant.period(), null, throughPass ? null : anyPerson(), throughPass ? "pa" + random.nextInt(passes.size()) : null));
      });
    }
    List<Shortlist> lists = new ArrayList<>();
    units.stream().filter(unit -> chance(30)).forEach(unit -> lists.add(new Shortlist(unit.id(), List.of(new Shortlist.Audience(chance(50) || groups.isEmpty() ? new Subject.OfUnit(unit.id()) : new Subject.OfGroup(groups.get(0).id()), "Audience", null)))));
    List<Separation> separations = new ArrayList<>();
    times(random.nextInt(3), i -> separations.add(new Separation("se" + i, "Separation " + i, null, chance(50), chance(70) ? Separation.Within.PLACE : Separation.Within.ANYWHERE, chance(70) ? List.of(side(), side()) : List.of(side(), side(), side()))));
    return structure.withGrants(marked).sharedBy(rules, passes, lists, separations);
  }

  private String anyPerson() {
    return people.get(random.nextInt(people.size())).id();
  }

  /** Anybody but all outsiders, whom no pass is for. */
  private Subject audience() {
    Subject subject = subject();
    return subject == Subject.BuiltIn.OUTSIDERS ? Subject.BuiltIn.STAFF : subject;
  }

  private Separation.Side side() {
    int what = random.nextInt(4);
    Set<String> ofGroups = what == 0 && !groups.isEmpty() ? Set.of("g" + random.nextInt(groups.size())) : Set.of();
    Rights rights = what == 1 ? Rights.ofMask(1 << random.nextInt(9)) : Rights.NONE;
    Set<String> ofRoles = what > 1 || ofGroups.isEmpty() && rights.isEmpty() ? Set.of("r" + random.nextInt(roles.size())) : Set.of();
    return new Separation.Side(ofRoles, rights, ofGroups, Set.of(), ofGroups.isEmpty() ? someTypes() : Set.of());
  }

  private List<Clearance> clearances() {
    List<Clearance> clearances = new ArrayList<>();
    times(random.nextInt(3), i -> clearances.add(new Clearance(subject(), "r" + random.nextInt(roles.size()), period())));
    return clearances;
  }

  Map<String, String> labels() {
    return chance(60) ? Map.of() : chance(70) ? Map.of("k", "v" + random.nextInt(3))
        : Map.of("k", "v" + random.nextInt(3), "m", "w" + random.nextInt(2));
  }

  Guards guards() {
    return chance(75) ? Guards.NONE
        : new Guards(chance(50) ? "r" + random.nextInt(roles.size()) : null, chance(40), chance(40));
  }

  private Conditions conditions(String owner) {
    return chance(60) ? Conditions.NONE : new Conditions(owner != null && chance(50), chance(40),
        people.isEmpty() || chance(60) ? null : "p" + random.nextInt(people.size()), null);
  }

  /** A wall of any kind, on places and types of the structure, under a given id. */
  Wall wall(String id) {
    List<Wall.Exempt> exceptions = chance(70) ? List.of()
        : List.of(new Wall.Exempt(subject(), chance(50) ? null : instant(random)));
    Barrier barrier = switch (random.nextInt(4)) {
      case 0 -> new Barrier.Screen(scope(), List.of(subject()));
      case 1 -> new Barrier.Seal(scope(), List.of(subject(), subject()));
      case 2 -> new Barrier.Confine(scope(), List.of(subject()));
      default -> new Barrier.Sides(List.of(new Barrier.Side("one", List.of(subject()), scope()),
          new Barrier.Side("two", List.of(subject(), subject()), scope()), new Barrier.Side("three", List.of(subject()), scope())));
    };
    Wall.State state = chance(75) ? Wall.State.STANDING : chance(50) ? Wall.State.PLANNED : Wall.State.LIFTED;
    return new Wall(id, "Wall " + id, "because", state, period(), barrier, exceptions);
  }

  private Scope scope() {
    Set<String> inPlaces = chance(40) ? Set.of(anyPlace()) : Set.of();
    Set<String> ofTypes = types.isEmpty() || chance(70) ? Set.of() : Set.of("t" + random.nextInt(types.size()));
    Map<String, Set<String>> withLabels = inPlaces.isEmpty() && ofTypes.isEmpty() || chance(50)
        ? chance(70) ? Map.of("k", Set.of("v" + random.nextInt(4))) : Map.of("k", Set.of("v0", "v1"), "m", Set.of("w0")) : Map.of();
    return new Scope(inPlaces, ofTypes, withLabels);
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
    boolean document = kind == PlaceKind.DOCUMENT;
    String owner = document && !people.isEmpty() && chance(50) ? "p" + random.nextInt(people.size()) : null;
    places.add(new Place("d" + i, kind, parents.get(random.nextInt(parents.size())).id(), "Place " + i, chance(25), labels(),
        document && !types.isEmpty() && chance(75) ? "t" + random.nextInt(types.size()) : null, owner,
        kind == PlaceKind.LINK ? targets.get(random.nextInt(targets.size())).id() : null, guards(),
        document ? conditions(owner) : Conditions.NONE));
  }

  Subject subject() {
    return switch (random.nextInt(5)) {
      case 0 -> people.isEmpty() ? Subject.BuiltIn.STAFF : new Subject.OfPerson("p" + random.nextInt(people.size()));
      case 1, 2 -> groups.isEmpty() ? Subject.BuiltIn.OUTSIDERS : new Subject.OfGroup("g" + random.nextInt(groups.size()));
      case 3 -> units.isEmpty() ? Subject.BuiltIn.STAFF : new Subject.OfUnit("u" + random.nextInt(units.size()));
      default -> random.nextBoolean() ? Subject.BuiltIn.STAFF : Subject.BuiltIn.OUTSIDERS;
    };
  }

  Period period() {
    if (chance(60)) {
      return Period.ALWAYS;
    }
    Instant from = chance(40) ? null : instant(random);
    Instant until = from == null || chance(60) ? instant(random) : null;
    return from != null && until != null && !until.isAfter(from) ? new Period(until.minusSeconds(1), from) : new Period(from, until);
  }

  Set<String> someTypes() {
    return types.isEmpty() || chance(65) ? Set.of() : Set.of("t" + random.nextInt(types.size()));
  }

  String anyPlace() {
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
