package palegate.core.viewpoint;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import palegate.core.duties.DutyAssignment;
import palegate.core.places.Place;
import palegate.core.questions.WallCoverage;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** Places that are new, or have another name, guard or condition; of what moved nothing is clear. O(changes × (depth + walls)). */
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
      return guardedAlike || slight && following.governsTheSame(id) || isOnlyInAnotherCondition(before, after);
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
    return place.target() == null && (place.type() == null || following.known.types().containsKey(place.type())) && following.isKnownPerson(place.owner()) && following.isKnownPerson(place.conditions().checkedOutBy())
        && following.all.walls().values().stream().noneMatch(wall -> mayBecomeKnown(wall) && wall.barrier().scopes().stream().anyMatch(scope -> isCovered(wall, scope, number)));
  }

  private boolean mayBecomeKnown(Wall wall) {
    return !following.known.walls().containsKey(wall.id()) || wall.barrier() instanceof Barrier.Sides;
  }

  private boolean isCovered(Wall wall, Scope scope, int place) {
    return WallCoverage.covers(following.snapshot, scope, place) != wall.barrier() instanceof Barrier.Confine;
  }
}
