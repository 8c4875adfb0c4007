package palegate.server.session;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.jdbc.support.KeyHolder;
import org.springframework.stereotype.Component;
import palegate.server.store.Instants;
import palegate.server.store.Transactions;

/**
 * Slows down guessing, for all instances together: a few failures for one login from one address, more for one address, and
 * more still for one login from wherever; a device from which its owner has signed in before is not slowed down by what
 * others do elsewhere. An attempt that is refused counts for nothing: a limited address drains nobody's limits.
 */
@Component
class SignInLimit {
  static final int FAILURES_FOR_A_PAIR = 5;
  static final int FAILURES_FOR_AN_ADDRESS = 30;
  static final int FAILURES_FOR_A_LOGIN = 60;
  static final Duration WINDOW = Duration.ofMinutes(1);
  private static final Duration KEPT = Duration.ofDays(30);

  private final JdbcClient jdbc;
  private final Transactions transactions;
  private final Clock clock;

  SignInLimit(JdbcClient jdbc, Transactions transactions, Clock clock) {
    this.jdbc = jdbc;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** An attempt that may go on, by its number; or how many seconds to wait. */
  record Attempt(long number, long secondsToWait) {}

  /**
   * Counts an attempt before it is looked at, so that many at once do not get past.
   *
   * @param login as {@link Logins#canonical} has it
   */
  Attempt attempt(String login, String address, boolean knownDevice) {
    Instant now = clock.instant();
    // Committed before it is counted: of many at once each sees the others.
    long own = transactions.write(() -> {
      KeyHolder number = new GeneratedKeyHolder();
      jdbc.sql("INSERT INTO sign_in_attempts (login, address, made_at, known_device, failed) VALUES (:login, :address, :now, :known, TRUE)")
          .param("login", cut(login)).param("address", address).param("now", Instants.toDatabase(now)).param("known", knownDevice).update(number);
      return number.getKey().longValue();
    });
    if (!isTooMany(login, address, knownDevice, now)) {
      return new Attempt(own, 0);
    }
    transactions.run(() -> jdbc.sql("DELETE FROM sign_in_attempts WHERE id = :id").param("id", own).update());
    return new Attempt(0, WINDOW.toSeconds());
  }

  private boolean isTooMany(String login, String address, boolean knownDevice, Instant now) {
    return jdbc.sql("""
            SELECT COALESCE(SUM(login = :login AND address = :address), 0) > :pair OR COALESCE(SUM(address = :address), 0) > :all
              OR (NOT :known AND COALESCE(SUM(login = :login AND NOT known_device), 0) > :one)
            FROM sign_in_attempts WHERE made_at > :since AND failed AND (login = :login OR address = :address)
            """)
        .param("login", cut(login)).param("address", address).param("known", knownDevice).param("since", Instants.toDatabase(now.minus(WINDOW)))
        .param("pair", FAILURES_FOR_A_PAIR).param("all", FAILURES_FOR_AN_ADDRESS).param("one", FAILURES_FOR_A_LOGIN).query(Boolean.class).single();
  }

  /** A success does not count, so that busy people are not slowed down. */
  void succeeded(Attempt attempt) {
    transactions.run(() -> {
      jdbc.sql("UPDATE sign_in_attempts SET failed = FALSE WHERE id = :id").param("id", attempt.number()).update();
      jdbc.sql("DELETE FROM sign_in_attempts WHERE made_at < :end LIMIT 1000").param("end", Instants.toDatabase(clock.instant().minus(KEPT))).update();
    });
  }

  /** How many attempts with this login failed after an instant: its owner is told. */
  int failedSince(String login, Instant since) {
    return jdbc.sql("SELECT COUNT(*) FROM sign_in_attempts WHERE login = :login AND failed AND made_at > :since")
        .param("login", cut(login)).param("since", Instants.toDatabase(since)).query(Integer.class).single();
  }

  private static String cut(String login) {
    return login.length() > 100 ? login.substring(0, 100) : login;
  }
}
