package palegate.exports;

import java.util.Arrays;
import java.util.List;

/** Widths and heights of a table so that it prints on A4, lying, at eight points or more, and no row runs into the next. */
final class PrintedColumns {
  /**
   * So many characters of eleven points stand beside each other on a page when they are printed at eight, also where the font is not there and a
   * wider one takes its place.
   */
  static final int CHARACTERS_AT_MOST = 134;
  /** Wide columns give way by what they have above this. */
  private static final int NARROW = 12;
  private static final float LINE = 15;
  /** A row is no higher than workbooks allow. */
  private static final float HIGHEST = 405;
  /** What a letter of a title takes, in characters by which columns are measured. */
  private static final double BOLD = 1.3;
  /** Words do not fill a line. */
  private static final double LETTER = 1.06;

  private PrintedColumns() {}

  /** The same widths if they fit a page, else the widest as much narrower as is needed: what is in them is wrapped. No word of a title is broken. */
  static List<Integer> fitted(List<Sheet.Column> columns) {
    List<Integer> widths = columns.stream().map(column -> Math.max(column.width(), Arrays.stream(column.title().split(" ")).mapToInt(word -> (int) (word.length() * BOLD) + 1).max().orElse(1))).toList();
    int floor = within(widths, NARROW);
    int over = within(widths, Integer.MAX_VALUE) - floor;
    double share = over == 0 ? 1 : Math.min(1, Math.max(0, (double) (CHARACTERS_AT_MOST - floor) / over));
    List<Integer> narrowed = widths.stream().map(width -> width <= NARROW ? width : NARROW + (int) ((width - NARROW) * share)).toList();
    // So many columns that even narrow ones do not fit: then the widest give way.
    int widest = NARROW;
    while (floor > CHARACTERS_AT_MOST && widest > 1 && within(narrowed, widest) > CHARACTERS_AT_MOST) {
      widest--;
    }
    int most = floor > CHARACTERS_AT_MOST ? widest : Integer.MAX_VALUE;
    return narrowed.stream().map(width -> Math.min(width, most)).toList();
  }

  private static int within(List<Integer> widths, int most) {
    return widths.stream().mapToInt(width -> Math.min(width, most)).sum();
  }

  /** How high a row is, in points, so that the longest of its cells is seen whole. */
  static float height(List<String> cells, List<Integer> widths) {
    int lines = 1;
    for (int i = 0; i < cells.size(); i++) {
      lines = Math.max(lines, lines(cells.get(i), widths.get(i)));
    }
    return Math.min(HIGHEST, lines * LINE);
  }

  /** In how many lines a text stands in a column. */
  static int lines(String text, int width) {
    if (text.indexOf('\n') < 0 && text.indexOf('\r') < 0) {
      return Math.max(1, (int) Math.ceil(text.length() * LETTER / width));
    }
    return text.lines().mapToInt(line -> Math.max(1, (int) Math.ceil(line.length() * LETTER / width))).sum();
  }
}
