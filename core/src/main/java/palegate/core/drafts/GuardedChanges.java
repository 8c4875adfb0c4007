package palegate.core.drafts;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
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
import palegate.core.people.PersonSet;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;

/**
 * What walls and guarded types hang on is guarded itself (section 7, at its end): whether a draft would unbar anybody from
 * anything, or clear anybody for a guarded type, now or at any later instant at which something begins or ends. Then it
 * waits for somebody who holds the duty for walls, or for types. What bars or clears fewer waits for nobody.
 *
 * <p>Only what the draft makes another is looked at: the places whose label, type or parent is another or that go, with all
 * below them, and the people who match other subjects than before. A wall that is only planned counts like one that
 * stands: it is to stand.
 */
public final class GuardedChanges {
  private final Rehearsal rehearsal;
  private final Snapshot before;
  private final Snapshot after;
  private final Structure was;
  private final Structure is;
  private final Instant now;
  private final Map<Duty, String> found = new EnumMap<>(Duty.class);

  private GuardedChanges(Rehearsal rehearsal) {
    this.rehearsal = rehearsal;
    before = rehearsal.before();
    after = rehearsal.after();
    was = before.structure();
    is = after.structure();
    now = rehearsal.instant();
  }

  /** The duties that somebody must hold who makes or approves the draft, each with the first reason found, in words. */
  public static Map<Duty, String> of(Rehearsal rehearsal) {
    GuardedChanges changes = new GuardedChanges(rehearsal);
    if (!changes.was.walls().isEmpty() || changes.was.types().values().stream().anyMatch(DocumentType::guarded)) {
      changes.lookAtPlaces();
      changes.lookAtRoles();
      changes.lookAtTypes();
      changes.lookAtPeople();
    }
    return changes.found;
  }

  private boolean all() {
    return found.containsKey(Duty.WALLS) && found.containsKey(Duty.TYPES);
  }

  // --- places ---------------------------------------------------------------------------------------

  private void lookAtPlaces() {
    NavigableSet<Instant> wallsBegin = new TreeSet<>(Set.of(now));
    Stream.concat(was.walls().values().stream(), is.walls().values().stream()).map(wall -> wall.period().from())
        .filter(from -> from != null && from.isAfter(now)).forEach(wallsBegin::add);
    for (String id : was.places().differing(is.places()).stream().sorted().toList()) {
      Place had = was.places().get(id);
      Place has = is.places().get(id);
      if (all()) {
        return;
      }
      if (had == null) {
        lookAtComingBack(has);
        continue;
      }
      if (has == null) {
        lookAtRemoved(had, wallsBegin);
      } else if (!had.labels().equals(has.labels()) || !Objects.equals(had.type(), has.type()) || !Objects.equals(had.parent(), has.parent())) {
        lookAtType(had, has);
        lookBelow(has, wallsBegin);
      }
    }
  }

  /** A document that goes takes its content out of what guards it: guarded like a move out. */
  private void lookAtRemoved(Place gone, Set<Instant> wallsBegin) {
    if (isGuarded(was, gone.type())) {
      found.putIfAbsent(Duty.TYPES, "it removes “" + gone.name() + "”, whose type is guarded");
    }
    int place = before.placeNumber(gone.id());
    boolean walled = wallsBegin.stream().anyMatch(instant -> before.at(instant).walls().surround(place))
        || planned(was).anyMatch(wall -> !(wall.barrier() instanceof Barrier.Confine) && FormerPlace.covers(before, wall, place));
    if (walled) {
      found.putIfAbsent(Duty.WALLS, "it removes “" + gone.name() + "”, around which a wall runs");
    }
  }

  /** What comes back brings its content along: the walls that kept people from it must still do so. */
  private void lookAtComingBack(Place place) {
    FormerPlace former = rehearsal.formerly(place.id());
    int number = former == null ? -1 : after.placeNumber(place.id());
    if (former != null && former.walls().stream().map(is.walls()::get)
        .anyMatch(wall -> wall != null && wall.state() != Wall.State.LIFTED && !wall.period().endedBy(now) && !FormerPlace.covers(after, wall, number))) {
      found.putIfAbsent(Duty.WALLS, "it brings “" + place.name() + "” back without a wall that ran around it");
    }
  }

  private void lookAtType(Place had, Place has) {
    if (!Objects.equals(had.type(), has.type()) && isGuarded(was, had.type()) && clearsMore(had.type(), has.type())) {
      found.putIfAbsent(Duty.TYPES, "it makes “" + has.name() + "” a document that more people are cleared for");
    }
  }

  private boolean clearsMore(String typeBefore, String typeAfter) {
    if (!isGuarded(is, typeAfter)) {
      return true;
    }
    NavigableSet<Instant> instants = new TreeSet<>(Set.of(now));
    Stream.concat(was.types().get(typeBefore).clearances().stream(), is.types().get(typeAfter).clearances().stream())
        .forEach(clearance -> SubjectsOfPerson.add(clearance.period(), now, instants));
    return instants.stream().anyMatch(instant -> {
      Map<String, Rights> cleared = cleared(before, was.types().get(typeBefore), instant);
      return cleared(after, is.types().get(typeAfter), instant).entrySet().stream()
          .anyMatch(more -> !more.getValue().minus(cleared.getOrDefault(more.getKey(), Rights.NONE)).isEmpty());
    });
  }

  /** By person, the rights that active people are cleared for. */
  private static Map<String, Rights> cleared(Snapshot snapshot, DocumentType type, Instant instant) {
    SnapshotAt moment = snapshot.at(instant);
    Map<String, Rights> cleared = new HashMap<>();
    type.clearances().stream().filter(clearance -> clearance.period().holdsAt(instant)).forEach(clearance ->
        moment.matchingAny(List.of(clearance.subject())).and(moment.active()).forEach(person -> cleared.merge(snapshot.person(person).id(),
            snapshot.structure().roles().get(clearance.role()).rights(), Rights::union)));
    return cleared;
  }

  private void lookBelow(Place top, Set<Instant> wallsBegin) {
    int[] places = after.below(after.placeNumber(top.id())).toArray();
    for (Instant instant : wallsBegin) {
      SnapshotAt then = before.at(instant);
      SnapshotAt later = after.at(instant);
      Map<Long, Boolean> known = new HashMap<>();
      for (int place : places) {
        int earlier = before.placeNumber(after.place(place).id());
        if (earlier >= 0 && !found.containsKey(Duty.WALLS)) {
          long sets = (long) then.walls().setAt(earlier) << 32 | later.walls().setAt(place);
          if (known.computeIfAbsent(sets, any -> unbars(then, earlier, later, place))) {
            foundUncovered(place);
          }
        }
      }
    }
    planned(is).filter(wall -> wall.equals(was.walls().get(wall.id()))).forEach(wall -> {
      for (int place : places) {
        int earlier = before.placeNumber(after.place(place).id());
        if (earlier >= 0 && !found.containsKey(Duty.WALLS) && FormerPlace.covers(before, wall, earlier) && !FormerPlace.covers(after, wall, place)) {
          foundUncovered(place);
        }
      }
    });
  }

  private void foundUncovered(int place) {
    found.putIfAbsent(Duty.WALLS, "it changes which walls cover “" + after.place(place).name() + "”");
  }

  /** Whether somebody whom a wall bars from the place before is not barred by that wall after. */
  private boolean unbars(SnapshotAt then, int earlier, SnapshotAt later, int place) {
    return then.walls().around(earlier).stream().anyMatch(wall -> {
      Wall still = is.walls().get(wall.id());
      PersonSet barred = still == null ? PersonSet.NOBODY : later.walls().barredBy(still, place);
      return then.walls().barredBy(wall, earlier).stream().anyMatch(person -> {
        int number = after.personNumber(before.person(person).id());
        return number >= 0 && after.person(number).active() && !barred.contains(number);
      });
    });
  }

  private Stream<Wall> planned(Structure structure) {
    return structure.walls().values().stream().filter(wall -> wall.state() == Wall.State.PLANNED && !wall.period().endedBy(now));
  }

  private static boolean isGuarded(Structure structure, String type) {
    return type != null && structure.types().containsKey(type) && structure.types().get(type).guarded();
  }

  // --- roles and types --------------------------------------------------------------------------------

  private void lookAtRoles() {
    Set<String> widened = new HashSet<>();
    was.roles().differing(is.roles()).forEach(id -> {
      if (was.roles().containsKey(id) && is.roles().containsKey(id) && !is.roles().get(id).rights().minus(was.roles().get(id).rights()).isEmpty()) {
        widened.add(id);
      }
    });
    if (!widened.isEmpty()) {
      is.types().values().stream().filter(type -> type.guarded() && isGuarded(was, type.id()))
          .filter(type -> type.clearances().stream().anyMatch(clearance -> widened.contains(clearance.role()) && !clearance.period().endedBy(now)))
          .findFirst().ifPresent(type -> found.putIfAbsent(Duty.TYPES, "it widens a role that people are cleared with for “" + type.name() + "”"));
    }
  }

  /** Whoever changes types holds the duty for them; an undo or a bundle may do it in somebody else's draft. */
  private void lookAtTypes() {
    was.types().differing(is.types()).stream().sorted().filter(id -> isGuarded(was, id)).forEach(id -> {
      DocumentType had = was.types().get(id);
      DocumentType has = is.types().get(id);
      if (has != null && (!has.guarded() || has.clearances().stream().anyMatch(clearance -> !had.clearances().contains(clearance)))) {
        found.putIfAbsent(Duty.TYPES, "it clears somebody for “" + has.name() + "”");
      }
    });
  }

  // --- people ---------------------------------------------------------------------------------------

  private void lookAtPeople() {
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
    SubjectsOfPerson then = new SubjectsOfPerson(was);
    SubjectsOfPerson later = new SubjectsOfPerson(is);
    for (String person : people) {
      if (all()) {
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
    Set<String> people = new TreeSet<>(was.people().differing(is.people()));
    Set<String> groups = new HashSet<>();
    for (String id : was.groups().differing(is.groups())) {
      Set<Membership> had = members(was.groups().get(id));
      Set<Membership> has = members(is.groups().get(id));
      Stream.concat(had.stream().filter(member -> !has.contains(member)), has.stream().filter(member -> !had.contains(member)))
          .forEach(member -> (member.member() instanceof Membership.PersonMember ? people : groups).add(member.member().id()));
    }
    addInside(was, groups, people);
    addInside(is, groups, people);
    Set<String> units = was.units().differing(is.units());
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
