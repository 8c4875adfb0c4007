package palegate.server.store;

import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Matrices kept under a name, as the room that uses them writes them. */
@Component
public class MatrixViews {
  /** @param asked as JSON */
  public record Kept(long id, String account, String name, boolean shared, String asked, Instant keptAt) {}

  private final JdbcClient jdbc;
  private final Transactions transactions;

  MatrixViews(JdbcClient jdbc, Transactions transactions) {
    this.jdbc = jdbc;
    this.transactions = transactions;
  }

  /** An account's own, and those that others share; by name. */
  public List<Kept> of(String account) {
    return jdbc.sql("SELECT id, account, name, shared, asked, kept_at FROM matrix_views WHERE account = :account OR shared ORDER BY name, id").param("account", account)
        .query((row, i) -> new Kept(row.getLong("id"), row.getString("account"), row.getString("name"), row.getBoolean("shared"), row.getString("asked"), Instants.read(row, "kept_at"))).list();
  }

  /** Keeps one, in the place of the account's own of that name; false if it has as many as it may. */
  public boolean keep(String account, String name, boolean shared, String asked, Instant now, int atMost) {
    return transactions.write(() -> {
      // Two windows that keep at once are counted one after the other.
      jdbc.sql("SELECT login FROM accounts WHERE login = :account FOR UPDATE").param("account", account).query(String.class).single();
      if (jdbc.sql("SELECT COUNT(*) FROM matrix_views WHERE account = :account AND name <> :name").param("account", account).param("name", name).query(Long.class).single() >= atMost) {
        return false;
      }
      jdbc.sql("INSERT INTO matrix_views (account, name, shared, asked, kept_at) VALUES (:account, :name, :shared, :asked, :now) ON DUPLICATE KEY UPDATE shared = VALUES(shared), asked = VALUES(asked), kept_at = VALUES(kept_at)")
          .param("account", account).param("name", name).param("shared", shared).param("asked", asked).param("now", Instants.toDatabase(now)).update();
      return true;
    });
  }

  public boolean forget(String account, long id) {
    return jdbc.sql("DELETE FROM matrix_views WHERE account = :account AND id = :id").param("account", account).param("id", id).update() == 1;
  }
}
