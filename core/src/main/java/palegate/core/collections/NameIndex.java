package palegate.core.collections;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Locale;
import java.util.function.IntPredicate;

/** The names of many things behind each other in one stretch of memory, in small letters: a million are searched in milliseconds. */
public final class NameIndex {
  private byte[] text = new byte[1 << 12];
  private final int[] ends;
  /** By thing: which pairs of neighbouring signs its name has, a bit for some of them. What lacks a pair of the text that is looked for is passed by. */
  private final long[] pairs;
  private int count;

  public NameIndex(int things) {
    ends = new int[things];
    pairs = new long[things];
  }

  /** Adds the name of the next thing. */
  public void add(String name) {
    byte[] bytes = name.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8);
    int start = count == 0 ? 0 : ends[count - 1];
    if (start + bytes.length > text.length) {
      text = Arrays.copyOf(text, Math.max(text.length * 2, start + bytes.length));
    }
    System.arraycopy(bytes, 0, text, start, bytes.length);
    pairs[count] = pairsOf(bytes);
    ends[count++] = start + bytes.length;
  }

  private static long pairsOf(byte[] bytes) {
    long pairs = 0;
    for (int i = 1; i < bytes.length; i++) {
      pairs |= 1L << (bytes[i - 1] * 31 + bytes[i] & 63);
    }
    return pairs;
  }

  /**
   * Tells the numbers of the things whose names contain a text, ascending, as long as more are wanted. O(things), a word each, and the names
   * of those that have all its pairs of signs.
   *
   * @param found takes a number, and says whether it wants another
   */
  public void find(String wanted, IntPredicate found) {
    byte[] pattern = wanted.toLowerCase(Locale.ROOT).getBytes(StandardCharsets.UTF_8);
    long wantedPairs = pairsOf(pattern);
    for (int thing = 0; thing < count; thing++) {
      if ((pairs[thing] & wantedPairs) == wantedPairs && contains(thing == 0 ? 0 : ends[thing - 1], ends[thing], pattern) && !found.test(thing)) {
        return;
      }
    }
  }

  private boolean contains(int from, int until, byte[] pattern) {
    if (pattern.length == 0) {
      return true;
    }
    byte first = pattern[0];
    for (int at = from; at <= until - pattern.length; at++) {
      if (text[at] == first && Arrays.equals(text, at, at + pattern.length, pattern, 0, pattern.length)) {
        return true;
      }
    }
    return false;
  }
}
