package palegate.exports;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.Iterator;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** A sheet's rows as CSV (RFC 4180), UTF-8 with a mark so that spreadsheets read the letters right; the last record is the seal alone, if there is one. */
public final class CsvFile {
  private static final char BYTE_ORDER_MARK = '\uFEFF';

  private CsvFile() {}

  public static void write(Sheet sheet, OutputStream out) throws IOException {
    BufferedWriter writer = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
    writer.write(BYTE_ORDER_MARK);
    CSVPrinter printer = new CSVPrinter(writer, CSVFormat.RFC4180);
    printer.printRecord(sheet.columns().stream().map(Sheet.Column::title).toList());
    for (Iterator<List<String>> rows = sheet.rows().iterator(); rows.hasNext();) {
      printer.printRecord(rows.next().stream().map(Cells::neutral).toList());
    }
    if (sheet.seal() != null) {
      printer.printRecord(sheet.seal().get());
    }
    printer.flush();
  }
}
