package palegate.server.store;

import java.util.Collection;
import java.util.List;
import java.util.function.Function;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** Writes many rows with one statement, and checks how many were written. */
@Component
class Batches {
  private static final int AT_ONCE = 1_000;

  private final JdbcTemplate jdbc;

  Batches(JdbcTemplate jdbc) {
    this.jdbc = jdbc;
  }

  <T> void insert(String sql, Collection<T> items, Function<T, Object[]> values) {
    run(sql, items, values);
  }

  /** Runs a statement that must change exactly one row for each item. */
  <T> void changeOneEach(String sql, Collection<T> items, Function<T, Object[]> values) {
    for (int changed : run(sql, items, values)) {
      // The driver answers -2 where it sent rows in bulk and was told of no failure.
      if (changed != 1 && changed != java.sql.Statement.SUCCESS_NO_INFO) {
        throw new IllegalStateException("A statement changed " + changed + " rows where exactly one had to change: " + sql);
      }
    }
  }

  private <T> int[] run(String sql, Collection<T> items, Function<T, Object[]> values) {
    List<Object[]> rows = items.stream().map(values).toList();
    int[] changed = new int[rows.size()];
    for (int start = 0; start < rows.size(); start += AT_ONCE) {
      List<Object[]> part = rows.subList(start, Math.min(rows.size(), start + AT_ONCE));
      System.arraycopy(jdbc.batchUpdate(sql, part), 0, changed, start, part.size());
    }
    return changed;
  }
}
