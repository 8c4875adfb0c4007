package palegate.exports;

import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.io.RandomAccessFile;
import java.nio.charset.StandardCharsets;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import javax.xml.parsers.ParserConfigurationException;
import org.apache.poi.ooxml.POIXMLException;
import org.apache.poi.openxml4j.exceptions.OpenXML4JException;
import org.apache.poi.openxml4j.opc.OPCPackage;
import org.apache.poi.openxml4j.opc.PackageAccess;
import org.apache.poi.openxml4j.util.ZipSecureFile;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.DateUtil;
import org.apache.poi.ss.util.CellReference;
import org.apache.poi.util.XMLHelper;
import org.apache.poi.xssf.eventusermodel.ReadOnlySharedStringsTable;
import org.apache.poi.xssf.eventusermodel.XSSFReader;
import org.apache.poi.xssf.eventusermodel.XSSFSheetXMLHandler;
import org.apache.poi.xssf.usermodel.XSSFComment;
import org.xml.sax.Attributes;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.XMLReader;

/**
 * The cells of a workbook as text, read once and one after the other: formulas are read as what they are and never worked out, dates as ISO
 * dates whatever country's habit they are shown in. What unpacks to far more than it is, or has more cells than asked for, is refused.
 */
public final class WorkbookRows {
  /** A row; {@code number} counts from 1, as programs show it. {@code formulas} are the columns that hold one. */
  public record Row(int number, List<String> cells, Set<Integer> formulas) {
    public Row {
      cells = List.copyOf(cells);
      formulas = Set.copyOf(formulas);
    }

    public String cell(int column) {
      return column >= 0 && column < cells.size() ? cells.get(column) : "";
    }
  }

  public record Table(String name, List<Row> rows) {}

  /** What one part of a workbook may unpack to, where many people's files are read side by side. */
  private static final long UNPACKED_AT_MOST = 160L << 20;
  private static final long UNPACKED_ALONE = 4L << 30;
  /** The end of an archive, with the longest remark that it may carry. */
  private static final int END_AT_MOST = 22 + 65_535;

  static {
    ZipSecureFile.setMaxEntrySize(UNPACKED_AT_MOST);
  }

  /** Says that this program reads one file for one person, who knows what it is: then it may be as large as workbooks are. */
  public static void readingAlone() {
    ZipSecureFile.setMaxEntrySize(UNPACKED_ALONE - 1);
  }

  private WorkbookRows() {}

  /**
   * Every table of the workbook, in its order; hidden ones too.
   *
   * @throws UnreadableFile if it is none, is damaged, or is too much
   */
  public static List<Table> read(File file, int cellsAtMost) throws IOException {
    if (!hasEnd(file)) {
      throw new UnreadableFile("The file is no workbook that can be read, or a part of it is missing.", "Save it again as a workbook (.xlsx), and send the whole file.");
    }
    try (OPCPackage unpacked = OPCPackage.open(file, PackageAccess.READ)) {
      if (unpacked.getPartsByName(Pattern.compile(".*vbaProject\\.bin")).size() > 0) {
        throw new UnreadableFile("The workbook holds macros.", "Save it as a workbook without macros (.xlsx).");
      }
      XSSFReader reader = new XSSFReader(unpacked);
      ReadOnlySharedStringsTable strings = new ReadOnlySharedStringsTable(unpacked, false);
      List<Table> tables = new ArrayList<>();
      int[] left = {cellsAtMost};
      XSSFReader.SheetIterator sheets = (XSSFReader.SheetIterator) reader.getSheetsData();
      while (sheets.hasNext()) {
        try (InputStream sheet = sheets.next()) {
          Collecting rows = new Collecting(left);
          XMLReader xml = XMLHelper.newXMLReader();
          xml.setContentHandler(new Handler(reader, strings, rows));
          xml.parse(new InputSource(sheet));
          tables.add(new Table(sheets.getSheetName(), rows.rows));
        }
      }
      return tables;
    } catch (TooManyCells tooMany) {
      throw new UnreadableFile("The workbook has more than " + cellsAtMost + " cells that are filled in, or cells far to the right.", "Take only what was handed out, or fewer rows.");
    } catch (OpenXML4JException | POIXMLException | SAXException | ParserConfigurationException | IllegalArgumentException | IllegalStateException | IOException damaged) {
      if (damaged instanceof UnreadableFile unreadable) {
        throw unreadable;
      }
      throw new UnreadableFile(tooMuch(damaged) ? "The workbook unpacks to far more than it is." : "The file is no workbook that can be read, or a part of it is missing.", "Save it again as a workbook (.xlsx), and send the whole file.");
    }
  }

  /** An archive says at its end what is in it. Of one that was cut off some parts would be read all the same, and what is missing would count as altered. */
  private static boolean hasEnd(File file) throws IOException {
    try (RandomAccessFile in = new RandomAccessFile(file, "r")) {
      byte[] end = new byte[(int) Math.min(in.length(), END_AT_MOST)];
      in.seek(in.length() - end.length);
      in.readFully(end);
      return new String(end, StandardCharsets.ISO_8859_1).contains("PK\005\006");
    }
  }

  private static boolean tooMuch(Throwable failed) {
    for (Throwable at = failed; at != null; at = at.getCause()) {
      if (at.getMessage() != null && at.getMessage().contains("Zip bomb")) {
        return true;
      }
    }
    return false;
  }

  private static final class TooManyCells extends RuntimeException {}

  private static final class Collecting implements XSSFSheetXMLHandler.SheetContentsHandler {
    private final List<Row> rows = new ArrayList<>();
    private final int[] left;
    private List<String> cells = new ArrayList<>();
    private final Set<Integer> formulas = new HashSet<>();

    Collecting(int[] left) {
      this.left = left;
    }

    @Override
    public void startRow(int row) {
      cells = new ArrayList<>();
      formulas.clear();
    }

    @Override
    public void endRow(int row) {
      if (cells.stream().anyMatch(cell -> !cell.isBlank()) || !formulas.isEmpty()) {
        rows.add(new Row(row + 1, cells, formulas));
      }
    }

    @Override
    public void cell(String reference, String value, XSSFComment comment) {
      if (reference == null || value == null) {
        return;
      }
      int column = new CellReference(reference).getCol();
      if (column > 200 || left[0]-- <= 0) {
        throw new TooManyCells();
      }
      while (cells.size() <= column) {
        cells.add("");
      }
      cells.set(column, value);
    }

    void formula(String reference) {
      formulas.add((int) new CellReference(reference).getCol());
    }
  }

  /** Notes which cells hold formulas before their values are read. */
  private static final class Handler extends XSSFSheetXMLHandler {
    private final Collecting rows;
    private String at;

    Handler(XSSFReader reader, ReadOnlySharedStringsTable strings, Collecting rows) throws IOException, OpenXML4JException {
      super(reader.getStylesTable(), null, strings, rows, new IsoDates(), true);
      this.rows = rows;
    }

    @Override
    public void startElement(String uri, String local, String name, Attributes attributes) throws SAXException {
      if ("c".equals(local)) {
        at = attributes.getValue("r");
      } else if ("f".equals(local) && at != null) {
        rows.formula(at);
      }
      super.startElement(uri, local, name, attributes);
    }
  }

  private static final class IsoDates extends DataFormatter {
    @Override
    public String formatRawCellContents(double value, int formatIndex, String format, boolean use1904) {
      if (DateUtil.isADateFormat(formatIndex, format) && DateUtil.isValidExcelDate(value)) {
        LocalDateTime date = DateUtil.getLocalDateTime(value, use1904);
        return date.toLocalTime().toSecondOfDay() == 0 ? date.toLocalDate().toString() : date.toString();
      }
      return value == Math.rint(value) && Math.abs(value) < 1e15 ? Long.toString((long) value) : Double.toString(value);
    }
  }
}
