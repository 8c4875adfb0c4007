package palegate.exports;

import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.DataValidation;
import org.apache.poi.ss.usermodel.DataValidationConstraint;
import org.apache.poi.ss.usermodel.FillPatternType;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.IndexedColors;
import org.apache.poi.ss.usermodel.PrintSetup;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.VerticalAlignment;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.ss.util.CellRangeAddressList;
import org.apache.poi.xssf.usermodel.XSSFRow;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import palegate.core.rounds.Decision;
import palegate.core.rounds.ReturnedRows;

/**
 * A reviewer's items as a file that is filled in and brought back: a workbook with drop-downs for the answers, cells that are protected, a
 * hidden key and digest in every row, and a sheet of instructions; or the same as CSV.
 */
public final class ReviewFile {
  /** A row as it is handed out, with what was decided so far. */
  public record Handed(String key, String digest, String what, String where, String since, String effect, int people, int outsiders, boolean takesRole, String decision, String role, String until, String comment) {}

  /** A file that came back: of which round and reviewer it says it is, and its rows. */
  public record Returned(String identity, List<ReturnedRows.Row> rows) {}

  private static final String MARK = "Pale Gate review 1";
  private static final String ITEMS = "Items";
  private static final List<String> TITLES = List.of("What", "Where", "Since", "People", "Outsiders", "If it is removed", "Decision", "Change to role", "New end", "Comment", "Key", "Digest");
  /** Together they print at eight points; the last two are hidden. */
  static final List<Integer> WIDTHS = List.of(24, 17, 14, 7, 9, 17, 9, 9, 10, 18, 10, 10);
  private static final int DECISION = 6;
  private static final int ROLE = 7;
  private static final int UNTIL = 8;
  private static final int COMMENT = 9;
  static final int KEY = 10;
  private static final int DIGEST = 11;
  private static final int CHARACTER = 256;
  private static final int INSTRUCTION = 84;
  private static final int CELLS_AT_MOST = 400_000;
  private static final int LISTED_AT_MOST = 250;

  private ReviewFile() {}

  /** The line by which a file says of which round and reviewer it is. */
  public static String identity(long round, String reviewer) {
    return MARK + " | round " + round + " | reviewer " + reviewer;
  }

  public static void writeWorkbook(String identity, String title, List<String> instructions, List<Handed> items, List<String> roles, OutputStream out) throws IOException {
    try (XSSFWorkbook workbook = new XSSFWorkbook()) {
      XSSFSheet about = workbook.createSheet("How to fill it in");
      about.setColumnWidth(0, INSTRUCTION * CHARACTER);
      CellStyle wrapped = workbook.createCellStyle();
      wrapped.setWrapText(true);
      CellStyle heading = workbook.createCellStyle();
      Font bold = workbook.createFont();
      bold.setBold(true);
      bold.setFontHeightInPoints((short) 15);
      heading.setFont(bold);
      about.createRow(0).createCell(0).setCellValue(Cells.ofWorkbook(title));
      about.getRow(0).getCell(0).setCellStyle(heading);
      int at = 2;
      for (String line : instructions) {
        Row row = about.createRow(at++);
        row.createCell(0).setCellValue(Cells.ofWorkbook(line));
        row.getCell(0).setCellStyle(wrapped);
        row.setHeightInPoints(PrintedColumns.height(List.of(line), List.of(INSTRUCTION)));
      }
      about.createRow(at + 1).createCell(0).setCellValue(identity);
      about.setDisplayGridlines(false);
      about.protectSheet("");
      items(workbook, items, roles, wrapped);
      workbook.setActiveSheet(1);
      workbook.write(out);
    }
  }

  private static void items(XSSFWorkbook workbook, List<Handed> items, List<String> roles, CellStyle wrapped) {
    XSSFSheet sheet = workbook.createSheet(ITEMS);
    CellStyle head = workbook.createCellStyle();
    Font bold = workbook.createFont();
    bold.setBold(true);
    head.setFont(bold);
    head.setWrapText(true);
    head.setVerticalAlignment(VerticalAlignment.CENTER);
    CellStyle fact = workbook.createCellStyle();
    fact.cloneStyleFrom(wrapped);
    fact.setVerticalAlignment(VerticalAlignment.TOP);
    CellStyle answer = workbook.createCellStyle();
    answer.cloneStyleFrom(fact);
    answer.setLocked(false);
    answer.setFillForegroundColor(IndexedColors.LIGHT_YELLOW.getIndex());
    answer.setFillPattern(FillPatternType.SOLID_FOREGROUND);
    answer.setDataFormat(workbook.createDataFormat().getFormat("@"));
    Row titles = sheet.createRow(0);
    for (int i = 0; i < TITLES.size(); i++) {
      titles.createCell(i).setCellValue(TITLES.get(i));
      titles.getCell(i).setCellStyle(head);
      sheet.setColumnWidth(i, WIDTHS.get(i) * CHARACTER);
    }
    for (int i = 0; i < items.size(); i++) {
      List<String> cells = cells(items.get(i));
      XSSFRow row = sheet.createRow(i + 1);
      row.setHeightInPoints(PrintedColumns.height(cells.subList(0, KEY), WIDTHS));
      // The row grows with the comment that is written into it.
      row.getCTRow().setCustomHeight(false);
      for (int column = 0; column < cells.size(); column++) {
        row.createCell(column).setCellValue(Cells.ofWorkbook(cells.get(column)));
        row.getCell(column).setCellStyle(column >= DECISION && column <= COMMENT ? answer : fact);
      }
    }
    int last = Math.max(1, items.size());
    list(sheet, DECISION, last, Arrays.stream(Decision.values()).map(Decision::words).toArray(String[]::new), "Choose keep, change, remove, not mine or ask.");
    String[] names = roles.toArray(String[]::new);
    if (names.length > 0 && String.join(",", names).length() < LISTED_AT_MOST) {
      list(sheet, ROLE, last, names, "Choose one of the roles.");
    }
    sheet.setColumnHidden(KEY, true);
    sheet.setColumnHidden(DIGEST, true);
    sheet.createFreezePane(1, 1);
    sheet.setAutoFilter(new CellRangeAddress(0, last, 0, DIGEST));
    sheet.lockAutoFilter(false);
    sheet.lockSort(false);
    sheet.lockFormatColumns(false);
    sheet.protectSheet("");
    sheet.setRepeatingRows(CellRangeAddress.valueOf("1:1"));
    sheet.getPrintSetup().setLandscape(true);
    sheet.getPrintSetup().setPaperSize(PrintSetup.A4_PAPERSIZE);
    sheet.setFitToPage(true);
    sheet.getPrintSetup().setFitHeight((short) 0);
  }

  private static void list(XSSFSheet sheet, int column, int last, String[] choices, String remedy) {
    DataValidationConstraint constraint = sheet.getDataValidationHelper().createExplicitListConstraint(choices);
    DataValidation validation = sheet.getDataValidationHelper().createValidation(constraint, new CellRangeAddressList(1, last, column, column));
    validation.setShowErrorBox(true);
    validation.createErrorBox("Not one of them", remedy);
    sheet.addValidationData(validation);
  }

  private static List<String> cells(Handed item) {
    return List.of(item.what(), item.where(), item.since(), Integer.toString(item.people()), Integer.toString(item.outsiders()), item.effect(), item.decision(), item.role(), item.until(), item.comment(), item.key(), item.digest());
  }

  public static void writeCsv(String identity, List<Handed> items, OutputStream out) throws IOException {
    StringBuilder text = new StringBuilder("\uFEFF");
    try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
      printer.printRecord(TITLES);
      for (Handed item : items) {
        printer.printRecord(cells(item).stream().map(Cells::neutral).toList());
      }
      printer.printRecord(identity);
    }
    out.write(text.toString().getBytes(StandardCharsets.UTF_8));
  }

  /** The cells of an item that say what it is about, as a file has them. */
  public static List<String> facts(String what, String where) {
    return List.of(Cells.ofWorkbook(what).strip(), Cells.ofWorkbook(where).strip());
  }

  /**
   * Reads either, whatever its name; rows in any order, columns in any order.
   *
   * @throws UnreadableFile if it is no such file
   */
  public static Returned read(File file) throws IOException {
    boolean workbook;
    try (InputStream in = Files.newInputStream(file.toPath())) {
      workbook = in.read() == 'P' && in.read() == 'K';
    }
    List<WorkbookRows.Table> tables = workbook ? WorkbookRows.read(file, CELLS_AT_MOST) : List.of(new WorkbookRows.Table(ITEMS, CsvRows.read(file, CELLS_AT_MOST)));
    String identity = tables.stream().flatMap(table -> table.rows().stream()).flatMap(row -> row.cells().stream()).filter(cell -> cell.startsWith(MARK)).map(String::strip).findFirst().orElse(null);
    WorkbookRows.Table items = tables.stream().filter(table -> table.name().equals(ITEMS)).findFirst().orElse(null);
    if (identity == null || items == null || items.rows().isEmpty()) {
      throw new UnreadableFile("The file does not say of which round it is: the line that begins with “" + MARK + "” or the table “" + ITEMS + "” is missing.", "Send the file that was handed out, filled in, as a workbook (.xlsx) or as CSV.");
    }
    Map<String, Integer> at = new HashMap<>();
    List<String> head = items.rows().get(0).cells();
    TITLES.forEach(title -> at.put(title, head.indexOf(title)));
    List<String> missing = TITLES.stream().filter(title -> at.get(title) < 0 && !title.equals("Since") && !title.equals("People") && !title.equals("Outsiders") && !title.equals("If it is removed")).toList();
    if (!missing.isEmpty()) {
      throw new UnreadableFile("The table has no column " + String.join(", ", missing) + ".", "Leave the first row as it was handed out.");
    }
    List<ReturnedRows.Row> rows = new ArrayList<>();
    for (WorkbookRows.Row row : items.rows().subList(1, items.rows().size())) {
      if (row.cell(0).startsWith(MARK)) {
        continue;
      }
      Set<String> formulas = new HashSet<>();
      TITLES.subList(DECISION, COMMENT + 1).stream().filter(title -> row.formulas().contains(at.get(title))).forEach(formulas::add);
      rows.add(new ReturnedRows.Row(row.number(), row.cell(at.get(TITLES.get(KEY))).strip(), row.cell(at.get(TITLES.get(DIGEST))).strip(), List.of(row.cell(at.get("What")).strip(), row.cell(at.get("Where")).strip()),
          row.cell(at.get(TITLES.get(DECISION))), row.cell(at.get(TITLES.get(ROLE))), row.cell(at.get(TITLES.get(UNTIL))), row.cell(at.get(TITLES.get(COMMENT))), formulas));
    }
    return new Returned(identity, rows);
  }
}
