package palegate.core.snapshot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** For one label key, the places that have a value of their own, and which. */
final class OwnLabels {
  final int[] places;
  private final int[] values;
  private final Map<String, Integer> numberOfValue;
  private final String[] texts;

  private OwnLabels(int[] places, int[] values, Map<String, Integer> numberOfValue) {
    this.places = places;
    this.values = values;
    this.numberOfValue = numberOfValue;
    texts = new String[numberOfValue.size()];
    numberOfValue.forEach((text, number) -> texts[number] = text);
  }

  /** One pass over the places that have labels at all. */
  static OwnLabels of(String key, PlaceTree tree) {
    int[] places = new int[1_024];
    int[] values = new int[1_024];
    Map<String, Integer> numbers = new HashMap<>();
    int count = 0;
    for (int place = 0; place < tree.room(); place++) {
      String value = tree.is(place, PlaceTree.LABELS) ? tree.place(place).labels().get(key) : null;
      if (value != null) {
        if (count == places.length) {
          places = Arrays.copyOf(places, count * 2);
          values = Arrays.copyOf(values, count * 2);
        }
        Integer number = numbers.get(value);
        if (number == null) {
          number = numbers.size();
          numbers.put(value, number);
        }
        places[count] = place;
        values[count++] = number;
      }
    }
    return new OwnLabels(Arrays.copyOf(places, count), Arrays.copyOf(values, count), numbers);
  }

  /** The place's own value, or null. */
  String textAt(int place) {
    int at = Arrays.binarySearch(places, place);
    return at < 0 ? null : texts[values[at]];
  }

  /** The number of a value, or -1 if no place has it as its own. */
  int numberOf(String value) {
    return numberOfValue.getOrDefault(value, -1);
  }

  /** The places whose own value has this number; in tree order. */
  int[] placesWith(int value) {
    int[] found = new int[places.length];
    int count = 0;
    for (int i = 0; i < places.length; i++) {
      if (values[i] == value) {
        found[count++] = places[i];
      }
    }
    return Arrays.copyOf(found, count);
  }

  /** Every place whose nearest value, its own or one above, is one of these. */
  BitSet effective(Set<String> wanted, PlaceTree tree) {
    BitSet numbers = new BitSet();
    wanted.stream().mapToInt(this::numberOf).filter(number -> number >= 0).forEach(numbers::set);
    BitSet found = new BitSet();
    List<Integer> deciding = new ArrayList<>();
    for (int i = 0; i < places.length; i++) {
      if (numbers.get(values[i])) {
        deciding.add(i);
        tree.below(places[i]).forEach(found::set);
      }
    }
    // Another value further down ends it there, and one of these below that begins it again: those above decide first.
    int wantedOnes = deciding.size();
    for (int i = 0; i < places.length; i++) {
      if (!numbers.get(values[i]) && found.get(places[i])) {
        deciding.add(i);
      }
    }
    if (deciding.size() > wantedOnes) {
      deciding.sort(Comparator.comparingInt(i -> depth(places[i], tree)));
      deciding.forEach(i -> tree.below(places[i]).forEach(numbers.get(values[i]) ? found::set : found::clear));
    }
    return found;
  }

  private static int depth(int place, PlaceTree tree) {
    int depth = 0;
    for (int at = place; at >= 0; at = tree.parents[at]) {
      depth++;
    }
    return depth;
  }
}
