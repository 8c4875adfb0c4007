package palegate.server.store;

import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Up to where an account’s owner has said that they have seen what is new. */
@Component
public class GatehouseVisits {
  public record Visit(long change, Instant upTo) {}

  private final JdbcClient jdbc;

  GatehouseVisits(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  public Optional<Visit> last(String account) {
    return jdbc.sql("SELECT change_number, seen_up_to FROM gatehouse_visits WHERE account = :account").param("account", account)
        .query((row, i) -> new Visit(row.getLong("change_number"), Instants.read(row, "seen_up_to"))).optional();
  }

  /** What was seen in another window before stays seen. */
  public void keep(String account, Visit seen) {
    jdbc.sql("""
        INSERT INTO gatehouse_visits (account, change_number, seen_up_to) VALUES (:account, :change, :upTo)
        ON DUPLICATE KEY UPDATE change_number = GREATEST(change_number, VALUES(change_number)), seen_up_to = GREATEST(seen_up_to, VALUES(seen_up_to))
        """).param("account", account).param("change", seen.change()).param("upTo", Instants.toDatabase(seen.upTo())).update();
  }
}
