package palegate.core.changes;

import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
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
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** A structure with changes laid over it, while a draft is being made on it; null stands for what is gone. */
final class Pending {
  final Snapshot base;
  private final Structure structure;
  private final PendingParts<Unit> units;
  private final PendingParts<Person> people;
  private final PendingParts<Role> roles;
  private final PendingParts<Place> places;
  private final PendingParts<Grant> grants;
  private final PendingParts<Withholding> withholdings;
  private final PendingParts<Oversight> oversights;
  private final PendingParts<Group> groups;
  private final PendingParts<DocumentType> types;
  private final PendingParts<Wall> walls;
  private final PendingParts<ApprovalRule> approvals;
  private final PendingParts<DutyAssignment> duties;
  private final PendingParts<SharingRule> sharing;
  private final PendingParts<Pass> passes;
  private final PendingParts<Shortlist> shortlists;
  private final PendingParts<Separation> separations;
  private final PendingLists lists;
  /** The places that the draft has put below one: ids, some of which may have gone on. */
  private final Map<String, Set<String>> placesPut = new HashMap<>();
  /** Places that were there once and are gone; null for an id that never was one. */
  private final Function<String, FormerPlace> gone;
  private References references;
  /** Who has which login; null until somebody asks. */
  private NamesInUse logins;
  /** What groups and libraries are called; null until somebody asks. */
  private NamesInUse groupNames;
  private NamesInUse libraryNames;
  /** What came of sharing; null until somebody asks. */
  private PendingShares shares;

  Pending(Snapshot base) {
    this(base, id -> null);
  }

  Pending(Snapshot base, Function<String, FormerPlace> gone) {
    this.base = base;
    this.gone = gone;
    structure = base.structure();
    units = new PendingParts<>(structure.units(), this::replace);
    people = new PendingParts<>(structure.people(), this::replace);
    roles = new PendingParts<>(structure.roles(), this::replace);
    places = new PendingParts<>(structure.places(), this::replace);
    grants = new PendingParts<>(structure.grants(), this::replace);
    withholdings = new PendingParts<>(structure.withholdings(), this::replace);
    oversights = new PendingParts<>(structure.oversights(), this::replace);
    lists = new PendingLists(base, grants, withholdings, oversights);
    groups = new PendingParts<>(structure.groups(), this::replace);
    types = new PendingParts<>(structure.types(), this::replace);
    walls = new PendingParts<>(structure.walls(), this::replace);
    approvals = new PendingParts<>(structure.approvals(), this::replace);
    duties = new PendingParts<>(structure.duties(), this::replace);
    sharing = new PendingParts<>(structure.sharing(), this::replace);
    passes = new PendingParts<>(structure.passes(), this::replace);
    shortlists = new PendingParts<>(structure.shortlists(), this::replace);
    separations = new PendingParts<>(structure.separations(), this::replace);
  }

  Structure result() {
    return structure.withPlaces(places.changed).withGrants(grants.changed).withWithholdings(withholdings.changed).withOversights(oversights.changed)
        .withGroups(groups.changed).withTypes(types.changed).withWalls(walls.changed).withUnits(units.changed).withPeople(people.changed).withRoles(roles.changed)
        .withApprovals(approvals.changed).withDuties(duties.changed)
        .withSharing(sharing.changed).withPasses(passes.changed).withShortlists(shortlists.changed).withSeparations(separations.changed);
  }

  private void replace(Object was, Object part) {
    if (references != null) {
      references.replace(was, part);
    }
  }

  Structure before() {
    return structure;
  }

  /** What names what, as the draft has it so far. O(structure) the first time for each kind of thing. */
  References references() {
    if (references == null) {
      references = new References(this::result);
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
      logins = new NamesInUse(result().people().values().stream(), Person::id, Person::login);
    }
    return logins.otherThan(person, login).map(this::person).orElse(null);
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

  /** What came of sharing, as the draft has it so far. O(grants and passes) the first time. */
  PendingShares shares() {
    if (shares == null) {
      shares = new PendingShares(grants, passes);
    }
    return shares;
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

  List<Entry> entriesAt(String place) {
    return lists.entriesAt(place);
  }

  List<Oversight> oversightsAt(String place) {
    return lists.oversightsAt(place);
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
    places.remove(place.id());
  }

  void put(Unit unit) {
    units.put(unit.id(), unit);
  }

  void remove(Unit unit) {
    units.remove(unit.id());
  }

  void put(Person person) {
    people.put(person.id(), person);
    if (logins != null) {
      logins.put(person.id(), person.login());
    }
  }

  void put(Role role) {
    roles.put(role.id(), role);
  }

  void remove(Role role) {
    roles.remove(role.id());
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
    groups.remove(group.id());
  }

  void put(DocumentType type) {
    types.put(type.id(), type);
  }

  void remove(DocumentType type) {
    types.remove(type.id());
  }

  void put(Wall wall) {
    walls.put(wall.id(), wall);
  }

  void remove(Wall wall) {
    walls.remove(wall.id());
  }

  void put(DutyAssignment given) {
    duties.put(given.id(), given);
  }

  void remove(DutyAssignment given) {
    duties.remove(given.id());
  }

  void put(ApprovalRule rule) {
    approvals.put(rule.id(), rule);
  }

  void remove(ApprovalRule rule) {
    approvals.remove(rule.id());
  }

  void put(SharingRule rule) {
    sharing.put(rule.place(), rule);
  }

  void remove(SharingRule rule) {
    sharing.remove(rule.place());
  }

  void put(Pass pass) {
    passes.put(pass.id(), pass);
    if (shares != null) {
      shares.put(pass);
    }
  }

  /** A pass goes with everything that was opened through it. */
  void removeWithGrants(Pass pass) {
    shares().through(pass.id()).forEach(this::remove);
    passes.remove(pass.id());
  }

  void put(Shortlist list) {
    shortlists.put(list.unit(), list);
  }

  void remove(Shortlist list) {
    shortlists.remove(list.unit());
  }

  void put(Separation separation) {
    separations.put(separation.id(), separation);
  }

  void remove(Separation separation) {
    separations.remove(separation.id());
  }

  void put(Entry entry) {
    lists.put(entry);
    if (shares != null && entry instanceof Grant grant) {
      shares.put(grant);
    }
  }

  void remove(Entry entry) {
    lists.remove(entry);
  }

  void put(Oversight oversight) {
    lists.put(oversight);
  }

  void remove(Oversight oversight) {
    oversights.remove(oversight.id());
  }
}
