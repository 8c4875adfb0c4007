package palegate.server.store;

import java.time.Instant;
import java.util.Collections;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Since when places have stood alone, and who broke them why. */
@Component
public class BreakHistory {
  /** The change that broke a place. */
  public record Since(long change, Instant at, String author, String note) {}

  private record Known(long head, Map<String, Since> since) {}

  private final JdbcClient jdbc;
  /** Nothing but a change put in force alters it. */
  private volatile Known known = new Known(-1, Map.of());

  BreakHistory(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** For each place that stands alone now, the change since which it does without interruption. */
  public Map<String, Since> since() {
    long head = jdbc.sql("SELECT number FROM head WHERE id = 1").query(Long.class).single();
    if (known.head() != head) {
      known = new Known(head, Collections.unmodifiableMap(find()));
    }
    return known.since();
  }

  private Map<String, Since> find() {
    Map<String, Since> since = new HashMap<>();
    jdbc.sql("""
            SELECT b.place, c.number, c.made_at, c.author_name, c.note
            FROM (SELECT s.place, MIN(s.began) AS began
                  FROM place_states s
                  JOIN place_states live ON live.place = s.place AND live.live = 1 AND live.stands_alone
                  WHERE s.stands_alone
                    AND s.began > COALESCE((SELECT MAX(f.began) FROM place_states f WHERE f.place = s.place AND NOT f.stands_alone), 0)
                  GROUP BY s.place) b
            JOIN changes c ON c.number = b.began
            """)
        .query((row, i) -> Map.entry(row.getString("place"), new Since(row.getLong("number"), Instants.read(row, "made_at"),
            row.getString("author_name"), row.getString("note")))).list()
        .forEach(found -> since.put(found.getKey(), found.getValue()));
    return since;
  }
}
