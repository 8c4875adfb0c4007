package palegate.server.store;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The full-text index of the database: nothing else has to run. */
@Component
class DatabaseTextIndex implements TextIndex {
  /** What the database leaves out of its index because it is too short. */
  private static final int SHORTEST = 3;

  private final JdbcClient jdbc;

  DatabaseTextIndex(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  @Override
  public List<String> saying(String words) {
    // Letters and digits only: nothing of it is read as an operator.
    String wanted = Stream.of(words.split("[^\\p{L}\\p{N}]+")).filter(word -> word.length() >= SHORTEST).map(word -> "+" + word + "*").collect(Collectors.joining(" "));
    return wanted.isEmpty() ? List.of() : jdbc.sql("""
            SELECT t.place FROM document_texts t JOIN places p ON p.id = t.place AND p.life = t.life WHERE MATCH (t.text) AGAINST (:wanted IN BOOLEAN MODE)
            """)
        .param("wanted", wanted).query(String.class).list();
  }

  @Override
  @Transactional
  public void keep(String place, int version, String text) {
    jdbc.sql("""
            INSERT INTO document_texts (place, life, version, text) SELECT id, life, :version, :text FROM places WHERE id = :place
            ON DUPLICATE KEY UPDATE text = IF(VALUES(version) >= version, VALUES(text), text), version = GREATEST(version, VALUES(version))
            """)
        .param("place", place).param("version", version).param("text", text).update();
  }
}
