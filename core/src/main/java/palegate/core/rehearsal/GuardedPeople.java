package palegate.core.rehearsal;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import palegate.core.duties.Duty;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;

/**
 * Whether a draft lifts a wall from anybody, or clears anybody for a guarded type, by making them match other subjects than
 * before (section 7, at its end): by changes of people, memberships and units. Only walls and types that the draft leaves
 * as they are are looked at; whoever changes those holds the duty for them.
 */
final class GuardedPeople {
  private final StructureDifference altered;
  private final Structure was;
  private final Structure is;
  private final Instant now;
  /** What is found is put here, one reason a duty. */
  private final Map<Duty, String> found;

  private GuardedPeople(Rehearsal rehearsal, Map<Duty, String> found) {
    altered = rehearsal.altered();
    was = rehearsal.before().structure();
    is = rehearsal.after().structure();
    now = rehearsal.instant();
    this.found = found;
  }

  /** Adds what is found to {@code found}. O(memberships + people who match others × what is above them). */
  static void look(Rehearsal rehearsal, Map<Duty, String> found) {
    new GuardedPeople(rehearsal, found).look();
  }

  private void look() {
    Set<String> people = peopleWhoMatchOthers();
    if (people.isEmpty()) {
      return;
    }
    Map<Subject, Set<Wall>> wallsNaming = new HashMap<>();
    is.walls().values().stream().filter(wall -> wall.state() != Wall.State.LIFTED && wall.equals(was.walls().get(wall.id()))).forEach(wall ->
        named(wall).forEach(subject -> wallsNaming.computeIfAbsent(subject, any -> new LinkedHashSet<>()).add(wall)));
    Map<Subject, Set<DocumentType>> typesNaming = new HashMap<>();
    is.types().values().stream().filter(type -> type.guarded() && type.equals(was.types().get(type.id()))).forEach(type ->
        type.clearances().forEach(clearance -> typesNaming.computeIfAbsent(clearance.subject(), any -> new LinkedHashSet<>()).add(type)));
    SubjectsOfPerson then = new SubjectsOfPerson(was, people);
    SubjectsOfPerson later = new SubjectsOfPerson(is, people);
    for (String person : people) {
      if (found.containsKey(Duty.WALLS) && found.containsKey(Duty.TYPES)) {
        return;
      }
      if (is.people().containsKey(person) && is.people().get(person).active()) {
        new OnePerson(person, then, later).look(wallsNaming, typesNaming);
      }
    }
  }

  private static Stream<Subject> named(Wall wall) {
    return Stream.concat(wall.barrier().subjects().stream(), wall.exceptions().stream().map(Wall.Exempt::subject));
  }

  /** Everyone who may match other subjects than before: themselves, their memberships or their units are others. */
  private Set<String> peopleWhoMatchOthers() {
    Set<String> people = new TreeSet<>(altered.people());
    Set<String> groups = new HashSet<>();
    for (String id : altered.groups()) {
      Set<Membership> had = members(was.groups().get(id));
      Set<Membership> has = members(is.groups().get(id));
      Stream.concat(had.stream().filter(member -> !has.contains(member)), has.stream().filter(member -> !had.contains(member)))
          .forEach(member -> (member.member() instanceof Membership.PersonMember ? people : groups).add(member.member().id()));
    }
    addInside(was, groups, people);
    addInside(is, groups, people);
    Set<String> units = altered.units();
    if (units.stream().anyMatch(id -> !Objects.equals(parent(was.units().get(id)), parent(is.units().get(id))))) {
      Stream.of(was, is).forEach(structure -> structure.people().values().stream()
          .filter(person -> isBelowAny(structure, person.unit(), units)).map(Person::id).forEach(people::add));
    }
    return people;
  }

  private static void addInside(Structure structure, Set<String> groups, Set<String> people) {
    Set<String> seen = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(groups);
    while (!open.isEmpty()) {
      String group = open.pop();
      if (seen.add(group)) {
        members(structure.groups().get(group)).forEach(member -> {
          if (member.member() instanceof Membership.PersonMember) {
            people.add(member.member().id());
          } else {
            open.push(member.member().id());
          }
        });
      }
    }
  }

  private static Set<Membership> members(Group group) {
    return group == null ? Set.of() : new HashSet<>(group.members());
  }

  private static String parent(Unit unit) {
    return unit == null ? null : unit.parent();
  }

  private static boolean isBelowAny(Structure structure, String unit, Set<String> tops) {
    Set<String> seen = new HashSet<>();
    for (String at = unit; at != null && seen.add(at); at = parent(structure.units().get(at))) {
      if (tops.contains(at)) {
        return true;
      }
    }
    return false;
  }

  /** What the draft does to one person who is active after it. */
  private final class OnePerson {
    private final String id;
    private final SubjectsOfPerson then;
    private final SubjectsOfPerson later;
    private final boolean wasThere;
    private final NavigableSet<Instant> instants = new TreeSet<>(Set.of(now));

    OnePerson(String id, SubjectsOfPerson then, SubjectsOfPerson later) {
      this.id = id;
      this.then = then;
      this.later = later;
      wasThere = was.people().containsKey(id) && was.people().get(id).active();
      then.addBoundaries(id, now, instants);
      later.addBoundaries(id, now, instants);
    }

    /** Somebody who was not there, or not active, was barred and cleared only as all staff or all outsiders are. */
    private Set<Subject> before(Instant instant) {
      return wasThere ? then.at(id, instant) : Set.of(is.people().get(id).external() ? Subject.BuiltIn.OUTSIDERS : Subject.BuiltIn.STAFF);
    }

    void look(Map<Subject, Set<Wall>> wallsNaming, Map<Subject, Set<DocumentType>> typesNaming) {
      Set<Wall> walls = new LinkedHashSet<>();
      Set<DocumentType> types = new LinkedHashSet<>();
      for (Instant instant : instants) {
        Set<Subject> had = before(instant);
        Set<Subject> has = later.at(id, instant);
        Stream.concat(had.stream().filter(subject -> !has.contains(subject)), has.stream().filter(subject -> !had.contains(subject))).forEach(subject -> {
          walls.addAll(wallsNaming.getOrDefault(subject, Set.of()));
          types.addAll(typesNaming.getOrDefault(subject, Set.of()));
        });
      }
      walls.stream().filter(wall -> !found.containsKey(Duty.WALLS) && lifts(wall)).findFirst()
          .ifPresent(wall -> found.put(Duty.WALLS, "it lifts a wall from " + is.people().get(id).name()));
      types.stream().filter(type -> !found.containsKey(Duty.TYPES) && clears(type)).findFirst()
          .ifPresent(type -> found.put(Duty.TYPES, "it clears " + is.people().get(id).name() + " for “" + type.name() + "”"));
    }

    private boolean lifts(Wall wall) {
      NavigableSet<Instant> at = new TreeSet<>(instants);
      SubjectsOfPerson.add(wall.period(), now, at);
      wall.exceptions().stream().map(Wall.Exempt::until).filter(until -> until != null && until.isAfter(now)).forEach(at::add);
      return at.stream().filter(wall.period()::holdsAt).anyMatch(instant -> {
        Set<Subject> had = before(instant);
        Set<Subject> has = later.at(id, instant);
        for (int scope = 0; scope < wall.barrier().scopes().size(); scope++) {
          if (bars(wall, scope, had, instant) && !bars(wall, scope, has, instant)) {
            return true;
          }
        }
        return false;
      });
    }

    private boolean bars(Wall wall, int scope, Set<Subject> subjects, Instant instant) {
      boolean excepted = wall.exceptions().stream().anyMatch(exempt -> exempt.currentAt(instant) && subjects.contains(exempt.subject()));
      Barrier barrier = wall.barrier();
      boolean named = barrier instanceof Barrier.Sides sides ? isOnAnotherSide(sides, scope, subjects) : barrier.subjects().stream().anyMatch(subjects::contains);
      return !excepted && named != barrier instanceof Barrier.Seal;
    }

    private boolean isOnAnotherSide(Barrier.Sides sides, int own, Set<Subject> subjects) {
      for (int side = 0; side < sides.sides().size(); side++) {
        if (side != own && sides.sides().get(side).subjects().stream().anyMatch(subjects::contains)) {
          return true;
        }
      }
      return false;
    }

    private boolean clears(DocumentType type) {
      NavigableSet<Instant> at = new TreeSet<>(instants);
      type.clearances().forEach(clearance -> SubjectsOfPerson.add(clearance.period(), now, at));
      return at.stream().anyMatch(instant -> !rights(type, is, later.at(id, instant), instant).minus(rights(type, was, before(instant), instant)).isEmpty());
    }

    private Rights rights(DocumentType type, Structure structure, Set<Subject> subjects, Instant instant) {
      Rights rights = Rights.NONE;
      for (Clearance clearance : type.clearances()) {
        if (clearance.period().holdsAt(instant) && subjects.contains(clearance.subject()) && structure.roles().containsKey(clearance.role())) {
          rights = rights.union(structure.roles().get(clearance.role()).rights());
        }
      }
      return rights;
    }
  }
}
