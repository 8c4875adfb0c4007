package palegate.exports;

import java.util.List;
import java.util.Map;
import java.util.function.Supplier;
import java.util.stream.Stream;

/**
 * What goes into a file: a cover in pairs of words, the columns, and the rows, which are read once.
 *
 * @param name the file's name without its ending
 * @param facts the cover: scope, instant, change number, author and totals, in this order
 * @param columns empty for a paper that is only its cover
 * @param seal a line by which the file can be checked, known once all rows were read; null for files that are only lists
 * @param before a table that is read first, in files that can have two: workbooks and JSON; others leave it out. Null for none
 */
public record Sheet(String name, String title, Map<String, String> facts, List<Column> columns, Stream<List<String>> rows, Supplier<String> seal, Before before) {
  /** A table of its own that comes before the rows; no seal covers it. */
  public record Before(String title, String says, List<Column> columns, List<List<String>> rows) {}

  /** A column; the width is in characters. */
  public record Column(String key, String title, int width, boolean number) {
    public Column(String key, String title, int width) {
      this(key, title, width, false);
    }
  }

  /** A list that nobody checks. */
  public Sheet(String name, String title, Map<String, String> facts, List<Column> columns, Stream<List<String>> rows) {
    this(name, title, facts, columns, rows, null, null);
  }

  public Sheet(String name, String title, Map<String, String> facts, List<Column> columns, Stream<List<String>> rows, Supplier<String> seal) {
    this(name, title, facts, columns, rows, seal, null);
  }

  public Sheet with(Before other) {
    return new Sheet(name, title, facts, columns, rows, seal, other);
  }
}
