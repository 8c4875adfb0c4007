package palegate.server.inforce;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import palegate.server.store.Instants;

/** Requests that have put a draft in force, by the names that senders gave them: sent twice, carried out once. */
@Component
public class IdempotencyKeys {
  /** A page asks again within moments; nobody asks after weeks. */
  private static final Duration KEPT = Duration.ofDays(14);

  private final JdbcClient jdbc;

  IdempotencyKeys(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** The change that a request of this account led to. */
  public Optional<Long> answered(String request, String account) {
    return jdbc.sql("SELECT change_number FROM answered_requests WHERE request = :request AND account = :account")
        .param("request", request).param("account", account).query(Long.class).optional();
  }

  @Transactional(propagation = Propagation.MANDATORY)
  public void remember(String request, String account, long change, Instant now) {
    jdbc.sql("INSERT INTO answered_requests (request, account, change_number, answered_at) VALUES (:request, :account, :change, :now)")
        .param("request", request).param("account", account).param("change", change).param("now", Instants.toDatabase(now)).update();
    jdbc.sql("DELETE FROM answered_requests WHERE answered_at < :end").param("end", Instants.toDatabase(now.minus(KEPT))).update();
  }
}
