package palegate.core.statements;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import palegate.core.collections.Beside;

/**
 * The digest of what a statement says: SHA-256 over what was asked, at which instant, its columns, and its rows in the order
 * in which they were made. Each cell is preceded by its length, so that no two statements read the same. A cell that says what one before it
 * said is given as where that one is held, in a table of {@value #SLOTS} places that the cells themselves fill: most cells of a long table repeat, and
 * what is digested is a tenth of what is said. What was digested without that, before it was so, is still known by its name.
 */
public final class StatementDigest {
  private static final String FORMAT = "pale-gate-statement 1";
  private static final String PLAIN = "sha256:";
  private static final String REPEATING = "sha256-2:";
  private static final int SLOTS = 1 << 17;
  /** Odd, so that alike texts are far apart. */
  private static final int SPREAD = 0x9E3779B1;
  /** Longer cells are always given whole. */
  private static final int LONGEST = 512;
  private static final int BUFFER = 1 << 18;
  private static final int ROWS_AT_ONCE = 4_096;
  private static final int ROWS_AHEAD = 3;
  private static final int LETTERS_AT_ONCE = 1 << 20;

  /** A cell that may come again, and where it is held as long as nothing else is held there. */
  private static final class Told {
    private final String text;
    private final int slot;
    private boolean held = true;
    /** What the column said after it: tables repeat whole runs of rows, and what comes next is found without looking it up. */
    private Told next;

    private Told(String text, int slot) {
      this.text = text;
      this.slot = slot;
    }

    /** Something else is held there: nothing is held on to through it. */
    private void giveWay() {
      held = false;
      next = null;
    }
  }

  private final MessageDigest digest;
  private final String name;
  /** What was said last in each place; none where cells are always given whole. */
  private final Told[] held;
  /** What each column said last. */
  private final Told[] above;
  private byte[] filled = new byte[BUFFER];
  private byte[] spare = new byte[BUFFER];
  private int used;
  /** Rows that have been added, and are not looked at yet. */
  private List<List<String>> gathered = new ArrayList<>();
  private long letters;
  private final Beside adding = new Beside(ROWS_AHEAD);
  /** What is being digested beside the rows that are made meanwhile. */
  private final Beside beside = new Beside();

  public StatementDigest(Recipe recipe, Instant instant, List<StatementTable.Column> columns) {
    this(REPEATING, recipe, instant, columns);
  }

  private StatementDigest(String name, Recipe recipe, Instant instant, List<StatementTable.Column> columns) {
    this.name = name;
    held = name.equals(PLAIN) ? new Told[0] : new Told[SLOTS];
    above = new Told[name.equals(PLAIN) ? 0 : columns.size()];
    try {
      digest = MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException everyPlatformHasIt) {
      throw new IllegalStateException(everyPlatformHasIt);
    }
    add(FORMAT);
    add(recipe.text());
    add(instant.toString());
    columns.forEach(column -> add(column.key()));
  }

  /** The digest of a whole statement. */
  public static String of(Recipe recipe, Instant instant, StatementTable table) {
    return of(REPEATING, recipe, instant, table);
  }

  /** Whether a digest, of either kind, is that of a whole statement. */
  public static boolean isOf(String digest, Recipe recipe, Instant instant, StatementTable table) {
    return digest != null && of(isPlain(digest) ? PLAIN : REPEATING, recipe, instant, table).equals(digest);
  }

  /** Whether a digest was made with every cell given whole. */
  public static boolean isPlain(String digest) {
    return digest != null && digest.startsWith(PLAIN);
  }

  private static String of(String name, Recipe recipe, Instant instant, StatementTable table) {
    StatementDigest digest = new StatementDigest(name, recipe, instant, table.columns());
    table.rows().get().forEachOrdered(row -> digest.add(row.cells()));
    return digest.finish();
  }

  /** The row is read later, beside the rows that are made meanwhile: it must not be altered. */
  public void add(List<String> row) {
    gathered.add(row);
    for (int i = 0; i < row.size(); i++) {
      letters += row.get(i).length();
    }
    if (gathered.size() == ROWS_AT_ONCE || letters > LETTERS_AT_ONCE) {
      List<List<String>> rows = gathered;
      gathered = new ArrayList<>(ROWS_AT_ONCE);
      letters = 0;
      adding.handOn(() -> rows.forEach(this::addRow));
    }
  }

  private void addRow(List<String> row) {
    for (int i = 0; i < row.size(); i++) {
      if (i < above.length) {
        addAfter(i, row.get(i));
      } else {
        add(row.get(i));
      }
    }
  }

  /** Most often it is the very text that the row above says there, or that the column said after that one before. */
  private void addAfter(int column, String cell) {
    Told last = above[column];
    Told told = last == null || last.text == cell ? last : last.next;
    if (told != null && told.text == cell && told.held) {
      repeat(told.slot);
    } else {
      told = add(cell);
      if (told == null) {
        return;
      }
      if (last != null && last.held && last != told) {
        last.next = told;
      }
    }
    above[column] = told;
  }

  private static int slot(String cell) {
    return cell.hashCode() * SPREAD >>> Integer.SIZE - Integer.numberOfTrailingZeros(SLOTS);
  }

  private void repeat(int slot) {
    room(Integer.BYTES);
    filled[used++] = 1;
    filled[used++] = (byte) (slot >>> 16);
    filled[used++] = (byte) (slot >>> 8);
    filled[used++] = (byte) slot;
  }

  /** Where it is held now; null if it is too long for that, or nothing is. */
  private Told add(String cell) {
    Told told = null;
    if (held.length > 0 && cell.length() <= LONGEST) {
      int slot = slot(cell);
      Told there = held[slot];
      if (there != null && there.text.equals(cell)) {
        repeat(slot);
        return there;
      }
      if (there != null) {
        there.giveWay();
      }
      told = new Told(cell, slot);
      held[slot] = told;
    }
    byte[] bytes = cell.getBytes(StandardCharsets.UTF_8);
    room(Integer.BYTES + 1);
    if (held.length > 0) {
      filled[used++] = 0;
    }
    for (int shift = 24; shift >= 0; shift -= 8) {
      filled[used++] = (byte) (bytes.length >>> shift);
    }
    for (int at = 0; at < bytes.length;) {
      room(1);
      int length = Math.min(bytes.length - at, BUFFER - used);
      System.arraycopy(bytes, at, filled, used, length);
      used += length;
      at += length;
    }
    return told;
  }

  private void room(int length) {
    if (length > BUFFER - used) {
      handOn();
    }
  }

  private void handOn() {
    byte[] full = filled;
    int length = used;
    beside.handOn(() -> digest.update(full, 0, length));
    filled = spare;
    spare = full;
    used = 0;
  }

  public String finish() {
    adding.finish();
    gathered.forEach(this::addRow);
    handOn();
    beside.finish();
    return name + HexFormat.of().formatHex(digest.digest());
  }
}
