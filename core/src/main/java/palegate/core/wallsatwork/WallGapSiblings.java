package palegate.core.wallsatwork;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Scope;

/**
 * Folders that lie beside several others of one folder or library which a wall covers one by one, and that it does not cover: the one that was
 * forgotten. What says the number or the label of another matter lies outside on purpose. Part of {@link WallGaps}.
 */
final class WallGapSiblings {
  /** One beside another may be chance. */
  private static final int INSIDE_AT_LEAST = 2;
  /** As many as these lie outside for each that does not: most of them are meant. */
  private static final int INSIDE_FOR_EACH = 2;
  private static final int NAMED_AT_MOST = 3;

  /** @param beside names of some of those beside it that lie inside, in words */
  record Sibling(int place, String beside) {}

  private WallGapSiblings() {}

  /** In no order. O(covered places + places directly below their parents). */
  static Stream<Sibling> of(Snapshot snapshot, Scope scope, BitSet covered, Set<String> numbers) {
    if (!scope.types().isEmpty()) {
      // Whoever covers documents of some types means the others to lie outside.
      return Stream.empty();
    }
    BitSet parents = new BitSet();
    covered.stream().filter(place -> snapshot.place(place).kind() == PlaceKind.FOLDER && snapshot.depth(place) > 1 && !covered.get(snapshot.parent(place))).forEach(place -> parents.set(snapshot.parent(place)));
    return parents.stream().boxed().flatMap(parent -> below(snapshot, scope, covered, numbers, parent));
  }

  private static Stream<Sibling> below(Snapshot snapshot, Scope scope, BitSet covered, Set<String> numbers, int parent) {
    List<Integer> inside = new ArrayList<>();
    List<Integer> outside = new ArrayList<>();
    for (int child : snapshot.childrenInNoOrder(parent)) {
      if (snapshot.place(child).kind() == PlaceKind.FOLDER) {
        (covered.get(child) ? inside : outside).add(child);
      }
    }
    if (outside.isEmpty() || inside.size() < INSIDE_AT_LEAST || inside.size() < INSIDE_FOR_EACH * outside.size()) {
      return Stream.empty();
    }
    List<String> names = inside.stream().map(place -> snapshot.place(place).name()).sorted().toList();
    String beside = String.join(", ", names.subList(0, Math.min(NAMED_AT_MOST, names.size()))) + (names.size() > NAMED_AT_MOST ? " and " + (names.size() - NAMED_AT_MOST) + " more" : "");
    return outside.stream().filter(place -> !isOfAnotherMatter(snapshot.place(place), scope, numbers)).map(place -> new Sibling(place, beside));
  }

  private static boolean isOfAnotherMatter(Place place, Scope scope, Set<String> numbers) {
    return CaseNumbers.in(place.name()).stream().anyMatch(number -> !numbers.contains(number))
        || scope.labels().keySet().stream().anyMatch(key -> place.labels().containsKey(key)) && place.labels().entrySet().stream().noneMatch((Map.Entry<String, String> label) -> scope.labels().getOrDefault(label.getKey(), Set.of()).contains(label.getValue()));
  }
}
