package palegate.server.store;

import java.util.HashSet;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Who has ever opened a pass, from what was made through it: also of those from whom it has been taken since. */
@Component
public class PassOpenings {
  private final JdbcClient jdbc;

  PassOpenings(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The ids of the people. O(what was ever made through it). */
  public Set<String> by(String pass) {
    return new HashSet<>(jdbc.sql("SELECT DISTINCT subject_person FROM grants WHERE pass = :pass AND subject_person IS NOT NULL").param("pass", pass).query(String.class).list());
  }
}
