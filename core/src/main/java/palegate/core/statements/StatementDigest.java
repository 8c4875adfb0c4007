package palegate.core.statements;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
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

  private final MessageDigest digest;
  private final String name;
  /** What was said last in each place; none where cells are always given whole. */
  private final String[] held;
  private final String[] above;
  private final int[] slotsAbove;
  private byte[] filled = new byte[BUFFER];
  private byte[] spare = new byte[BUFFER];
  private int used;
  /** What is being digested beside the rows that are made meanwhile. */
  private final Beside beside = new Beside();

  public StatementDigest(Recipe recipe, Instant instant, List<StatementTable.Column> columns) {
    this(REPEATING, recipe, instant, columns);
  }

  private StatementDigest(String name, Recipe recipe, Instant instant, List<StatementTable.Column> columns) {
    this.name = name;
    held = name.equals(PLAIN) ? new String[0] : new String[SLOTS];
    above = new String[name.equals(PLAIN) ? 0 : columns.size()];
    slotsAbove = new int[above.length];
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

  public void add(List<String> row) {
    for (int i = 0; i < row.size(); i++) {
      String cell = row.get(i);
      // Most often what the row above says there, and then the very same text.
      if (i < above.length && cell == above[i] && cell == held[slotsAbove[i]]) {
        repeat(slotsAbove[i]);
      } else {
        add(cell);
        if (i < above.length && cell.length() <= LONGEST) {
          above[i] = cell;
          slotsAbove[i] = slot(cell);
        }
      }
    }
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

  private void add(String cell) {
    if (held.length > 0 && cell.length() <= LONGEST) {
      int slot = slot(cell);
      if (cell.equals(held[slot])) {
        repeat(slot);
        return;
      }
      held[slot] = cell;
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
    handOn();
    beside.finish();
    return name + HexFormat.of().formatHex(digest.digest());
  }
}
