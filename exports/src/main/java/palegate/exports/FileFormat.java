package palegate.exports;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** The formats of files. */
public enum FileFormat {
  XLSX("application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"),
  CSV("text/csv;charset=UTF-8"),
  JSON("application/json"),
  /** A JSON object a line. */
  JSONL("application/jsonl"),
  PDF("application/pdf");

  private final String mediaType;

  FileFormat(String mediaType) {
    this.mediaType = mediaType;
  }

  public String mediaType() {
    return mediaType;
  }

  /** What such a file's name ends with. */
  public String ending() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** By the ending of a file's name. */
  public static Optional<FileFormat> ofName(String name) {
    return Arrays.stream(values()).filter(format -> name.toLowerCase(Locale.ROOT).endsWith("." + format.ending())).findFirst();
  }

  /** Writes the whole; the stream is flushed and left open. Memory does not grow with the rows, but for PDF, whose pages are made all at once. */
  public void write(Sheet sheet, OutputStream out) throws IOException {
    switch (this) {
      case XLSX -> WorkbookFile.write(sheet, out);
      case CSV -> CsvFile.write(sheet, out);
      case JSON -> JsonFile.write(sheet, out);
      case JSONL -> JsonLinesFile.write(sheet, out);
      case PDF -> PdfFile.write(sheet, out);
    }
  }
}
