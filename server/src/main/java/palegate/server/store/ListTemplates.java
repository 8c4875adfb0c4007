package palegate.server.store;

import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Access lists kept under names, as the room that uses them writes them. */
@Component
public class ListTemplates {
  /** A kept list. */
  public record Kept<T>(long id, String name, T lines) {}

  private final JdbcClient jdbc;
  private final JsonMapper json;

  ListTemplates(JdbcClient jdbc, JsonMapper json) {
    this.jdbc = jdbc;
    this.json = json;
  }

  /** All of them, by name. */
  public <T> List<Kept<T>> all(Class<T> lines) {
    return jdbc.sql("SELECT id, name, entries FROM list_templates ORDER BY name")
        .query((row, i) -> new Kept<>(row.getLong("id"), row.getString("name"), json.readValue(row.getString("entries"), lines))).list();
  }

  /** Keeps a list, in the place of one of that name. */
  @Transactional
  public void keep(String name, Object lines) {
    jdbc.sql("INSERT INTO list_templates (name, entries) VALUES (:name, :entries) ON DUPLICATE KEY UPDATE entries = VALUES(entries)")
        .param("name", name).param("entries", json.writeValueAsString(lines)).update();
  }

  @Transactional
  public void forget(long id) {
    jdbc.sql("DELETE FROM list_templates WHERE id = :id").param("id", id).update();
  }
}
