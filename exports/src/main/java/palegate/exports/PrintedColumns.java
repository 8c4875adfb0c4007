package palegate.exports;

import java.util.List;

/** Widths and heights of a table so that it prints on A4, lying, at eight points or more, and no row runs into the next. */
final class PrintedColumns {
  /** So many characters of eleven points stand beside each other on a page when they are printed at eight. */
  static final int CHARACTERS_AT_MOST = 196;
  /** No column is made narrower than this to make room. */
  private static final int NARROW = 18;
  private static final float LINE = 15;
  /** A row is no higher than workbooks allow. */
  private static final float HIGHEST = 405;
  /** Letters are wider than digits, by which columns are measured, and words do not fill a line. */
  private static final double LETTER = 1.15;

  private PrintedColumns() {}

  /** The same widths if they fit a page, else wide columns as much narrower as is needed: what is in them is wrapped. */
  static List<Integer> fitted(List<Integer> widths) {
    int narrow = widths.stream().mapToInt(width -> Math.min(width, NARROW)).sum();
    int wide = widths.stream().mapToInt(Integer::intValue).sum() - narrow;
    if (narrow + wide <= CHARACTERS_AT_MOST) {
      return widths;
    }
    double share = Math.max(0, (double) (CHARACTERS_AT_MOST - narrow) / wide);
    return widths.stream().map(width -> width <= NARROW ? width : NARROW + (int) ((width - NARROW) * share)).toList();
  }

  /** How high a row is, in points, so that the longest of its cells is seen whole. */
  static float height(List<String> cells, List<Integer> widths) {
    int lines = 1;
    for (int i = 0; i < cells.size(); i++) {
      lines = Math.max(lines, lines(cells.get(i), widths.get(i)));
    }
    return Math.min(HIGHEST, lines * LINE);
  }

  private static int lines(String text, int width) {
    if (text.length() * LETTER <= width && text.indexOf('\n') < 0) {
      return 1;
    }
    return text.lines().mapToInt(line -> Math.max(1, (int) Math.ceil(line.length() * LETTER / width))).sum();
  }
}
