package palegate.core.snapshot;

import java.util.Arrays;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/**
 * How an access class is laid out as one row of numbers. Everything that one answer reads of a class
 * lies side by side.
 *
 * <pre>
 * 0  bits 0–8 the ceiling, 9 reserveSharing, 10 noTakeaway, 11 guarded
 * 1  the number of the set of clearances; 0 is the empty set
 * 2  the number of the set of walls; 0 is the empty set
 * 3  how many grant lines
 * 4  how many withholding lines, and from bit 16 on how many subjects of oversights
 * 5… grant lines, withholding lines, then the subjects of oversights
 * </pre>
 *
 * <p>A line is a mask of rights above and a subject's number below; lines with the same rights stand
 * next to each other. A row may begin anywhere in a larger array; where it does is the second argument.
 */
final class ClassRow {
  static final int RESERVE_SHARING = 1 << 9;
  static final int NO_TAKEAWAY = 1 << 10;
  static final int GUARDED = 1 << 11;
  static final int HEADER = 5;
  static final int WALLS = 2;

  /** Where more lines than this are added, all are gone through as quickly. */
  private static final int MOST_ADDED = 3;
  private static final int RIGHTS_BITS = 9;
  private static final int RIGHTS_MASK = (1 << RIGHTS_BITS) - 1;
  private static final int OVERSEERS_SHIFT = 16;
  private static final int COUNT_MASK = (1 << OVERSEERS_SHIFT) - 1;

  private static final int SUBJECT_BITS = 22;
  private static final int SUBJECT_MASK = (1 << SUBJECT_BITS) - 1;

  private ClassRow() {}

  static int line(int rights, int subject) {
    return rights << SUBJECT_BITS | subject;
  }

  static int rights(int line) {
    return line >>> SUBJECT_BITS;
  }

  static int subject(int line) {
    return line & SUBJECT_MASK;
  }

  static int counts(int withholdings, int overseers) {
    return withholdings | overseers << OVERSEERS_SHIFT;
  }

  static int ceiling(int[] row, int at) {
    return row[at] & RIGHTS_MASK;
  }

  static boolean has(int[] row, int at, int flag) {
    return (row[at] & flag) != 0;
  }

  static int clearances(int[] row, int at) {
    return row[at + 1];
  }

  static int walls(int[] row, int at) {
    return row[at + WALLS];
  }

  static int grantsEnd(int[] row, int at) {
    return at + HEADER + row[at + 3];
  }

  static int withholdingsEnd(int[] row, int at) {
    return at + HEADER + row[at + 3] + (row[at + 4] & COUNT_MASK);
  }

  static int end(int[] row, int at) {
    return withholdingsEnd(row, at) + (row[at + 4] >>> OVERSEERS_SHIFT);
  }

  /** Whether two classes have the same walls, grants and withholdings. */
  static boolean sameLists(int[] one, int[] other) {
    int end = withholdingsEnd(one, 0);
    return one[WALLS] == other[WALLS] && one[3] == other[3] && (one[4] & COUNT_MASK) == (other[4] & COUNT_MASK)
        && Arrays.equals(one, HEADER, end, other, HEADER, end);
  }

  /**
   * The grant lines that a class gives beyond another with the same walls and withholdings, or null if it is not another
   * such class, takes something that the other gives, or gives much more. A line that gives one subject more counts whole.
   */
  static int[] addedLines(int[] one, int[] more) {
    if (one[WALLS] != more[WALLS] || more[3] < one[3] || more[3] > one[3] + MOST_ADDED
        || !Arrays.equals(one, grantsEnd(one, 0), withholdingsEnd(one, 0), more, grantsEnd(more, 0), withholdingsEnd(more, 0))) {
      return null;
    }
    int[] added = new int[more[3]];
    int count = 0;
    int missing = 0;
    int at = HEADER;
    for (int i = HEADER; i < grantsEnd(more, 0); i++) {
      while (at < grantsEnd(one, 0) && one[at] < more[i]) {
        missing++;
        at++;
      }
      if (at < grantsEnd(one, 0) && one[at] == more[i]) {
        at++;
      } else {
        added[count++] = more[i];
      }
    }
    missing += grantsEnd(one, 0) - at;
    added = Arrays.copyOf(added, count);
    return missing == 0 || missing == replaced(one, added) ? added : null;
  }

  /** Whether two classes have the same ceiling, house rules, clearance and oversights. */
  static boolean sameGuards(int[] one, int[] other) {
    return one[0] == other[0] && one[1] == other[1]
        && Arrays.equals(one, withholdingsEnd(one, 0), one.length, other, withholdingsEnd(other, 0), other.length);
  }

  /**
   * The rights that grant lines can give anybody in a class. Roles, ceilings and clearances leave closed sets, so a right
   * that no line gives is not held back by the lack of another; but house rules ask for govern and revise.
   */
  static int gainedBy(int[] lines, int[] row) {
    int rights = has(row, 0, RESERVE_SHARING) ? Rights.bit(Right.SHARE) : 0;
    rights |= has(row, 0, NO_TAKEAWAY) ? Rights.bit(Right.COPY) : 0;
    for (int line : lines) {
      rights |= rights(line);
    }
    return rights;
  }

  /** How many grant lines of a class stand among others with more rights. */
  private static int replaced(int[] one, int[] lines) {
    int replaced = 0;
    for (int i = HEADER; i < grantsEnd(one, 0); i++) {
      for (int line : lines) {
        replaced += subject(line) == subject(one[i]) && (rights(one[i]) & ~rights(line)) == 0 ? 1 : 0;
      }
    }
    return replaced;
  }

  /** A line on its way into a row: to be united with the others of its subject. */
  static long pending(int subject, int rights) {
    return (long) subject << RIGHTS_BITS | rights;
  }

  static int[] lines(long[] pending) {
    return lines(pending, pending.length);
  }

  /** One line a subject, rights united, sorted so that lines with the same rights stand together. Sorts what it is given. */
  static int[] lines(long[] pending, int length) {
    Arrays.sort(pending, 0, length);
    int[] lines = new int[length];
    int count = 0;
    for (int i = 0; i < length; ) {
      long subject = pending[i] >> RIGHTS_BITS;
      int rights = 0;
      for (; i < length && pending[i] >> RIGHTS_BITS == subject; i++) {
        rights |= (int) (pending[i] & RIGHTS_MASK);
      }
      lines[count++] = line(rights, (int) subject);
    }
    int[] united = Arrays.copyOf(lines, count);
    Arrays.sort(united);
    return united;
  }

  /** A copy of a row with other lines; header and overseers stay. */
  static int[] withLines(int[] row, int[] gives, int[] takes) {
    int overseers = end(row, 0) - withholdingsEnd(row, 0);
    int[] changed = new int[HEADER + gives.length + takes.length + overseers];
    System.arraycopy(row, 0, changed, 0, HEADER);
    changed[3] = gives.length;
    changed[4] = counts(takes.length, overseers);
    System.arraycopy(gives, 0, changed, HEADER, gives.length);
    System.arraycopy(takes, 0, changed, HEADER + gives.length, takes.length);
    System.arraycopy(row, row.length - overseers, changed, changed.length - overseers, overseers);
    return changed;
  }
}
