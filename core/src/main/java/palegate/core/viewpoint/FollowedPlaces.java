package palegate.core.viewpoint;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.places.Place;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * Places that are new, gone, moved or others in what they say. It is clear what becomes of one that is and was in the scope of a duty, if the same
 * walls are around it as before. O(changes × (depth + walls)).
 */
final class FollowedPlaces {
  /** By id, what becomes of each known place; null for one that goes. */
  final Map<String, Place> changed = new HashMap<>();
  private final Following following;

  FollowedPlaces(Following following) {
    this.following = following;
  }

  /** Whether it is clear what becomes of every place. */
  boolean clear() {
    return scopesStand() && Following.each(following.difference.places(), this::follow);
  }

  /** Whether a place is known after the change. */
  boolean isKnown(String place) {
    return changed.containsKey(place) ? changed.get(place) != null : following.known.places().containsKey(place);
  }

  /** No place above one that a duty covers is another in anything that could bar or free what is below it. */
  private boolean scopesStand() {
    return Stream.of(following.difference.before(), following.all).allMatch(structure -> following.asker.held().stream().map(DutyAssignment::place).filter(Objects::nonNull).allMatch(scope -> stands(structure, scope)));
  }

  private boolean stands(Structure structure, String scope) {
    for (Place at = structure.places().get(scope); at != null; at = at.parent() == null ? null : structure.places().get(at.parent())) {
      if (following.difference.places().contains(at.id()) && !Following.isSlight(following.difference.before().places().get(at.id()), following.all.places().get(at.id()))) {
        return false;
      }
    }
    return true;
  }

  private boolean follow(String id) {
    Place before = following.difference.before().places().get(id);
    Place after = following.all.places().get(id);
    boolean slight = Following.isSlight(before, after);
    boolean guardedAlike = slight && before.guards().equals(after.guards());
    if (following.known.places().containsKey(id)) {
      changed.put(id, after);
      return guardedAlike || slight && following.governsTheSame(id) || isOnlyInAnotherCondition(before, after) || (after == null ? goes(before) : staysCovered(before, after));
    }
    if (after == null || guardedAlike) {
      return true;
    }
    if (isConditioned(before, after)) {
      return following.everywhere || !Following.governs(following.asker, id);
    }
    if (!following.isInScope(id)) {
      return following.governsNothing(id);
    }
    // Whoever governed nothing would govern something from now on.
    if (before != null || !following.everywhere && !following.was.governsAnything() && !following.governsNothing(id)) {
      return false;
    }
    return switch (following.hidden(following.snapshot.placeNumber(id))) {
      case CONFINED -> false;
      case BARRED -> true;
      case NO -> {
        changed.put(id, after);
        yield following.isCovered(after.parent()) && addsNothingElse(after);
      }
    };
  }

  // --- known before -----------------------------------------------------------------------------------

  /** Whether a place is known as before, with everything below it, and nothing else becomes known or unknown by it. */
  private boolean staysCovered(Place before, Place after) {
    boolean sameThing = before.kind() == after.kind() && Objects.equals(before.target(), after.target()) && after.parent() != null;
    return sameThing && wasCovered(before) && following.isInScopeOfDuty(after.id()) && following.hidden(following.snapshot.placeNumber(after.parent())) == BarringWalls.Hidden.NO && isWalledAlike(before, after)
        && (Objects.equals(before.type(), after.type()) || isKnownType(after.type()) && staysKnown(before.type()))
        && following.isKnownPerson(after.owner()) && following.isKnownPerson(after.conditions().checkedOutBy())
        && (following.everybody || Objects.equals(before.owner(), after.owner()) && Objects.equals(before.conditions().checkedOutBy(), after.conditions().checkedOutBy()))
        && (following.everywhere || following.was.governsAnything() || following.governsNothing(after.id()));
  }

  /** Whether nothing else is known by a place that goes but what stands there. */
  private boolean goes(Place before) {
    return following.everybody && wasCovered(before) && staysKnown(before.type()) && (following.asker.holds(Duty.WALLS) || following.difference.before().walls().values().stream()
        .noneMatch(wall -> wall.barrier().scopes().stream().anyMatch(scope -> isCovered(following.was.snapshot(), wall, scope, following.was.snapshot().placeNumber(before.id())))));
  }

  /** Whether a duty covered a place and what it lies in, and no wall kept the latter from the asker. A link is known by what it leads to. */
  private boolean wasCovered(Place before) {
    return !following.wordless && before != null && before.target() == null && before.parent() != null && following.wasInScopeOfDuty(before.id()) && following.wasInScopeOfDuty(before.parent())
        && following.known.places().containsKey(before.parent()) && following.wasHidden(before.parent()) == BarringWalls.Hidden.NO;
  }

  private boolean isKnownType(String type) {
    return type == null || following.known.types().containsKey(type);
  }

  /** Whether a type is known also if nothing is of it any more. */
  private boolean staysKnown(String type) {
    return type == null || following.asker.holdsAny(Duty.TYPES, Duty.AUDIT) || following.all.types().containsKey(type) && following.all.types().get(type).libraries().isEmpty();
  }

  /** Whether every wall that is around a place was, and the other way round: then it is so of whatever is below it too. */
  private boolean isWalledAlike(Place before, Place after) {
    int was = following.was.snapshot().placeNumber(before.id());
    int is = following.snapshot.placeNumber(after.id());
    return following.all.walls().values().stream().flatMap(wall -> wall.barrier().scopes().stream()).allMatch(scope -> isUnder(following.was.snapshot(), was, scope) == isUnder(following.snapshot, is, scope)
        && scope.labels().entrySet().stream().allMatch(label -> label.getValue().contains(Objects.requireNonNullElse(following.was.snapshot().effectiveLabel(was, label.getKey()), ""))
            == label.getValue().contains(Objects.requireNonNullElse(following.snapshot.effectiveLabel(is, label.getKey()), "")))
        && (before.type() != null && scope.types().contains(before.type())) == (after.type() != null && scope.types().contains(after.type())));
  }

  private static boolean isUnder(Snapshot snapshot, int place, Scope scope) {
    for (int at = scope.places().isEmpty() ? -1 : place; at >= 0; at = snapshot.parent(at)) {
      if (scope.places().contains(snapshot.place(at).id())) {
        return true;
      }
    }
    return false;
  }

  /** Whoever checked it out, or did before, is known whatever its condition; and it is still governed by whoever knows it only for that. */
  private boolean isOnlyInAnotherCondition(Place before, Place after) {
    return isConditioned(before, after) && following.isCovered(after.id()) && following.isKnownPerson(after.conditions().checkedOutBy())
        && (following.everybody || before.conditions().checkedOutBy() == null || before.conditions().checkedOutBy().equals(after.conditions().checkedOutBy()))
        && (following.isInScopeOfDuty(after.id()) || Following.governs(following.was, after.id()));
  }

  private static boolean isConditioned(Place before, Place after) {
    return before != null && after != null && before.guards().equals(after.guards())
        && Following.isSlight(before, new Place(after.id(), after.kind(), after.parent(), after.name(), after.standsAlone(), after.labels(), after.type(), after.owner(), after.target(), before.guards(), before.conditions()));
  }

  /** Whether no type, person or wall becomes known by a new place. Where it lies is covered too: what stands at a place that only leads on is not known. */
  private boolean addsNothingElse(Place place) {
    int number = following.snapshot.placeNumber(place.id());
    return place.target() == null && isKnownType(place.type()) && following.isKnownPerson(place.owner()) && following.isKnownPerson(place.conditions().checkedOutBy())
        && following.all.walls().values().stream().noneMatch(wall -> mayBecomeKnown(wall) && wall.barrier().scopes().stream().anyMatch(scope -> isCovered(following.snapshot, wall, scope, number)));
  }

  private boolean mayBecomeKnown(Wall wall) {
    return !following.known.walls().containsKey(wall.id()) || wall.barrier() instanceof Barrier.Sides;
  }

  private static boolean isCovered(Snapshot snapshot, Wall wall, Scope scope, int place) {
    return WallCoverage.covers(snapshot, scope, place) != wall.barrier() instanceof Barrier.Confine;
  }
}
