package palegate.core.text;

import java.util.HashMap;
import java.util.Map;
import java.util.function.Function;

/**
 * The bytes of texts that come again and again, as cells of a table do: made once. Holds a bounded number of texts, none of them long;
 * when there are more it begins anew. Not for several threads.
 */
public final class RepeatedTexts {
  private static final int HELD_AT_MOST = 1 << 16;
  private static final int LONGEST = 512;

  private final Function<String, byte[]> encode;
  private final Map<String, byte[]> held = new HashMap<>();

  public RepeatedTexts(Function<String, byte[]> encode) {
    this.encode = encode;
  }

  /** What the text is encoded as; not to be altered. */
  public byte[] of(String text) {
    byte[] known = held.get(text);
    if (known != null) {
      return known;
    }
    byte[] made = encode.apply(text);
    if (made.length <= LONGEST) {
      if (held.size() == HELD_AT_MOST) {
        held.clear();
      }
      held.put(text, made);
    }
    return made;
  }
}
