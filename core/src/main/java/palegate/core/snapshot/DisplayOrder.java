package palegate.core.snapshot;

import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;
import java.util.stream.IntStream;
import palegate.core.places.Place;

/**
 * The order in which people read the tree: below each place its containers, then its documents, each
 * by name. Worked out when first asked for; answers do not need it.
 */
final class DisplayOrder {
  static final Comparator<Place> BY_KIND_AND_NAME =
      Comparator.comparing((Place place) -> place.kind().ordinal())
          .thenComparing(Place::name, String.CASE_INSENSITIVE_ORDER)
          .thenComparing(Place::name)
          .thenComparing(Place::id);

  /** The number of the place at each position. */
  final int[] places;
  /** The position of each place, by its number. */
  final int[] ranks;

  DisplayOrder(PlaceTree tree) {
    places = new int[tree.count()];
    ranks = new int[tree.room()];
    Deque<Integer> open = new ArrayDeque<>();
    if (places.length > 0) {
      open.push(0);
    }
    int position = 0;
    while (!open.isEmpty()) {
      int place = open.pop();
      ranks[place] = position;
      places[position++] = place;
      List<Integer> children = sorted(tree, place);
      for (int i = children.size() - 1; i >= 0; i--) {
        open.push(children.get(i));
      }
    }
  }

  /** A place and everything below it: it stands together in this order too. */
  IntStream from(int top, int sizeBelow) {
    return Arrays.stream(places, ranks[top], ranks[top] + sizeBelow);
  }

  static List<Integer> sorted(PlaceTree tree, int place) {
    return inOrder(tree, tree.children(place));
  }

  static List<Integer> containers(PlaceTree tree, int place) {
    List<Integer> children = tree.children(place);
    children.removeIf(child -> tree.is(child, PlaceTree.DOCUMENT));
    return inOrder(tree, children);
  }

  private static List<Integer> inOrder(PlaceTree tree, List<Integer> children) {
    children.sort(Comparator.comparing(number -> tree.place(number), BY_KIND_AND_NAME));
    return children;
  }
}
