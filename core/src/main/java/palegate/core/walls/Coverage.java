package palegate.core.walls;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;

/**
 * How much a wall's scope covers.
 *
 * @param wall the wall's id
 * @param side the name of the side whose scope it is, or null
 * @param places how many places are in scope
 * @param all how many there are
 */
public record Coverage(String wall, String side, int places, int all) {

  /** One for each scope of the wall, whether it stands or not. O(places). */
  public static List<Coverage> of(Snapshot snapshot, Wall wall) {
    List<Coverage> found = new ArrayList<>();
    List<Scope> scopes = wall.barrier().scopes();
    for (int i = 0; i < scopes.size(); i++) {
      String side = wall.barrier() instanceof Barrier.Sides sides ? sides.sides().get(i).name() : null;
      found.add(new Coverage(wall.id(), side, count(snapshot, scopes.get(i)), snapshot.placeCount()));
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
    Place here = snapshot.place(place);
    if (!scope.types().isEmpty() && (here.type() == null || !scope.types().contains(here.type()))) {
      return false;
    }
    return (scope.places().isEmpty() || snapshot.path(place).stream().anyMatch(at -> scope.places().contains(snapshot.place(at).id())))
        && scope.labels().entrySet().stream().allMatch(label -> {
          String value = snapshot.effectiveLabel(place, label.getKey());
          return value != null && label.getValue().contains(value);
        });
  }

  /** Top down, carrying along what the place above was found to have: one look at each place. */
  private static int count(Snapshot snapshot, Scope scope) {
    int room = snapshot.placeRoom();
    boolean[] below = new boolean[room];
    List<Map.Entry<String, Set<String>>> labels = List.copyOf(scope.labels().entrySet());
    boolean[][] holds = new boolean[labels.size()][room];
    int count = 0;
    for (int place : snapshot.places().toArray()) {
      Place here = snapshot.place(place);
      int parent = snapshot.parent(place);
      below[place] = scope.places().isEmpty() || scope.places().contains(here.id()) || parent >= 0 && below[parent];
      boolean in = below[place] && (scope.types().isEmpty() || here.type() != null && scope.types().contains(here.type()));
      for (int i = 0; i < labels.size(); i++) {
        String own = here.labels().get(labels.get(i).getKey());
        holds[i][place] = own != null ? labels.get(i).getValue().contains(own) : parent >= 0 && holds[i][parent];
        in &= holds[i][place];
      }
      count += in ? 1 : 0;
    }
    return count;
  }
}
