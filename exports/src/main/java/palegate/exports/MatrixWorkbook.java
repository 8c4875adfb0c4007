package palegate.exports;

import java.io.IOException;
import java.io.OutputStream;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.ss.usermodel.BorderStyle;
import org.apache.poi.ss.usermodel.Cell;
import org.apache.poi.ss.usermodel.CellStyle;
import org.apache.poi.ss.usermodel.Font;
import org.apache.poi.ss.usermodel.HorizontalAlignment;
import org.apache.poi.ss.usermodel.PrintSetup;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.VerticalAlignment;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.xssf.streaming.SXSSFSheet;
import org.apache.poi.xssf.streaming.SXSSFWorkbook;
import palegate.core.matrix.Matrix;
import palegate.core.matrix.MatrixRows;
import palegate.core.roles.Rights;

/** The workbook of a matrix: a cover that says how to read it, and the matrix with both heads frozen. It reads the same in black and white. */
final class MatrixWorkbook {
  private static final int CHARACTER = 256;
  private static final int HEAD_POINTS = 120;
  private static final String READING = "Bold, underlined and “given here”: an entry at the place itself. Plain: from further up. Slanted and “through a group”: by a group or unit that the subject is in. "
      + "A line below says how many of its people have more (+) or less (−) than the cell says. Rights that are no role's are said by their first three letters. Empty: nothing is given.";

  private final MatrixSheet matrix;
  private final SXSSFWorkbook workbook;
  private final Map<Matrix.From, CellStyle> styles = new EnumMap<>(Matrix.From.class);
  private final Map<Rights, String> roles;
  private final CellStyle head;
  private final CellStyle upright;
  private final CellStyle title;

  private MatrixWorkbook(MatrixSheet matrix, SXSSFWorkbook workbook) {
    this.matrix = matrix;
    this.workbook = workbook;
    roles = matrix.roleNames();
    for (Matrix.From from : Matrix.From.values()) {
      CellStyle style = style(from == Matrix.From.HERE, from == Matrix.From.THROUGH_GROUP, (short) 9);
      style.setWrapText(true);
      style.setAlignment(HorizontalAlignment.CENTER);
      style.setBorderLeft(BorderStyle.HAIR);
      style.setBorderBottom(from == Matrix.From.HERE ? BorderStyle.MEDIUM : from == Matrix.From.THROUGH_GROUP ? BorderStyle.DOTTED : BorderStyle.HAIR);
      styles.put(from, style);
    }
    head = style(true, false, (short) 10);
    upright = style(true, false, (short) 10);
    upright.setRotation((short) 90);
    upright.setVerticalAlignment(VerticalAlignment.BOTTOM);
    title = style(true, false, (short) 16);
  }

  static void write(MatrixSheet matrix, boolean turned, OutputStream out) throws IOException {
    try (SXSSFWorkbook workbook = new SXSSFWorkbook(100)) {
      MatrixWorkbook made = new MatrixWorkbook(matrix, workbook);
      made.cover();
      made.table(turned);
      workbook.write(out);
    }
  }

  private CellStyle style(boolean bold, boolean slanted, short points) {
    Font font = workbook.createFont();
    font.setBold(bold);
    font.setItalic(slanted);
    font.setFontHeightInPoints(points);
    CellStyle style = workbook.createCellStyle();
    style.setFont(font);
    style.setVerticalAlignment(VerticalAlignment.TOP);
    return style;
  }

  private void cover() {
    SXSSFSheet cover = workbook.createSheet("Cover");
    cover.setColumnWidth(0, 24 * CHARACTER);
    cover.setColumnWidth(1, 90 * CHARACTER);
    put(cover.createRow(0), 0, matrix.title(), title);
    int number = 2;
    CellStyle wrapped = style(false, false, (short) 11);
    wrapped.setWrapText(true);
    for (Map.Entry<String, String> fact : matrix.facts().entrySet()) {
      Row row = cover.createRow(number++);
      put(row, 0, fact.getKey(), head);
      put(row, 1, fact.getValue(), wrapped);
    }
    Row row = cover.createRow(number);
    put(row, 0, "How to read it", head);
    put(row, 1, READING, wrapped);
    cover.setDisplayGridlines(false);
    cover.setFitToPage(true);
    cover.getPrintSetup().setPaperSize(PrintSetup.A4_PAPERSIZE);
    cover.getPrintSetup().setFitHeight((short) 0);
  }

  private void table(boolean turned) {
    SXSSFSheet table = workbook.createSheet("Matrix");
    List<MatrixRows.Row> rows = matrix.rows();
    int down = turned ? matrix.columns().size() : rows.size();
    int across = turned ? rows.size() : matrix.columns().size();
    table.setColumnWidth(0, 38 * CHARACTER);
    Row heads = table.createRow(0);
    heads.setHeightInPoints(HEAD_POINTS);
    put(heads, 0, turned ? "Place" : "Subject", head);
    for (int i = 0; i < across; i++) {
      table.setColumnWidth(i + 1, 13 * CHARACTER);
      put(heads, i + 1, turned ? indented(rows.get(i).depth(), matrix.rowName(rows.get(i))) : indented(matrix.columnDepth(i), matrix.columnName(i)), upright);
    }
    table.createFreezePane(1, 1);
    // Cells are worked out for some subjects at a time; turned, all of them are needed in each row.
    Matrix all = turned ? matrix.matrix(rows) : null;
    Matrix some = null;
    for (int i = 0; i < down; i++) {
      if (!turned && i % 40 == 0) {
        some = matrix.matrix(rows.subList(i, Math.min(down, i + 40)));
      }
      Row row = table.createRow(i + 1);
      put(row, 0, turned ? indented(matrix.columnDepth(i), matrix.columnName(i)) : indented(rows.get(i).depth(), matrix.rowName(rows.get(i))), head);
      for (int j = 0; j < across; j++) {
        Matrix.Cell cell = turned ? all.cell(j, i) : some.cell(i % 40, j);
        if (cell.from() != Matrix.From.NOTHING) {
          put(row, j + 1, words(cell), styles.get(cell.from()));
        }
      }
    }
    table.setRepeatingRows(CellRangeAddress.valueOf("1:1"));
    table.setRepeatingColumns(CellRangeAddress.valueOf("A:A"));
    table.getPrintSetup().setPaperSize(PrintSetup.A4_PAPERSIZE);
    table.getPrintSetup().setLandscape(true);
    table.getFooter().setRight("Page &P of &N");
  }

  private static String indented(int depth, String name) {
    return "  ".repeat(depth) + name;
  }

  private String words(Matrix.Cell cell) {
    String held = MatrixSheet.words(cell.rights(), roles);
    String origin = cell.from() == Matrix.From.ABOVE ? "" : "\n" + MatrixSheet.from(cell.from());
    String others = cell.more() + cell.less() == 0 ? "" : "\n" + (cell.more() > 0 ? "+" + cell.more() + " " : "") + (cell.less() > 0 ? "−" + cell.less() : "");
    return (held.isEmpty() ? "nothing" : held) + (cell.withheld().isEmpty() ? "" : "\nwithheld " + cell.withheld()) + origin + others;
  }

  private static void put(Row row, int column, String text, CellStyle style) {
    Cell cell = row.createCell(column);
    cell.setCellValue(Cells.ofWorkbook(text));
    cell.setCellStyle(style);
  }
}
