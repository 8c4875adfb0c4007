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

  /** A text, what it is encoded as, and what its column said after it before. */
  private static final class Held {
    private final String text;
    private final byte[] bytes;
    private Held next;

    private Held(String text, byte[] bytes) {
      this.text = text;
      this.bytes = bytes;
    }
  }

  private final Function<String, byte[]> encode;
  private final Map<String, Held> held = new HashMap<>();
  private final Held[] last;

  /** @param columns so many columns of a table, each of which most often says again what it said, or what it said next before */
  public RepeatedTexts(int columns, Function<String, byte[]> encode) {
    this.encode = encode;
    last = new Held[columns];
  }

  /** What the text is encoded as; not to be altered. */
  public byte[] of(String text) {
    return found(text).bytes;
  }

  /** The same of the next text of a column, which is mostly found without looking it up. */
  public byte[] next(int column, String text) {
    Held before = last[column];
    if (before != null && before.text == text) {
      return before.bytes;
    }
    Held now = before == null ? null : before.next;
    if (now == null || now.text != text) {
      now = found(text);
      if (before != null) {
        before.next = now;
      }
    }
    last[column] = now;
    return now.bytes;
  }

  private Held found(String text) {
    Held known = held.get(text);
    if (known != null) {
      return known;
    }
    Held made = new Held(text, encode.apply(text));
    if (made.bytes.length <= LONGEST) {
      if (held.size() == HELD_AT_MOST) {
        held.values().forEach(one -> one.next = null);
        held.clear();
      }
      held.put(text, made);
    }
    return made;
  }
}
