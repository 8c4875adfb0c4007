package palegate.core.literal;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** Section 7 read out aloud: whether one wall bars one person from one place. */
final class LiteralWalls {
  private LiteralWalls() {}

  static boolean bars(Structure structure, Wall wall, Person person, Place place, Instant t) {
    if (wall.state() != Wall.State.STANDING || !LiteralRules.in(wall.period().from(), wall.period().until(), t)) {
      return false;
    }
    for (Wall.Exempt exempt : wall.exceptions()) {
      if (LiteralRules.in(null, exempt.until(), t) && LiteralRules.matches(structure, person, exempt.subject(), t)) {
        return false;
      }
    }
    if (wall.barrier() instanceof Barrier.Screen screen) {
      return inScope(structure, screen.scope(), place) && named(structure, person, screen.subjects(), t);
    }
    if (wall.barrier() instanceof Barrier.Seal seal) {
      return inScope(structure, seal.scope(), place) && !named(structure, person, seal.subjects(), t);
    }
    if (wall.barrier() instanceof Barrier.Confine confine) {
      return !inScope(structure, confine.scope(), place) && named(structure, person, confine.subjects(), t);
    }
    Barrier.Sides sides = (Barrier.Sides) wall.barrier();
    List<Barrier.Side> mine = sides.sides().stream().filter(side -> named(structure, person, side.subjects(), t)).toList();
    List<Barrier.Side> closed = mine.isEmpty() ? List.of() : mine.size() > 1 ? sides.sides()
        : sides.sides().stream().filter(side -> side != mine.get(0)).toList();
    return closed.stream().anyMatch(side -> inScope(structure, side.scope(), place));
  }

  private static boolean named(Structure structure, Person person, List<Subject> subjects, Instant t) {
    return subjects.stream().anyMatch(subject -> LiteralRules.matches(structure, person, subject, t));
  }

  static boolean inScope(Structure structure, Scope scope, Place place) {
    if (!scope.places().isEmpty()) {
      boolean below = false;
      for (Place at = place; at != null; at = at.parent() == null ? null : structure.places().get(at.parent())) {
        below = below || scope.places().contains(at.id());
      }
      if (!below) {
        return false;
      }
    }
    if (!scope.types().isEmpty()
        && (place.kind() != PlaceKind.DOCUMENT || place.type() == null || !scope.types().contains(place.type()))) {
      return false;
    }
    for (Map.Entry<String, Set<String>> label : scope.labels().entrySet()) {
      String value = null;
      for (Place at = place; at != null && value == null; at = at.parent() == null ? null : structure.places().get(at.parent())) {
        value = at.labels().get(label.getKey());
      }
      if (value == null || !label.getValue().contains(value)) {
        return false;
      }
    }
    return true;
  }
}
