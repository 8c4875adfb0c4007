package palegate.server.store;

import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Who opened the content of what, took a copy of it out, or was refused (access rules, section 14). Only ever added to. */
@Component
public class Openings {
  /** How somebody came to a document. */
  public enum How {
    OPEN, COPY, REFUSED
  }

  public record Opening(String person, Instant at, How how) {}

  private final JdbcClient jdbc;

  Openings(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Transactional
  public void add(String person, String place, How how, Instant now) {
    jdbc.sql("INSERT INTO openings (person, place, life, made_at, how) SELECT :person, id, life, :now, :how FROM places WHERE id = :place")
        .param("person", person).param("place", place).param("now", Instants.toDatabase(now)).param("how", how.name().toLowerCase(Locale.ROOT)).update();
  }

  /** Of a document's present life, newest first. */
  public List<Opening> of(String place, int atMost) {
    return jdbc.sql("SELECT o.person, o.made_at, o.how FROM openings o JOIN places p ON p.id = o.place AND p.life = o.life WHERE o.place = :place ORDER BY o.made_at DESC, o.id DESC LIMIT :most")
        .param("place", place).param("most", atMost)
        .query((row, i) -> new Opening(row.getString("person"), Instants.read(row, "made_at"), How.valueOf(row.getString("how").toUpperCase(Locale.ROOT)))).list();
  }
}
