package palegate.core.statements;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * What a file says held against what the system says: rows in any order, columns in any order; every row that was altered is named to the
 * cell, every one added or left out is named, and so is every column that was added.
 *
 * @param rows how many rows the file has
 * @param altered counted in cells, of which the first are named
 * @param missingColumns titles of columns that the file does not have
 * @param addedParts columns, sheets and the like that the file has and the system never said, each in a few words
 */
public record StatementCheck(int rows, int altered, int added, int leftOut, List<Cell> cells, List<Found> addedRows, List<List<String>> leftOutRows, List<String> missingColumns, List<String> addedParts) {
  /** So many of each are named; all are counted. */
  public static final int NAMED_AT_MOST = 200;
  /** Rows that no key joins are compared cell by cell only up to so many. */
  private static final int LOOSE_AT_MOST = 5_000;

  /** What stands on a cover has no row. */
  public static final int COVER = 0;

  /** A row as a file has it; {@code number} is where it stands there. */
  public record Found(int number, List<String> cells) {}

  /** A cell that says something else; of a cover, row {@link #COVER} and the name of the fact. */
  public record Cell(int row, String column, String says, String said, List<String> inRow) {}

  public StatementCheck {
    cells = List.copyOf(cells);
    addedRows = List.copyOf(addedRows);
    leftOutRows = List.copyOf(leftOutRows);
    missingColumns = List.copyOf(missingColumns);
    addedParts = List.copyOf(addedParts);
  }

  public boolean same() {
    return altered == 0 && added == 0 && leftOut == 0 && missingColumns.isEmpty() && addedParts.isEmpty();
  }

  /** The same check, with what was found on the cover, which is named first. */
  public StatementCheck withCover(List<Cell> found) {
    List<Cell> all = new ArrayList<>(found);
    all.addAll(cells);
    return new StatementCheck(rows, altered + found.size(), added, leftOut, all.subList(0, Math.min(all.size(), NAMED_AT_MOST)), addedRows, leftOutRows, missingColumns, addedParts);
  }

  /** The same check, with parts of the file beside the rows that were never said. */
  public StatementCheck withAdded(List<String> parts) {
    return new StatementCheck(rows, altered, added, leftOut, cells, addedRows, leftOutRows, missingColumns, Stream.concat(parts.stream(), addedParts.stream()).limit(NAMED_AT_MOST).toList());
  }

  /** What a file names has more rows than can be held beside each other here. */
  public static final class TooMuch extends RuntimeException {
    TooMuch(int most) {
      super("What the file names has more than " + most + " rows.");
    }
  }

  /**
   * O(rows of both), in memory.
   *
   * @param rowsAtMost of what was said; what names more is not compared
   * @throws TooMuch if there are more
   */
  public static StatementCheck of(StatementTable said, List<String> titles, Iterator<Found> found, int rowsAtMost) {
    return new Comparing(said, titles).compare(found, rowsAtMost);
  }

  private static final class Comparing {
    private final StatementTable said;
    private final int[] at;
    private final List<String> missing = new ArrayList<>();
    private final List<Cell> cells = new ArrayList<>();
    private final List<String> titles;
    /** Columns of the file, by where they stand: those that were said, and others in which anything stands. */
    private final BitSet known = new BitSet();
    private final BitSet others = new BitSet();
    private int altered;

    Comparing(StatementTable said, List<String> titles) {
      this.said = said;
      this.titles = titles;
      at = said.columns().stream().mapToInt(column -> titles.indexOf(column.title())).toArray();
      for (int i = 0; i < at.length; i++) {
        if (at[i] < 0) {
          missing.add(said.columns().get(i).title());
        } else {
          known.set(at[i]);
        }
      }
      note(titles);
    }

    private void note(List<String> row) {
      for (int i = known.nextClearBit(0); i < row.size(); i = known.nextClearBit(i + 1)) {
        if (!row.get(i).isBlank()) {
          others.set(i);
        }
      }
    }

    private List<String> added() {
      return others.stream().limit(NAMED_AT_MOST).mapToObj(i -> i < titles.size() && !titles.get(i).isBlank() ? "the column “" + titles.get(i) + "”" : "what stands in column " + (i + 1) + ", which has no title").toList();
    }

    StatementCheck compare(Iterator<Found> found, int rowsAtMost) {
      Map<List<String>, Integer> expected = new LinkedHashMap<>();
      int made = 0;
      for (Iterator<StatementTable.Row> all = said.rows().get().iterator(); all.hasNext();) {
        if (made++ == rowsAtMost) {
          throw new TooMuch(rowsAtMost);
        }
        expected.merge(comparable(all.next().cells()), 1, Integer::sum);
      }
      List<Found> unmatched = new ArrayList<>();
      int rows = 0;
      while (found.hasNext()) {
        Found next = found.next();
        note(next.cells());
        Found row = inOrder(next);
        rows++;
        Integer left = expected.get(row.cells());
        if (left == null) {
          unmatched.add(row);
        } else if (left == 1) {
          expected.remove(row.cells());
        } else {
          expected.put(row.cells(), left - 1);
        }
      }
      List<List<String>> leftOut = new ArrayList<>();
      expected.forEach((row, count) -> leftOut.addAll(Collections.nCopies(count, row)));
      pair(unmatched, leftOut, this::key);
      if (unmatched.size() <= LOOSE_AT_MOST && leftOut.size() <= LOOSE_AT_MOST) {
        // A row of which a key was altered still agrees in all else.
        for (int column = 0; column < at.length; column++) {
          int without = column;
          pair(unmatched, leftOut, row -> without(row, without));
        }
      }
      return new StatementCheck(rows, altered, unmatched.size(), leftOut.size(), cells, unmatched.stream().limit(NAMED_AT_MOST).toList(), leftOut.stream().limit(NAMED_AT_MOST).toList(), missing, added());
    }

    /** Takes rows out of both lists that agree in some of their cells, and says in which they do not. */
    private void pair(List<Found> unmatched, List<List<String>> leftOut, Function<List<String>, List<String>> by) {
      Map<List<String>, Deque<List<String>>> waiting = new HashMap<>();
      leftOut.forEach(row -> waiting.computeIfAbsent(by.apply(row), any -> new ArrayDeque<>()).add(row));
      Map<List<String>, Integer> paired = new HashMap<>();
      unmatched.removeIf(row -> {
        Deque<List<String>> alike = waiting.get(by.apply(row.cells()));
        if (alike == null || alike.isEmpty()) {
          return false;
        }
        List<String> was = alike.poll();
        paired.merge(was, 1, Integer::sum);
        differ(row, was);
        return true;
      });
      leftOut.removeIf(row -> {
        int left = paired.getOrDefault(row, 0);
        paired.put(row, left - 1);
        return left > 0;
      });
    }

    private void differ(Found row, List<String> was) {
      for (int i = 0; i < at.length; i++) {
        if (!row.cells().get(i).equals(was.get(i))) {
          altered++;
          if (cells.size() < NAMED_AT_MOST) {
            cells.add(new Cell(row.number(), said.columns().get(i).title(), row.cells().get(i), was.get(i), was));
          }
        }
      }
    }

    private List<String> key(List<String> row) {
      List<String> key = new ArrayList<>();
      for (int i = 0; i < at.length; i++) {
        if (said.columns().get(i).identifies()) {
          key.add(row.get(i));
        }
      }
      return key;
    }

    private static List<String> without(List<String> row, int column) {
      List<String> rest = new ArrayList<>(row);
      rest.set(column, "");
      return rest;
    }

    /** Programs that save a file cut blanks at the ends and write lines' ends their own way; a column that is not there says nothing. */
    private List<String> comparable(List<String> row) {
      List<String> cellsOfRow = new ArrayList<>(row.size());
      for (int i = 0; i < at.length; i++) {
        cellsOfRow.add(at[i] < 0 ? "" : plain(row.get(i)));
      }
      return cellsOfRow;
    }

    private Found inOrder(Found row) {
      List<String> cellsOfRow = new ArrayList<>(at.length);
      for (int place : at) {
        cellsOfRow.add(place < 0 || place >= row.cells().size() ? "" : plain(row.cells().get(place)));
      }
      return new Found(row.number(), cellsOfRow);
    }

    private static String plain(String cell) {
      return cell.strip().replace("\r\n", "\n");
    }
  }
}
