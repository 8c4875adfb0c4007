package palegate.core.structure;

import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Role;
import palegate.core.types.DocumentType;

/**
 * A whole permission structure: all there is, by id, and nothing about what it means. Immutable; the
 * maps keep the order in which the parts were given.
 *
 * <p>A structure is taken to be sound (every reference leads somewhere, nothing forms a cycle): what
 * comes from outside is checked before it becomes one.
 */
public record Structure(
    Map<String, Unit> units,
    Map<String, Person> people,
    Map<String, Group> groups,
    Map<String, Role> roles,
    Map<String, DocumentType> types,
    Map<String, Place> places,
    Map<String, Grant> grants,
    Map<String, Withholding> withholdings) {

  public static final Structure EMPTY =
      new Structure(Map.of(), Map.of(), Map.of(), Map.of(), Map.of(), Map.of(), Map.of(), Map.of());

  public Structure {
    units = Collections.unmodifiableMap(units);
    people = Collections.unmodifiableMap(people);
    groups = Collections.unmodifiableMap(groups);
    roles = Collections.unmodifiableMap(roles);
    types = Collections.unmodifiableMap(types);
    places = Collections.unmodifiableMap(places);
    grants = Collections.unmodifiableMap(grants);
    withholdings = Collections.unmodifiableMap(withholdings);
  }

  /** A structure of these parts; two parts of one kind with the same id are refused. */
  public static Structure of(
      Collection<Unit> units, Collection<Person> people, Collection<Group> groups,
      Collection<Role> roles, Collection<DocumentType> types, Collection<Place> places,
      Collection<Grant> grants, Collection<Withholding> withholdings) {
    return new Structure(
        byId(units, Unit::id), byId(people, Person::id), byId(groups, Group::id),
        byId(roles, Role::id), byId(types, DocumentType::id), byId(places, Place::id),
        byId(grants, Grant::id), byId(withholdings, Withholding::id));
  }

  /** The one repository, absent only from a structure without any place. */
  public Optional<Place> repository() {
    return places.values().stream().filter(place -> place.kind() == PlaceKind.REPOSITORY).findFirst();
  }

  public Structure withPlaces(Map<String, Place> changed) {
    return new Structure(units, people, groups, roles, types, changed, grants, withholdings);
  }

  public Structure withEntries(Map<String, Grant> newGrants, Map<String, Withholding> newWithholdings) {
    return new Structure(units, people, groups, roles, types, places, newGrants, newWithholdings);
  }

  private static <T> Map<String, T> byId(Collection<T> parts, Function<T, String> id) {
    Map<String, T> map = new LinkedHashMap<>(parts.size() * 2);
    for (T part : parts) {
      if (map.put(id.apply(part), part) != null) {
        throw new IllegalArgumentException(
            "The id [" + id.apply(part) + "] stands twice among its kind; ids are unique.");
      }
    }
    return map;
  }
}
