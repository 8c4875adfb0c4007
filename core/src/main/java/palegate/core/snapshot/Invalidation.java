package palegate.core.snapshot;

import java.time.Instant;
import java.util.BitSet;
import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.people.Group;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/**
 * What differs between two structures, as far as answers depend on it. Its cost grows with the change
 * if one structure was made from the other. Or what differs between two instants of one structure.
 */
final class Invalidation {
  /** Null between two instants. */
  final StructureDifference difference;
  final Set<String> groups;
  final Set<String> units;
  final Set<String> types;
  final Set<String> roles;
  final Set<String> places;
  /** Those of the places that the structure before does not have. */
  final Set<String> placesCome;
  /** Those of the places that stand below another one now. */
  final Set<String> placesMoved;
  /** Those of the places that only the structure before has. */
  final Set<String> placesGone;
  final Set<String> walls;
  final Set<String> peopleCome;
  /** Whether anything that counts differs in somebody who was there, or in the units that people are in. */
  final boolean peopleAltered;
  /** Whether the labels of any place differ. */
  final boolean labelsAltered;
  /** Places whose entries, appointments, break, guards, labels or type may differ. */
  private final Set<String> touched = new HashSet<>();
  private final Set<String> entryPlaces = new HashSet<>();
  private final boolean numbersChange;

  private Invalidation(Structure structure, Instant from, Instant to) {
    difference = null;
    groups = ids(structure.groups().values().stream().filter(group -> group.members().stream()
        .anyMatch(member -> turns(member.period(), from, to))), Group::id);
    types = ids(structure.types().values().stream().filter(type -> type.clearances().stream()
        .anyMatch(clearance -> turns(clearance.period(), from, to))), DocumentType::id);
    roles = Set.of();
    places = Set.of();
    units = Set.of();
    placesCome = Set.of();
    placesMoved = Set.of();
    placesGone = Set.of();
    walls = ids(structure.walls().values().stream().filter(wall -> wall.barsAt(from) != wall.barsAt(to)
        || wall.exceptions().stream().anyMatch(exempt -> exempt.currentAt(from) != exempt.currentAt(to))), Wall::id);
    peopleCome = Set.of();
    peopleAltered = false;
    labelsAltered = false;
    numbersChange = false;
    structure.entries().filter(entry -> turns(entry.period(), from, to)).forEach(entry -> touched.add(entry.place()));
    structure.oversights().values().stream().filter(oversight -> turns(oversight.period(), from, to))
        .forEach(oversight -> touched.add(oversight.place()));
  }

  private Invalidation(StructureDifference difference) {
    this.difference = difference;
    Structure before = difference.before();
    Structure after = difference.after();
    groups = difference.groups();
    types = difference.types();
    places = difference.places();
    placesCome = come(places, before.places());
    placesGone = come(places, after.places());
    placesMoved = places.stream().filter(id -> before.places().containsKey(id) && after.places().containsKey(id)
        && !Objects.equals(before.places().get(id).parent(), after.places().get(id).parent())).collect(Collectors.toSet());
    walls = difference.walls();
    Set<String> people = difference.people();
    units = difference.units();
    peopleCome = come(people, before.people());
    peopleAltered = people.stream().anyMatch(id -> !peopleCome.contains(id) && counts(before.people().get(id), after.people().get(id)))
        || units.stream().anyMatch(id -> counts(before.units().get(id), after.units().get(id)));
    numbersChange = people.stream().anyMatch(id -> !after.people().containsKey(id))
        || places.stream().anyMatch(id -> isAnother(before.places().get(id), after.places().get(id)));
    labelsAltered = places.stream().anyMatch(id -> !labels(before.places().get(id)).equals(labels(after.places().get(id))));
    roles = difference.roles();
    if (!numbersChange) {
      for (String id : difference.grants()) {
        addPlaces(before.grants().get(id), after.grants().get(id));
      }
      for (String id : difference.withholdings()) {
        addPlaces(before.withholdings().get(id), after.withholdings().get(id));
      }
      for (String id : difference.oversights()) {
        var was = before.oversights().get(id);
        var is = after.oversights().get(id);
        entryPlaces.add(was == null ? is.place() : was.place());
        entryPlaces.add(is == null ? was.place() : is.place());
      }
      touched.addAll(entryPlaces);
      touched.addAll(places);
      if (!roles.isEmpty()) {
        after.grants().values().stream().filter(grant -> roles.contains(grant.role())).forEach(grant -> touched.add(grant.place()));
      }
    }
  }

  static Invalidation of(StructureDifference difference) {
    return new Invalidation(difference);
  }

  /** What begins or ends between two instants. O(entries + memberships). */
  static Invalidation ofTime(Structure structure, Instant from, Instant to) {
    return new Invalidation(structure, from, to);
  }

  private static boolean turns(Period period, Instant from, Instant to) {
    return period != Period.ALWAYS && period.holdsAt(from) != period.holdsAt(to);
  }

  private static <T> Set<String> ids(Stream<T> parts, Function<T, String> id) {
    return parts.map(id).collect(Collectors.toSet());
  }

  /** Whether everybody stays and the repository is the same: only then can a snapshot be made from another. */
  boolean keepsNumbers() {
    return !numbersChange;
  }

  /** Whether any place comes, moves or goes. */
  boolean laysOutAnew() {
    return !placesCome.isEmpty() || !placesMoved.isEmpty() || !placesGone.isEmpty();
  }

  /** The places at which entries or appointments differ. */
  Set<String> entryPlaces() {
    return entryPlaces;
  }

  BitSet touchedPlaces(Snapshot snapshot) {
    BitSet numbers = new BitSet(snapshot.placeRoom());
    touched.stream().mapToInt(snapshot::placeNumber).filter(number -> number >= 0).forEach(numbers::set);
    if (!roles.isEmpty()) {
      snapshot.places().filter(place -> snapshot.tree().is(place, PlaceTree.GUARDS) && roles.contains(snapshot.place(place).guards().ceiling())).forEach(numbers::set);
    }
    return numbers;
  }

  private void addPlaces(Entry before, Entry after) {
    entryPlaces.add(before == null ? after.place() : before.place());
    entryPlaces.add(after == null ? before.place() : after.place());
  }

  private static Set<String> come(Set<String> differing, Map<String, ?> before) {
    return differing.stream().filter(id -> !before.containsKey(id)).collect(Collectors.toSet());
  }

  private static Map<String, String> labels(Place place) {
    return place == null ? Map.of() : place.labels();
  }

  /** Whether a place with an id is not the one that was there, or it is the repository that comes or goes. */
  private static boolean isAnother(Place before, Place after) {
    if (before == null || after == null) {
      return (before == null ? after : before).parent() == null;
    }
    return before.kind() != after.kind() || (before.parent() == null) != (after.parent() == null);
  }

  /** Whether anybody's match or rights can hang on what differs in a person. */
  private static boolean counts(Person before, Person after) {
    return after == null || before.active() != after.active() || before.external() != after.external()
        || !Objects.equals(before.unit(), after.unit());
  }

  /** Whether anybody can be in other units because of what differs in one: whoever comes into a new one differs too. */
  private static boolean counts(Unit before, Unit after) {
    return before != null && (after == null || !Objects.equals(before.parent(), after.parent()));
  }
}
