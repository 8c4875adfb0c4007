package palegate.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Files that are made in the background. Whoever makes one holds it under a token of its own: nothing is written to a file by anybody who
 * does not hold it.
 */
@Component
public class PreparedFileRecords {
  /** How far a file is. */
  public enum State {
    WAITING, IN_THE_MAKING, READY,
    /** A regular one that says what the last one said, so that no file was made. */
    UNCHANGED, FAILED;

    public String word() {
      return name().toLowerCase(Locale.ROOT).replace('_', ' ');
    }
  }

  /**
   * A file, or what is to become one.
   *
   * @param regular the regular statement that it comes of; null for others
   * @param change whose state it is of
   * @param rowsExpected null where that is not known beforehand
   * @param bytes of the file as it is sent
   * @param keptUntil the end of it; null while it waits or is made
   */
  public record Prepared(long id, String account, Long regular, String recipe, String format, Instant at, long change, State state, String title, String fileName, Instant askedAt, Instant begunAt, Instant endedAt,
      Instant keptUntil, long rowsMade, Long rowsExpected, long bytes, int tries, String contentDigest, String knownDigest, String failure) {}

  /** One that is to be made, held by whoever has the token. */
  public record Taken(Prepared file, String token) {}

  /** As many as there can be: fifty, and fourteen of each of twenty regular statements. */
  private static final int SHOWN_AT_MOST = 500;
  private static final String COLUMNS = """
      id, account, regular_statement, recipe, format, about_at, change_number, state, title, file_name, asked_at, begun_at, ended_at, kept_until, rows_made, rows_expected, bytes, tries, content_digest,
      known_digest, failure""";

  private final JdbcClient jdbc;
  private final Transactions transactions;

  PreparedFileRecords(JdbcClient jdbc, Transactions transactions) {
    this.jdbc = jdbc;
    this.transactions = transactions;
  }

  /**
   * Asks for one; empty if an account has as many as it may.
   *
   * @param underWayAtMost so many of it may wait and be in the making
   * @param keptAtMost so many of it may be there at all, those of regular statements aside
   */
  public Optional<Long> ask(String account, Long regular, String recipe, String format, Instant at, long change, Instant now, int underWayAtMost, int keptAtMost) {
    return transactions.write(() -> {
      // Two windows that ask at once are counted one after the other.
      jdbc.sql("SELECT login FROM accounts WHERE login = :account FOR UPDATE").param("account", account).query(String.class).single();
      int made = jdbc.sql("""
          INSERT INTO prepared_files (account, regular_statement, recipe, format, about_at, change_number, state, asked_at)
          SELECT :account, :regular, :recipe, :format, :at, :change, 'waiting', :now FROM DUAL
          WHERE (SELECT COUNT(*) FROM prepared_files WHERE account = :account AND state IN ('waiting', 'in_the_making')) < :underWay
            AND (SELECT COUNT(*) FROM prepared_files WHERE account = :account AND regular_statement IS NULL) < :kept
          """).param("account", account).param("regular", regular).param("recipe", recipe).param("format", format).param("at", Instants.toDatabase(at)).param("change", change).param("now", Instants.toDatabase(now))
          .param("underWay", underWayAtMost).param("kept", keptAtMost).update();
      return made == 0 ? Optional.<Long>empty() : Optional.of(jdbc.sql("SELECT LAST_INSERT_ID()").query(Long.class).single());
    });
  }

  /** Of one account, newest first. */
  public List<Prepared> of(String account) {
    return jdbc.sql("SELECT " + COLUMNS + " FROM prepared_files WHERE account = :account ORDER BY id DESC LIMIT :most").param("account", account).param("most", SHOWN_AT_MOST).query(PreparedFileRecords::read).list();
  }

  public Optional<Prepared> find(String account, long id) {
    return jdbc.sql("SELECT " + COLUMNS + " FROM prepared_files WHERE account = :account AND id = :id").param("account", account).param("id", id).query(PreparedFileRecords::read).optional();
  }

  /** The newest file that a regular statement gave; empty before the first. */
  public Optional<Prepared> lastOf(long regular) {
    return jdbc.sql("SELECT " + COLUMNS + " FROM prepared_files WHERE regular_statement = :regular AND state = 'ready' ORDER BY id DESC LIMIT 1").param("regular", regular).query(PreparedFileRecords::read).optional();
  }

  /** Those that are to be made, or gone on with, and stand in no queue; oldest first. */
  public List<Long> notQueued(String job) {
    return jdbc.sql("""
        SELECT f.id FROM prepared_files f LEFT JOIN queued_jobs q ON q.task_name = :job AND q.task_instance = CAST(f.id AS CHAR)
        WHERE f.state IN ('waiting', 'in_the_making') AND q.task_name IS NULL ORDER BY f.id
        """).param("job", job).query(Long.class).list();
  }

  /**
   * Takes one that waits, or that whoever held it left; what they had written of it stays, for whoever makes it to go on from. Whoever held it
   * holds it no more. Empty if it was called off, or is done.
   */
  public Optional<Taken> take(long id, Instant now) {
    String token = UUID.randomUUID().toString();
    return transactions.write(() -> {
      int taken = jdbc.sql("""
          UPDATE prepared_files SET state = 'in_the_making', held_by = :token, begun_at = :now, rows_made = 0, rows_expected = NULL, bytes = 0, tries = tries + 1
          WHERE id = :id AND state IN ('waiting', 'in_the_making')
          """).param("token", token).param("now", Instants.toDatabase(now)).param("id", id).update();
      return taken == 0 ? Optional.<Taken>empty()
          : Optional.of(new Taken(jdbc.sql("SELECT " + COLUMNS + " FROM prepared_files WHERE held_by = :token").param("token", token).query(PreparedFileRecords::read).single(), token));
    });
  }

  /** Says how far it is; false if it was taken away or called off. */
  public boolean tell(Taken taken, long rowsMade, Long rowsExpected, String title) {
    return jdbc.sql("UPDATE prepared_files SET rows_made = :rows, rows_expected = :expected, title = :title WHERE id = :id AND held_by = :token")
        .param("rows", rowsMade).param("expected", rowsExpected).param("title", cut(title)).param("id", taken.file().id()).param("token", taken.token()).update() == 1;
  }

  /** The digests of the pieces that are there already, from the first on, up to where one is missing or it is not said what it is of. */
  public List<String> piecesOf(Taken taken) {
    record Piece(int number, String digest) {}
    List<Piece> there = jdbc.sql("SELECT number, digest FROM prepared_parts WHERE file = :file ORDER BY number").param("file", taken.file().id()).query((row, i) -> new Piece(row.getInt("number"), row.getString("digest"))).list();
    int whole = 0;
    while (whole < there.size() && there.get(whole).number() == whole && there.get(whole).digest() != null) {
      whole++;
    }
    return there.subList(0, whole).stream().map(Piece::digest).toList();
  }

  /** Throws away the pieces from that number on, if it is still held. */
  public void dropPieces(Taken taken, int from) {
    jdbc.sql("DELETE p FROM prepared_parts p JOIN prepared_files f ON f.id = p.file WHERE f.id = :id AND f.held_by = :token AND p.number >= :from").param("id", taken.file().id()).param("token", taken.token()).param("from", from).update();
  }

  /** Adds the next piece; false if it was taken away or called off. */
  public boolean write(Taken taken, int number, String digest, byte[] bytes) {
    return jdbc.sql("INSERT INTO prepared_parts (file, number, digest, bytes) SELECT id, :number, :digest, :bytes FROM prepared_files WHERE id = :id AND held_by = :token")
        .param("number", number).param("digest", digest).param("bytes", bytes).param("id", taken.file().id()).param("token", taken.token()).update() == 1;
  }

  /** It is done, whole; false if it was taken away or called off. */
  public boolean finish(Taken taken, State state, String title, String fileName, long rows, long bytes, String contentDigest, String knownDigest, Instant now, Instant keptUntil) {
    return jdbc.sql("""
        UPDATE prepared_files SET state = :state, title = :title, file_name = :name, rows_made = :rows, rows_expected = :rows, bytes = :bytes, content_digest = :content, known_digest = :known, ended_at = :now, kept_until = :until,
          held_by = NULL WHERE id = :id AND held_by = :token
        """).param("state", state.name().toLowerCase(Locale.ROOT)).param("title", cut(title)).param("name", fileName).param("rows", rows).param("bytes", bytes).param("content", contentDigest).param("known", knownDigest)
        .param("now", Instants.toDatabase(now)).param("until", Instants.toDatabase(keptUntil)).param("id", taken.file().id()).param("token", taken.token()).update() == 1;
  }

  /** It cannot be made; nothing of it is kept but why. */
  public boolean fail(Taken taken, String why, Instant now, Instant keptUntil) {
    return transactions.write(() -> {
      boolean failed = jdbc.sql("""
          UPDATE prepared_files SET state = 'failed', failure = :why, ended_at = :now, kept_until = :until, held_by = NULL WHERE id = :id AND held_by = :token
          """).param("why", cut(why)).param("now", Instants.toDatabase(now)).param("until", Instants.toDatabase(keptUntil)).param("id", taken.file().id()).param("token", taken.token()).update() == 1;
      if (failed) {
        jdbc.sql("DELETE FROM prepared_parts WHERE file = :file").param("file", taken.file().id()).update();
      }
      return failed;
    });
  }

  /** Gives one back that was taken, as if it had not been: whoever has time takes it up, and goes on from what is there of it. */
  public void giveBack(Taken taken) {
    jdbc.sql("UPDATE prepared_files SET state = 'waiting', held_by = NULL, tries = tries - 1 WHERE id = :id AND held_by = :token").param("id", taken.file().id()).param("token", taken.token()).update();
  }

  /** Calls one off, or throws a finished one away; whoever is making it notices with the next thing they write. */
  public boolean forget(String account, long id) {
    return jdbc.sql("DELETE FROM prepared_files WHERE account = :account AND id = :id").param("account", account).param("id", id).update() == 1;
  }

  /** How many bytes an account's files have together. */
  public long bytesOf(String account) {
    return jdbc.sql("SELECT COALESCE(SUM(bytes), 0) FROM prepared_files WHERE account = :account AND state = 'ready'").param("account", account).query(Long.class).single();
  }

  /** Throws away all but the newest files of a regular statement. */
  public void keepNewest(long regular, int atMost) {
    jdbc.sql("""
        DELETE FROM prepared_files WHERE regular_statement = :regular AND ended_at IS NOT NULL AND id NOT IN
          (SELECT id FROM (SELECT id FROM prepared_files WHERE regular_statement = :regular AND ended_at IS NOT NULL ORDER BY id DESC LIMIT :most) newest)
        """).param("regular", regular).param("most", atMost).update();
  }

  /** Throws away those whose end has come. */
  public int forgetEnded(Instant now) {
    return jdbc.sql("DELETE FROM prepared_files WHERE kept_until <= :now LIMIT 20").param("now", Instants.toDatabase(now)).update();
  }

  public Optional<byte[]> part(long file, int number) {
    return jdbc.sql("SELECT bytes FROM prepared_parts WHERE file = :file AND number = :number").param("file", file).param("number", number).query((row, i) -> row.getBytes("bytes")).optional();
  }

  private static String cut(String text) {
    return text.length() <= 1_000 ? text : text.substring(0, 998) + " …";
  }

  private static Prepared read(ResultSet row, int number) throws SQLException {
    return new Prepared(row.getLong("id"), row.getString("account"), row.getObject("regular_statement", Long.class), row.getString("recipe"), row.getString("format"), Instants.read(row, "about_at"), row.getLong("change_number"),
        State.valueOf(row.getString("state").toUpperCase(Locale.ROOT)), row.getString("title"), row.getString("file_name"), Instants.read(row, "asked_at"), Instants.read(row, "begun_at"), Instants.read(row, "ended_at"),
        Instants.read(row, "kept_until"), row.getLong("rows_made"), row.getObject("rows_expected", Long.class), row.getLong("bytes"), row.getInt("tries"), row.getString("content_digest"), row.getString("known_digest"),
        row.getString("failure"));
  }
}
