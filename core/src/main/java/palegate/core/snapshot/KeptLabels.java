package palegate.core.snapshot;

import java.util.BitSet;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** The labels of places by key, each looked through when it is first asked for. */
final class KeptLabels {
  private final PlaceTree tree;
  private final Map<String, OwnLabels> byKey;

  private KeptLabels(PlaceTree tree, Map<String, OwnLabels> byKey) {
    this.tree = tree;
    this.byKey = byKey;
  }

  static KeptLabels of(PlaceTree tree) {
    return new KeptLabels(tree, new ConcurrentHashMap<>());
  }

  /** The same labels in a tree in which no place has others. */
  KeptLabels in(PlaceTree next) {
    return next == tree ? this : new KeptLabels(next, byKey);
  }

  OwnLabels of(String key) {
    return byKey.computeIfAbsent(key, any -> OwnLabels.of(key, tree));
  }

  /** The place's own value of a label or, if it has none, the nearest value above; null if there is none. */
  String effective(int place, String key) {
    for (int at = place; at >= 0; at = tree.parents[at]) {
      String value = tree.place(at).labels().get(key);
      if (value != null) {
        return value;
      }
    }
    return null;
  }

  /** Every place whose effective value of a label is one of these. */
  BitSet placesWith(String key, Set<String> values) {
    OwnLabels own = byKey.get(key);
    if (own == null) {
      own = OwnLabels.of(key, tree);
      // Whatever else is typed in the place of a key is not kept.
      if (own.places.length > 0) {
        byKey.putIfAbsent(key, own);
      }
    }
    return own.effective(values, tree);
  }
}
