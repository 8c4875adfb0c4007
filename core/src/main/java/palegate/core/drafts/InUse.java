package palegate.core.drafts;

import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.people.Membership;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;

/** What still names a thing, in words: whatever is named must stay. O(structure) a question. */
final class InUse {
  private final Structure structure;

  private InUse(Structure structure) {
    this.structure = structure;
  }

  static InUse of(Structure structure) {
    return new InUse(structure);
  }

  /** Where a role is named first, or null. */
  String role(String role) {
    return first(
        structure.grants().values().stream().filter(grant -> grant.role().equals(role)).map(grant -> "a grant at " + name(grant.place())),
        structure.types().values().stream().filter(type -> type.clearances().stream().anyMatch(clearance -> clearance.role().equals(role)))
            .map(type -> "a clearance of " + type.name()),
        structure.places().values().stream().filter(place -> role.equals(place.guards().ceiling())).map(place -> "the ceiling of " + place.name()));
  }

  /** Where a unit is named first, or null. */
  String unit(String unit) {
    return first(
        structure.people().values().stream().filter(person -> unit.equals(person.unit())).map(person -> person.name() + " sits in it"),
        structure.units().values().stream().filter(below -> unit.equals(below.parent())).map(below -> below.name() + " is below it"),
        namedAsSubject(new Subject.OfUnit(unit)));
  }

  /** Where a group is named first, or null. */
  String group(String group) {
    return first(
        structure.groups().values().stream().filter(outer -> outer.members().stream().anyMatch(member ->
            member.member() instanceof Membership.GroupMember && member.member().id().equals(group)))
            .map(outer -> "it is a member of " + outer.name()),
        namedAsSubject(new Subject.OfGroup(group)));
  }

  /** Where a type is named first, or null. */
  String type(String type) {
    return first(
        structure.places().values().stream().filter(place -> type.equals(place.type())).map(place -> place.name() + " is one"),
        structure.entries().filter(entry -> entry.types().contains(type)).map(entry -> "an entry at " + name(entry.place()) + " is narrowed to it"),
        walls().filter(wall -> wall.barrier().scopes().stream().anyMatch(scope -> scope.types().contains(type))).map(wall -> "a wall hangs on it"));
  }

  /** Where a place is named first by something else than what stands on it, or null. */
  String place(String place) {
    return first(
        structure.places().values().stream().filter(link -> place.equals(link.target())).map(link -> "the link " + link.name() + " shows it"),
        structure.types().values().stream().filter(type -> type.libraries().contains(place)).map(type -> type.name() + " may be used in it"),
        walls().filter(wall -> wall.barrier().scopes().stream().anyMatch(scope -> scope.places().contains(place))).map(wall -> "a wall hangs on it"),
        structure.approvals().values().stream().filter(rule -> rule.when().places().contains(place)).map(rule -> "the rule of approval " + rule.name() + " names it"));
  }

  private Stream<String> namedAsSubject(Subject subject) {
    return Stream.of(
        structure.entries().filter(entry -> entry.subject().equals(subject)).map(Entry::place).map(place -> "an entry at " + name(place)),
        structure.oversights().values().stream().filter(oversight -> oversight.subject().equals(subject))
            .map(oversight -> "an oversight at " + name(oversight.place())),
        structure.types().values().stream().filter(type -> type.clearances().stream().anyMatch(clearance -> clearance.subject().equals(subject)))
            .map(type -> "a clearance of " + type.name()),
        walls().filter(wall -> wall.barrier().subjects().contains(subject)
            || wall.exceptions().stream().anyMatch(exempt -> exempt.subject().equals(subject))).map(wall -> "a wall names it"))
        .flatMap(named -> named);
  }

  private Stream<Wall> walls() {
    return structure.walls().values().stream();
  }

  private String name(String place) {
    Place known = structure.places().get(place);
    return known == null ? place : known.name();
  }

  @SafeVarargs
  private static String first(Stream<String>... found) {
    return Stream.of(found).flatMap(named -> named).findFirst().orElse(null);
  }
}
