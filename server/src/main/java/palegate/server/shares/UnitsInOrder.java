package palegate.server.shares;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import palegate.core.people.Unit;
import palegate.core.structure.Structure;

/** Units as their tree has them, each before those below it, by name. A unit whose parent is not known stands at the top. */
final class UnitsInOrder {
  record Placed(Unit unit, int depth) {}

  private UnitsInOrder() {}

  /** O(units × log). */
  static List<Placed> of(Structure structure) {
    Map<String, List<Unit>> below = new HashMap<>();
    structure.units().values().stream().sorted(Comparator.comparing(Unit::name).thenComparing(Unit::id)).forEach(unit ->
        below.computeIfAbsent(unit.parent() != null && structure.units().containsKey(unit.parent()) ? unit.parent() : "", any -> new ArrayList<>()).add(unit));
    List<Placed> placed = new ArrayList<>();
    List<Placed> open = new ArrayList<>(below.getOrDefault("", List.of()).stream().map(unit -> new Placed(unit, 0)).toList());
    while (!open.isEmpty()) {
      Placed next = open.remove(0);
      placed.add(next);
      open.addAll(0, below.getOrDefault(next.unit().id(), List.of()).stream().map(unit -> new Placed(unit, next.depth() + 1)).toList());
    }
    return placed;
  }
}
