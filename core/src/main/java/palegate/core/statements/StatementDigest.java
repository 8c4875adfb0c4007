package palegate.core.statements;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.List;

/**
 * The digest of what a statement says: SHA-256 over what was asked, at which instant, its columns, and its rows in the order
 * in which they were made. Each cell is preceded by its length, so that no two statements read the same.
 */
public final class StatementDigest {
  private static final String FORMAT = "pale-gate-statement 1";

  private final MessageDigest digest;

  public StatementDigest(Recipe recipe, Instant instant, List<StatementTable.Column> columns) {
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
    StatementDigest digest = new StatementDigest(recipe, instant, table.columns());
    for (Iterator<StatementTable.Row> rows = table.rows().get().iterator(); rows.hasNext();) {
      digest.add(rows.next().cells());
    }
    return digest.finish();
  }

  public void add(List<String> row) {
    row.forEach(this::add);
  }

  private void add(String cell) {
    byte[] bytes = cell.getBytes(StandardCharsets.UTF_8);
    digest.update(new byte[] {(byte) (bytes.length >>> 24), (byte) (bytes.length >>> 16), (byte) (bytes.length >>> 8), (byte) bytes.length});
    digest.update(bytes);
  }

  public String finish() {
    return "sha256:" + HexFormat.of().formatHex(digest.digest());
  }
}
