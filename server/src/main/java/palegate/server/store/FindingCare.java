package palegate.server.store;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who sees to which finding, and what was said about it. */
@Component
public class FindingCare {
  /** So much is said about one finding; more is a meeting. */
  public static final int REMARKS_AT_MOST = 100;

  /** Somebody who sees to a finding, and who gave it to them. */
  public record Carer(String login, String name, String by, String byName, Instant at) {}

  public record Remark(String by, String byName, Instant at, String text) {}

  /** Somebody to whom one could be given. */
  public record Colleague(String login, String name, String person) {}

  private final JdbcClient jdbc;

  FindingCare(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** All of them, by the finding's key. */
  public Map<String, Carer> carers() {
    Map<String, Carer> all = new HashMap<>();
    jdbc.sql("""
            SELECT f.finding_key, f.carer, c.name, f.given_by, g.name AS given_by_name, f.given_at
            FROM finding_carers f JOIN accounts c ON c.login = f.carer JOIN accounts g ON g.login = f.given_by
            """)
        .query((row, i) -> Map.entry(row.getString("finding_key"), new Carer(row.getString("carer"), row.getString("name"), row.getString("given_by"), row.getString("given_by_name"), Instants.read(row, "given_at"))))
        .list().forEach(one -> all.put(one.getKey(), one.getValue()));
    return all;
  }

  /** Gives one to somebody; who saw to it before no longer does. */
  public void give(String key, String carer, String by, Instant now) {
    jdbc.sql("INSERT INTO finding_carers (finding_key, carer, given_by, given_at) VALUES (:key, :carer, :by, :now) ON DUPLICATE KEY UPDATE carer = VALUES(carer), given_by = VALUES(given_by), given_at = VALUES(given_at)")
        .param("key", key).param("carer", carer).param("by", by).param("now", Instants.toDatabase(now)).update();
  }

  /** Takes it away from whoever is seen to have it; false if that is somebody else by now, or nobody. */
  public boolean takeAway(String key, String carer) {
    return jdbc.sql("DELETE FROM finding_carers WHERE finding_key = :key AND carer = :carer").param("key", key).param("carer", carer).update() == 1;
  }

  public Optional<Colleague> colleague(String login) {
    return jdbc.sql("SELECT login, name, person FROM accounts WHERE login = :login AND person IS NOT NULL").param("login", login)
        .query((row, i) -> new Colleague(row.getString("login"), row.getString("name"), row.getString("person"))).optional();
  }

  /** What was said about one, oldest first. */
  public List<Remark> remarks(String key) {
    return jdbc.sql("SELECT r.written_by, a.name, r.written_at, r.remark FROM finding_remarks r JOIN accounts a ON a.login = r.written_by WHERE r.finding_key = :key ORDER BY r.id")
        .param("key", key).query((row, i) -> new Remark(row.getString("written_by"), row.getString("name"), Instants.read(row, "written_at"), row.getString("remark"))).list();
  }

  /** Says something about one; false if as much as may be has been said. */
  @Transactional
  public boolean say(String key, String text, String by, Instant now) {
    return jdbc.sql("""
            INSERT INTO finding_remarks (finding_key, written_by, written_at, remark)
            SELECT :key, :by, :now, :text FROM (SELECT COUNT(*) AS said FROM finding_remarks WHERE finding_key = :key) before_this WHERE said < :most
            """)
        .param("key", key).param("by", by).param("now", Instants.toDatabase(now)).param("text", text).param("most", REMARKS_AT_MOST).update() == 1;
  }
}
