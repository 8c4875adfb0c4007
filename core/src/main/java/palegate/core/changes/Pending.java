package palegate.core.changes;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Role;
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** A structure with changes laid over it, while a draft is being made on it; null stands for what is gone. */
final class Pending {
  /** The parts of one kind: what was, and what has been made of it. */
  private final class Layer<T> {
    final Parts<T> base;
    final Map<String, T> changed = new LinkedHashMap<>();

    Layer(Parts<T> base) {
      this.base = base;
    }

    T get(String id) {
      return id == null ? null : changed.containsKey(id) ? changed.get(id) : base.get(id);
    }

    void put(String id, T part) {
      if (references != null) {
        references.replace(get(id), part);
      }
      changed.put(id, part);
    }
  }

  final Snapshot base;
  private final Structure structure;
  private final Layer<Unit> units;
  private final Layer<Person> people;
  private final Layer<Role> roles;
  private final Layer<Place> places;
  private final Layer<Grant> grants;
  private final Layer<Withholding> withholdings;
  private final Layer<Oversight> oversights;
  private final Layer<Group> groups;
  private final Layer<DocumentType> types;
  private final Layer<Wall> walls;
  private final Layer<ApprovalRule> approvals;
  private final Layer<DutyAssignment> duties;
  private final Layer<SharingRule> sharing;
  private final Layer<Pass> passes;
  private final Layer<Shortlist> shortlists;
  private final Layer<Separation> separations;
  /** The entries and appointments that the draft has put at a place, and the places that it has put below one: ids, some of which may have gone on. */
  private final Map<String, Set<String>> entriesPut = new HashMap<>();
  private final Map<String, Set<String>> oversightsPut = new HashMap<>();
  private final Map<String, Set<String>> placesPut = new HashMap<>();
  /** Places that were there once and are gone; null for an id that never was one. */
  private final Function<String, FormerPlace> gone;
  private References references;
  /** Who has a login, in small letters; null until somebody asks. */
  private Map<String, String> logins;
  /** What groups and libraries are called; null until somebody asks. */
  private NamesInUse groupNames;
  private NamesInUse libraryNames;

  Pending(Snapshot base) {
    this(base, id -> null);
  }

  Pending(Snapshot base, Function<String, FormerPlace> gone) {
    this.base = base;
    this.gone = gone;
    structure = base.structure();
    units = new Layer<>(structure.units());
    people = new Layer<>(structure.people());
    roles = new Layer<>(structure.roles());
    places = new Layer<>(structure.places());
    grants = new Layer<>(structure.grants());
    withholdings = new Layer<>(structure.withholdings());
    oversights = new Layer<>(structure.oversights());
    groups = new Layer<>(structure.groups());
    types = new Layer<>(structure.types());
    walls = new Layer<>(structure.walls());
    approvals = new Layer<>(structure.approvals());
    duties = new Layer<>(structure.duties());
    sharing = new Layer<>(structure.sharing());
    passes = new Layer<>(structure.passes());
    shortlists = new Layer<>(structure.shortlists());
    separations = new Layer<>(structure.separations());
  }

  Structure result() {
    return structure.withPlaces(places.changed).withGrants(grants.changed).withWithholdings(withholdings.changed).withOversights(oversights.changed)
        .withGroups(groups.changed).withTypes(types.changed).withWalls(walls.changed).withUnits(units.changed).withPeople(people.changed).withRoles(roles.changed)
        .withApprovals(approvals.changed).withDuties(duties.changed)
        .withSharing(sharing.changed).withPasses(passes.changed).withShortlists(shortlists.changed).withSeparations(separations.changed);
  }

  Structure before() {
    return structure;
  }

  /** What names what, as the draft has it so far. O(structure) the first time. */
  References references() {
    if (references == null) {
      references = new References(result());
    }
    return references;
  }

  /** What had the id of a place that is not there now: removed by this draft or by an earlier change; null if nothing ever had. */
  Place formerly(String id) {
    Place before = structure.places().get(id);
    FormerPlace former = before == null ? gone.apply(id) : null;
    return former == null ? before : former.place();
  }

  /** Somebody else who has this login, in capitals or not; null if nobody has. O(people) the first time. */
  Person otherWithLogin(String login, String person) {
    if (logins == null) {
      logins = new HashMap<>();
      result().people().values().stream().filter(one -> one.login() != null).forEach(one -> logins.put(small(one.login()), one.id()));
    }
    String holder = logins.get(small(login));
    return holder == null || holder.equals(person) ? null : person(holder);
  }

  /** Whether another group has this name, in capitals or not. O(groups) the first time. */
  boolean otherGroupNamed(String name, String group) {
    if (groupNames == null) {
      groupNames = new NamesInUse(result().groups().values().stream(), Group::id, Group::name);
    }
    return groupNames.anyBut(name, group);
  }

  /** Whether another library has this name, in capitals or not. O(libraries) the first time. */
  boolean otherLibraryNamed(String name, String library) {
    if (libraryNames == null) {
      // They stand below the repository and nowhere else.
      Stream<String> before = base.placeCount() == 0 ? Stream.empty() : base.children(0).stream().map(child -> base.place(child).id());
      Stream<String> drafted = places.changed.keySet().stream();
      libraryNames = new NamesInUse(Stream.concat(before, drafted).distinct().map(this::place).filter(place -> place != null && place.kind() == PlaceKind.LIBRARY), Place::id, Place::name);
    }
    return libraryNames.anyBut(name, library);
  }

  private static String small(String login) {
    return login.strip().toLowerCase(Locale.ROOT);
  }

  Place place(String id) {
    return places.get(id);
  }

  Unit unit(String id) {
    return units.get(id);
  }

  Person person(String id) {
    return people.get(id);
  }

  Role role(String id) {
    return roles.get(id);
  }

  Group group(String id) {
    return groups.get(id);
  }

  DocumentType type(String id) {
    return types.get(id);
  }

  Wall wall(String id) {
    return walls.get(id);
  }

  DutyAssignment duty(String id) {
    return duties.get(id);
  }

  ApprovalRule approval(String id) {
    return approvals.get(id);
  }

  SharingRule sharing(String place) {
    return sharing.get(place);
  }

  Pass pass(String id) {
    return passes.get(id);
  }

  Shortlist shortlist(String unit) {
    return shortlists.get(unit);
  }

  Separation separation(String id) {
    return separations.get(id);
  }

  /** The grants that stand by a pass. O(grants). */
  Stream<Grant> grantsThrough(String pass) {
    return standing(grant -> pass.equals(grant.pass()));
  }

  /** The grants that say the same as a share and are of the same maker or pass: what breaks carried over of it. O(grants). */
  Stream<Grant> grantsAsOf(Grant share) {
    return standing(grant -> grant.isShare() && Objects.equals(grant.sharedBy(), share.sharedBy()) && Objects.equals(grant.pass(), share.pass()) && grant.saysTheSameAs(share));
  }

  private Stream<Grant> standing(Predicate<Grant> wanted) {
    return Stream.concat(structure.grants().keySet().stream(), grants.changed.keySet().stream()).distinct().map(this::grant).filter(grant -> grant != null && wanted.test(grant)).toList().stream();
  }

  /** Whether a place is another one or below it. O(depth). */
  boolean isAtOrBelow(String place, String top) {
    for (Place at = place(place); at != null; at = place(at.parent())) {
      if (at.id().equals(top)) {
        return true;
      }
    }
    return false;
  }

  Oversight oversight(String id) {
    return oversights.get(id);
  }

  Grant grant(String id) {
    return grants.get(id);
  }

  Withholding withholding(String id) {
    return withholdings.get(id);
  }

  /** The entries that stand at a place now. O(entries there, and those that the draft put there). */
  List<Entry> entriesAt(String place) {
    Set<Entry> found = new LinkedHashSet<>();
    int number = base.placeNumber(place);
    if (number >= 0) {
      base.ownEntries(number).forEach(entry -> addIfAt(place, entry instanceof Grant ? grant(entry.id()) : withholding(entry.id()), found));
    }
    for (String id : entriesPut.getOrDefault(place, Set.of())) {
      addIfAt(place, grant(id), found);
      addIfAt(place, withholding(id), found);
    }
    return new ArrayList<>(found);
  }

  private static void addIfAt(String place, Entry now, Set<Entry> found) {
    if (now != null && now.place().equals(place)) {
      found.add(now);
    }
  }

  /** The appointments that stand at a place now. O(appointments there, and those that the draft put there). */
  List<Oversight> oversightsAt(String place) {
    Set<String> ids = new LinkedHashSet<>();
    int number = base.placeNumber(place);
    if (number >= 0) {
      base.ownOversights(number).forEach(known -> ids.add(known.id()));
    }
    ids.addAll(oversightsPut.getOrDefault(place, Set.of()));
    return ids.stream().map(this::oversight).filter(now -> now != null && now.place().equals(place)).toList();
  }

  /** Whether anything stands directly below a place now. O(places below, and those that the draft put there). */
  boolean hasChildren(String place) {
    int number = base.placeNumber(place);
    return number >= 0 && base.childrenInNoOrder(number).stream().anyMatch(child -> isBelow(base.place(child).id(), place))
        || placesPut.getOrDefault(place, Set.of()).stream().anyMatch(child -> isBelow(child, place));
  }

  private boolean isBelow(String id, String parent) {
    Place child = place(id);
    return child != null && parent.equals(child.parent());
  }

  void put(Place place) {
    if (libraryNames != null && place.kind() == PlaceKind.LIBRARY) {
      libraryNames.put(place.id(), place.name());
    }
    places.put(place.id(), place);
    if (place.parent() != null) {
      placesPut.computeIfAbsent(place.parent(), any -> new LinkedHashSet<>()).add(place.id());
    }
  }

  void remove(Place place) {
    if (libraryNames != null) {
      libraryNames.put(place.id(), null);
    }
    places.put(place.id(), null);
  }

  void put(Unit unit) {
    units.put(unit.id(), unit);
  }

  void remove(Unit unit) {
    units.put(unit.id(), null);
  }

  void put(Person person) {
    Person was = person(person.id());
    people.put(person.id(), person);
    if (logins != null) {
      if (was != null && was.login() != null) {
        logins.remove(small(was.login()), person.id());
      }
      if (person.login() != null) {
        logins.put(small(person.login()), person.id());
      }
    }
  }

  void put(Role role) {
    roles.put(role.id(), role);
  }

  void remove(Role role) {
    roles.put(role.id(), null);
  }

  void put(Group group) {
    if (groupNames != null) {
      groupNames.put(group.id(), group.name());
    }
    groups.put(group.id(), group);
  }

  void remove(Group group) {
    if (groupNames != null) {
      groupNames.put(group.id(), null);
    }
    groups.put(group.id(), null);
  }

  void put(DocumentType type) {
    types.put(type.id(), type);
  }

  void remove(DocumentType type) {
    types.put(type.id(), null);
  }

  void put(Wall wall) {
    walls.put(wall.id(), wall);
  }

  void remove(Wall wall) {
    walls.put(wall.id(), null);
  }

  void put(DutyAssignment given) {
    duties.put(given.id(), given);
  }

  void remove(DutyAssignment given) {
    duties.put(given.id(), null);
  }

  void put(ApprovalRule rule) {
    approvals.put(rule.id(), rule);
  }

  void remove(ApprovalRule rule) {
    approvals.put(rule.id(), null);
  }

  void put(SharingRule rule) {
    sharing.put(rule.place(), rule);
  }

  void remove(SharingRule rule) {
    sharing.put(rule.place(), null);
  }

  void put(Pass pass) {
    passes.put(pass.id(), pass);
  }

  /** A pass goes with everything that was opened through it. O(grants). */
  void removeWithGrants(Pass pass) {
    grantsThrough(pass.id()).forEach(this::remove);
    passes.put(pass.id(), null);
  }

  /** The passes to a place. O(passes). */
  List<Pass> passesAt(String place) {
    return Stream.concat(structure.passes().keySet().stream(), passes.changed.keySet().stream()).distinct().map(this::pass).filter(pass -> pass != null && pass.place().equals(place)).toList();
  }

  void put(Shortlist list) {
    shortlists.put(list.unit(), list);
  }

  void remove(Shortlist list) {
    shortlists.put(list.unit(), null);
  }

  void put(Separation separation) {
    separations.put(separation.id(), separation);
  }

  void remove(Separation separation) {
    separations.put(separation.id(), null);
  }

  void put(Entry entry) {
    if (entry instanceof Grant grant) {
      grants.put(grant.id(), grant);
    } else {
      withholdings.put(entry.id(), (Withholding) entry);
    }
    entriesPut.computeIfAbsent(entry.place(), any -> new LinkedHashSet<>()).add(entry.id());
  }

  void remove(Entry entry) {
    if (entry instanceof Grant) {
      grants.put(entry.id(), null);
    } else {
      withholdings.put(entry.id(), null);
    }
  }

  void put(Oversight oversight) {
    oversights.put(oversight.id(), oversight);
    oversightsPut.computeIfAbsent(oversight.place(), any -> new LinkedHashSet<>()).add(oversight.id());
  }

  void remove(Oversight oversight) {
    oversights.put(oversight.id(), null);
  }
}
