package palegate.exports;

import java.io.File;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** Rows of a CSV file, as programs of any country save them: parted by commas, semicolons or tabs, in UTF-8 or an older encoding. */
public final class CsvRows {
  private CsvRows() {}

  /** @throws UnreadableFile if it cannot be taken apart, or has more cells than asked for */
  public static List<WorkbookRows.Row> read(File file, int cellsAtMost) throws IOException {
    String text = text(Files.readAllBytes(file.toPath()));
    List<WorkbookRows.Row> rows = new ArrayList<>();
    int left = cellsAtMost;
    try (CSVParser records = CSVParser.parse(text, CSVFormat.RFC4180.builder().setDelimiter(delimiter(text)).setIgnoreEmptyLines(false).get())) {
      for (CSVRecord record : records) {
        left -= record.size();
        if (left < 0) {
          throw new UnreadableFile("The file has more than " + cellsAtMost + " cells.", "Take only what was handed out, or fewer rows.");
        }
        if (record.stream().anyMatch(cell -> !cell.isBlank())) {
          rows.add(new WorkbookRows.Row((int) record.getRecordNumber(), record.toList(), Set.of()));
        }
      }
    } catch (UncheckedIOException | IllegalStateException broken) {
      throw new UnreadableFile("The file cannot be taken apart into cells: a quotation mark is missing somewhere.", "Save it again as CSV.");
    }
    return rows;
  }

  private static String text(byte[] bytes) {
    String text;
    try {
      text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).toString();
    } catch (CharacterCodingException older) {
      text = new String(bytes, Charset.forName("windows-1252"));
    }
    return text.startsWith("\uFEFF") ? text.substring(1) : text;
  }

  /** Whichever parts the first line into most cells. */
  private static char delimiter(String text) {
    String first = text.substring(0, Math.max(0, text.indexOf('\n') < 0 ? text.length() : text.indexOf('\n')));
    char best = ',';
    for (char sign : new char[] {';', '\t'}) {
      best = count(first, sign) > count(first, best) ? sign : best;
    }
    return best;
  }

  private static long count(String text, char sign) {
    return text.chars().filter(letter -> letter == sign).count();
  }
}
