package palegate.server.store;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import palegate.server.shell.Problem;

/** Small real content of documents, text and PDF, in the database. */
@Component
public class Contents {
  public static final int BYTES_AT_MOST = 2 * 1024 * 1024;

  public record About(String mediaType, int bytes, String putBy, Instant putAt) {}

  public record Content(String mediaType, byte[] bytes) {}

  private final JdbcClient jdbc;

  Contents(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  public Optional<About> about(String place) {
    return jdbc.sql("""
            SELECT d.media_type, LENGTH(d.bytes) AS size, a.name, d.put_at FROM document_contents d JOIN places p ON p.id = d.place AND p.life = d.life JOIN accounts a ON a.login = d.put_by
            WHERE d.place = :place
            """)
        .param("place", place)
        .query((row, i) -> new About(row.getString("media_type"), row.getInt("size"), row.getString("name"), Instants.read(row, "put_at"))).optional();
  }

  public Optional<Content> find(String place) {
    return jdbc.sql("SELECT d.media_type, d.bytes FROM document_contents d JOIN places p ON p.id = d.place AND p.life = d.life WHERE d.place = :place").param("place", place)
        .query((row, i) -> new Content(row.getString("media_type"), row.getBytes("bytes"))).optional();
  }

  /** Puts content there, in the place of what was; only text that is UTF-8, and files that begin as PDF does. */
  @Transactional
  public void put(String place, String contentType, byte[] bytes, String account, Instant now) {
    String mediaType = contentType.split(";")[0].strip();
    boolean pdf = mediaType.equals("application/pdf");
    if (bytes.length == 0 || bytes.length > BYTES_AT_MOST) {
      throw refused("The file has " + bytes.length + " bytes.", "Choose one of at most " + BYTES_AT_MOST / 1024 / 1024 + " MB that is not empty.");
    }
    if (!pdf && !mediaType.equals("text/plain")) {
      throw refused("[" + mediaType + "] is not kept here.", "Choose a text or a PDF.");
    }
    if (pdf ? !beginsAsPdf(bytes) : !isText(bytes)) {
      throw refused("The file is not " + (pdf ? "a PDF" : "a text in UTF-8") + ".", "Choose a file that is what its name says.");
    }
    jdbc.sql("""
            INSERT INTO document_contents (place, life, media_type, bytes, put_by, put_at) SELECT id, life, :type, :bytes, :account, :now FROM places WHERE id = :place
            ON DUPLICATE KEY UPDATE media_type = VALUES(media_type), bytes = VALUES(bytes), put_by = VALUES(put_by), put_at = VALUES(put_at)
            """)
        .param("place", place).param("type", mediaType).param("bytes", bytes).param("account", account).param("now", Instants.toDatabase(now)).update();
  }

  private static Problem refused(String what, String remedy) {
    return Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "content-refused", "Not kept", what + " " + remedy);
  }

  private static boolean beginsAsPdf(byte[] bytes) {
    return bytes.length > 5 && new String(bytes, 0, 5, StandardCharsets.ISO_8859_1).equals("%PDF-");
  }

  private static boolean isText(byte[] bytes) {
    try {
      return StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(bytes)).chars().noneMatch(letter -> letter == 0);
    } catch (CharacterCodingException binary) {
      return false;
    }
  }
}
