package palegate.core.viewpoint;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.PrimitiveIterator;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.questions.WallCoverage;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * What an asker may know after changes of which it is clear at a glance what they make of what was known before: somebody's entry, a member
 * of a group, a new place or another name, in what the asker knows or elsewhere. Of whatever could have made other things known or not known
 * – duties, walls, people, moves, what gives the asker themself anything – nothing is said here, and {@link KnownStructure} is asked instead.
 * O(changes × (depth + walls)), and the known entries where one went.
 */
final class FollowedStructure {
  private static final int LOOKED_AT_MOST = 2_000;
  /** Of more it is no quicker than to cut the structure. */
  private static final int CHANGES_AT_MOST = 500;

  private final Structure known;
  private final Asker asker;
  private final Asker was;
  private final Snapshot snapshot;
  private final Structure all;
  private final StructureDifference difference;
  private final BarringWalls barring;
  private final boolean everybody;
  private final Map<String, Place> places = new HashMap<>();
  private final Map<String, Group> groups = new HashMap<>();
  private final Map<String, Grant> grants = new HashMap<>();
  private final Map<String, Withholding> withholdings = new HashMap<>();

  private FollowedStructure(Viewpoint before, Asker asker, StructureDifference difference) {
    known = before.snapshot().structure();
    was = before.asker();
    this.asker = asker;
    this.difference = difference;
    snapshot = asker.snapshot();
    all = snapshot.structure();
    barring = new BarringWalls(asker, snapshot);
    everybody = KnownPeople.all(asker, KnownStructure.knowsEveryPlaceByDuty(asker));
  }

  /**
   * The structure as the asker may know it, in the state in which they hold their duties.
   *
   * @param before what they could know of a state before it
   * @return empty if it is not clear
   */
  static Optional<Structure> of(Viewpoint before, Asker asker) {
    SnapshotAt then = before.asker().state();
    SnapshotAt now = asker.state();
    if (before.whole() || before.snapshot().structure().places().isEmpty() || asker.id() == null || asker.person() < 0 || !asker.id().equals(before.asker().id()) || !before.asker().held().equals(asker.held())
        || !everywhere(asker) && before.asker().governsAnything()
        || !then.snapshot().sameBetween(then.instant(), now.instant()) || !now.snapshot().sameBetween(then.instant(), now.instant())) {
      return Optional.empty();
    }
    StructureDifference difference = StructureDifference.between(then.snapshot().structure(), now.snapshot().structure());
    boolean others = Stream.of(difference.units(), difference.people(), difference.roles(), difference.types(), difference.oversights(), difference.walls(), difference.approvals(), difference.duties(), difference.sharing(),
        difference.passes(), difference.shortlists(), difference.separations()).anyMatch(ids -> !ids.isEmpty());
    boolean many = difference.places().size() + difference.groups().size() + difference.grants().size() + difference.withholdings().size() > CHANGES_AT_MOST;
    return others || many ? Optional.empty() : new FollowedStructure(before, asker, difference).structure();
  }

  /** Then what they govern themselves makes nothing known besides. */
  private static boolean everywhere(Asker asker) {
    return asker.holdsAny(Duty.AUDIT, Duty.WALLS) || KnownStructure.knowsEveryPlaceByDuty(asker);
  }

  private Optional<Structure> structure() {
    boolean clear = scopesStand() && each(difference.places(), this::followPlace) && each(difference.groups(), this::followGroup)
        && each(difference.grants(), id -> follow(difference.before().grants().get(id), all.grants().get(id)))
        && each(difference.withholdings(), id -> follow(difference.before().withholdings().get(id), all.withholdings().get(id)));
    if (clear && !everywhere(asker)) {
      asker.governNothing();
    }
    return clear ? Optional.of(changed()) : Optional.empty();
  }

  private Structure changed() {
    return places.isEmpty() && groups.isEmpty() && grants.isEmpty() && withholdings.isEmpty() ? known
        : known.withPlaces(places).withGroups(groups).withGrants(grants).withWithholdings(withholdings);
  }

  private static boolean each(Set<String> ids, Predicate<String> clear) {
    return ids.stream().allMatch(clear);
  }

  // --- places ---------------------------------------------------------------------------------------

  /** No place above one that a duty covers is another in anything that could bar or free what is below it. */
  private boolean scopesStand() {
    return Stream.of(difference.before(), all).allMatch(structure -> asker.held().stream().map(DutyAssignment::place).filter(Objects::nonNull).allMatch(scope -> {
      for (Place at = structure.places().get(scope); at != null; at = at.parent() == null ? null : structure.places().get(at.parent())) {
        if (difference.places().contains(at.id()) && !isSlight(difference.before().places().get(at.id()), all.places().get(at.id()))) {
          return false;
        }
      }
      return true;
    }));
  }

  /** The same but for its name, or what guards it. */
  private static boolean isSlight(Place before, Place after) {
    return before != null && after != null && after.equals(new Place(before.id(), before.kind(), before.parent(), after.name(), before.standsAlone(), before.labels(), before.type(), before.owner(), before.target(),
        after.guards(), before.conditions()));
  }

  private boolean followPlace(String id) {
    Place before = difference.before().places().get(id);
    Place after = all.places().get(id);
    if (known.places().containsKey(id)) {
      places.put(id, after);
      return isSlight(before, after) && (before.guards().equals(after.guards()) || governsNothingNew(id)) || isOnlyInAnotherCondition(before, after);
    }
    if (after == null || isSlight(before, after) && before.guards().equals(after.guards()) || isConditioned(before, after)) {
      return true;
    }
    if (!isInScope(id)) {
      return governsNothingNew(id);
    }
    if (before != null || !governsNothingNew(id)) {
      return false;
    }
    return switch (hidden(snapshot.placeNumber(id))) {
      case CONFINED -> false;
      case BARRED -> true;
      case NO -> {
        places.put(id, after);
        yield isCovered(after.parent()) && addsNothingElse(after);
      }
    };
  }

  /** Whoever checked it out, or did before, is known whatever its condition. */
  private boolean isOnlyInAnotherCondition(Place before, Place after) {
    return before != null && after != null && isCovered(after.id()) && isKnownPerson(after.conditions().checkedOutBy()) && (everybody || before.conditions().checkedOutBy() == null || before.conditions().checkedOutBy().equals(after.conditions().checkedOutBy()))
        && isConditioned(before, after);
  }

  private static boolean isConditioned(Place before, Place after) {
    return before != null && isSlight(before, new Place(after.id(), after.kind(), after.parent(), after.name(), after.standsAlone(), after.labels(), after.type(), after.owner(), after.target(), before.guards(), before.conditions()))
        && before.guards().equals(after.guards());
  }

  /** Whoever governed nothing may govern what comes or becomes another: it is asked of that, as long as it is not too much. */
  private boolean governsNothingNew(String place) {
    if (everywhere(asker)) {
      return true;
    }
    PrimitiveIterator.OfInt below = snapshot.below(snapshot.placeNumber(place)).iterator();
    for (int looked = 0; below.hasNext(); looked++) {
      if (looked == LOOKED_AT_MOST || (asker.state().rightsInClass(asker.person(), asker.state().classOf(below.nextInt())) & Rights.bit(Right.GOVERN)) != 0) {
        return false;
      }
    }
    return true;
  }

  /** Whether no type, person or wall becomes known by a new place. Where it lies is covered too: what stands at a place that only leads on is not known. */
  private boolean addsNothingElse(Place place) {
    int number = snapshot.placeNumber(place.id());
    return place.target() == null && (place.type() == null || known.types().containsKey(place.type())) && isKnownPerson(place.owner()) && isKnownPerson(place.conditions().checkedOutBy())
        && all.walls().values().stream().noneMatch(wall -> mayBecomeKnown(wall) && wall.barrier().scopes().stream().anyMatch(scope -> isCovered(wall, scope, number)));
  }

  private boolean mayBecomeKnown(Wall wall) {
    return !known.walls().containsKey(wall.id()) || wall.barrier() instanceof Barrier.Sides;
  }

  private boolean isCovered(Wall wall, Scope scope, int place) {
    return WallCoverage.covers(snapshot, scope, place) != wall.barrier() instanceof Barrier.Confine;
  }

  private boolean isKnownPerson(String id) {
    return id == null || known.people().containsKey(id);
  }

  private boolean isInScope(String place) {
    return everywhere(asker) || Stream.of(Duty.values()).filter(duty -> duty.scope() == Duty.ScopeKind.PLACE).anyMatch(duty -> asker.holdsAt(duty, all, place));
  }

  /** What keeps the asker from a place: a wall around it, or around anything above. */
  private BarringWalls.Hidden hidden(int place) {
    for (int at = snapshot.parent(place); at >= 0; at = snapshot.parent(at)) {
      if (barring.at(at) == BarringWalls.Hidden.BARRED) {
        return BarringWalls.Hidden.BARRED;
      }
    }
    return barring.at(place);
  }

  /** Whether a duty covers it, and no wall keeps it from them: what stands there is known to them, and whom it names. */
  private boolean isCovered(String place) {
    return isInScope(place) && hidden(snapshot.placeNumber(place)) == BarringWalls.Hidden.NO && all.places().get(place).target() == null;
  }

  // --- groups ---------------------------------------------------------------------------------------

  private boolean followGroup(String id) {
    Subject subject = new Subject.OfGroup(id);
    boolean mine = isIn(was, subject) || isIn(asker, subject);
    boolean wordless = all.walls().values().stream().anyMatch(wall -> wall.barrier() instanceof Barrier.Sides && !barring.knows(wall));
    if (mine || wordless || asker.holds(Duty.PEOPLE) && !everybody) {
      return false;
    }
    if (everybody) {
      groups.put(id, all.groups().get(id));
      return true;
    }
    return !known.groups().containsKey(id);
  }

  // --- entries --------------------------------------------------------------------------------------

  private boolean follow(Entry before, Entry after) {
    boolean mine = Stream.of(before, after).filter(Objects::nonNull).anyMatch(entry -> isIn(was, entry.subject()) || isIn(asker, entry.subject()));
    return (!mine || everywhere(asker)) && (before == null || !isKnown(before.place()) || goes(before)) && (after == null || !isKnown(after.place()) || comes(after));
  }

  private static boolean isIn(Asker who, Subject subject) {
    return (!(subject instanceof Subject.OfGroup) || who.snapshot().structure().groups().containsKey(subject.id())) && who.state().matches(who.person(), subject);
  }

  private boolean isKnown(String place) {
    return known.places().containsKey(place) || places.containsKey(place);
  }

  private boolean goes(Entry entry) {
    put(entry, null);
    // At a place that went nothing is clear; whom it named is known still if something else names them.
    return all.places().containsKey(entry.place()) && isCovered(entry.place()) && entry.types().isEmpty() && !(entry instanceof Grant grant && grant.isShare())
        && (everybody || Stream.concat(known.grants().values().stream(), known.withholdings().values().stream()).anyMatch(other -> other.subject().equals(entry.subject()) && !isAnother(other)));
  }

  private boolean isAnother(Entry entry) {
    return (entry instanceof Grant ? difference.grants() : difference.withholdings()).contains(entry.id());
  }

  private boolean comes(Entry entry) {
    put(entry, entry);
    return isCovered(entry.place()) && known.types().keySet().containsAll(entry.types()) && !(entry instanceof Grant grant && grant.isShare()) && (everybody || isKnownWith(entry.subject()));
  }

  private void put(Entry at, Entry entry) {
    if (at instanceof Grant) {
      grants.put(at.id(), (Grant) entry);
    } else {
      withholdings.put(at.id(), (Withholding) entry);
    }
  }

  /** Whether a subject is known with everybody in it. */
  private boolean isKnownWith(Subject subject) {
    if (subject instanceof Subject.OfPerson) {
      return known.people().containsKey(subject.id());
    }
    if (!(subject instanceof Subject.OfGroup)) {
      return false;
    }
    Set<String> seen = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(Set.of(subject.id()));
    while (!open.isEmpty()) {
      String id = open.pop();
      if (seen.add(id)) {
        if (!all.groups().get(id).equals(known.groups().get(id))) {
          return false;
        }
        all.groups().get(id).members().stream().filter(member -> member.member() instanceof Membership.GroupMember).forEach(member -> open.add(member.member().id()));
      }
    }
    return true;
  }
}
