package palegate.core.collections;

/** Numbers places so that everything below a place follows it directly. */
public final class Preorder {
  private Preorder() {}

  /** Rows in tree order. Counting sort by parent, then a walk with a stack of its own. */
  public static int[] of(boolean[] isContainer, int[] parents) {
    int count = parents.length;
    int[] firstChild = new int[count + 1];
    int root = -1;
    for (int row = 0; row < count; row++) {
      if (parents[row] < 0) {
        root = row;
      } else {
        firstChild[parents[row] + 1]++;
      }
    }
    for (int row = 0; row < count; row++) {
      firstChild[row + 1] += firstChild[row];
    }
    int[] children = new int[Math.max(0, count - 1)];
    int[] filled = firstChild.clone();
    fill(isContainer, parents, children, filled, true);
    fill(isContainer, parents, children, filled, false);
    int[] order = new int[root < 0 ? 0 : count];
    int[] open = new int[count];
    int depth = 0;
    int next = 0;
    if (root >= 0) {
      open[depth++] = root;
    }
    while (depth > 0) {
      int row = open[--depth];
      order[next++] = row;
      for (int child = firstChild[row + 1] - 1; child >= firstChild[row]; child--) {
        open[depth++] = children[child];
      }
    }
    return order;
  }

  private static void fill(boolean[] isContainer, int[] parents, int[] children, int[] filled, boolean containers) {
    for (int row = 0; row < parents.length; row++) {
      if (isContainer[row] == containers && parents[row] >= 0) {
        children[filled[parents[row]]++] = row;
      }
    }
  }
}
