package palegate.server.store;

import java.time.Instant;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** To whom findings are assigned, and what was said about them. */
@Component
public class FindingFollowUps {
  /** So much is said about one finding; more is a meeting. */
  public static final int COMMENTS_AT_MOST = 100;

  public record Assignment(String assignee, String name, String by, String byName, Instant at) {}

  public record Comment(String author, String name, Instant at, String text) {}

  private final JdbcClient jdbc;
  private final Transactions transactions;

  FindingFollowUps(JdbcClient jdbc, Transactions transactions) {
    this.jdbc = jdbc;
    this.transactions = transactions;
  }

  /** The keys of those that are assigned to an account. */
  public Set<String> assignedTo(String account) {
    return jdbc.sql("SELECT finding_key FROM finding_assignments WHERE assignee = :account").param("account", account).query(String.class).set();
  }

  /** Of some findings those that are assigned to anybody, by key. */
  public Map<String, Assignment> of(Collection<String> keys) {
    Map<String, Assignment> assigned = new HashMap<>();
    if (!keys.isEmpty()) {
      jdbc.sql("""
              SELECT f.finding_key, f.assignee, c.name, f.assigned_by, g.name AS assigned_by_name, f.assigned_at
              FROM finding_assignments f JOIN accounts c ON c.login = f.assignee JOIN accounts g ON g.login = f.assigned_by WHERE f.finding_key IN (:keys)
              """).param("keys", keys)
          .query((row, i) -> Map.entry(row.getString("finding_key"), new Assignment(row.getString("assignee"), row.getString("name"), row.getString("assigned_by"), row.getString("assigned_by_name"), Instants.read(row, "assigned_at"))))
          .list().forEach(one -> assigned.put(one.getKey(), one.getValue()));
    }
    return assigned;
  }

  /**
   * Assigns one.
   *
   * @param seen to whom it is seen to be assigned; null for nobody
   * @return whether that is still so: if not, nothing is done
   */
  public boolean assign(String key, String seen, String assignee, String by, Instant now) {
    String sql = seen == null ? "INSERT INTO finding_assignments (finding_key, assignee, assigned_by, assigned_at) VALUES (:key, :assignee, :by, :now)"
        : "UPDATE finding_assignments SET assignee = :assignee, assigned_by = :by, assigned_at = :now WHERE finding_key = :key AND assignee = :seen";
    try {
      return transactions.write(() -> jdbc.sql(sql).param("key", key).param("seen", seen).param("assignee", assignee).param("by", by).param("now", Instants.toDatabase(now)).update() == 1);
    } catch (DuplicateKeyException somebodyHasIt) {
      return false;
    }
  }

  /** Takes it from whoever is seen to have it; false if that is somebody else by now, or nobody. */
  public boolean takeBack(String key, String seen) {
    return transactions.write(() -> jdbc.sql("DELETE FROM finding_assignments WHERE finding_key = :key AND assignee = :seen").param("key", key).param("seen", seen).update() == 1);
  }

  /** What was said about one, oldest first. */
  public List<Comment> comments(String key) {
    return jdbc.sql("SELECT c.author, a.name, c.made_at, c.text FROM finding_comments c JOIN accounts a ON a.login = c.author WHERE c.finding_key = :key ORDER BY c.id")
        .param("key", key).query((row, i) -> new Comment(row.getString("author"), row.getString("name"), Instants.read(row, "made_at"), row.getString("text"))).list();
  }

  /** Says something about one; false if as much as may be has been said. */
  public boolean comment(String key, String text, String author, Instant now) {
    return transactions.write(() -> jdbc.sql("""
            INSERT INTO finding_comments (finding_key, author, made_at, text)
            SELECT :key, :author, :now, :text FROM (SELECT COUNT(*) AS said FROM finding_comments WHERE finding_key = :key) before_this WHERE said < :most
            """)
        .param("key", key).param("author", author).param("now", Instants.toDatabase(now)).param("text", text).param("most", COMMENTS_AT_MOST).update() == 1);
  }
}
