package palegate.core.wallsatwork;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import palegate.core.snapshot.Snapshot;

/**
 * Every label that some place has as its own, each value once, with the places that have it: what is looked for among labels is held against
 * values, of which there are few, and not against places.
 */
public final class LabelsInUse {
  /**
   * A value of a key.
   *
   * @param plain its letters and digits alone, in small letters
   */
  record Value(String key, String text, String plain, List<Integer> places) {}

  private static final int NUMBERS = 1 << Character.DECIMAL_DIGIT_NUMBER | 1 << Character.LETTER_NUMBER | 1 << Character.OTHER_NUMBER;

  private final List<Value> values;

  private LabelsInUse(List<Value> values) {
    this.values = values;
  }

  /** O(labels of places). */
  public static LabelsInUse of(Snapshot snapshot) {
    Map<String, Map<String, Value>> byKey = new HashMap<>();
    snapshot.places().forEach(place -> snapshot.place(place).labels().forEach((key, text) -> byKey.computeIfAbsent(key, any -> new HashMap<>())
        .computeIfAbsent(text, any -> new Value(key, text, plain(text), new ArrayList<>())).places().add(place)));
    return new LabelsInUse(byKey.values().stream().flatMap(each -> each.values().stream()).sorted(Comparator.comparing(Value::key).thenComparing(Value::text)).toList());
  }

  List<Value> values() {
    return values;
  }

  /** Letters and digits alone, in small letters. */
  static String plain(String text) {
    String small = text.toLowerCase(Locale.ROOT);
    StringBuilder kept = new StringBuilder(small.length());
    small.codePoints().filter(sign -> Character.isLetter(sign) || (NUMBERS >> Character.getType(sign) & 1) == 1).forEach(kept::appendCodePoint);
    return kept.toString();
  }
}
