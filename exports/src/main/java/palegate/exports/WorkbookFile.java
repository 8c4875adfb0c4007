package palegate.exports;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Iterator;
import java.util.List;
import org.apache.poi.ss.usermodel.BorderStyle;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.FillPatternType;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.HorizontalAlignment;
import org.apache.poi.ss.usermodel.PageMargin;
import org.apache.poi.ss.usermodel.PrintSetup;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.VerticalAlignment;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xssf.streaming.SXSSFSheet;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;
import org.apache.poi.xssf.usermodel.XSSFCellStyle;
import org.apache.poi.xssf.usermodel.XSSFColor;
import org.apache.poi.xssf.usermodel.XSSFFont;

/** A sheet as a workbook: a cover, and a table with a frozen header, filters and widths. */
public final class WorkbookFile {
  private static final int ROWS_IN_MEMORY = 200;
  /** In inches: narrow, so that what is wide still prints large enough to be read. */
  private static final double MARGIN = 0.35;
  private static final int FOOTER = 90;
  private static final String CHECKING = "Drop it on the page Statements, or use: palegate verify. Both say whether the system said this, and name every row and cell that was altered since.";
  private static final int CHARACTER = 256;
  private static final short LABEL = 11;
  private static final short TITLE = 16;
  private static final float TITLE_LINE = 22;
  private static final List<Integer> COVER = List.of(24, 60);
  /** The file format ends here; what does not fit goes on in another table. */
  private static final int ROWS_IN_A_TABLE = 1_048_575;
  private static final byte[] SLATE = {0x23, 0x31, 0x3c};
  private static final byte[] PAPER = {(byte) 0xf4, (byte) 0xf1, (byte) 0xea};

  private final SXSSFWorkbook workbook;
  private final CellStyle heading;
  private final CellStyle title;
  private final CellStyle label;
  private final CellStyle wrapped;
  private final CellStyle number;
  private final CellStyle numberHeading;
  private Row sealed;

  private WorkbookFile(SXSSFWorkbook workbook) {
    this.workbook = workbook;
    heading = heading();
    numberHeading = heading();
    number = workbook.createCellStyle();
    number.setVerticalAlignment(VerticalAlignment.TOP);
    // A little room to the right: a number does not run into the words beside it.
    for (CellStyle style : List.of(number, numberHeading)) {
      style.setAlignment(HorizontalAlignment.RIGHT);
      style.setIndention((short) 1);
    }
    title = font(TITLE);
    label = font(LABEL);
    wrapped = workbook.createCellStyle();
    wrapped.setWrapText(true);
    wrapped.setVerticalAlignment(VerticalAlignment.TOP);
  }

  /** Streams the workbook; memory does not grow with the number of rows. */
  public static void write(Sheet sheet, OutputStream out) throws IOException {
    try (SXSSFWorkbook workbook = new SXSSFWorkbook(ROWS_IN_MEMORY)) {
      WorkbookFile file = new WorkbookFile(workbook);
      file.cover(sheet);
      if (sheet.before() != null) {
        file.table(sheet.before().title(), sheet.before().title(), sheet.before().columns(), sheet.before().rows().iterator());
      }
      file.tables(sheet);
      file.seal(sheet);
      workbook.write(out);
    }
  }

  private void cover(Sheet sheet) {
    SXSSFSheet cover = workbook.createSheet("Cover");
    cover.setColumnWidth(0, COVER.get(0) * CHARACTER);
    cover.setColumnWidth(1, COVER.get(1) * CHARACTER);
    cell(cover.createRow(0), 0, sheet.title(), title);
    cover.addMergedRegion(new CellRangeAddress(0, 0, 0, 1));
    cover.getRow(0).setHeightInPoints(TITLE_LINE * PrintedColumns.lines(sheet.title(), (COVER.get(0) + COVER.get(1)) * LABEL / TITLE));
    int number = 2;
    for (var fact : sheet.facts().entrySet()) {
      said(cover.createRow(number++), fact.getKey(), fact.getValue());
    }
    if (sheet.seal() != null) {
      sealed = cover.createRow(number + 1);
      said(cover.createRow(number), "How to check this file", CHECKING);
    }
    cover.setDisplayGridlines(false);
    cover.setFitToPage(true);
    cover.getPrintSetup().setPaperSize(PrintSetup.A4_PAPERSIZE);
    cover.getPrintSetup().setFitHeight((short) 0);
    cover.setMargin(PageMargin.LEFT, MARGIN);
    cover.setMargin(PageMargin.RIGHT, MARGIN);
  }

  /** Known only when the rows are written; the cover is still in memory then. */
  private void seal(Sheet sheet) {
    if (sealed != null) {
      said(sealed, "Identity", sheet.seal().get());
    }
  }

  private void said(Row row, String what, String text) {
    cell(row, 0, what, label);
    cell(row, 1, text, wrapped);
    row.setHeightInPoints(PrintedColumns.height(List.of(what, text), COVER));
  }

  private void tables(Sheet sheet) {
    Iterator<List<String>> rows = sheet.rows().iterator();
    int part = 1;
    do {
      table(part == 1 ? "Statement" : "Statement " + part, sheet.title(), sheet.columns(), rows);
      part++;
    } while (rows.hasNext());
  }

  private void table(String name, String title, List<Sheet.Column> columns, Iterator<List<String>> rows) {
    SXSSFSheet table = workbook.createSheet(name);
    Row header = table.createRow(0);
    List<Integer> widths = PrintedColumns.fitted(columns);
    header.setHeightInPoints(Math.max(22, PrintedColumns.height(columns.stream().map(Sheet.Column::title).toList(), widths)));
    for (int i = 0; i < columns.size(); i++) {
      table.setColumnWidth(i, widths.get(i) * CHARACTER);
      cell(header, i, columns.get(i).title(), columns.get(i).number() ? numberHeading : heading);
    }
    table.createFreezePane(0, 1);
    int at = 1;
    while (rows.hasNext() && at <= ROWS_IN_A_TABLE) {
      Row row = table.createRow(at++);
      List<String> values = rows.next();
      row.setHeightInPoints(PrintedColumns.height(values, widths));
      for (int i = 0; i < values.size(); i++) {
        if (!values.get(i).isEmpty()) {
          if (columns.get(i).number()) {
            Cell count = row.createCell(i);
            count.setCellValue(Double.parseDouble(values.get(i)));
            count.setCellStyle(number);
          } else {
            cell(row, i, values.get(i), wrapped);
          }
        }
      }
    }
    table.setAutoFilter(new CellRangeAddress(0, at - 1, 0, columns.size() - 1));
    table.setRepeatingRows(CellRangeAddress.valueOf("1:1"));
    table.getPrintSetup().setPaperSize(PrintSetup.A4_PAPERSIZE);
    table.getPrintSetup().setLandscape(true);
    table.setFitToPage(true);
    table.getPrintSetup().setFitHeight((short) 0);
    table.setMargin(PageMargin.LEFT, MARGIN);
    table.setMargin(PageMargin.RIGHT, MARGIN);
    table.getFooter().setLeft(title.length() > FOOTER ? title.substring(0, FOOTER) + " …" : title);
    table.getFooter().setRight("Page " + "&P" + " of " + "&N");
  }

  private static void cell(Row row, int column, String text, CellStyle style) {
    Cell cell = row.createCell(column);
    cell.setCellValue(Cells.ofWorkbook(text));
    if (style != null) {
      cell.setCellStyle(style);
    }
  }

  private CellStyle heading() {
    XSSFCellStyle style = (XSSFCellStyle) workbook.createCellStyle();
    style.setFillForegroundColor(new XSSFColor(SLATE));
    style.setFillPattern(FillPatternType.SOLID_FOREGROUND);
    style.setVerticalAlignment(VerticalAlignment.CENTER);
    style.setWrapText(true);
    style.setBorderBottom(BorderStyle.THIN);
    XSSFFont font = (XSSFFont) workbook.createFont();
    font.setBold(true);
    font.setColor(new XSSFColor(PAPER));
    style.setFont(font);
    return style;
  }

  private CellStyle font(short points) {
    Font font = workbook.createFont();
    font.setBold(true);
    font.setFontHeightInPoints(points);
    CellStyle style = workbook.createCellStyle();
    style.setFont(font);
    style.setVerticalAlignment(VerticalAlignment.TOP);
    style.setWrapText(true);
    return style;
  }
}
