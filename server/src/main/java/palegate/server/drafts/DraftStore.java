package palegate.server.drafts;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import palegate.server.store.Instants;
import tools.jackson.databind.json.JsonMapper;

/** Drafts in the database: they outlive the session, the browser and the application. */
@Component
class DraftStore {
  /** A change and its own id, by which it is removed. */
  record Item(long id, ChangeBody body) {}

  /**
   * A draft.
   *
   * @param base the change on which it was begun, or last rehearsed again
   * @param version counts its edits
   */
  record Draft(long id, String owner, long base, int version, List<Item> items) {
    Draft {
      items = List.copyOf(items);
    }
  }

  private record Head(long id, long base, int version) {}

  private final JdbcClient jdbc;
  private final JsonMapper json;

  DraftStore(JdbcClient jdbc, JsonMapper json) {
    this.jdbc = jdbc;
    this.json = json;
  }

  @Transactional(readOnly = true)
  public Optional<Draft> find(String owner) {
    return head("SELECT id, base, version FROM drafts WHERE owner = :owner", owner).map(head -> withItems(owner, head));
  }

  /** The same, held until the transaction ends, so that nobody edits it meanwhile. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Optional<Draft> lock(String owner) {
    return head("SELECT id, base, version FROM drafts WHERE owner = :owner FOR UPDATE", owner).map(head -> withItems(owner, head));
  }

  /** Begins a draft unless there is one; either way the draft is then held by the transaction. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Draft lockOrBegin(String owner, long base, Instant now) {
    jdbc.sql("INSERT IGNORE INTO drafts (owner, base, version, begun_at) VALUES (:owner, :base, 0, :now)")
        .param("owner", owner).param("base", base).param("now", Instants.toDatabase(now)).update();
    return lock(owner).orElseThrow();
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public void add(Draft draft, ChangeBody body) {
    jdbc.sql("INSERT INTO draft_changes (draft, content) VALUES (:draft, :content)")
        .param("draft", draft.id()).param("content", json.writeValueAsString(body)).update();
    edited(draft);
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public boolean remove(Draft draft, long item) {
    int removed = jdbc.sql("DELETE FROM draft_changes WHERE draft = :draft AND id = :item")
        .param("draft", draft.id()).param("item", item).update();
    edited(draft);
    return removed == 1;
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public void rebase(Draft draft, long base) {
    jdbc.sql("UPDATE drafts SET base = :base WHERE id = :id").param("base", base).param("id", draft.id()).update();
    edited(draft);
  }

  @Transactional
  public boolean discard(String owner) {
    return jdbc.sql("DELETE FROM drafts WHERE owner = :owner").param("owner", owner).update() == 1;
  }

  String asJson(List<Item> items) {
    return json.writeValueAsString(items.stream().map(Item::body).toArray(ChangeBody[]::new));
  }

  private void edited(Draft draft) {
    jdbc.sql("UPDATE drafts SET version = version + 1 WHERE id = :id").param("id", draft.id()).update();
  }

  private Optional<Head> head(String sql, String owner) {
    return jdbc.sql(sql).param("owner", owner)
        .query((row, i) -> new Head(row.getLong("id"), row.getLong("base"), row.getInt("version"))).optional();
  }

  private Draft withItems(String owner, Head head) {
    List<Item> items = jdbc.sql("SELECT id, content FROM draft_changes WHERE draft = :draft ORDER BY id")
        .param("draft", head.id())
        .query((row, i) -> new Item(row.getLong("id"), json.readValue(row.getString("content"), ChangeBody.class))).list();
    return new Draft(head.id(), owner, head.base(), head.version(), items);
  }
}
