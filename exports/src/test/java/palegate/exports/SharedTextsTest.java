package palegate.exports;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;

/** What the cells of a workbook share: what comes again, and no more of it than is bounded. */
class SharedTextsTest {
  @Test
  void a_text_is_shared_from_the_second_time_on() {
    SharedTexts texts = new SharedTexts();
    assertThat(texts.add("Surveyors")).as("it may never come again").isFalse();
    assertThat(texts.add("Surveyors")).isTrue();
    assertThat(texts.add(new String("Surveyors"))).as("by what it says").isTrue();
    assertThat(texts.add("surveyors")).isFalse();
  }

  @Test
  void no_more_texts_are_held_than_is_said_and_none_that_is_long() {
    SharedTexts texts = new SharedTexts();
    long shared = IntStream.range(0, 4 * SharedTexts.AT_MOST).filter(i -> {
      texts.add("Text " + i);
      return texts.add("Text " + i);
    }).count();
    assertThat(shared).isEqualTo(SharedTexts.AT_MOST);
    SharedTexts others = new SharedTexts();
    others.add("x".repeat(257));
    assertThat(others.add("x".repeat(257))).isFalse();
  }

  @Test
  void cells_that_share_their_text_read_like_those_that_do_not() throws IOException {
    List<String> odd = List.of("  two blanks before", "one\ntwo", "Søren <b> & \"Co\" 'x'", "\uD83D\uDEA2 ahoy", "=1+1", "0042", "a\tb", "");
    List<Sheet.Column> columns = List.of(new Sheet.Column("text", "Text", 20), new Sheet.Column("same", "The same", 20), new Sheet.Column("once", "Once", 20));
    Stream<List<String>> rows = IntStream.range(0, 2_000).mapToObj(i -> List.of(odd.get(i % odd.size()), odd.get(i / 2 % odd.size()), "Once " + i));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    WorkbookFile.write(new Sheet("x", "Shared", Map.of(), columns, rows, () -> "sealed"), out);
    try (XSSFWorkbook workbook = new XSSFWorkbook(new ByteArrayInputStream(out.toByteArray()))) {
      for (int i = 0; i < 2_000; i++) {
        Row row = workbook.getSheet("Statement").getRow(i + 1);
        assertThat(List.of(text(row, 0), text(row, 1), text(row, 2))).isEqualTo(List.of(Cells.ofWorkbook(odd.get(i % odd.size())), Cells.ofWorkbook(odd.get(i / 2 % odd.size())), "Once " + i));
      }
      assertThat(workbook.getSharedStringSource().getUniqueCount()).as("what comes once stands in its cell").isLessThan(50);
    }
  }

  private static String text(Row row, int column) {
    return row.getCell(column) == null ? "" : row.getCell(column).getStringCellValue();
  }
}
