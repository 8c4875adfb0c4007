package palegate.server.store;

import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Findings that are meant to be so, each until a day and as long as its facts are those that were seen. */
@Component
public class FindingAcceptances {
  public record Acceptance(String key, String facts, String reason, Instant until, String by, String byName, Instant at) {}

  /** What was accepted: a finding on facts. */
  public record Accepted(String key, String facts) {}

  private final JdbcClient jdbc;

  FindingAcceptances(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Those that count at an instant. */
  public Map<Accepted, Acceptance> at(Instant now) {
    Map<Accepted, Acceptance> all = new HashMap<>();
    jdbc.sql("SELECT finding_key, facts, reason, accepted_until, accepted_by, accepted_by_name, accepted_at FROM finding_acceptances WHERE accepted_until > :now").param("now", Instants.toDatabase(now))
        .query((row, i) -> new Acceptance(row.getString("finding_key"), row.getString("facts"), row.getString("reason"), Instants.read(row, "accepted_until"), row.getString("accepted_by"), row.getString("accepted_by_name"),
            Instants.read(row, "accepted_at"))).list().forEach(one -> all.put(new Accepted(one.key(), one.facts()), one));
    return all;
  }

  /** Accepts one, in the place of what was said of it on the same facts before; what is over is thrown away. */
  @Transactional
  public void accept(Acceptance one) {
    jdbc.sql("DELETE FROM finding_acceptances WHERE accepted_until <= :now").param("now", Instants.toDatabase(one.at())).update();
    jdbc.sql("""
        INSERT INTO finding_acceptances (finding_key, facts, reason, accepted_until, accepted_by, accepted_by_name, accepted_at) VALUES (:key, :facts, :reason, :until, :by, :name, :at)
        ON DUPLICATE KEY UPDATE reason = VALUES(reason), accepted_until = VALUES(accepted_until), accepted_by = VALUES(accepted_by), accepted_by_name = VALUES(accepted_by_name), accepted_at = VALUES(accepted_at)
        """).param("key", one.key()).param("facts", one.facts()).param("reason", one.reason()).param("until", Instants.toDatabase(one.until())).param("by", one.by()).param("name", one.byName()).param("at", Instants.toDatabase(one.at())).update();
  }

  @Transactional
  public boolean takeBack(String key, String facts) {
    return jdbc.sql("DELETE FROM finding_acceptances WHERE finding_key = :key AND facts = :facts").param("key", key).param("facts", facts).update() == 1;
  }
}
