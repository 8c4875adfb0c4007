package palegate.exports;

/** Text for cells of spreadsheets. */
public final class Cells {
  /** The most that a cell of a workbook holds. */
  static final int MOST = 32_767;
  /** Signs with which spreadsheets begin a formula, full-width ones too: some read them as the others. */
  private static final String STARTS_A_FORMULA = "=+-@\uFF1D\uFF0B\uFF0D\uFF20\u2212";
  /** Where a spreadsheet of another country, or of another habit, begins a new cell. */
  private static final String STARTS_A_CELL = ";\t\r\n|";

  private static final byte PLAIN = 0;
  private static final byte BLANK = 1;
  private static final byte FORMULA = 2;
  private static final byte SPECIAL = 3;
  private static final byte[] KINDS = new byte[128];

  static {
    for (char letter = 0; letter < KINDS.length; letter++) {
      KINDS[letter] = letter < ' ' || STARTS_A_CELL.indexOf(letter) >= 0 ? SPECIAL : STARTS_A_FORMULA.indexOf(letter) >= 0 ? FORMULA : isUnseen(letter) ? BLANK : PLAIN;
    }
  }

  private Cells() {}

  /**
   * The text, made harmless: a spreadsheet would run what starts like a formula, at the beginning or where it may cut a cell
   * in two, also behind blanks and letters that nobody sees. What no file may hold is shown as a replacement.
   */
  public static String neutral(String text) {
    return isPlain(text) ? text : neutralised(text);
  }

  /** Whether there is nothing to look at twice: nearly always so, and told at a glance a letter. */
  private static boolean isPlain(String text) {
    boolean starts = true;
    for (int i = 0; i < text.length(); i++) {
      char letter = text.charAt(i);
      byte kind = letter < KINDS.length ? KINDS[letter] : letter < Character.MIN_SURROGATE && !starts ? PLAIN : SPECIAL;
      if (kind == SPECIAL || kind == FORMULA && starts) {
        return false;
      }
      starts &= kind == BLANK;
    }
    return true;
  }

  private static String neutralised(String text) {
    boolean starts = true;
    StringBuilder made = null;
    for (int i = 0; i < text.length(); i++) {
      char letter = text.charAt(i);
      boolean beginsACell = letter <= '|' && STARTS_A_CELL.indexOf(letter) >= 0;
      boolean broken = letter < ' ' && !beginsACell || letter >= Character.MIN_SURROGATE && (letter == '\uFFFE' || letter == '\uFFFF' || isLoneSurrogate(text, i));
      boolean formula = starts && STARTS_A_FORMULA.indexOf(letter) >= 0;
      if ((formula || broken) && made == null) {
        made = new StringBuilder(text.length() + 2).append(text, 0, i);
      }
      if (made != null) {
        made.append(formula ? "'" : "").append(broken ? '\uFFFD' : letter);
      }
      starts = beginsACell || starts && isUnseen(letter);
    }
    String safe = made == null ? text : made.toString();
    boolean control = !safe.isEmpty() && (safe.charAt(0) == '\t' || safe.charAt(0) == '\r' || safe.charAt(0) == '\n');
    return control ? "'" + safe : safe;
  }

  /** The same, no longer than a cell of a workbook may be: what is cut off is said. */
  static String ofWorkbook(String text) {
    String safe = neutral(text);
    if (safe.length() <= MOST) {
      return safe;
    }
    String note = " … (cut here: " + text.length() + " characters in all)";
    int end = MOST - note.length();
    return safe.substring(0, Character.isHighSurrogate(safe.charAt(end - 1)) ? end - 1 : end) + note;
  }

  private static boolean isUnseen(char letter) {
    if (letter > ' ' && letter < '\u007F') {
      return letter == '"';
    }
    return letter <= ' ' || Character.isWhitespace(letter) || Character.isSpaceChar(letter) || Character.getType(letter) == Character.FORMAT;
  }

  private static boolean isLoneSurrogate(String text, int at) {
    char letter = text.charAt(at);
    return Character.isHighSurrogate(letter) && (at + 1 == text.length() || !Character.isLowSurrogate(text.charAt(at + 1)))
        || Character.isLowSurrogate(letter) && (at == 0 || !Character.isHighSurrogate(text.charAt(at - 1)));
  }
}
