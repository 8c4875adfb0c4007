package palegate.core.structure;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
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
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.separations.Separation;
import palegate.core.sharing.Pass;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/**
 * A whole permission structure: all there is, by id, and nothing about what it means. Immutable; the
 * parts keep the order in which they were given.
 *
 * <p>A structure is taken to be sound (every reference leads somewhere, nothing forms a cycle): what
 * comes from outside is checked before it becomes one.
 */
public record Structure(
    Parts<Unit> units,
    Parts<Person> people,
    Parts<Group> groups,
    Parts<Role> roles,
    Parts<DocumentType> types,
    Parts<Place> places,
    Parts<Grant> grants,
    Parts<Withholding> withholdings,
    Parts<Oversight> oversights,
    Parts<Wall> walls,
    Parts<ApprovalRule> approvals,
    Parts<DutyAssignment> duties,
    Parts<SharingRule> sharing,
    Parts<Pass> passes,
    Parts<Shortlist> shortlists,
    Parts<Separation> separations) {

  public static final Structure EMPTY = of(List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of(), List.of());

  public Structure {
    Stream.of(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists, separations).forEach(Objects::requireNonNull);
  }

  /** A structure of these parts, without oversight, walls, rules of approval, duties and what sections 11 to 13 add; two parts of one kind with the same id are refused. */
  public static Structure of(
      Collection<Unit> units, Collection<Person> people, Collection<Group> groups,
      Collection<Role> roles, Collection<DocumentType> types, Collection<Place> places,
      Collection<Grant> grants, Collection<Withholding> withholdings) {
    return new Structure(
        Parts.of(units, Unit::id), Parts.of(people, Person::id), Parts.of(groups, Group::id),
        Parts.of(roles, Role::id), Parts.of(types, DocumentType::id), Parts.of(places, Place::id),
        Parts.of(grants, Grant::id), Parts.of(withholdings, Withholding::id), Parts.none(), Parts.none(), Parts.none(), Parts.none(),
        Parts.none(), Parts.none(), Parts.none(), Parts.none());
  }

  /** This structure with exactly these appointments and walls. */
  public Structure guardedBy(Collection<Oversight> appointed, Collection<Wall> raised) {
    return new Structure(units, people, groups, roles, types, places, grants, withholdings,
        Parts.of(appointed, Oversight::id), Parts.of(raised, Wall::id), approvals, duties, sharing, passes, shortlists, separations);
  }

  /** This structure with exactly these rules of approval. */
  public Structure approvedBy(Collection<ApprovalRule> rules) {
    return new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, Parts.of(rules, ApprovalRule::id), duties,
        sharing, passes, shortlists, separations);
  }

  /** This structure with exactly these duties. */
  public Structure administeredBy(Collection<DutyAssignment> assignments) {
    return new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals, Parts.of(assignments, DutyAssignment::id),
        sharing, passes, shortlists, separations);
  }

  /** This structure with exactly these rules of sharing, passes, shortlists and separations. */
  public Structure sharedBy(Collection<SharingRule> rules, Collection<Pass> given, Collection<Shortlist> lists, Collection<Separation> apart) {
    return new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals, duties,
        Parts.of(rules, SharingRule::place), Parts.of(given, Pass::id), Parts.of(lists, Shortlist::unit), Parts.of(apart, Separation::id));
  }

  /** The one repository, absent only from a structure without any place: above whichever place one begins at. O(depth). */
  public Optional<Place> repository() {
    Place at = places.isEmpty() ? null : places.values().iterator().next();
    for (int steps = 0; at != null && at.kind() != PlaceKind.REPOSITORY && steps < places.size(); steps++) {
      at = at.parent() == null ? null : places.get(at.parent());
    }
    // What is not sound yet may lead nowhere.
    return at != null && at.kind() == PlaceKind.REPOSITORY ? Optional.of(at) : places.values().stream().filter(place -> place.kind() == PlaceKind.REPOSITORY).findFirst();
  }

  /** All grants, then all withholdings. */
  public Stream<Entry> entries() {
    return Stream.concat(grants.values().stream(), withholdings.values().stream());
  }

  /** The rights of a grant's role, and the named ones of a withholding. */
  public Rights rightsOf(Entry entry) {
    return entry instanceof Grant grant ? roles.get(grant.role()).rights() : ((Withholding) entry).rights();
  }

  /** The grant or withholding with this id, or null. */
  public Entry entry(String id) {
    Grant grant = grants.get(id);
    return grant != null ? grant : withholdings.get(id);
  }

  public Structure withUnits(Map<String, Unit> changes) {
    return changes.isEmpty() ? this : new Structure(units.with(changes), people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists, separations);
  }

  public Structure withPeople(Map<String, Person> changes) {
    return changes.isEmpty() ? this : new Structure(units, people.with(changes), groups, roles, types, places, grants, withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists, separations);
  }

  public Structure withGroups(Map<String, Group> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups.with(changes), roles, types, places, grants, withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists, separations);
  }

  public Structure withRoles(Map<String, Role> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles.with(changes), types, places, grants, withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists, separations);
  }

  public Structure withTypes(Map<String, DocumentType> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types.with(changes), places, grants, withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists, separations);
  }

  public Structure withPlaces(Map<String, Place> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places.with(changes), grants, withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists, separations);
  }

  public Structure withGrants(Map<String, Grant> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places, grants.with(changes), withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists, separations);
  }

  public Structure withWithholdings(Map<String, Withholding> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places, grants, withholdings.with(changes), oversights, walls, approvals, duties, sharing, passes, shortlists, separations);
  }

  public Structure withOversights(Map<String, Oversight> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights.with(changes), walls, approvals, duties, sharing, passes, shortlists, separations);
  }

  public Structure withWalls(Map<String, Wall> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights, walls.with(changes), approvals, duties, sharing, passes, shortlists, separations);
  }

  public Structure withApprovals(Map<String, ApprovalRule> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals.with(changes), duties, sharing, passes, shortlists, separations);
  }

  public Structure withDuties(Map<String, DutyAssignment> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals, duties.with(changes), sharing, passes, shortlists, separations);
  }

  public Structure withSharing(Map<String, SharingRule> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals, duties, sharing.with(changes), passes, shortlists, separations);
  }

  public Structure withPasses(Map<String, Pass> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals, duties, sharing, passes.with(changes), shortlists, separations);
  }

  public Structure withShortlists(Map<String, Shortlist> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists.with(changes), separations);
  }

  public Structure withSeparations(Map<String, Separation> changes) {
    return changes.isEmpty() ? this : new Structure(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists, separations.with(changes));
  }
}
