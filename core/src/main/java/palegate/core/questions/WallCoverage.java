package palegate.core.questions;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * How much a wall's scope covers.
 *
 * @param wall the wall's id
 * @param side the name of the side whose scope it is, or null
 * @param places how many places are in scope
 * @param all how many there are
 */
public record WallCoverage(String wall, String side, int places, int all) {

  /** One for each scope of the wall, whether it stands or not. O(places found by each criterion + places with labels of their own). */
  public static List<WallCoverage> of(Snapshot snapshot, Wall wall) {
    List<WallCoverage> found = new ArrayList<>();
    List<Scope> scopes = wall.barrier().scopes();
    for (int i = 0; i < scopes.size(); i++) {
      String side = wall.barrier() instanceof Barrier.Sides sides ? sides.sides().get(i).name() : null;
      found.add(new WallCoverage(wall.id(), side, count(snapshot, scopes.get(i)), snapshot.placeCount()));
    }
    return found;
  }

  public boolean matchesNothing() {
    return places == 0;
  }

  public boolean matchesEverything() {
    return places == all;
  }

  /** Whether it covers nothing or everything, which is hardly ever meant. */
  public boolean isOdd() {
    return matchesNothing() || matchesEverything();
  }

  /** Whether one place is in scope (section 7). O(depth). */
  public static boolean covers(Snapshot snapshot, Scope scope, int place) {
    String type = snapshot.place(place).type();
    return (scope.types().isEmpty() || type != null && scope.types().contains(type)) && coversApartFromTypes(snapshot, scope, place);
  }

  /** The same, whatever the type of the place. */
  public static boolean coversApartFromTypes(Snapshot snapshot, Scope scope, int place) {
    return (scope.places().isEmpty() || snapshot.path(place).stream().anyMatch(at -> scope.places().contains(snapshot.place(at).id())))
        && scope.labels().entrySet().stream().allMatch(label -> {
          String value = snapshot.effectiveLabel(place, label.getKey());
          return value != null && label.getValue().contains(value);
        });
  }

  private static int count(Snapshot snapshot, Scope scope) {
    return covered(snapshot, scope).cardinality();
  }

  /** The numbers of all places in scope (section 7); a new set. O(places found by each criterion + places with labels of their own). */
  public static BitSet covered(Snapshot snapshot, Scope scope) {
    BitSet found = null;
    if (!scope.places().isEmpty()) {
      BitSet below = new BitSet();
      scope.places().stream().mapToInt(snapshot::placeNumber).filter(number -> number >= 0).forEach(number -> snapshot.below(number).forEach(below::set));
      found = below;
    }
    for (Map.Entry<String, Set<String>> label : scope.labels().entrySet()) {
      BitSet labelled = snapshot.placesLabelled(label.getKey(), label.getValue());
      if (found == null) {
        found = labelled;
      } else {
        found.and(labelled);
      }
    }
    if (found == null) {
      BitSet ofTypes = new BitSet();
      scope.types().forEach(type -> snapshot.documentsOf(type).forEach(ofTypes::set));
      return ofTypes;
    }
    if (!scope.types().isEmpty()) {
      for (int place = found.nextSetBit(0); place >= 0; place = found.nextSetBit(place + 1)) {
        if (!isOfOne(snapshot.place(place), scope.types())) {
          found.clear(place);
        }
      }
    }
    return found;
  }

  private static boolean isOfOne(Place place, Set<String> types) {
    return place.type() != null && types.contains(place.type());
  }
}
