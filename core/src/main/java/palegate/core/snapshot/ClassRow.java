package palegate.core.snapshot;

import java.util.Arrays;

/**
 * How an access class is laid out as one row of numbers. Everything that one answer reads of a class
 * lies side by side.
 *
 * <pre>
 * 0  bits 0–8 the ceiling, 9 reserveSharing, 10 noTakeaway, 11 guarded
 * 1  the number of the set of clearances, if guarded
 * 2  the number of the set of walls; 0 is the empty set
 * 3  how many grant lines, 4 how many withholding lines
 * 5… grant lines, withholding lines, then the subjects of oversights
 * </pre>
 *
 * <p>A line is a mask of rights above and a subject's number below; lines with the same rights stand
 * next to each other.
 */
final class ClassRow {
  static final int RESERVE_SHARING = 1 << 9;
  static final int NO_TAKEAWAY = 1 << 10;
  static final int GUARDED = 1 << 11;
  static final int HEADER = 5;

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

  static int ceiling(int[] row) {
    return row[0] & 511;
  }

  static boolean has(int[] row, int flag) {
    return (row[0] & flag) != 0;
  }

  static int clearances(int[] row) {
    return row[1];
  }

  static int walls(int[] row) {
    return row[2];
  }

  static int grantsEnd(int[] row) {
    return HEADER + row[3];
  }

  static int withholdingsEnd(int[] row) {
    return HEADER + row[3] + row[4];
  }

  /** Whether two classes have the same walls, grants and withholdings. */
  static boolean sameLists(int[] one, int[] other) {
    int end = withholdingsEnd(one);
    return one[2] == other[2] && one[3] == other[3] && one[4] == other[4]
        && Arrays.equals(one, HEADER, end, other, HEADER, end);
  }
}
