package palegate.core.statements;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * What one statement says and an earlier one of the same kind did not: rows that came, rows that went, and rows about the same thing that
 * say something else. In whatever order both have their rows.
 *
 * @param altered each as it was and as it is
 */
public record StatementDifference(List<String> columns, List<List<String>> added, List<List<String>> gone, List<Altered> altered) {
  /** A row about the same thing. */
  public record Altered(List<String> was, List<String> is) {}

  public StatementDifference {
    columns = List.copyOf(columns);
    added = List.copyOf(added);
    gone = List.copyOf(gone);
    altered = List.copyOf(altered);
  }

  public boolean isNothing() {
    return added.isEmpty() && gone.isEmpty() && altered.isEmpty();
  }

  public int size() {
    return added.size() + gone.size() + altered.size();
  }

  /**
   * O(rows of both), in memory.
   *
   * @param rowsAtMost of either
   * @throws StatementCheck.TooMuch if one has more
   * @throws IllegalArgumentException if they do not have the same columns
   */
  public static StatementDifference of(StatementTable before, StatementTable after, int rowsAtMost) {
    List<String> keys = before.columns().stream().map(StatementTable.Column::key).toList();
    if (!keys.equals(after.columns().stream().map(StatementTable.Column::key).toList())) {
      throw new IllegalArgumentException("Statements with different columns cannot be held against each other.");
    }
    Map<List<String>, Integer> left = new LinkedHashMap<>();
    int rows = 0;
    for (Iterator<StatementTable.Row> all = before.rows().get().iterator(); all.hasNext();) {
      bounded(++rows, rowsAtMost);
      left.merge(all.next().cells(), 1, Integer::sum);
    }
    List<List<String>> added = new ArrayList<>();
    rows = 0;
    for (Iterator<StatementTable.Row> all = after.rows().get().iterator(); all.hasNext();) {
      bounded(++rows, rowsAtMost);
      List<String> cells = all.next().cells();
      if (left.computeIfPresent(cells, (same, count) -> count - 1) == null) {
        added.add(cells);
      } else {
        left.remove(cells, 0);
      }
    }
    List<List<String>> gone = new ArrayList<>();
    left.forEach((cells, count) -> IntStream.range(0, count).forEach(i -> gone.add(cells)));
    int[] identifying = IntStream.range(0, before.columns().size()).filter(i -> before.columns().get(i).identifies()).toArray();
    return new StatementDifference(after.columns().stream().map(StatementTable.Column::title).toList(), added, gone, identifying.length == 0 ? List.of() : paired(added, gone, identifying));
  }

  private static void bounded(int rows, int most) {
    if (rows > most) {
      throw new StatementCheck.TooMuch(most);
    }
  }

  /** Takes those out of both lists that are about the same thing. */
  private static List<Altered> paired(List<List<String>> added, List<List<String>> gone, int[] identifying) {
    Map<List<String>, Deque<List<String>>> byKey = new HashMap<>();
    gone.forEach(row -> byKey.computeIfAbsent(key(row, identifying), any -> new ArrayDeque<>()).add(row));
    Map<List<String>, Integer> taken = new HashMap<>();
    List<Altered> altered = new ArrayList<>();
    added.removeIf(row -> {
      Deque<List<String>> same = byKey.get(key(row, identifying));
      if (same == null || same.isEmpty()) {
        return false;
      }
      List<String> was = same.poll();
      taken.merge(was, 1, Integer::sum);
      altered.add(new Altered(was, row));
      return true;
    });
    gone.removeIf(row -> taken.merge(row, -1, Integer::sum) >= 0);
    return altered;
  }

  private static List<String> key(List<String> row, int[] identifying) {
    return IntStream.of(identifying).mapToObj(row::get).toList();
  }
}
