package palegate.server.exports;

/** Text for cells of spreadsheets. */
public final class Cells {
  private static final String STARTS_A_FORMULA = "=+-@\t\r";

  private Cells() {}

  /** The text, made harmless: a spreadsheet would run what starts like a formula. */
  public static String neutral(String text) {
    return !text.isEmpty() && STARTS_A_FORMULA.indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
  }
}
