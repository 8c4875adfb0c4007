package palegate.exports;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Iterator;
import java.util.List;
import java.util.zip.Deflater;
import org.dhatim.fastexcel.BorderSide;
import org.dhatim.fastexcel.BorderStyle;
import org.dhatim.fastexcel.PaperSize;
import org.dhatim.fastexcel.Position;
import org.dhatim.fastexcel.StyleSetter;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import palegate.core.collections.Beside;

/** A sheet as a workbook: a cover, and a table with a frozen header, filters and widths. */
public final class WorkbookFile {
  private static final int ROWS_IN_MEMORY = 500;
  /** In inches: narrow, so that what is wide still prints large enough to be read. */
  private static final float MARGIN = 0.35f;
  private static final int FOOTER = 90;
  private static final int FOOTER_LETTERS = 10;
  static final String HOW_TO_CHECK = "How to check this file";
  static final String CHECKING = "Drop it on the page Statements, or use: palegate verify. Both say whether the system said this, and name every row and cell that was altered since.";
  private static final int LABEL = 11;
  private static final int TITLE = 16;
  private static final float TITLE_LINE = 22;
  private static final float LINE = 15;
  private static final List<Integer> COVER = List.of(24, 60);
  /** The file format ends here; what does not fit goes on in another table. */
  private static final int ROWS_IN_A_TABLE = 1_048_575;
  /** Heights are held until the end. Rows after so many high ones are as high as whoever opens the file makes them. */
  private static final int HIGH_ROWS_AT_MOST = 200_000;
  private static final int PARTS_AHEAD = 2;
  private static final String SLATE = "23313C";
  private static final String PAPER = "F4F1EA";

  private final Workbook workbook;
  private final SharedTexts texts = new SharedTexts();
  private int highRows;

  private WorkbookFile(Workbook workbook) {
    this.workbook = workbook;
  }

  /** Streams the workbook; memory does not grow with the number of rows. What breaks off on the way is no workbook. */
  public static void write(Sheet sheet, OutputStream out) throws IOException {
    // Closing it would end it as if it were whole, whatever went wrong before.
    Workbook workbook = new Workbook(out, "Pale Gate", null);
    workbook.setCompressionLevel(Deflater.BEST_SPEED);
    WorkbookFile file = new WorkbookFile(workbook);
    Worksheet cover = workbook.newWorksheet("Cover");
    if (sheet.before() != null) {
      file.table(sheet.before().title(), sheet.before().title(), sheet.before().columns(), sheet.before().rows().iterator());
    }
    file.tables(sheet);
    // The identity is known only when the rows are written.
    cover(cover, sheet);
    workbook.finish();
  }

  private static void cover(Worksheet cover, Sheet sheet) {
    cover.width(0, COVER.get(0));
    cover.width(1, COVER.get(1));
    text(cover, 0, 0, sheet.title());
    top(cover.range(0, 0, 0, 1).style()).bold().fontSize(TITLE).set();
    cover.range(0, 0, 0, 1).merge();
    cover.rowHeight(0, TITLE_LINE * PrintedColumns.lines(sheet.title(), (COVER.get(0) + COVER.get(1)) * LABEL / TITLE));
    int number = 2;
    for (var fact : sheet.facts().entrySet()) {
      said(cover, number++, fact.getKey(), fact.getValue());
    }
    if (sheet.seal() != null) {
      said(cover, number, HOW_TO_CHECK, CHECKING);
      said(cover, number + 1, "Identity", sheet.seal().get());
    }
    cover.hideGridLines();
    printed(cover);
  }

  private static void said(Worksheet cover, int row, String what, String text) {
    text(cover, row, 0, what);
    top(cover.style(row, 0)).bold().fontSize(LABEL).set();
    text(cover, row, 1, text);
    top(cover.style(row, 1)).set();
    cover.rowHeight(row, PrintedColumns.height(List.of(what, text), COVER));
  }

  private void tables(Sheet sheet) throws IOException {
    Iterator<List<String>> rows = sheet.rows().iterator();
    int part = 1;
    do {
      table(part == 1 ? "Statement" : "Statement " + part, sheet.title(), sheet.columns(), rows);
      part++;
    } while (rows.hasNext());
  }

  private void table(String name, String title, List<Sheet.Column> columns, Iterator<List<String>> rows) throws IOException {
    Worksheet table = workbook.newWorksheet(name);
    List<Integer> widths = PrintedColumns.fitted(columns);
    heads(table, columns, widths);
    table.freezePane(0, 1);
    table.repeatRows(0);
    printed(table);
    table.pageOrientation("landscape");
    String footer = title.length() > FOOTER ? title.substring(0, FOOTER) + " …" : title;
    // One alone would begin a command.
    table.footer(footer.replace("&", "&&"), Position.LEFT, FOOTER_LETTERS);
    table.footer("Page 1 of ?", Position.RIGHT, FOOTER_LETTERS);
    int at = 1;
    // While some rows are written, the next ones are worked out and made ready.
    Beside writing = new Beside(PARTS_AHEAD);
    try {
      while (rows.hasNext() && at <= ROWS_IN_A_TABLE) {
        int first = at;
        List<Line> some = new ArrayList<>(ROWS_IN_MEMORY);
        while (rows.hasNext() && at <= ROWS_IN_A_TABLE && at - first < ROWS_IN_MEMORY) {
          some.add(line(rows.next(), columns, widths));
          at++;
        }
        writing.handOn(() -> rows(table, first, some, columns));
      }
      writing.finish();
    } catch (UncheckedIOException failed) {
      throw failed.getCause();
    } finally {
      writing.giveUp();
    }
    if (!columns.isEmpty()) {
      table.setAutoFilter(0, 0, at - 1, columns.size() - 1);
    }
    table.finish();
  }

  private static void heads(Worksheet table, List<Sheet.Column> columns, List<Integer> widths) {
    for (int i = 0; i < columns.size(); i++) {
      table.width(i, widths.get(i));
      text(table, 0, i, columns.get(i).title());
      StyleSetter style = table.style(0, i);
      style.bold().fontColor(PAPER).fillColor(SLATE).verticalAlignment("center").wrapText(true).borderStyle(BorderSide.BOTTOM, BorderStyle.THIN);
      (columns.get(i).number() ? toTheRight(style) : style).set();
    }
    table.rowHeight(0, Math.max(22, PrintedColumns.height(columns.stream().map(Sheet.Column::title).toList(), widths)));
  }

  private void rows(Worksheet table, int first, List<Line> some, List<Sheet.Column> columns) {
    for (int i = 0; i < some.size(); i++) {
      row(table, first + i, some.get(i), columns);
    }
    styles(table, first, first + some.size() - 1, columns);
    try {
      table.flush();
    } catch (IOException failed) {
      throw new UncheckedIOException(failed);
    }
  }

  private void row(Worksheet table, int at, Line line, List<Sheet.Column> columns) {
    if (line.height > LINE && highRows < HIGH_ROWS_AT_MOST) {
      table.rowHeight(at, line.height);
      highRows++;
    }
    for (int i = 0; i < line.texts.length; i++) {
      if (!line.texts[i].isEmpty()) {
        if (columns.get(i).number()) {
          table.value(at, i, Double.parseDouble(line.texts[i]));
        } else if (line.shared.get(i)) {
          table.value(at, i, line.texts[i]);
        } else {
          table.inlineString(at, i, line.texts[i]);
        }
      }
    }
  }

  /**
   * A row, ready to be written.
   *
   * @param texts made harmless
   * @param shared which of them stand in no cell, but beside all
   */
  private record Line(String[] texts, BitSet shared, float height) {}

  private Line line(List<String> values, List<Sheet.Column> columns, List<Integer> widths) {
    String[] made = new String[values.size()];
    BitSet shared = new BitSet(made.length);
    for (int i = 0; i < made.length; i++) {
      made[i] = Cells.ofWorkbook(values.get(i));
      shared.set(i, !columns.get(i).number() && (texts.add(made[i]) || isShared(made[i])));
    }
    return new Line(made, shared, PrintedColumns.height(values, widths));
  }

  /** Many rows at once, and columns of one kind that stand side by side: of each cell by itself it would be most of the work. */
  private static void styles(Worksheet table, int first, int last, List<Sheet.Column> columns) {
    for (int from = 0; from < columns.size();) {
      boolean number = columns.get(from).number();
      int to = from;
      while (to + 1 < columns.size() && columns.get(to + 1).number() == number) {
        to++;
      }
      StyleSetter style = table.range(first, from, last, to).style();
      (number ? toTheRight(style.verticalAlignment("top")) : top(style)).set();
      from = to + 1;
    }
  }

  private static StyleSetter top(StyleSetter style) {
    return style.wrapText(true).verticalAlignment("top");
  }

  /** With a little room: a number does not run into the words beside it. */
  private static StyleSetter toTheRight(StyleSetter style) {
    return style.horizontalAlignment("right").indent(1);
  }

  private static void printed(Worksheet table) {
    table.paperSize(PaperSize.A4_PAPER);
    table.setFitToPage(true);
    table.fitToHeight((short) 0);
    table.leftMargin(MARGIN);
    table.rightMargin(MARGIN);
  }

  private static void text(Worksheet table, int row, int column, String text) {
    String safe = Cells.ofWorkbook(text);
    if (isShared(safe)) {
      table.value(row, column, safe);
    } else {
      table.inlineString(row, column, safe);
    }
  }

  /** What begins or ends with a blank, or has lines, is kept as it is only where cells share their texts. */
  private static boolean isShared(String text) {
    return !text.isEmpty() && (text.indexOf('\n') >= 0 || !text.equals(text.strip()));
  }
}
