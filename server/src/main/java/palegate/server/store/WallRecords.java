package palegate.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What was said and proved of walls; neither changes who may do what. */
@Component
public class WallRecords {
  /**
   * Why something that looks like a gap is none.
   *
   * @param evidence of what spoke for it then; null where that was not kept
   */
  public record Dismissed(String author, Instant at, String reason, String evidence) {
    /** Whether it was about the same evidence. */
    public boolean isAbout(String present) {
      return evidence == null || evidence.equals(present);
    }
  }

  /** A proof that was kept, with its certificate. */
  public record Kept(long id, String wall, long change, Instant at, String author, long pairs, long leaks, String certificate) {}

  private static final int PROOFS_AT_MOST = 50;

  private final JdbcClient jdbc;

  WallRecords(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** By place; of the places' present lives. */
  public Map<String, Dismissed> dismissed(String wall) {
    Map<String, Dismissed> found = new HashMap<>();
    jdbc.sql("SELECT d.place, d.author_name, d.made_at, d.reason, d.evidence FROM wall_gap_dismissals d JOIN places p ON p.id = d.place AND p.life = d.life WHERE d.wall = :wall").param("wall", wall)
        .query(row -> {
          found.put(row.getString("place"), new Dismissed(row.getString("author_name"), Instants.read(row, "made_at"), row.getString("reason"), row.getString("evidence")));
        });
    return found;
  }

  /** Whether there is such a place in force; a second reason takes the place of the first. */
  @Transactional
  public boolean dismiss(String wall, String place, String evidence, String reason, String author, String name, Instant now) {
    return jdbc.sql("""
        INSERT INTO wall_gap_dismissals (wall, place, life, made_at, author, author_name, reason, evidence)
        SELECT :wall, id, life, :now, :author, :name, :reason, :evidence FROM places WHERE id = :place
        ON DUPLICATE KEY UPDATE made_at = VALUES(made_at), author = VALUES(author), author_name = VALUES(author_name), reason = VALUES(reason), evidence = VALUES(evidence)
        """).param("wall", wall).param("place", place).param("now", Instants.toDatabase(now)).param("author", author).param("name", name).param("reason", reason).param("evidence", evidence).update() > 0;
  }

  @Transactional
  public void keep(String wall, long change, Instant now, String author, String name, long pairs, long leaks, String certificate) {
    jdbc.sql("INSERT INTO wall_proofs (wall, change_number, made_at, author, author_name, pairs, leaks, certificate) VALUES (:wall, :change, :now, :author, :name, :pairs, :leaks, :certificate)")
        .param("wall", wall).param("change", change).param("now", Instants.toDatabase(now)).param("author", author).param("name", name).param("pairs", pairs).param("leaks", leaks)
        .param("certificate", certificate).update();
  }

  /** Newest first, of whoever made them. */
  public List<Kept> proofs(String wall, String author) {
    return jdbc.sql("SELECT id, wall, change_number, made_at, author_name, pairs, leaks, certificate FROM wall_proofs WHERE wall = :wall AND author = :author ORDER BY id DESC LIMIT :most").param("wall", wall).param("author", author).param("most", PROOFS_AT_MOST)
        .query((row, i) -> kept(row)).list();
  }

  /** The last of each wall, of whoever made them. */
  public List<Kept> lastProofs(String author) {
    return jdbc.sql("SELECT id, wall, change_number, made_at, author_name, pairs, leaks, '' AS certificate FROM wall_proofs WHERE id IN (SELECT MAX(id) FROM wall_proofs WHERE author = :author GROUP BY wall) ORDER BY id DESC").param("author", author)
        .query((row, i) -> kept(row)).list();
  }

  public Optional<Kept> proof(String wall, String author, long id) {
    return jdbc.sql("SELECT id, wall, change_number, made_at, author_name, pairs, leaks, certificate FROM wall_proofs WHERE wall = :wall AND author = :author AND id = :id").param("wall", wall).param("author", author).param("id", id).query((row, i) -> kept(row)).optional();
  }

  private static Kept kept(ResultSet row) throws SQLException {
    return new Kept(row.getLong("id"), row.getString("wall"), row.getLong("change_number"), Instants.read(row, "made_at"), row.getString("author_name"), row.getLong("pairs"), row.getLong("leaks"), row.getString("certificate"));
  }
}
