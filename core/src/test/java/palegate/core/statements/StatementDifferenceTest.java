package palegate.core.statements;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Two statements held against each other: every row that came, went or says something else, and none beside. */
class StatementDifferenceTest {
  private static final long SEED = 20_261_129;
  private static final List<StatementTable.Column> COLUMNS = List.of(StatementTable.Column.key("place", "Place", 20), StatementTable.Column.key("person", "Person", 20), StatementTable.Column.text("rights", "Rights", 20));

  private static StatementTable table(List<List<String>> rows) {
    return new StatementTable("Who can reach", Map.of(), COLUMNS, () -> rows.stream().map(StatementTable.Row::new));
  }

  private static StatementDifference between(List<List<String>> before, List<List<String>> after) {
    return StatementDifference.of(table(before), table(after), 1_000);
  }

  @Test
  void what_came_went_and_says_something_else_is_told_apart() {
    StatementDifference found = between(List.of(List.of("Tern Rock", "Mia", "read"), List.of("Tern Rock", "Per", "read"), List.of("Hale", "Mia", "find")),
        List.of(List.of("Hale", "Mia", "find"), List.of("Tern Rock", "Mia", "read, revise"), List.of("Hale", "Ola", "find")));
    assertThat(found.added()).containsExactly(List.of("Hale", "Ola", "find"));
    assertThat(found.gone()).containsExactly(List.of("Tern Rock", "Per", "read"));
    assertThat(found.altered()).containsExactly(new StatementDifference.Altered(List.of("Tern Rock", "Mia", "read"), List.of("Tern Rock", "Mia", "read, revise")));
    assertThat(found.columns()).containsExactly("Place", "Person", "Rights");
  }

  @Test
  void the_same_rows_in_another_order_are_no_difference_and_a_row_that_stands_twice_counts_twice() {
    List<String> row = List.of("Hale", "Mia", "find");
    assertThat(between(List.of(row, List.of("Hale", "Ola", "find")), List.of(List.of("Hale", "Ola", "find"), row)).isNothing()).isTrue();
    assertThat(between(List.of(row), List.of(row, row)).added()).containsExactly(row);
    assertThat(between(List.of(row, row, row), List.of(row)).gone()).containsExactly(row, row);
  }

  @Test
  void the_difference_of_random_statements_leads_from_one_to_the_other() {
    Random random = new Random(SEED);
    for (int round = 0; round < 2_000; round++) {
      List<List<String>> before = rows(random);
      List<List<String>> after = new ArrayList<>(before.stream().filter(row -> random.nextInt(4) > 0).toList());
      after.addAll(rows(random).stream().limit(3).toList());
      Collections.shuffle(after, random);
      StatementDifference found = between(before, after);
      Map<List<String>, Integer> made = counted(before);
      found.gone().forEach(row -> made.merge(row, -1, Integer::sum));
      found.altered().forEach(one -> made.merge(one.was(), -1, Integer::sum));
      found.added().forEach(row -> made.merge(row, 1, Integer::sum));
      found.altered().forEach(one -> made.merge(one.is(), 1, Integer::sum));
      made.values().removeIf(count -> count == 0);
      assertThat(made).as("round %d of seed %d", round, SEED).isEqualTo(counted(after));
      assertThat(Collections.disjoint(found.added(), found.gone())).as("nothing both came and went").isTrue();
      found.altered().forEach(one -> assertThat(one.was().subList(0, 2)).isEqualTo(one.is().subList(0, 2)));
    }
  }

  private static List<List<String>> rows(Random random) {
    List<List<String>> rows = new ArrayList<>();
    for (int i = random.nextInt(9); i > 0; i--) {
      rows.add(List.of("place " + random.nextInt(3), "person " + random.nextInt(3), "rights " + random.nextInt(3)));
    }
    return rows;
  }

  private static Map<List<String>, Integer> counted(List<List<String>> rows) {
    Map<List<String>, Integer> counted = new HashMap<>();
    rows.forEach(row -> counted.merge(row, 1, Integer::sum));
    return counted;
  }

  @Test
  void more_rows_than_may_be_held_and_other_columns_are_refused() {
    StatementTable longer = table(Collections.nCopies(1_001, List.of("a", "b", "c")));
    assertThatThrownBy(() -> StatementDifference.of(longer, table(List.of()), 1_000)).isInstanceOf(StatementCheck.TooMuch.class).hasMessageContaining("1000");
    assertThatThrownBy(() -> StatementDifference.of(table(List.of()), longer, 1_000)).isInstanceOf(StatementCheck.TooMuch.class);
    assertThatThrownBy(() -> StatementDifference.of(table(List.of()), table(List.of()).only(List.of("place")), 10)).isInstanceOf(IllegalArgumentException.class);
  }
}
