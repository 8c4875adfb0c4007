package palegate.server.store;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.findings.Limits;

/** Which rules are switched off, and from where on something is worth saying. */
@Component
public class FindingSettings {
  public record Off(String rule, String reason, String byName, Instant at) {}

  public record Settings(Limits limits, Map<String, Off> off) {}

  private final JdbcClient jdbc;

  FindingSettings(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  public Settings now() {
    List<Off> off = jdbc.sql("SELECT rule, reason, off_by_name, off_at FROM finding_rules_off ORDER BY rule").query((row, i) -> new Off(row.getString("rule"), row.getString("reason"), row.getString("off_by_name"), Instants.read(row, "off_at"))).list();
    Limits limits = jdbc.sql("SELECT soon_days, checked_out_days, nearly_same_people, unused_days, draft_days FROM finding_limits")
        .query((row, i) -> new Limits(row.getInt("soon_days"), row.getInt("checked_out_days"), row.getInt("nearly_same_people"), row.getInt("unused_days"), row.getInt("draft_days"), Limits.USUAL.evidenceAtMost())).optional().orElse(Limits.USUAL);
    return new Settings(limits, off.stream().collect(Collectors.toMap(Off::rule, one -> one)));
  }

  public void switchOff(String rule, String reason, String by, String byName, Instant now) {
    jdbc.sql("INSERT INTO finding_rules_off (rule, reason, off_by, off_by_name, off_at) VALUES (:rule, :reason, :by, :name, :now) ON DUPLICATE KEY UPDATE reason = VALUES(reason), off_by = VALUES(off_by), off_by_name = VALUES(off_by_name), off_at = VALUES(off_at)")
        .param("rule", rule).param("reason", reason).param("by", by).param("name", byName).param("now", Instants.toDatabase(now)).update();
  }

  public boolean switchOn(String rule) {
    return jdbc.sql("DELETE FROM finding_rules_off WHERE rule = :rule").param("rule", rule).update() == 1;
  }

  public void limit(Limits limits) {
    jdbc.sql("""
            INSERT INTO finding_limits (the_only_row, soon_days, checked_out_days, nearly_same_people, unused_days, draft_days) VALUES (1, :soon, :out, :people, :unused, :draft)
            ON DUPLICATE KEY UPDATE soon_days = VALUES(soon_days), checked_out_days = VALUES(checked_out_days), nearly_same_people = VALUES(nearly_same_people), unused_days = VALUES(unused_days), draft_days = VALUES(draft_days)
            """)
        .param("soon", limits.soonDays()).param("out", limits.checkedOutDays()).param("people", limits.nearlySamePeople()).param("unused", limits.unusedDays()).param("draft", limits.draftDays()).update();
  }
}
