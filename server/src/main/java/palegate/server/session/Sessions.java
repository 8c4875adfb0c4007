package palegate.server.session;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The sessions of an account, to be looked at and ended by its owner. */
@Component
class Sessions {
  /** @param id tells sessions of one account apart; nobody comes in with it */
  record OwnSession(String id, Instant since, boolean current) {}

  private final JdbcClient jdbc;
  private final Clock clock;

  Sessions(JdbcClient jdbc, Clock clock) {
    this.jdbc = jdbc;
    this.clock = clock;
  }

  List<OwnSession> of(String login, String current) {
    return jdbc.sql("SELECT PRIMARY_ID, SESSION_ID, CREATION_TIME FROM SPRING_SESSION WHERE PRINCIPAL_NAME = :login AND EXPIRY_TIME > :now ORDER BY CREATION_TIME DESC")
        .param("login", login).param("now", clock.millis())
        .query((row, i) -> new OwnSession(row.getString("PRIMARY_ID"), Instant.ofEpochMilli(row.getLong("CREATION_TIME")), row.getString("SESSION_ID").equals(current))).list();
  }

  /** Ends one of an account's sessions; of one of somebody else's it is not told whether it exists. */
  @Transactional
  public void end(String login, String id) {
    jdbc.sql("DELETE FROM SPRING_SESSION WHERE PRINCIPAL_NAME = :login AND PRIMARY_ID = :id").param("login", login).param("id", id).update();
  }

  @Transactional
  public void endOthers(String login, String current) {
    jdbc.sql("DELETE FROM SPRING_SESSION WHERE PRINCIPAL_NAME = :login AND SESSION_ID <> :current").param("login", login).param("current", current).update();
  }

  @Transactional
  public void endAll(String login) {
    endOthers(login, "");
  }

  /** The logins of so many who were there last, the last first. */
  List<String> newest(int atMost) {
    return jdbc.sql("SELECT PRINCIPAL_NAME FROM SPRING_SESSION WHERE PRINCIPAL_NAME IS NOT NULL AND EXPIRY_TIME > :now GROUP BY PRINCIPAL_NAME ORDER BY MAX(LAST_ACCESS_TIME) DESC, PRINCIPAL_NAME LIMIT :most")
        .param("now", clock.millis()).param("most", atMost).query(String.class).list();
  }
}
