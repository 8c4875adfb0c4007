package palegate.server.store;

import java.util.List;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.wallsatwork.ContentEvidence;
import palegate.core.wallsatwork.SearchTerm;

/** The full-text index of the database: nothing else has to run. */
@Component
class DatabaseTextIndex implements TextIndex {
  /** What the database leaves out of its index because it is too short. */
  private static final int SHORTEST = 3;
  private static final int READ_AT_ONCE = 500;

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
  public List<ContentEvidence.Mention> mentioning(SearchTerm term, Predicate<String> wanted, int atMost) {
    String words = term.words().stream().filter(one -> one.stream().allMatch(word -> word.length() >= SHORTEST)).map(one -> "+(" + String.join(" ", one) + ")").collect(Collectors.joining(" "));
    if (words.isEmpty()) {
      return List.of();
    }
    try (Stream<ContentEvidence.Mention> all = jdbc.sql("""
            SELECT t.place, REGEXP_SUBSTR(t.text, :expression) AS said, REGEXP_INSTR(t.text, :expression) - 1 AS at
            FROM document_texts t JOIN places p ON p.id = t.place AND p.life = t.life
            WHERE MATCH (t.text) AGAINST (:words IN BOOLEAN MODE) AND t.text REGEXP :expression ORDER BY t.place
            """)
        .param("expression", term.expression()).param("words", words).withFetchSize(READ_AT_ONCE)
        .query((row, i) -> new ContentEvidence.Mention(row.getString("place"), term, row.getString("said"), row.getInt("at"))).stream()) {
      return all.filter(mention -> wanted.test(mention.document())).limit(atMost).toList();
    }
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
