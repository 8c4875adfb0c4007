package palegate.exports;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class PrintedColumnsTest {
  private static Sheet.Column column(String title, int width) {
    return new Sheet.Column(title, title, width);
  }

  @Test
  void what_fits_a_page_keeps_its_widths() {
    assertThat(PrintedColumns.fitted(List.of(column("Person", 30), column("Place", 60)))).containsExactly(30, 60);
  }

  @Test
  void what_does_not_fit_gives_way_by_what_it_is_wider() {
    List<Integer> fitted = PrintedColumns.fitted(List.of(column("Place", 90), column("Who", 70), column("Outsiders", 8), column("Rights", 20)));
    assertThat(fitted.stream().mapToInt(Integer::intValue).sum()).isLessThanOrEqualTo(PrintedColumns.CHARACTERS_AT_MOST).isGreaterThan(PrintedColumns.CHARACTERS_AT_MOST - 4);
    assertThat(fitted.get(0)).isGreaterThan(fitted.get(1));
    assertThat(fitted.get(2)).as("its title is not broken").isEqualTo(12);
    assertThat(fitted.get(3)).isBetween(14, 19);
  }

  @Test
  void seventeen_columns_still_fit() {
    List<Integer> fitted = PrintedColumns.fitted(IntStream.range(0, 17).mapToObj(i -> column("Title", 24)).toList());
    assertThat(fitted.stream().mapToInt(Integer::intValue).sum()).isLessThanOrEqualTo(PrintedColumns.CHARACTERS_AT_MOST);
  }

  @Test
  void a_row_is_as_high_as_its_longest_cell() {
    assertThat(PrintedColumns.height(List.of("short", "x".repeat(100)), List.of(20, 20))).isEqualTo(6 * 15f);
    assertThat(PrintedColumns.height(List.of("one\ntwo", ""), List.of(20, 20))).isEqualTo(2 * 15f);
    assertThat(PrintedColumns.height(List.of("x".repeat(30_000)), List.of(10))).isLessThan(410);
  }

  @Test
  void what_a_reviewer_fills_in_fits_a_page() {
    assertThat(ReviewFile.WIDTHS.subList(0, ReviewFile.KEY).stream().mapToInt(Integer::intValue).sum()).isLessThanOrEqualTo(PrintedColumns.CHARACTERS_AT_MOST);
  }
}
