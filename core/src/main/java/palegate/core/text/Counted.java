package palegate.core.text;

import java.util.Locale;

/** A number with what it counts, as one says it: “1 document”, “1,326 pairs”. */
public final class Counted {
  private Counted() {}

  public static String of(long count, String one, String many) {
    return String.format(Locale.UK, "%,d ", count) + (count == 1 ? one : many);
  }
}
