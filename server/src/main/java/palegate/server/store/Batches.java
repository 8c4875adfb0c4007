package palegate.server.store;

import java.sql.Statement;
import java.util.Collection;
import java.util.List;
import java.util.function.Function;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Writes many rows with one statement, and checks how many were written. The driver sends inserts in bulk and is told of no
 * count then, only of a failure; updates go one by one and answer with theirs, which is checked each time.
 */
@Component
public class Batches {
  private static final int AT_ONCE = 1_000;

  private final JdbcTemplate jdbc;

  Batches(JdbcTemplate jdbc) {
    this.jdbc = jdbc;
  }

  /** Inserts one row for each item; a row that is not inserted is a failure. */
  public <T> void insert(String sql, Collection<T> items, Function<T, Object[]> values) {
    for (int inserted : run(sql, items, values)) {
      if (inserted != 1 && inserted != Statement.SUCCESS_NO_INFO) {
        throw new IllegalStateException("A statement inserted " + inserted + " rows where exactly one had to be: " + sql);
      }
    }
  }

  /**
   * Inserts the ids of things that may have been there before: those of whatever comes back keep theirs.
   *
   * @param sql an insert that does nothing where the key is there, and fails on everything else
   */
  <T> void name(String sql, Collection<T> items, Function<T, String> id) {
    run(sql, items, item -> new Object[] {id.apply(item)});
  }

  /** Runs an update that must change exactly one row for each item. */
  public <T> void changeOneEach(String sql, Collection<T> items, Function<T, Object[]> values) {
    for (int changed : run(sql, items, values)) {
      if (changed != 1) {
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
