package palegate.server.store;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Statements that somebody keeps under a name. */
@Component
public class KeptStatements {
  public record Kept(long id, String name, String recipe) {}

  private static final int AT_MOST = 100;

  private final JdbcClient jdbc;

  KeptStatements(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Of one account, by name. */
  public List<Kept> of(String account) {
    return jdbc.sql("SELECT id, name, recipe FROM kept_statements WHERE account = :account ORDER BY name LIMIT :most").param("account", account).param("most", AT_MOST)
        .query((row, i) -> new Kept(row.getLong("id"), row.getString("name"), row.getString("recipe"))).list();
  }

  /** Keeps one, in the place of one of that name; false if there are as many as may be kept. */
  @Transactional
  public boolean keep(String account, String name, String recipe) {
    return jdbc.sql("""
        INSERT INTO kept_statements (account, name, recipe)
        SELECT :account, :name, :recipe FROM DUAL
        WHERE (SELECT COUNT(*) FROM kept_statements WHERE account = :account AND name <> :name) < :most
        ON DUPLICATE KEY UPDATE recipe = VALUES(recipe)
        """).param("account", account).param("name", name).param("recipe", recipe).param("most", AT_MOST).update() > 0
        || jdbc.sql("SELECT EXISTS (SELECT 1 FROM kept_statements WHERE account = :account AND name = :name)").param("account", account).param("name", name).query(Boolean.class).single();
  }

  @Transactional
  public void forget(String account, long id) {
    jdbc.sql("DELETE FROM kept_statements WHERE account = :account AND id = :id").param("account", account).param("id", id).update();
  }
}
