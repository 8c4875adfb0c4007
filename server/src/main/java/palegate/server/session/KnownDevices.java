package palegate.server.session;

import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.server.store.Instants;
import palegate.server.store.Transactions;

/** Devices from which somebody has signed in before: a token in a cookie, kept here as its hash. It signs nobody in. */
@Component
class KnownDevices {
  private static final String COOKIE = "palegate-device";
  private static final Duration KEPT = Duration.ofDays(180);

  private final JdbcClient jdbc;
  private final Transactions transactions;
  private final Clock clock;

  KnownDevices(JdbcClient jdbc, Transactions transactions, Clock clock) {
    this.jdbc = jdbc;
    this.transactions = transactions;
    this.clock = clock;
  }

  boolean isKnown(String account, HttpServletRequest request) {
    String token = token(request);
    return token != null && jdbc.sql("SELECT COUNT(*) FROM known_devices WHERE account = :account AND token_hash = :hash")
        .param("account", account).param("hash", Secrets.hash(token)).query(Integer.class).single() > 0;
  }

  /** Remembers the device as one from which the account's owner has signed in. */
  void remember(String account, HttpServletRequest request, HttpServletResponse response) {
    // Only a token that was given out here is kept: somebody else may have planted another.
    String known = token(request);
    String token = known != null && isGivenOut(known) ? known : Secrets.fresh();
    transactions.run(() -> {
      jdbc.sql("INSERT INTO known_devices (account, token_hash, seen_at) VALUES (:account, :hash, :now) ON DUPLICATE KEY UPDATE seen_at = VALUES(seen_at)")
          .param("account", account).param("hash", Secrets.hash(token)).param("now", Instants.toDatabase(clock.instant())).update();
      jdbc.sql("DELETE FROM known_devices WHERE account = :account AND seen_at < :end")
          .param("account", account).param("end", Instants.toDatabase(clock.instant().minus(KEPT))).update();
    });
    response.addHeader(HttpHeaders.SET_COOKIE, ResponseCookie.from(COOKIE, token).httpOnly(true).sameSite("Strict").path("/api/session").maxAge(KEPT).build().toString());
  }

  private boolean isGivenOut(String token) {
    return jdbc.sql("SELECT COUNT(*) FROM known_devices WHERE token_hash = :hash").param("hash", Secrets.hash(token)).query(Integer.class).single() > 0;
  }

  private static String token(HttpServletRequest request) {
    if (request.getCookies() != null) {
      for (Cookie cookie : request.getCookies()) {
        if (cookie.getName().equals(COOKIE) && cookie.getValue().length() <= 100) {
          return cookie.getValue();
        }
      }
    }
    return null;
  }
}
