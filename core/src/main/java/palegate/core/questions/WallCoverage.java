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

  /** One for each scope of the wall, whether it stands or not. O(places at or below those that it names, or all). */
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

  /** The numbers of all places in scope (section 7); a new set. O(places at or below those that it names, or all). */
  public static BitSet covered(Snapshot snapshot, Scope scope) {
    BitSet found = new BitSet();
    boolean anywhere = scope.places().isEmpty();
    if (anywhere && snapshot.placeCount() == 0) {
      return found;
    }
    BitSet tops = new BitSet();
    if (anywhere) {
      tops.set(0);
    } else {
      scope.places().stream().mapToInt(snapshot::placeNumber).filter(number -> number >= 0).forEach(tops::set);
    }
    // A place that the scope names and that stands below another such place is found with that one.
    tops.stream().filter(top -> snapshot.path(top).stream().noneMatch(above -> above != top && tops.get(above)))
        .forEach(top -> findBelow(snapshot, scope, top, found));
    return found;
  }

  /** Top down, carrying along which labels the place above was found to have: one look at each place. */
  private static void findBelow(Snapshot snapshot, Scope scope, int top, BitSet found) {
    List<Map.Entry<String, Set<String>>> labels = List.copyOf(scope.labels().entrySet());
    boolean[][] holds = new boolean[labels.size()][labels.isEmpty() ? 0 : snapshot.placeRoom()];
    for (int place : snapshot.below(top).toArray()) {
      Place here = snapshot.place(place);
      boolean in = scope.types().isEmpty() || here.type() != null && scope.types().contains(here.type());
      for (int i = 0; i < labels.size(); i++) {
        String key = labels.get(i).getKey();
        String value = place == top ? snapshot.effectiveLabel(top, key) : here.labels().get(key);
        holds[i][place] = value != null ? labels.get(i).getValue().contains(value) : place != top && holds[i][snapshot.parent(place)];
        in &= holds[i][place];
      }
      if (in) {
        found.set(place);
      }
    }
  }
}
