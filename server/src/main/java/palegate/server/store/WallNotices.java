package palegate.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Component;
import palegate.core.wallsatwork.WallAudience;

/** What was told of walls, to whom, and who said that they had read it. */
@Component
public class WallNotices {
  public record Notice(long id, String wall, WallAudience audience, String text, Instant at, String author, String authorName) {}

  /** @param acknowledged when they said so; null as long as they have not */
  public record Reader(String person, Instant acknowledged) {}

  private static final String COLUMNS = "SELECT n.id, n.wall, n.audience, n.text, n.sent_at, n.author, n.author_name FROM wall_notices n";

  private final JdbcClient jdbc;
  private final Batches batches;

  WallNotices(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  /** Keeps a notice with those to whom it is written; returns its number. Part of the caller's transaction. */
  public long keep(String wall, WallAudience audience, String text, String author, String name, Collection<String> people, Instant now) {
    GeneratedKeyHolder key = new GeneratedKeyHolder();
    jdbc.sql("INSERT INTO wall_notices (wall, audience, text, sent_at, author, author_name) VALUES (:wall, :audience, :text, :now, :author, :name)").param("wall", wall)
        .param("audience", audience.name().toLowerCase(Locale.ROOT)).param("text", text).param("now", Instants.toDatabase(now)).param("author", author).param("name", name).update(key, "id");
    long notice = key.getKeyAs(Number.class).longValue();
    batches.insert("INSERT INTO wall_notice_readers (notice, person, written_at) VALUES (?, ?, ?)", people, person -> new Object[] {notice, person, Instants.toDatabase(now)});
    return notice;
  }

  /** Whether somebody sent just this since an instant. */
  public boolean sentSince(String wall, WallAudience audience, String text, String author, Instant since) {
    return jdbc.sql("SELECT COUNT(*) FROM wall_notices WHERE wall = :wall AND audience = :audience AND text = :text AND author = :author AND sent_at >= :since").param("wall", wall)
        .param("audience", audience.name().toLowerCase(Locale.ROOT)).param("text", text).param("author", author).param("since", Instants.toDatabase(since)).query(Integer.class).single() > 0;
  }

  /** Of some people those who have not acknowledged and were not written to since an instant: now they are. Part of the caller's transaction. */
  public List<String> writeAgain(long notice, Collection<String> people, Instant since, Instant now) {
    if (people.isEmpty()) {
      return List.of();
    }
    List<String> waiting = jdbc.sql("SELECT person FROM wall_notice_readers WHERE notice = :notice AND person IN (:people) AND acknowledged_at IS NULL AND written_at < :since FOR UPDATE").param("notice", notice)
        .param("people", people).param("since", Instants.toDatabase(since)).query(String.class).list();
    if (!waiting.isEmpty()) {
      jdbc.sql("UPDATE wall_notice_readers SET written_at = :now WHERE notice = :notice AND person IN (:people)").param("notice", notice).param("people", waiting).param("now", Instants.toDatabase(now)).update();
    }
    return waiting;
  }

  /** Newest first. */
  public List<Notice> of(String wall, int atMost) {
    return jdbc.sql(COLUMNS + " WHERE n.wall = :wall ORDER BY n.id DESC LIMIT :most").param("wall", wall).param("most", atMost).query((row, i) -> notice(row)).list();
  }

  public Optional<Notice> find(String wall, long notice) {
    return jdbc.sql(COLUMNS + " WHERE n.wall = :wall AND n.id = :notice").param("wall", wall).param("notice", notice).query((row, i) -> notice(row)).optional();
  }

  /** By notice, of one wall. */
  public Map<Long, List<Reader>> readers(String wall) {
    Map<Long, List<Reader>> readers = new HashMap<>();
    jdbc.sql("SELECT r.notice, r.person, r.acknowledged_at FROM wall_notice_readers r JOIN wall_notices n ON n.id = r.notice WHERE n.wall = :wall ORDER BY r.notice, r.person").param("wall", wall)
        .query((ResultSet row) -> {
          readers.computeIfAbsent(row.getLong("notice"), any -> new ArrayList<>()).add(new Reader(row.getString("person"), Instants.read(row, "acknowledged_at")));
        });
    return readers;
  }

  /** What waits for somebody to say that they have read it, oldest first. */
  public List<Notice> waiting(String person) {
    return jdbc.sql(COLUMNS + " JOIN wall_notice_readers r ON r.notice = n.id WHERE r.person = :person AND r.acknowledged_at IS NULL ORDER BY n.id").param("person", person)
        .query((row, i) -> notice(row)).list();
  }

  public boolean hasAcknowledged(long notice, String person) {
    return jdbc.sql("SELECT COUNT(*) FROM wall_notice_readers WHERE notice = :notice AND person = :person AND acknowledged_at IS NOT NULL").param("notice", notice).param("person", person).query(Integer.class).single() > 0;
  }

  /** Whether it was written to them; said a second time, the first time counts. */
  public boolean acknowledge(long notice, String person, Instant now) {
    return jdbc.sql("UPDATE wall_notice_readers SET acknowledged_at = COALESCE(acknowledged_at, :now) WHERE notice = :notice AND person = :person").param("notice", notice).param("person", person)
        .param("now", Instants.toDatabase(now)).update() == 1;
  }

  private static Notice notice(ResultSet row) throws SQLException {
    return new Notice(row.getLong("id"), row.getString("wall"), WallAudience.valueOf(row.getString("audience").toUpperCase(Locale.ROOT)), row.getString("text"), Instants.read(row, "sent_at"), row.getString("author"),
        row.getString("author_name"));
  }
}
