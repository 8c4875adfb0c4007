package palegate.server.store;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who walked through the repository as whom. Only ever added to. */
@Component
public class WalkRecords {
  /** One walk. */
  public record Begun(String walker, Instant at, String reason) {}

  private final JdbcClient jdbc;

  WalkRecords(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Transactional
  public void add(String walker, String name, String person, Instant now, String reason) {
    jdbc.sql("INSERT INTO walks (walker, walker_name, person, begun_at, reason) VALUES (:walker, :name, :person, :now, :reason)")
        .param("walker", walker).param("name", name).param("person", person).param("now", Instants.toDatabase(now)).param("reason", reason).update();
  }

  /** Whether somebody is told when another walks as them, and who decided so. */
  public record Telling(boolean tells, String by, Instant at) {}

  /** Nothing as long as nobody has decided: then nobody is told. */
  public Optional<Telling> telling() {
    return jdbc.sql("SELECT tells, set_by_name, set_at FROM walk_settings").query((row, i) -> new Telling(row.getBoolean("tells"), row.getString("set_by_name"), Instants.read(row, "set_at"))).optional();
  }

  @Transactional
  public void tell(boolean tells, String by, String name, Instant now) {
    jdbc.sql("INSERT INTO walk_settings (tells, set_by, set_by_name, set_at) VALUES (:tells, :by, :name, :now) ON DUPLICATE KEY UPDATE tells = VALUES(tells), set_by = VALUES(set_by), set_by_name = VALUES(set_by_name), set_at = VALUES(set_at)")
        .param("tells", tells).param("by", by).param("name", name).param("now", Instants.toDatabase(now)).update();
  }

  /** Whether somebody has begun a walk as a person since an instant. */
  public boolean begunSince(String walker, String person, Instant since) {
    return jdbc.sql("SELECT EXISTS (SELECT 1 FROM walks WHERE walker = :walker AND person = :person AND begun_at >= :since)")
        .param("walker", walker).param("person", person).param("since", Instants.toDatabase(since)).query(Boolean.class).single();
  }

  /** The last walks as a person, newest first, of one walker. */
  public List<Begun> as(String person, String walker, int atMost) {
    return jdbc.sql("SELECT walker_name, begun_at, reason FROM walks WHERE person = :person AND walker = :walker ORDER BY begun_at DESC, id DESC LIMIT :most")
        .param("person", person).param("walker", walker).param("most", atMost)
        .query((row, i) -> new Begun(row.getString("walker_name"), Instants.read(row, "begun_at"), row.getString("reason"))).list();
  }
}
