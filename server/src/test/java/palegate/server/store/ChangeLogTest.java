package palegate.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/** What changes touched is read whole of small ones, and of a very large one no further than is asked for. */
@ExtendWith(InDemo.class)
class ChangeLogTest {
  private static final int MANY = 7_001;

  private static List<String> told(ChangeLog log, long stopAt, int after) {
    List<String> told = new ArrayList<>();
    int[] of = {0};
    log.eachTouch((change, author, thing) -> {
      assertThat(author).isNotBlank();
      told.add(change + " " + thing);
      return change != stopAt || ++of[0] < after;
    });
    return told;
  }

  @Test
  void every_touch_is_told_once_also_of_a_change_that_touched_very_many_things(TestApplication app) {
    long newest = app.database().asOwner().sql("SELECT MAX(number) FROM changes").query(Long.class).single();
    // Brought in before anybody counted: a change does not touch more later.
    app.database().asOwner().sql("INSERT INTO change_touches (change_number, thing) SELECT :change, CONCAT('place:zz-', seq) FROM seq_1_to_" + MANY).param("change", newest).update();
    List<String> all = app.database().asOwner().sql("SELECT CONCAT(change_number, ' ', thing) FROM change_touches").query(String.class).list();
    ChangeLog fresh = new ChangeLog(app.bean(JdbcClient.class), null);
    assertThat(told(fresh, 0, 0)).containsExactlyInAnyOrderElementsOf(all);
    long ofNewest = told(fresh, newest, 3).stream().filter(line -> line.startsWith(newest + " ")).count();
    assertThat(ofNewest).as("no more than was asked for").isEqualTo(3);
    assertThat(told(fresh, newest, 3)).hasSize((int) (all.stream().filter(line -> !line.startsWith(newest + " ")).count() + 3));
  }
}
