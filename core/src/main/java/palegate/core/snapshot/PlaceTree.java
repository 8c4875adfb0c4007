package palegate.core.snapshot;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.structure.Parts;

/**
 * The places numbered so that everything below a place follows it directly: containers before
 * documents, each in the order in which they were given. What is asked of every place when classes
 * are made lies in arrays, in that order.
 */
final class PlaceTree {
  final Place[] places;
  final IdIndex numbers;
  final int[] parents;
  final int[] ends;
  /** One more than the type's number, 0 for places without a type. */
  final short[] types;
  /** Documents. */
  final BitSet documents;
  /** Places that stand alone. */
  final BitSet breaks;
  /** Places with a ceiling or house rules of their own. */
  final BitSet guards;
  /** Places with labels of their own. */
  final BitSet labelled;
  /** Documents in any condition. */
  final BitSet conditioned;

  private PlaceTree(Place[] places, IdIndex numbers, int[] parents, int[] ends, short[] types, BitSet documents,
      BitSet breaks, BitSet guards, BitSet labelled, BitSet conditioned) {
    this.places = places;
    this.numbers = numbers;
    this.parents = parents;
    this.ends = ends;
    this.types = types;
    this.documents = documents;
    this.breaks = breaks;
    this.guards = guards;
    this.labelled = labelled;
    this.conditioned = conditioned;
  }

  /** Numbers all places of a sound structure; linear. */
  static PlaceTree of(Collection<Place> given, Map<String, Integer> typeNumbers) {
    Place[] rows = given.toArray(Place[]::new);
    int count = rows.length;
    String[] ids = new String[count];
    for (int row = 0; row < count; row++) {
      ids[row] = rows[row].id();
    }
    IdIndex index = new IdIndex(ids);
    int[] parentRows = new int[count];
    for (int row = 0; row < count; row++) {
      parentRows[row] = rows[row].parent() == null ? -1 : index.numberOf(rows[row].parent());
    }
    int[] order = preorder(rows, parentRows);
    int[] numberOfRow = new int[count];
    Place[] places = new Place[count];
    for (int number = 0; number < count; number++) {
      places[number] = rows[order[number]];
      numberOfRow[order[number]] = number;
    }
    PlaceTree tree = new PlaceTree(places, index.reordered(order), new int[count], new int[count], new short[count],
        new BitSet(count), new BitSet(count), new BitSet(count), new BitSet(count), new BitSet(count));
    for (int row = 0; row < count; row++) {
      // In the order in which the rows lie in memory: each is touched once.
      int number = numberOfRow[row];
      tree.parents[number] = parentRows[row] < 0 ? -1 : numberOfRow[parentRows[row]];
      tree.mark(number, rows[row], typeNumbers);
    }
    for (int number = count - 1; number >= 0; number--) {
      tree.ends[number] = Math.max(tree.ends[number], number + 1);
      if (tree.parents[number] >= 0) {
        tree.ends[tree.parents[number]] = Math.max(tree.ends[tree.parents[number]], tree.ends[number]);
      }
    }
    return tree;
  }

  /** The same tree in which some places have changed in what they carry, but stand where they stood. */
  PlaceTree with(Set<String> changed, Parts<Place> now, Map<String, Integer> typeNumbers) {
    if (changed.isEmpty()) {
      return this;
    }
    PlaceTree tree = new PlaceTree(places.clone(), numbers, parents, ends, types.clone(), (BitSet) documents.clone(),
        (BitSet) breaks.clone(), (BitSet) guards.clone(), (BitSet) labelled.clone(), (BitSet) conditioned.clone());
    for (String id : changed) {
      int number = numbers.numberOf(id);
      tree.places[number] = now.get(id);
      tree.mark(number, tree.places[number], typeNumbers);
    }
    return tree;
  }

  int count() {
    return places.length;
  }

  private void mark(int number, Place place, Map<String, Integer> typeNumbers) {
    types[number] = place.type() == null ? 0 : (short) (typeNumbers.get(place.type()) + 1);
    documents.set(number, place.isDocument());
    breaks.set(number, place.standsAlone());
    guards.set(number, place.guards().any());
    labelled.set(number, !place.labels().isEmpty());
    conditioned.set(number, place.conditions().any());
  }

  /** Rows in tree order. Counting sort by parent, then a walk with a stack of its own. */
  private static int[] preorder(Place[] rows, int[] parents) {
    int count = rows.length;
    int[] firstChild = new int[count + 1];
    int root = -1;
    for (int row = 0; row < count; row++) {
      if (parents[row] < 0) {
        root = row;
      } else {
        firstChild[parents[row] + 1]++;
      }
    }
    for (int row = 0; row < count; row++) {
      firstChild[row + 1] += firstChild[row];
    }
    int[] children = new int[Math.max(0, count - 1)];
    int[] filled = firstChild.clone();
    fill(rows, parents, children, filled, true);
    fill(rows, parents, children, filled, false);
    int[] order = new int[root < 0 ? 0 : count];
    int[] open = new int[count];
    int depth = 0;
    int next = 0;
    if (root >= 0) {
      open[depth++] = root;
    }
    while (depth > 0) {
      int row = open[--depth];
      order[next++] = row;
      for (int child = firstChild[row + 1] - 1; child >= firstChild[row]; child--) {
        open[depth++] = children[child];
      }
    }
    return order;
  }

  private static void fill(Place[] rows, int[] parents, int[] children, int[] filled, boolean containers) {
    for (int row = 0; row < rows.length; row++) {
      boolean container = rows[row].kind() != PlaceKind.DOCUMENT && rows[row].kind() != PlaceKind.LINK;
      if (parents[row] >= 0 && container == containers) {
        children[filled[parents[row]]++] = row;
      }
    }
  }

  /** The numbers of the places directly below, in tree order. O(children). */
  List<Integer> children(int place) {
    List<Integer> children = new ArrayList<>();
    for (int child = place + 1; child < ends[place]; child = ends[child]) {
      children.add(child);
    }
    return children;
  }
}
