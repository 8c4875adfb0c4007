package palegate.exports;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import palegate.core.collections.Beside;
import palegate.core.text.RepeatedTexts;

/** A sheet's rows as CSV (RFC 4180), UTF-8 with a mark so that spreadsheets read the letters right; the last record is the seal alone, if there is one. */
public final class CsvFile {
  private static final String BYTE_ORDER_MARK = "\uFEFF";
  private static final byte[] NOTHING = {};
  private static final byte[] COMMA = {','};
  private static final byte[] END = {'\r', '\n'};
  private static final int BUFFER = 1 << 19;
  private static final int ROWS_AT_ONCE = 4_096;
  private static final int LETTERS_AT_ONCE = 1 << 20;

  private final OutputStream out;
  private final int columns;
  private final RepeatedTexts cells;
  private List<List<String>> gathered = new ArrayList<>(ROWS_AT_ONCE);
  private long letters;
  private final Beside beside = new Beside();
  private byte[] buffer = new byte[BUFFER];
  /** What was encoded before, while it is sent. */
  private byte[] spare = new byte[BUFFER];
  private int used;

  private CsvFile(int columns, OutputStream out) {
    this.out = out;
    this.columns = columns;
    cells = new RepeatedTexts(columns, CsvFile::cell);
  }

  public static void write(Sheet sheet, OutputStream out) throws IOException {
    CsvFile file = new CsvFile(sheet.columns().size(), out);
    file.put(BYTE_ORDER_MARK.getBytes(StandardCharsets.UTF_8));
    try {
      file.record(sheet.columns().stream().map(Sheet.Column::title).toList());
      sheet.rows().forEachOrdered(file::add);
      file.handOn();
      file.send();
      if (sheet.seal() != null) {
        file.record(List.of(sheet.seal().get()));
      }
      file.send();
    } catch (UncheckedIOException failed) {
      throw failed.getCause();
    } finally {
      file.beside.giveUp();
    }
    out.flush();
  }

  private void add(List<String> row) {
    gathered.add(row);
    for (int i = 0; i < row.size(); i++) {
      letters += row.get(i).length();
    }
    if (gathered.size() == ROWS_AT_ONCE || letters > LETTERS_AT_ONCE) {
      handOn();
    }
  }

  /**
   * What was gathered is encoded while what was encoded before is sent, and the rows after it are made. It is sent by whoever asks for the file: a
   * slow reader holds nobody else up.
   */
  private void handOn() {
    beside.finish();
    byte[] encoded = buffer;
    int length = used;
    buffer = spare;
    spare = encoded;
    used = 0;
    List<List<String>> rows = gathered;
    gathered = new ArrayList<>(ROWS_AT_ONCE);
    letters = 0;
    beside.handOn(() -> rows.forEach(this::record));
    send(encoded, length);
  }

  private void send() {
    beside.finish();
    send(buffer, used);
    used = 0;
  }

  private void send(byte[] bytes, int length) {
    try {
      out.write(bytes, 0, length);
    } catch (IOException failed) {
      throw new UncheckedIOException(failed);
    }
  }

  /** A cell as it stands between commas, made harmless. */
  private static byte[] cell(String text) {
    return text.isEmpty() ? NOTHING : CSVFormat.RFC4180.format(Cells.neutral(text)).getBytes(StandardCharsets.UTF_8);
  }

  private void record(List<String> row) {
    for (int i = 0; i < row.size(); i++) {
      if (i > 0) {
        put(COMMA);
      }
      put(i < columns ? cells.next(i, row.get(i)) : cells.of(row.get(i)));
    }
    put(END);
  }

  private void put(byte[] bytes) {
    if (bytes.length > buffer.length - used) {
      buffer = Arrays.copyOf(buffer, Math.max(buffer.length * 2, used + bytes.length));
    }
    System.arraycopy(bytes, 0, buffer, used, bytes.length);
    used += bytes.length;
  }
}
