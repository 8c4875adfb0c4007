package palegate.server.drafts;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import palegate.core.changes.Change;
import palegate.core.changes.ChangeJson;
import palegate.server.store.Batches;
import palegate.server.store.Instants;
import palegate.server.store.RequestFacts;
import palegate.server.store.Transactions;
import palegate.server.store.WeighedCache;
import tools.jackson.databind.json.JsonMapper;

/**
 * Drafts in the database: they outlive the session, the browser and the application. Everybody may have several;
 * one of them is in hand, and takes up what its owner changes.
 */
@Component
public class DraftStore {
  /** A change and its own id, by which it is removed. */
  public record Item(long id, Change change) {}

  /**
   * When a draft is to be put in force by itself.
   *
   * @param version the version that was scheduled; an edited draft is not what was meant
   * @param change the change on which the rehearsal stood that was seen
   * @param digest of that rehearsal, which looked ahead from {@code at}: what would do something else then is not what was meant
   */
  public record Due(Instant at, String note, int version, long change, String digest) {}

  /**
   * A draft.
   *
   * @param base the change on which it was begun, or last rehearsed again
   * @param version counts its edits
   * @param due null if it waits for its owner
   * @param stopped why it was not put in force when it was due, or null
   */
  public record Draft(long id, String owner, String name, boolean inHand, long base, int version, Due due, String stopped, List<Item> items) {
    public Draft {
      items = List.copyOf(items);
    }
  }

  private static final String HEAD = "SELECT id, owner, name, in_hand, base, version, due_at, due_note, due_version, due_change, due_digest, stopped_because FROM drafts ";

  private record Version(long draft, int version) {}

  private static final int KEPT_CHANGES_AT_MOST = 20_000;

  private final JdbcClient jdbc;
  private final Transactions transactions;
  private final RequestFacts facts;
  /** Whatever edits a draft counts its version up, so that a version's changes are always the same. At most some 20 MB. */
  private final WeighedCache<Version, List<Item>> kept = new WeighedCache<>(KEPT_CHANGES_AT_MOST, Duration.ofHours(1), items -> items.size() + 1);
  private final Batches batches;
  private final JsonMapper json;

  DraftStore(JdbcClient jdbc, Transactions transactions, RequestFacts facts, Batches batches, JsonMapper json) {
    this.jdbc = jdbc;
    this.transactions = transactions;
    this.facts = facts;
    this.batches = batches;
    this.json = json;
  }

  /** The draft that its owner has in hand. */
  public Optional<Draft> find(String owner) {
    if (facts.of(owner).filter(asking -> !asking.hasDraft()).isPresent()) {
      return Optional.empty();
    }
    return found("WHERE owner = :key AND in_hand = 1", owner);
  }

  public Optional<Draft> find(long id) {
    return found("WHERE id = :key", id);
  }

  /** One statement if the changes are known; else all of it is read as of one instant, lest a version be kept with other changes. */
  private Optional<Draft> found(String which, Object key) {
    if (TransactionSynchronizationManager.isActualTransactionActive()) {
      return jdbc.sql(HEAD + which).param("key", key).query(this::read).optional();
    }
    Optional<Optional<Draft>> known = jdbc.sql(HEAD + which).param("key", key).query(this::readIfKept).optional();
    if (known.isEmpty() || known.get().isPresent()) {
      return known.flatMap(draft -> draft);
    }
    Optional<Draft> whole = transactions.read(() -> jdbc.sql(HEAD + which).param("key", key).query(this::read).optional());
    whole.ifPresent(draft -> kept.put(new Version(draft.id(), draft.version()), draft.items()));
    return whole;
  }

  /** The same, held until the transaction ends, so that nobody edits it meanwhile. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Optional<Draft> lock(String owner) {
    return jdbc.sql(HEAD + "WHERE owner = :owner AND in_hand = 1 FOR UPDATE").param("owner", owner).query(this::readLocked).optional();
  }

  /** The version of a draft, held until the transaction ends; -1 if it is gone. */
  @Transactional(propagation = Propagation.MANDATORY)
  public int lockedVersion(long id) {
    return jdbc.sql("SELECT version FROM drafts WHERE id = :id FOR UPDATE").param("id", id).query(Integer.class).optional().orElse(-1);
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public Optional<Draft> lock(long id) {
    return jdbc.sql(HEAD + "WHERE id = :id FOR UPDATE").param("id", id).query(this::readLocked).optional();
  }

  /** Begins a draft unless there is one in hand; either way it is then held by the transaction. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Draft lockOrBegin(String owner, long base, Instant now) {
    return lock(owner).orElseGet(() -> {
      // Whoever begins one at the same instant waits here for the other, and then finds it there.
      jdbc.sql("INSERT INTO drafts (owner, name, in_hand, base, version, begun_at) VALUES (:owner, 'Draft', 1, :base, 0, :now) ON DUPLICATE KEY UPDATE id = id")
          .param("owner", owner).param("base", base).param("now", Instants.toDatabase(now)).update();
      return lock(owner).orElseThrow();
    });
  }

  /** All drafts of one owner, and those that are shared with them; the oldest first. */
  @Transactional(readOnly = true)
  public List<Draft> seenBy(String account) {
    return jdbc.sql(HEAD + """
            WHERE owner = :account OR id IN (SELECT draft FROM draft_readers WHERE account = :account) ORDER BY id
            """)
        .param("account", account).query(this::read).list();
  }

  /** A draft with something in it that does not wait for an hour, and since when. */
  public record Waiting(long id, String name, Instant begun, int changes) {}

  /** Those of one owner, oldest first. */
  public List<Waiting> waiting(String owner) {
    return jdbc.sql("SELECT d.id, d.name, d.begun_at, COUNT(*) AS changes FROM drafts d JOIN draft_changes c ON c.draft = d.id WHERE d.owner = :owner AND d.due_at IS NULL GROUP BY d.id, d.name, d.begun_at ORDER BY d.begun_at, d.id")
        .param("owner", owner).query((row, i) -> new Waiting(row.getLong("id"), row.getString("name"), Instants.read(row, "begun_at"), row.getInt("changes"))).list();
  }

  /** The ids of the drafts whose time has come, the first due first. */
  public List<Long> dueAt(Instant now) {
    return jdbc.sql("SELECT id FROM drafts WHERE due_at <= :now ORDER BY due_at, id").param("now", Instants.toDatabase(now)).query(Long.class).list();
  }

  /** Begins a draft under a name and puts it in hand. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Draft begin(String owner, String name, long base, Instant now) {
    layDown(owner);
    jdbc.sql("INSERT INTO drafts (owner, name, in_hand, base, version, begun_at) VALUES (:owner, :name, 1, :base, 0, :now)")
        .param("owner", owner).param("name", name).param("base", base).param("now", Instants.toDatabase(now)).update();
    return lock(owner).orElseThrow();
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public void takeInHand(Draft draft) {
    layDown(draft.owner());
    jdbc.sql("UPDATE drafts SET in_hand = 1 WHERE id = :id").param("id", draft.id()).update();
  }

  /** Whoever puts another draft in hand at the same instant waits here: only one can be. */
  private void layDown(String owner) {
    jdbc.sql("SELECT login FROM accounts WHERE login = :owner FOR UPDATE").param("owner", owner).query(String.class).single();
    jdbc.sql("UPDATE drafts SET in_hand = NULL WHERE owner = :owner AND in_hand = 1").param("owner", owner).update();
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public void rename(Draft draft, String name) {
    jdbc.sql("UPDATE drafts SET name = :name WHERE id = :id").param("name", name).param("id", draft.id()).update();
  }

  /** Adds changes at the end of a draft that is held; the draft as it is then. */
  @Transactional(propagation = Propagation.MANDATORY)
  public Draft add(Draft draft, List<Change> changes) {
    int last = jdbc.sql("SELECT COALESCE(MAX(position), 0) FROM draft_changes WHERE draft = :draft").param("draft", draft.id()).query(Integer.class).single();
    AtomicInteger position = new AtomicInteger(last);
    batches.insert("INSERT INTO draft_changes (draft, position, content) VALUES (?, ?, ?)", changes,
        change -> new Object[] {draft.id(), position.incrementAndGet(), ChangeJson.write(change).toString()});
    edited(draft);
    return lock(draft.id()).orElseThrow();
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public boolean remove(Draft draft, long item) {
    int removed = jdbc.sql("DELETE FROM draft_changes WHERE draft = :draft AND id = :item")
        .param("draft", draft.id()).param("item", item).update();
    edited(draft);
    return removed == 1;
  }

  /** Puts the changes in another order; {@code items} are all their ids. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void reorder(Draft draft, List<Long> items) {
    AtomicInteger position = new AtomicInteger();
    batches.changeOneEach("UPDATE draft_changes SET position = ? WHERE draft = ? AND id = ?", items,
        item -> new Object[] {position.incrementAndGet(), draft.id(), item});
    edited(draft);
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public void rebase(Draft draft, long base) {
    jdbc.sql("UPDATE drafts SET base = :base WHERE id = :id").param("base", base).param("id", draft.id()).update();
    edited(draft);
  }

  /** Sets when the draft is to be put in force by itself; null takes that back. */
  @Transactional(propagation = Propagation.MANDATORY)
  public void schedule(Draft draft, Due due) {
    jdbc.sql("UPDATE drafts SET due_at = :at, due_note = :note, due_version = :version, due_change = :change, due_digest = :digest, stopped_because = NULL WHERE id = :id")
        .param("at", due == null ? null : Instants.toDatabase(due.at())).param("note", due == null ? null : due.note())
        .param("version", due == null ? null : due.version()).param("change", due == null ? null : due.change())
        .param("digest", due == null ? null : due.digest()).param("id", draft.id()).update();
  }

  /** A scheduled draft could not be put in force: it waits for its owner, and says why. */
  @Transactional
  public void stop(long draft, String why) {
    jdbc.sql("UPDATE drafts SET due_at = NULL, due_note = NULL, due_version = NULL, due_change = NULL, due_digest = NULL, stopped_because = :why WHERE id = :id")
        .param("why", why.length() > 2000 ? why.substring(0, 2000) : why).param("id", draft).update();
  }

  /** The draft in hand that was discarded; empty if there was none. */
  @Transactional
  public Optional<Long> discard(String owner) {
    return jdbc.sql("DELETE FROM drafts WHERE owner = :owner AND in_hand = 1 RETURNING id").param("owner", owner).query(Long.class).optional();
  }

  @Transactional
  public void discard(long id) {
    jdbc.sql("DELETE FROM drafts WHERE id = :id").param("id", id).update();
  }

  public String asJson(List<Item> items) {
    return ChangeJson.written(items.stream().map(Item::change).toList());
  }

  private void edited(Draft draft) {
    jdbc.sql("UPDATE drafts SET version = version + 1 WHERE id = :id").param("id", draft.id()).update();
  }

  private Draft read(ResultSet row, int i) throws SQLException {
    return read(row, "");
  }

  /** What is locked is read as it is now: another view of its changes than of its version would be another draft. */
  private Draft readLocked(ResultSet row, int i) throws SQLException {
    return read(row, " FOR UPDATE");
  }

  private Draft read(ResultSet row, String lock) throws SQLException {
    return draft(row, items(row.getLong("id"), lock));
  }

  private Optional<Draft> readIfKept(ResultSet row, int i) throws SQLException {
    List<Item> items = kept.getIfPresent(new Version(row.getLong("id"), row.getInt("version")));
    return items == null ? Optional.empty() : Optional.of(draft(row, items));
  }

  private static Draft draft(ResultSet row, List<Item> items) throws SQLException {
    Instant at = Instants.read(row, "due_at");
    Due due = at == null ? null : new Due(at, row.getString("due_note"), row.getInt("due_version"), row.getLong("due_change"), row.getString("due_digest"));
    return new Draft(row.getLong("id"), row.getString("owner"), row.getString("name"), row.getInt("in_hand") == 1, row.getLong("base"),
        row.getInt("version"), due, row.getString("stopped_because"), items);
  }

  private List<Item> items(long draft, String lock) {
    return jdbc.sql("SELECT id, content FROM draft_changes WHERE draft = :draft ORDER BY position, id" + lock)
        .param("draft", draft)
        .query((row, i) -> new Item(row.getLong("id"), ChangeJson.readKept(json.readTree(row.getString("content"))))).list();
  }
}
