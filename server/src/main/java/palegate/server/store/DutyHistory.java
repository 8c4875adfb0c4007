package palegate.server.store;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.changes.Change;
import palegate.core.changes.ChangeJson;
import palegate.core.duties.Duty;
import tools.jackson.databind.json.JsonMapper;

/** Since when duties are held, who handed them out, and what was done with them. */
@Component
public class DutyHistory {
  /** The change with which a duty began to be held as it is. */
  public record Since(long change, Instant at, String author, String note) {}

  /** A change that somebody put in force, and one of the duties that it took. */
  public record Use(String person, Duty duty, long change, Instant at) {}

  private record Read(long change, String person, Instant at, String content) {}

  private record Known(long upTo, List<Use> uses) {}

  private final JdbcClient jdbc;
  private final JsonMapper json;
  /** A change in force is never altered, so what was read of it stays. */
  private Known known = new Known(0, List.of());

  DutyHistory(JdbcClient jdbc, JsonMapper json) {
    this.jdbc = jdbc;
    this.json = json;
  }

  /** For each duty that is held, the change since which it has been handed out without interruption, whatever has become of its scope and dates. */
  public Map<String, Since> since() {
    Map<String, Since> since = new HashMap<>();
    jdbc.sql("""
            SELECT b.id, c.number, c.made_at, c.author_name, c.note
            FROM (SELECT d.id, MIN(d.began) AS began FROM duty_assignments d JOIN duty_assignments live ON live.id = d.id AND live.live = 1 GROUP BY d.id) b
            JOIN changes c ON c.number = b.began
            """)
        .query((row, i) -> Map.entry(row.getString("id"), new Since(row.getLong("number"), Instants.read(row, "made_at"), row.getString("author_name"), row.getString("note"))))
        .list().forEach(found -> since.put(found.getKey(), found.getValue()));
    return since;
  }

  /** What people who are known to the structure have done with which duty, oldest first. O(changes that are new since it was last asked). */
  public synchronized List<Use> uses() {
    List<Read> fresh = jdbc.sql("""
            SELECT c.number, a.person, c.made_at, c.content FROM changes c JOIN accounts a ON a.login = c.author
            WHERE c.number > :known AND a.person IS NOT NULL ORDER BY c.number
            """)
        .param("known", known.upTo())
        .query((row, i) -> new Read(row.getLong("number"), row.getString("person"), Instants.read(row, "made_at"), row.getString("content"))).list();
    if (!fresh.isEmpty()) {
      List<Use> uses = new ArrayList<>(known.uses());
      for (Read change : fresh) {
        List<Change> steps = new ArrayList<>();
        json.readTree(change.content()).forEach(step -> steps.add(ChangeJson.readKept(step)));
        steps.stream().map(Change::duty).distinct().forEach(duty -> uses.add(new Use(change.person(), duty, change.change(), change.at())));
      }
      known = new Known(fresh.get(fresh.size() - 1).change(), Collections.unmodifiableList(uses));
    }
    return known.uses();
  }
}
