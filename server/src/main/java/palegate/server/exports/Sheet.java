package palegate.server.exports;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/**
 * What goes into a file: a cover in pairs of words, the columns, and the rows, which are read once.
 *
 * @param name the file's name without its ending
 * @param facts the cover: scope, instant, change number, author and totals, in this order
 */
public record Sheet(String name, String title, Map<String, String> facts, List<Column> columns, Stream<List<String>> rows) {
  /** A column; the width is in characters. */
  public record Column(String key, String title, int width) {}
}
