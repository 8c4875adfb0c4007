package palegate.server.store;

import java.time.Instant;
import java.util.Collections;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.RowCallbackHandler;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Since when places have stood alone, and who broke them why. */
@Component
public class BreakHistory {
  /** The change that broke a place. */
  public record Since(long change, Instant at, String author, String note) {}

  private record Known(long head, Map<String, Since> since, Map<String, Instant> unexplained) {}

  private final JdbcClient jdbc;
  /** Nothing but a change put in force alters it. */
  private volatile Known known = new Known(-1, Map.of(), Map.of());

  BreakHistory(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** For each place that stands alone now, the change since which it does without interruption. */
  public Map<String, Since> since() {
    return known().since();
  }

  /** Of those, the places that were broken by a change that does not say why, and when: it has no note, or only says that a file was brought in. */
  public Map<String, Instant> unexplained() {
    return known().unexplained();
  }

  private Known known() {
    long head = jdbc.sql("SELECT number FROM head WHERE id = 1").query(Long.class).single();
    Known now = known;
    if (now.head() != head) {
      now = find(head);
      known = now;
    }
    return now;
  }

  private Known find(long head) {
    Map<String, Since> since = new HashMap<>();
    Map<String, Instant> unexplained = new HashMap<>();
    jdbc.sql("""
            SELECT b.place, c.number, c.made_at, c.author_name, c.note, c.origin
            FROM (SELECT s.place, MIN(s.began) AS began
                  FROM place_states s
                  JOIN place_states live ON live.place = s.place AND live.live = 1 AND live.stands_alone
                  WHERE s.stands_alone
                    AND s.began > COALESCE((SELECT MAX(f.began) FROM place_states f WHERE f.place = s.place AND NOT f.stands_alone), 0)
                  GROUP BY s.place) b
            JOIN changes c ON c.number = b.began
            """)
        .query((RowCallbackHandler) row -> {
          Since one = new Since(row.getLong("number"), Instants.read(row, "made_at"), row.getString("author_name"), row.getString("note"));
          since.put(row.getString("place"), one);
          if (one.note() == null || one.note().isBlank() || row.getString("origin").equals("import")) {
            unexplained.put(row.getString("place"), one.at());
          }
        });
    return new Known(head, Collections.unmodifiableMap(since), Collections.unmodifiableMap(unexplained));
  }
}
