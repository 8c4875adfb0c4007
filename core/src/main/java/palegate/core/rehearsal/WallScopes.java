package palegate.core.rehearsal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.places.Place;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * From which scopes of some walls a place bars somebody or other, whether the walls stand today, begin later or are planned,
 * and whoever it will be by then (section 7): a set of numbers, one for each scope of each wall. Inside a confinement's
 * scope it bars nobody, outside it does.
 */
final class WallScopes {
  private record Scoped(Scope scope, boolean outside) {}

  private final Snapshot snapshot;
  private final List<Scoped> scopes = new ArrayList<>();
  /** Of all of them, those that surround places: a confinement runs around other places, for a few people. */
  private final BitSet surrounding = new BitSet();
  private final Set<String> named = new HashSet<>();
  /** By container: the scopes in which everything below is that names no type, has no label and is not named itself. */
  private final Map<Integer, BitSet> below = new HashMap<>();

  WallScopes(Snapshot snapshot, List<Wall> walls) {
    this.snapshot = snapshot;
    walls.forEach(wall -> wall.barrier().scopes().forEach(scope -> {
      surrounding.set(scopes.size(), !(wall.barrier() instanceof Barrier.Confine));
      scopes.add(new Scoped(scope, wall.barrier() instanceof Barrier.Confine));
      named.addAll(scope.places());
    }));
  }

  /** The walls of a structure that bar somebody or will: not those that are lifted or over. */
  static Stream<Wall> live(Stream<Wall> walls, Instant now) {
    return walls.filter(wall -> wall.state() != Wall.State.LIFTED && !wall.period().endedBy(now));
  }

  /** O(scopes × depth) for a container, once; O(scopes it is in) for what has nothing of its own. */
  BitSet barringFrom(int place) {
    BitSet barring = (BitSet) apartFromTypes(place).clone();
    String type = snapshot.place(place).type();
    for (int scope = 0; scope < scopes.size(); scope++) {
      Scoped scoped = scopes.get(scope);
      boolean in = barring.get(scope) && (scoped.scope().types().isEmpty() || type != null && scoped.scope().types().contains(type));
      barring.set(scope, in != scoped.outside());
    }
    return barring;
  }

  /** The same, but for confinements. */
  BitSet surrounding(int place) {
    BitSet found = barringFrom(place);
    found.and(surrounding);
    return found;
  }

  private BitSet apartFromTypes(int place) {
    Place here = snapshot.place(place);
    int parent = snapshot.parent(place);
    boolean nothingOfItsOwn = here.labels().isEmpty() && !named.contains(here.id());
    return nothingOfItsOwn && parent >= 0 && here.isDocument() ? apartFromTypes(parent) : below.computeIfAbsent(place, this::workOut);
  }

  private BitSet workOut(int place) {
    BitSet in = new BitSet(scopes.size());
    for (int scope = 0; scope < scopes.size(); scope++) {
      in.set(scope, WallCoverage.coversApartFromTypes(snapshot, scopes.get(scope).scope(), place));
    }
    return in;
  }
}
