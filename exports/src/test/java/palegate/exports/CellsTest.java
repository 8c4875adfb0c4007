package palegate.exports;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** Exports are neutralised: whatever somebody called a place, no spreadsheet runs it. */
class CellsTest {
  @Test
  void what_starts_like_a_formula_does_so_no_longer_however_it_is_hidden() {
    for (String formula : List.of("=1+1", "+1", "-1", "@SUM(A1)", "\uFF1D1+1", "\uFF0B1", "\uFF0D1", "\uFF20x", "\u22121")) {
      for (String before : List.of("", " ", "\u00A0", "\uFEFF", "\u200B", "\u2060\u200D", "\"", "a;", "a; ", "a;\u200B", "x\t", "x\n", "x\r\n", "x|")) {
        assertThat(Cells.neutral(before + formula)).as("[%s%s]", before, formula).endsWith(before.replaceAll("[\\x00-\\x08]", "") + "'" + formula);
      }
    }
  }

  @Test
  void other_text_stays_as_it_is() {
    for (String text : List.of("", "C-2406", "a = b", "a+b", "x;y", "mail@example.test", "Ångström – 3", "\uD83D\uDE00")) {
      assertThat(Cells.neutral(text)).isEqualTo(text);
    }
    assertThat(Cells.neutral("a\u0000b\uD83Dc")).as("what no file may hold").isEqualTo("a\uFFFDb\uFFFDc");
    assertThat(Cells.neutral("\tx")).isEqualTo("'\tx");
  }

  @Test
  void a_cell_over_the_limit_of_a_workbook_is_cut_with_a_note_and_the_file_is_made() throws IOException {
    String longText = "x".repeat(40_000);
    Sheet sheet = new Sheet("name", "Title", Map.of("Fact", longText), List.of(new Sheet.Column("a", "A", 10)), Stream.of(List.of(longText), List.of("=1")));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    WorkbookFile.write(sheet, out);
    try (XSSFWorkbook workbook = new XSSFWorkbook(new ByteArrayInputStream(out.toByteArray()))) {
      String cell = workbook.getSheetAt(1).getRow(1).getCell(0).getStringCellValue();
      assertThat(cell).hasSize(Cells.MOST).endsWith("(cut here: 40000 characters in all)");
      assertThat(workbook.getSheetAt(1).getRow(2).getCell(0).getStringCellValue()).isEqualTo("'=1");
    }
  }

  /** Letter by letter, without looking whether there is anything to do. */
  private static String literally(String text) {
    StringBuilder made = new StringBuilder();
    boolean starts = true;
    for (int i = 0; i < text.length(); i++) {
      char letter = text.charAt(i);
      boolean alone = Character.isSurrogate(letter) && !(Character.isHighSurrogate(letter) && i + 1 < text.length() && Character.isLowSurrogate(text.charAt(i + 1)) || Character.isLowSurrogate(letter) && i > 0 && Character.isHighSurrogate(text.charAt(i - 1)));
      boolean cell = ";\t\r\n|".indexOf(letter) >= 0;
      made.append(starts && "=+-@\uFF1D\uFF0B\uFF0D\uFF20\u2212".indexOf(letter) >= 0 ? "'" : "").append(alone || letter < ' ' && !cell || letter >= '\uFFFE' ? '\uFFFD' : letter);
      starts = cell || starts && (letter <= ' ' || letter == '"' || Character.isWhitespace(letter) || Character.isSpaceChar(letter) || Character.getType(letter) == Character.FORMAT);
    }
    return !text.isEmpty() && "\t\r\n".indexOf(text.charAt(0)) >= 0 ? "'" + made : made.toString();
  }

  @Test
  void a_text_is_neutralised_letter_by_letter_whatever_it_is_made_of() {
    String letters = "=+-@;|\t\r\n \"'ab1\u00A0\u00E9\u2212\u200B\uFEFF\uFF1D\uFF20\uFFFE\uFFFF\u0000\u001F\u007F\u0080\uD83D\uDE00";
    Random random = new Random(20_261_201L);
    int altered = 0;
    for (int i = 0; i < 60_000; i++) {
      String text = random.ints(random.nextInt(7), 0, letters.length()).mapToObj(letters::charAt).map(String::valueOf).collect(Collectors.joining());
      assertThat(Cells.neutral(text)).as("[%s], the %d. of seed 20261201", text, i).isEqualTo(literally(text));
      altered += Cells.neutral(text).equals(text) ? 0 : 1;
    }
    assertThat(altered).isBetween(20_000, 59_000);
  }
}
