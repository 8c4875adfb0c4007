package palegate.core.wallsatwork;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.places.Place;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** What lies behind a wall and looks as if it belonged to another matter: its name, or a label of its own, numbers another case of the same series. */
public final class WallMisfits {
  /**
   * A place that looks as if it were of another matter.
   *
   * @param side the side behind which it lies; null for a wall of one scope
   * @param said its name or label, with the number
   * @param like the number that those inside have
   */
  public record Misfit(String place, String side, String said, String like) {}

  private static final int NUMBERS_SAID = 3;

  private WallMisfits() {}

  /** In tree order; of what lies one below another only the topmost. O(covered places + found × depth). */
  public static List<Misfit> of(Snapshot snapshot, Wall wall) {
    List<Misfit> found = new ArrayList<>();
    if (wall.barrier() instanceof Barrier.Sides sides) {
      sides.sides().forEach(side -> find(snapshot, side.scope(), side.name(), found));
    } else if (!(wall.barrier() instanceof Barrier.Confine)) {
      // A confinement keeps in, and nothing out.
      find(snapshot, wall.barrier().scopes().get(0), null, found);
    }
    return found;
  }

  private static void find(Snapshot snapshot, Scope scope, String side, List<Misfit> found) {
    Map<String, String> numbers = numbers(snapshot, scope);
    if (numbers.isEmpty() || snapshot.placeCount() == 0) {
      return;
    }
    Set<String> series = numbers.keySet().stream().map(CaseNumbers::letters).collect(Collectors.toSet());
    Predicate<String> another = text -> {
      List<String> said = CaseNumbers.in(text);
      return said.stream().noneMatch(numbers::containsKey) && said.stream().anyMatch(number -> series.contains(CaseNumbers.letters(number)));
    };
    Map<Integer, Misfit> odd = new HashMap<>();
    WallCoverage.covered(snapshot, scope).stream().filter(place -> snapshot.depth(place) > 1).forEach(number -> {
      Place place = snapshot.place(number);
      Stream.concat(Stream.of(place.name()).filter(another), place.labels().entrySet().stream().filter(label -> another.test(label.getValue())).map(label -> label.getKey() + ": " + label.getValue())).findFirst()
          .ifPresent(said -> odd.put(number, new Misfit(place.id(), side, said, numbers.values().stream().limit(NUMBERS_SAID).collect(Collectors.joining(", ")))));
    });
    odd.keySet().stream().filter(place -> snapshot.path(place).stream().noneMatch(above -> !above.equals(place) && odd.containsKey(above))).sorted(snapshot.inTreeOrder()).map(odd::get).forEach(found::add);
  }

  /** Each with how it is written; with letters only: a number alone may be a sum or a room's. */
  private static Map<String, String> numbers(Snapshot snapshot, Scope scope) {
    Map<String, String> numbers = new TreeMap<>();
    scope.labels().values().forEach(values -> values.forEach(value -> numbers.putAll(CaseNumbers.written(value))));
    scope.places().stream().map(snapshot::placeNumber).filter(place -> place >= 0).forEach(place -> numbers.putAll(CaseNumbers.written(snapshot.place(place).name())));
    numbers.keySet().removeIf(number -> CaseNumbers.letters(number).isEmpty());
    return numbers;
  }
}
