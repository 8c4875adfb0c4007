package palegate.server.store;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.sql.ResultSet;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.text.WellFormed;
import palegate.server.shell.Problem;

/** Small real content of documents in the database, with its versions. */
@Component
public class Contents {
  public static final int BYTES_AT_MOST = 2 * 1024 * 1024;
  private static final int READ_AT_ONCE = 1_000;

  private static final Map<String, Predicate<byte[]>> KINDS = Map.of(
      "text/plain", Contents::isText,
      "application/pdf", bytes -> begins(bytes, "%PDF-"),
      "image/png", bytes -> begins(bytes, "\u0089PNG"),
      "image/jpeg", bytes -> begins(bytes, "\u00ff\u00d8\u00ff"),
      "application/vnd.oasis.opendocument.text", bytes -> begins(bytes, "PK"),
      "application/vnd.oasis.opendocument.spreadsheet", bytes -> begins(bytes, "PK"));

  public record About(int version, String mediaType, int bytes, String putBy, Instant putAt) {}

  public record Content(int version, String mediaType, byte[] bytes) {}

  /** The first content of a document, with what it says. */
  public record Written(String place, String mediaType, byte[] bytes, String text, String account, Instant at) {}

  private final JdbcClient jdbc;
  private final Batches batches;

  Contents(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  /** The newest version. */
  public Optional<About> about(String place) {
    return versions(place).stream().findFirst();
  }

  /** Every version, newest first. */
  public List<About> versions(String place) {
    return jdbc.sql("""
            SELECT d.version, d.media_type, LENGTH(d.bytes) AS size, a.name, d.put_at
            FROM document_contents d JOIN places p ON p.id = d.place AND p.life = d.life JOIN accounts a ON a.login = d.put_by
            WHERE d.place = :place ORDER BY d.version DESC
            """)
        .param("place", place)
        .query((row, i) -> new About(row.getInt("version"), row.getString("media_type"), row.getInt("size"), row.getString("name"), Instants.read(row, "put_at"))).list();
  }

  /** A version that was put into a document of the present. */
  public record Put(String place, int version, String mediaType, String by, Instant at) {}

  /** What was put last into places that are wanted, newest first. Whatever stands between them is passed over as it is read. */
  public List<Put> newest(Predicate<String> wanted, int atMost) {
    try (Stream<Put> all = jdbc.sql("""
            SELECT d.place, d.version, d.media_type, a.name, d.put_at
            FROM document_contents d JOIN places p ON p.id = d.place AND p.life = d.life JOIN accounts a ON a.login = d.put_by
            ORDER BY d.put_at DESC, d.place, d.version DESC
            """)
        .withFetchSize(READ_AT_ONCE)
        .query((row, i) -> new Put(row.getString("place"), row.getInt("version"), row.getString("media_type"), row.getString("name"), Instants.read(row, "put_at"))).stream()) {
      return all.filter(put -> wanted.test(put.place())).limit(atMost).toList();
    }
  }

  /** Of the documents that are wanted, those that have, or had in some version, the same content as another. O(contents). */
  public List<List<String>> copies(Predicate<String> wanted) {
    Map<String, List<String>> byContent = new LinkedHashMap<>();
    try (Stream<String[]> all = jdbc.sql("""
            SELECT DISTINCT HEX(d.sha256) AS content, d.place FROM document_contents d JOIN places p ON p.id = d.place AND p.life = d.life
            WHERE d.sha256 IN (SELECT sha256 FROM document_contents GROUP BY sha256 HAVING COUNT(DISTINCT place) > 1) ORDER BY content, d.place
            """)
        .withFetchSize(READ_AT_ONCE).query((row, i) -> new String[] {row.getString("content"), row.getString("place")}).stream()) {
      all.filter(one -> wanted.test(one[1])).forEach(one -> byContent.computeIfAbsent(one[0], any -> new ArrayList<>()).add(one[1]));
    }
    return byContent.values().stream().filter(places -> places.size() > 1).toList();
  }

  /** @param version 0 for the newest */
  public Optional<Content> find(String place, int version) {
    return jdbc.sql("""
            SELECT d.version, d.media_type, d.bytes FROM document_contents d JOIN places p ON p.id = d.place AND p.life = d.life
            WHERE d.place = :place AND (:version = 0 OR d.version = :version) ORDER BY d.version DESC LIMIT 1
            """)
        .param("place", place).param("version", version)
        .query((row, i) -> new Content(row.getInt("version"), row.getString("media_type"), row.getBytes("bytes"))).optional();
  }

  /**
   * Puts content there as the next version, if the newest change still is the one on which it was decided that this may be; returns its
   * number, or nothing if another change holds by now. Only of the kinds that are kept, and only what is what it says it is.
   */
  @Transactional
  public OptionalInt putAsOf(long change, String place, String contentType, byte[] bytes, String account, Instant now) {
    // Whoever puts a change in force waits until this is kept.
    long head = jdbc.sql("SELECT number FROM head WHERE id = 1 LOCK IN SHARE MODE").query(Long.class).single();
    return head == change ? OptionalInt.of(put(place, contentType, bytes, account, now)) : OptionalInt.empty();
  }

  /** Whatever holds. */
  @Transactional
  public int put(String place, String contentType, byte[] bytes, String account, Instant now) {
    String mediaType = contentType.split(";")[0].strip();
    if (bytes.length == 0 || bytes.length > BYTES_AT_MOST) {
      throw refused("The file has " + bytes.length + " bytes.", "Choose one of at most " + BYTES_AT_MOST / 1024 / 1024 + " MB that is not empty.");
    }
    if (!KINDS.containsKey(mediaType)) {
      throw refused("[" + WellFormed.echoed(mediaType) + "] is not kept here.", "Choose a text, a PDF, a picture, or an open document or spreadsheet.");
    }
    if (!KINDS.get(mediaType).test(bytes)) {
      throw refused("The file is not what its name says.", "Choose a file that is.");
    }
    // Whoever puts the next one at the same time waits for this one.
    jdbc.sql("SELECT life FROM places WHERE id = :place FOR UPDATE").param("place", place).query(Integer.class).single();
    jdbc.sql("""
            INSERT INTO document_contents (place, life, version, media_type, bytes, put_by, put_at)
            SELECT p.id, p.life, COALESCE((SELECT MAX(d.version) FROM document_contents d WHERE d.place = p.id AND d.life = p.life), 0) + 1, :type, :bytes, :account, :now
            FROM places p WHERE p.id = :place
            """)
        .param("place", place).param("type", mediaType).param("bytes", bytes).param("account", account).param("now", Instants.toDatabase(now)).update();
    return about(place).orElseThrow().version();
  }

  private static Problem refused(String what, String remedy) {
    return Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "content-refused", "Not kept", what + " " + remedy);
  }

  private static boolean begins(byte[] bytes, String with) {
    return bytes.length > with.length() && new String(bytes, 0, with.length(), StandardCharsets.ISO_8859_1).equals(with);
  }

  private static boolean isText(byte[] bytes) {
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).chars().noneMatch(letter -> letter == 0);
    } catch (CharacterCodingException binary) {
      return false;
    }
  }

  /** Puts the first content into many documents at once; none of them has any. O(bytes). */
  @Transactional
  public void putAll(Collection<Written> written) {
    Map<String, Integer> lives = new HashMap<>();
    jdbc.sql("SELECT id, life FROM places").query((ResultSet row) -> {
      lives.put(row.getString("id"), row.getInt("life"));
    });
    batches.insert("INSERT INTO document_contents (place, life, version, media_type, bytes, put_by, put_at) VALUES (?, ?, 1, ?, ?, ?, ?)", written,
        one -> new Object[] {one.place(), lives.get(one.place()), one.mediaType(), one.bytes(), one.account(), Instants.toDatabase(one.at())});
    batches.insert("INSERT INTO document_texts (place, life, version, text) VALUES (?, ?, 1, ?)", written, one -> new Object[] {one.place(), lives.get(one.place()), one.text()});
  }
}
