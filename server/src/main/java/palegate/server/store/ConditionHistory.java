package palegate.server.store;

import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Since when documents have been private or frozen, without interruption. */
@Component
public class ConditionHistory {
  private final JdbcClient jdbc;

  ConditionHistory(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By document. O(documents that are). */
  public Map<String, Instant> privateSince() {
    return since("is_private");
  }

  public Map<String, Instant> frozenSince() {
    return since("frozen");
  }

  private Map<String, Instant> since(String condition) {
    Map<String, Instant> since = new HashMap<>();
    jdbc.sql("""
            SELECT b.place, c.made_at
            FROM (SELECT s.place, MIN(s.began) AS began
                  FROM place_states s
                  JOIN place_states live ON live.place = s.place AND live.live = 1 AND live.%1$s
                  WHERE s.%1$s
                    AND s.began > COALESCE((SELECT MAX(f.began) FROM place_states f WHERE f.place = s.place AND NOT f.%1$s), 0)
                  GROUP BY s.place) b
            JOIN changes c ON c.number = b.began
            """.formatted(condition))
        .query((row, i) -> Map.entry(row.getString("place"), Instants.read(row, "made_at"))).list().forEach(found -> since.put(found.getKey(), found.getValue()));
    return since;
  }
}
