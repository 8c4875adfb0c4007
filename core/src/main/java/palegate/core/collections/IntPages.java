package palegate.core.collections;

import java.util.Arrays;

/**
 * A number for each place, in pages. A copy shares all pages until it writes to one: a rehearsal that
 * touches a folder copies kilobytes where the whole takes megabytes.
 */
public final class IntPages {
  private static final int BITS = 12;
  private static final int MASK = (1 << BITS) - 1;

  private int[][] pages;
  /** Which pages are this copy's own. */
  private boolean[] own;

  public IntPages(int size) {
    pages = new int[(size + MASK) >> BITS][];
    own = new boolean[pages.length];
    for (int page = 0; page < pages.length; page++) {
      pages[page] = new int[1 << BITS];
      own[page] = true;
    }
  }

  private IntPages(int[][] pages) {
    this.pages = pages;
    own = new boolean[pages.length];
  }

  /** A copy; this one must not be written to any more. */
  public IntPages copy() {
    return new IntPages(pages.clone());
  }

  public int get(int index) {
    return pages[index >> BITS][index & MASK];
  }

  /** The same, 0 past the end. */
  public int getOrZero(int index) {
    return index >> BITS < pages.length ? get(index) : 0;
  }

  /** Sets a number; past the end the array grows. */
  public void set(int index, int value) {
    writable(index >> BITS)[index & MASK] = value;
  }

  public void add(int index, int more) {
    writable(index >> BITS)[index & MASK] += more;
  }

  /** Makes the page of an index this copy's own, so that two threads may write on either side of it. */
  public void makeOwn(int index) {
    writable(index >> BITS);
  }

  private int[] writable(int page) {
    if (page >= pages.length) {
      int had = pages.length;
      pages = Arrays.copyOf(pages, page + 1);
      own = Arrays.copyOf(own, page + 1);
      for (int fresh = had; fresh <= page; fresh++) {
        pages[fresh] = new int[1 << BITS];
        own[fresh] = true;
      }
    }
    if (!own[page]) {
      pages[page] = Arrays.copyOf(pages[page], pages[page].length);
      own[page] = true;
    }
    return pages[page];
  }
}
