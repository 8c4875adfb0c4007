package palegate.core.rounds;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** A file that comes back: each cell that cannot be taken is named with what would be right, and never holds up the others. */
class ReturnedRowsTest {
  private static final Instant NOW = Instant.parse("2026-11-24T10:00:00Z");
  private static final List<ReturnedRows.HandedOut> ITEMS = IntStream.range(0, 12).mapToObj(i -> new ReturnedRows.HandedOut("grant:" + i, "digest" + i, List.of("What " + i, "Where " + i), i % 2 == 0)).toList();
  private static final Map<String, String> ROLES = Map.of("Reader", "r-reader", "Keeper", "r-keeper");

  private static ReturnedRows.Row row(int item, String decision, String role, String until, String comment) {
    return new ReturnedRows.Row(item + 2, "grant:" + item, "digest" + item, List.of("What " + item, "Where " + item), decision, role, until, comment, Set.of());
  }

  private static ReturnedRows.Result read(boolean needsComment, ReturnedRows.Row... rows) {
    return new ReturnedRows(ITEMS, ROLES, needsComment, NOW).read(List.of(rows));
  }

  @Test
  void days_are_read_in_the_habits_of_several_countries_and_the_named_day_is_the_last_that_counts() {
    for (String day : List.of("2026-12-31", "31/12/2026", "31.12.2026", "31 Dec 2026", "31 December 2026", " 2026-12-31 ")) {
      assertThat(read(false, row(0, "change", "", day, "")).answers()).as(day).singleElement().satisfies(answer -> assertThat(answer.until()).isEqualTo(Instant.parse("2027-01-01T00:00:00Z")));
    }
    for (String day : List.of("9999-12-31", "12/31/2026", "31-12-26", "soon", "2026-02-30", "46022")) {
      assertThat(read(false, row(0, "change", "", day, "")).faults()).as(day).singleElement().satisfies(fault -> assertThat(fault.column()).isEqualTo("New end"));
    }
    assertThat(read(false, row(0, "change", "", "2026-11-01", "")).faults().get(0).what()).contains("has passed");
  }

  @Test
  void each_kind_of_mistake_is_named_by_its_cell() {
    assertThat(read(false, row(0, "perhaps", "", "", "")).faults().get(0).column()).isEqualTo("Decision");
    assertThat(read(false, row(0, "change", "Emperor", "", "")).faults().get(0).column()).isEqualTo("Change to role");
    assertThat(read(false, row(1, "change", "Reader", "", "")).faults().get(0).what()).contains("not about a role");
    assertThat(read(false, row(0, "keep", "Reader", "", "")).faults().get(0).what()).contains("the decision is keep");
    assertThat(read(false, row(0, "", "Reader", "", "")).faults().get(0).what()).contains("no decision");
    assertThat(read(false, row(0, "ask", "", "", " ")).faults().get(0).column()).isEqualTo("Comment");
    assertThat(read(true, row(0, "remove", "", "", "")).faults().get(0).column()).isEqualTo("Comment");
    assertThat(read(true, row(0, "keep", "", "", "")).faults()).isEmpty();
    assertThat(read(false, row(0, "keep", "", "", "hidden \u202E mark")).faults().get(0).column()).isEqualTo("Comment");
    assertThat(read(false, row(0, "remove", "", "", "x".repeat(1_001))).faults().get(0).column()).isEqualTo("Comment");
    assertThat(read(false, new ReturnedRows.Row(2, "grant:0", "digest0", List.of("What 0", "Where 0"), "keep", "", "", "", Set.of("Decision"))).faults().get(0).what()).contains("formula");
    assertThat(read(false, new ReturnedRows.Row(2, "grant:0", "digest0", List.of("Other", "Where 0"), "keep", "", "", "", Set.of())).faults().get(0).column()).isEqualTo("What");
    assertThat(read(false, new ReturnedRows.Row(2, "grant:0", "digest7", List.of("What 0", "Where 0"), "keep", "", "", "", Set.of())).faults()).hasSize(1);
    assertThat(read(false, new ReturnedRows.Row(2, "grant:99", "d", List.of("", ""), "keep", "", "", "", Set.of())).faults().get(0).what()).contains("not handed out");
    assertThat(read(false, row(0, "keep", "", "", ""), row(0, "remove", "", "", "")).faults().get(0).what()).contains("stands twice");
  }

  @Test
  void however_many_rows_are_wrong_the_right_ones_count_and_every_item_is_accounted_for() {
    for (long seed = 1; seed <= 400; seed++) {
      Random random = new Random(seed);
      List<ReturnedRows.Row> rows = new ArrayList<>();
      int good = 0;
      int bad = 0;
      int open = 0;
      int gone = 0;
      for (int item = 0; item < ITEMS.size(); item++) {
        switch (random.nextInt(4)) {
          case 0 -> {
            rows.add(row(item, List.of("keep", "REMOVE ", "Not mine").get(random.nextInt(3)), "", "", ""));
            good++;
          }
          case 1 -> {
            rows.add(row(item, List.of("perhaps", "change", "=1+1").get(random.nextInt(3)), "", "", ""));
            bad++;
          }
          case 2 -> {
            rows.add(row(item, " ", "", "", "a remark"));
            open++;
          }
          default -> gone++;
        }
      }
      Collections.shuffle(rows, random);
      ReturnedRows.Result result = new ReturnedRows(ITEMS, ROLES, false, NOW).read(rows);
      assertThat(List.of(result.answers().size(), result.faults().size(), result.open(), result.missing().size())).as("seed %d", seed).containsExactly(good, bad, open, gone);
      assertThat(result.faults()).allSatisfy(fault -> assertThat(fault.remedy()).isNotBlank());
    }
  }
}
