package palegate.core.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/** A file that was sorted is the same; whatever was altered in it is named to the cell, whatever was added or left out to the row. */
class StatementCheckTest {
  private static final List<StatementTable.Column> COLUMNS = List.of(new StatementTable.Column("place", "Place", 40, false, true), new StatementTable.Column("person", "Person", 40, false, true), new StatementTable.Column("rights", "Rights", 40, false, false));
  private static final List<String> TITLES = List.of("Place", "Person", "Rights");

  private static StatementTable table(List<List<String>> rows) {
    return new StatementTable("Who can reach what", Map.of(), COLUMNS, () -> rows.stream().map(StatementTable.Row::new));
  }

  private static StatementCheck check(List<List<String>> said, List<String> titles, List<List<String>> found) {
    return StatementCheck.of(table(said), titles, IntStream.range(0, found.size()).mapToObj(i -> new StatementCheck.Found(i + 2, found.get(i))).iterator(), 1_000);
  }

  private static List<List<String>> rows(Random random) {
    List<List<String>> rows = new ArrayList<>();
    int count = 1 + random.nextInt(30);
    for (int i = 0; i < count; i++) {
      // Some come twice: then each counts.
      rows.add(List.of("place " + random.nextInt(12), "person " + random.nextInt(8), List.of("find", "find read", "").get(random.nextInt(3))));
    }
    return rows;
  }

  @Test
  void rows_in_any_order_and_columns_in_any_order_are_the_same() {
    for (long seed = 1; seed <= 200; seed++) {
      Random random = new Random(seed);
      List<List<String>> said = rows(random);
      List<List<String>> sorted = new ArrayList<>(said);
      Collections.shuffle(sorted, random);
      assertThat(check(said, TITLES, sorted).same()).as("seed %d", seed).isTrue();
      assertThat(check(said, List.of("Rights", "Place", "Person"), sorted.stream().map(row -> List.of(row.get(2), row.get(0), row.get(1))).toList()).same()).as("seed %d, turned", seed).isTrue();
    }
  }

  @Test
  void any_number_of_alterations_is_never_taken_for_the_same_and_adds_up() {
    for (long seed = 1; seed <= 500; seed++) {
      Random random = new Random(seed);
      List<List<String>> said = rows(random);
      List<List<String>> found = new ArrayList<>(said);
      int removed = random.nextInt(Math.min(4, found.size()) + 1);
      for (int i = 0; i < removed; i++) {
        found.remove(random.nextInt(found.size()));
      }
      int added = random.nextInt(4);
      for (int i = 0; i < added; i++) {
        found.add(List.of("elsewhere " + seed + i, "nobody " + i, "all"));
      }
      Collections.shuffle(found, random);
      StatementCheck check = check(said, TITLES, found);
      assertThat(check.same()).as("seed %d", seed).isEqualTo(removed == 0 && added == 0);
      assertThat(check.rows()).isEqualTo(found.size());
      assertThat(check.added() - check.leftOut()).as("seed %d", seed).isEqualTo(added - removed);
      assertThat(check.added()).isEqualTo(added);
      assertThat(check.altered()).isZero();
    }
  }

  @Test
  void one_altered_cell_is_named_wherever_it_is() {
    for (long seed = 1; seed <= 300; seed++) {
      Random random = new Random(seed);
      // Each row is about something else, so that what was altered can be told.
      List<List<String>> said = IntStream.range(0, 20).mapToObj(i -> List.of("place " + i, "person " + i, "find")).toList();
      List<List<String>> found = new ArrayList<>(said);
      Collections.shuffle(found, random);
      int row = random.nextInt(20);
      int column = random.nextInt(3);
      List<String> altered = new ArrayList<>(found.get(row));
      String was = altered.set(column, "doctored");
      found.set(row, altered);
      StatementCheck check = check(said, TITLES, found);
      assertThat(check.cells()).as("seed %d", seed).singleElement().satisfies(cell -> {
        assertThat(cell.row()).isEqualTo(row + 2);
        assertThat(cell.column()).isEqualTo(TITLES.get(column));
        assertThat(cell.says()).isEqualTo("doctored");
        assertThat(cell.said()).isEqualTo(was);
      });
      assertThat(List.of(check.added(), check.leftOut())).containsOnly(0);
    }
  }

  @Test
  void a_column_that_was_taken_out_is_said_and_the_rest_is_still_compared() {
    List<List<String>> said = List.of(List.of("a", "b", "find"), List.of("c", "d", "read"));
    StatementCheck check = check(said, List.of("Place", "Person"), List.of(List.of("c", "d"), List.of("a", "x")));
    assertThat(check.missingColumns()).containsExactly("Rights");
    assertThat(check.cells()).singleElement().satisfies(cell -> assertThat(cell.says()).isEqualTo("x"));
    assertThat(check.same()).isFalse();
  }

  @Test
  void what_names_more_rows_than_can_be_held_is_not_compared_and_not_read_to_its_end() {
    int[] made = {0};
    StatementTable endless = new StatementTable("Everyone", Map.of(), COLUMNS, () -> Stream.generate(() -> new StatementTable.Row(List.of("a" + made[0]++, "b", "c"))));
    assertThatThrownBy(() -> StatementCheck.of(endless, TITLES, List.<StatementCheck.Found>of().iterator(), 500)).isInstanceOf(StatementCheck.TooMuch.class);
    assertThat(made[0]).isLessThan(1_000);
  }
}
