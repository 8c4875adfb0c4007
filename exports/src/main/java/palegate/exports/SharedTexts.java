package palegate.exports;

/**
 * Which texts the cells of a workbook share, so that each is written once and its cells only say which it is: those that come again. Most cells of a
 * long table do, and what repeats is found in a table that the texts themselves fill. Shared texts are held until the workbook ends: no more than
 * {@value #AT_MOST} of them, none longer than {@value #LONGEST}; whatever comes after that stands in its cell.
 */
final class SharedTexts {
  static final int AT_MOST = 1 << 16;
  private static final int LONGEST = 256;
  private static final int SLOTS = 1 << 17;
  /** Odd, so that alike texts are far apart. */
  private static final int SPREAD = 0x9E3779B1;

  private final String[] seen = new String[SLOTS];
  private final boolean[] shared = new boolean[SLOTS];
  private int count;

  /** Whether the text is shared from now on: it was seen before, and there is room for it. Amortised O(1). */
  boolean add(String text) {
    if (text.length() > LONGEST) {
      return false;
    }
    int slot = text.hashCode() * SPREAD >>> Integer.SIZE - Integer.numberOfTrailingZeros(SLOTS);
    if (!text.equals(seen[slot])) {
      seen[slot] = text;
      shared[slot] = false;
    } else if (!shared[slot] && count < AT_MOST) {
      shared[slot] = true;
      count++;
    }
    return shared[slot];
  }
}
