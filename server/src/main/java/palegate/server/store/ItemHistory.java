package palegate.server.store;

import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Since when entries, memberships, appointments and duties are there, and which change put them there. */
@Component
public class ItemHistory {
  /** The change with which it came. */
  public record Since(long change, Instant at, String author, String note) {}

  private final JdbcClient jdbc;

  ItemHistory(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By the keys that reviews give them. O(live entries and memberships). */
  public Map<String, Since> since() {
    Map<String, Since> since = new HashMap<>();
    read(since, "SELECT CONCAT('grant:', g.id) AS item, g.began AS began FROM (SELECT id, MIN(began) AS began FROM grants WHERE id IN (SELECT id FROM grants WHERE live = 1) GROUP BY id) g");
    read(since, "SELECT CONCAT('oversight:', o.id) AS item, o.began AS began FROM (SELECT id, MIN(began) AS began FROM oversights WHERE id IN (SELECT id FROM oversights WHERE live = 1) GROUP BY id) o");
    read(since, "SELECT CONCAT('duty:', d.id) AS item, d.began AS began FROM (SELECT id, MIN(began) AS began FROM duty_assignments WHERE id IN (SELECT id FROM duty_assignments WHERE live = 1) GROUP BY id) d");
    read(since, """
        SELECT CONCAT('membership:', m.group_id, ':', IF(m.member_person IS NULL, CONCAT('group:', m.member_group), CONCAT('person:', m.member_person)),
          IF(m.holds_from IS NULL, '', CONCAT(':', TIMESTAMPDIFF(SECOND, '1970-01-01 00:00:00', m.holds_from)))) AS item, m.began AS began
        FROM memberships m WHERE m.ended IS NULL
        """);
    return since;
  }

  /** Since when each grant has been there, by its id. O(live grants). */
  public Map<String, Instant> grantsSince() {
    Map<String, Instant> since = new HashMap<>();
    jdbc.sql("SELECT g.id, c.made_at FROM (SELECT id, MIN(began) AS began FROM grants WHERE id IN (SELECT id FROM grants WHERE live = 1) GROUP BY id) g JOIN changes c ON c.number = g.began")
        .query((row, i) -> Map.entry(row.getString("id"), Instants.read(row, "made_at"))).list().forEach(found -> since.put(found.getKey(), found.getValue()));
    return since;
  }

  private void read(Map<String, Since> since, String items) {
    jdbc.sql("SELECT i.item, c.number, c.made_at, c.author_name, c.note FROM (" + items + ") i JOIN changes c ON c.number = i.began")
        .query((row, i) -> Map.entry(row.getString("item"), new Since(row.getLong("number"), Instants.read(row, "made_at"), row.getString("author_name"), row.getString("note"))))
        .list().forEach(found -> since.put(found.getKey(), found.getValue()));
  }
}
