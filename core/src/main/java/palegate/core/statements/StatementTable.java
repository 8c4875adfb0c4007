package palegate.core.statements;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Stream;
import palegate.core.collections.PersonSet;

/**
 * A statement as rows of text, whatever file or screen it goes to. Rows can be read as often as they are asked for and are made as they are
 * read.
 *
 * @param title what it says, in a sentence
 * @param counts what is said of the whole, in pairs of words
 * @param rows each as long as {@code columns}
 * @param expected how many rows there will be, where that is known before they are made; else -1
 */
public record StatementTable(String title, Map<String, String> counts, List<Column> columns, Supplier<Stream<Row>> rows, long expected) {
  /**
   * A column.
   *
   * @param width in letters; of all columns together at most {@link #LETTERS_IN_A_LINE}, so that print can be read
   * @param number whether its cells are numbers
   * @param identifies whether rows that agree here are about the same thing
   */
  public record Column(String key, String title, int width, boolean number, boolean identifies) {
    static Column key(String key, String title, int width) {
      return new Column(key, title, width, false, true);
    }

    static Column text(String key, String title, int width) {
      return new Column(key, title, width, false, false);
    }

    static Column number(String key, String title, int width) {
      return new Column(key, title, width, true, false);
    }
  }

  /**
   * A row, and whom and what it counts.
   *
   * @param people those whom the row is about, where it puts several together; else null
   * @param placesOf gives the numbers of the places that it is about, where it puts several together; else null. They are gathered when they
   *     are asked for: held for every row they would be as many as the rows that were put together
   */
  public record Row(List<String> cells, PersonSet people, Supplier<int[]> placesOf) {
    public Row(List<String> cells) {
      this(cells, null, null);
    }

    public int[] places() {
      return placesOf.get();
    }
  }

  /** So many letters in a line still print at eight points on A4 laid across. */
  public static final int LETTERS_IN_A_LINE = 200;

  public StatementTable(String title, Map<String, String> counts, List<Column> columns, Supplier<Stream<Row>> rows) {
    this(title, counts, columns, rows, -1);
  }

  public StatementTable {
    counts = Collections.unmodifiableMap(new LinkedHashMap<>(counts));
    columns = List.copyOf(columns);
    if (columns.stream().mapToInt(Column::width).sum() > LETTERS_IN_A_LINE) {
      throw new IllegalArgumentException("[" + title + "] is wider than a page: " + columns + ".");
    }
  }

  /** The same with only some columns, in an order of its own; those that it does not have are named. */
  public StatementTable only(List<String> keys) {
    if (keys.isEmpty()) {
      return this;
    }
    List<Integer> chosen = new ArrayList<>();
    for (String key : keys) {
      int at = indexOf(key);
      if (at < 0) {
        throw new RefusedRecipe("columns", "There is no column [" + key + "] in this statement.", "Choose among: " + String.join(", ", columns.stream().map(Column::key).toList()) + ".");
      }
      if (!chosen.contains(at)) {
        chosen.add(at);
      }
    }
    return new StatementTable(title, counts, chosen.stream().map(columns::get).toList(),
        () -> rows.get().map(row -> new Row(chosen.stream().map(at -> row.cells().get(at)).toList(), row.people(), row.placesOf())), expected);
  }

  private int indexOf(String key) {
    for (int i = 0; i < columns.size(); i++) {
      if (columns.get(i).key().equals(key)) {
        return i;
      }
    }
    return -1;
  }
}
