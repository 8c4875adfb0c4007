package palegate.exports;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.poi.ss.usermodel.CellType;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

/** Workbooks, read back by another library than the one that wrote them. */
class WorkbookFileTest {
  private static final List<Sheet.Column> COLUMNS = List.of(new Sheet.Column("person", "Person", 20), new Sheet.Column("places", "Places", 8, true), new Sheet.Column("how", "How", 30));
  /** More than are written at once, and not a multiple of it. */
  private static final int MANY = 1_777;

  private static Sheet sheet(Stream<List<String>> rows) {
    return new Sheet("x", "Fees & dues of 2026", Map.of("Scope", "Casualties"), COLUMNS, rows, () -> "sealed");
  }

  private static XSSFWorkbook written(Sheet sheet) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    WorkbookFile.write(sheet, out);
    return new XSSFWorkbook(new ByteArrayInputStream(out.toByteArray()));
  }

  @Test
  void every_row_is_there_once_and_in_order_also_where_one_part_ends_and_the_next_begins() throws IOException {
    try (XSSFWorkbook workbook = written(sheet(IntStream.range(0, MANY).mapToObj(i -> List.of("Person " + i, String.valueOf(i), i % 3 == 0 ? "" : "through Surveyors"))))) {
      XSSFSheet table = workbook.getSheet("Statement");
      assertThat(table.getLastRowNum()).isEqualTo(MANY);
      for (int i = 0; i < MANY; i++) {
        Row row = table.getRow(i + 1);
        assertThat(row.getCell(0).getStringCellValue()).isEqualTo("Person " + i);
        assertThat(row.getCell(1).getCellType()).as("a number that can be added up").isEqualTo(CellType.NUMERIC);
        assertThat(row.getCell(1).getNumericCellValue()).isEqualTo(i);
        assertThat(row.getCell(2).getStringCellValue()).isEqualTo(i % 3 == 0 ? "" : "through Surveyors");
      }
      assertThat(table.getCTWorksheet().getAutoFilter().getRef()).isEqualTo("A1:C" + (MANY + 1));
      assertThat(table.getPaneInformation().getHorizontalSplitPosition()).as("heads stay").isEqualTo((short) 1);
      assertThat(table.getRepeatingRows().getLastRow()).as("heads on every page").isZero();
      assertThat(table.getFooter().getRight()).endsWith("Page &P of &N");
      assertThat(table.getFooter().getLeft()).as("no command of its own").endsWith("Fees && dues of 2026");
      assertThat(workbook.getSheet("Cover").getRow(4).getCell(1).getStringCellValue()).as("known only when the rows are written").isEqualTo("sealed");
    }
  }

  @Test
  void a_text_is_kept_as_it_is_but_for_what_a_spreadsheet_would_run() throws IOException {
    List<String> texts = List.of("  two blanks before", "after  ", "one\ntwo\n three", "Søren <b> & \"Co\" 'x'", "\uD83D\uDEA2 ahoy", "C-2406", "0042", "a\tb");
    try (XSSFWorkbook workbook = written(sheet(Stream.concat(texts.stream(), Stream.of("=1+1")).map(text -> List.of(text, "1", ""))))) {
      XSSFSheet table = workbook.getSheet("Statement");
      for (int i = 0; i < texts.size(); i++) {
        assertThat(table.getRow(i + 1).getCell(0).getStringCellValue()).isEqualTo(texts.get(i));
      }
      assertThat(table.getRow(texts.size() + 1).getCell(0).getStringCellValue()).isEqualTo("'=1+1");
      assertThat(table.getRow(texts.size() + 1).getCell(0).getCellType()).isEqualTo(CellType.STRING);
    }
  }

  @Test
  void a_row_that_needs_several_lines_is_as_high_as_they_are() throws IOException {
    try (XSSFWorkbook workbook = written(sheet(Stream.of(List.of("Short", "1", "x"), List.of("Long", "2", "through Surveyors in Adjusters in Claims at Casualties and below it"))))) {
      XSSFSheet table = workbook.getSheet("Statement");
      assertThat(table.getRow(2).getHeightInPoints()).isGreaterThan(2 * table.getRow(1).getHeightInPoints() - 1);
      assertThat(table.getRow(2).getCell(2).getCellStyle().getWrapText()).isTrue();
    }
  }

  @Test
  void what_breaks_off_on_the_way_is_no_workbook_and_says_what_broke_it() {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    Stream<List<String>> broken = IntStream.range(0, MANY).mapToObj(i -> {
      if (i == MANY - 1) {
        throw new IllegalStateException("called off");
      }
      return List.of("Person " + i, "1", "");
    });
    assertThatThrownBy(() -> WorkbookFile.write(sheet(broken), out)).isInstanceOf(IllegalStateException.class).hasMessage("called off");
    assertThatThrownBy(() -> new XSSFWorkbook(new ByteArrayInputStream(out.toByteArray())).close()).as("nobody takes it for whole").isInstanceOf(Exception.class);
    OutputStream gone = new OutputStream() {
      @Override
      public void write(int any) throws IOException {
        throw new IOException("whoever asked has gone");
      }
    };
    assertThatThrownBy(() -> WorkbookFile.write(sheet(IntStream.range(0, 200_000).mapToObj(i -> List.of("Person " + i, "1", ""))), gone)).isInstanceOf(IOException.class).hasMessage("whoever asked has gone");
  }
}
