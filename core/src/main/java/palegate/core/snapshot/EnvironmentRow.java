package palegate.core.snapshot;

import java.util.Arrays;
import palegate.core.collections.Renumbering;

/**
 * How an environment is laid out as one row of numbers: the flags of {@link ClassRow}, the number of the context of
 * walls, how many subjects oversee, those subjects, then the meanings of the entries that reach; both ascending.
 */
final class EnvironmentRow {
  private static final int HEADER = 3;

  private EnvironmentRow() {}

  static int[] of(int flags, int context, int[] overseers, int[] meanings) {
    int[] row = new int[HEADER + overseers.length + meanings.length];
    row[0] = flags;
    row[1] = context;
    row[2] = overseers.length;
    System.arraycopy(overseers, 0, row, HEADER, overseers.length);
    System.arraycopy(meanings, 0, row, HEADER + overseers.length, meanings.length);
    return row;
  }

  static int flags(int[] row) {
    return row[0];
  }

  static int context(int[] row) {
    return row[1];
  }

  static int[] overseers(int[] row) {
    return Arrays.copyOfRange(row, HEADER, firstMeaning(row));
  }

  /** Where the meanings begin; they go on to the end of the row. */
  static int firstMeaning(int[] row) {
    return HEADER + row[2];
  }

  static int[] meanings(int[] row) {
    return Arrays.copyOfRange(row, firstMeaning(row), row.length);
  }

  /** The same environment in other numbers. */
  static int[] renumbered(int[] row, Renumbering contexts, Renumbering meanings) {
    int[] renumbered = row.clone();
    renumbered[1] = contexts.of(row[1]);
    for (int i = firstMeaning(row); i < row.length; i++) {
      renumbered[i] = meanings.of(row[i]);
    }
    Arrays.sort(renumbered, firstMeaning(row), row.length);
    return renumbered;
  }

  /** All numbers of both, ascending, each once. The first is ascending already. */
  static int[] union(int[] sorted, int[] more) {
    if (more.length == 0) {
      return sorted;
    }
    int[] both = Arrays.copyOf(sorted, sorted.length + more.length);
    System.arraycopy(more, 0, both, sorted.length, more.length);
    Arrays.sort(both);
    int kept = 1;
    for (int i = 1; i < both.length; i++) {
      if (both[i] != both[i - 1]) {
        both[kept++] = both[i];
      }
    }
    return kept == both.length ? both : Arrays.copyOf(both, kept);
  }
}
