package palegate.core.snapshot;

import java.util.BitSet;
import java.util.Locale;
import java.util.Map;
import java.util.function.IntPredicate;
import palegate.core.collections.NameIndex;
import palegate.core.places.Place;

/** Places by a part of their name: in the index of names, and among those that have become others since it was made. */
final class NameSearch {
  private NameSearch() {}

  /** O(names), and O(replaced). What is found beyond so many says only that there are too many. */
  static int[] in(NameIndex names, Map<Integer, Place> replaced, IntPredicate among, String text, int atMost) {
    BitSet found = new BitSet();
    String wanted = text.toLowerCase(Locale.ROOT);
    replaced.forEach((place, now) -> {
      if (now.name().toLowerCase(Locale.ROOT).contains(wanted) && among.test(place)) {
        found.set(place);
      }
    });
    long[] left = {(long) atMost - found.cardinality() + 1};
    if (left[0] > 0) {
      names.find(text, place -> {
        if (!replaced.containsKey(place) && among.test(place)) {
          found.set(place);
          left[0]--;
        }
        return left[0] > 0;
      });
    }
    return found.stream().toArray();
  }
}
