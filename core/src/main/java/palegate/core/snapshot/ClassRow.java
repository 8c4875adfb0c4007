package palegate.core.snapshot;

import java.util.Arrays;

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
    return row[at] & 511;
  }

  static boolean has(int[] row, int at, int flag) {
    return (row[at] & flag) != 0;
  }

  static int clearances(int[] row, int at) {
    return row[at + 1];
  }

  static int walls(int[] row, int at) {
    return row[at + 2];
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
    return one[2] == other[2] && one[3] == other[3] && (one[4] & COUNT_MASK) == (other[4] & COUNT_MASK)
        && Arrays.equals(one, HEADER, end, other, HEADER, end);
  }
}
