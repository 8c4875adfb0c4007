package palegate.server.session;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** A session ends some hours after signing in, however busy it is. */
@Component
@Profile("!describe")
@Order(SessionEnds.AFTER_SESSIONS_ARE_KNOWN)
class SessionEnds extends OncePerRequestFilter {
  /** Spring Session's filter comes just before this, that of Spring Security after it. */
  static final int AFTER_SESSIONS_ARE_KNOWN = Integer.MIN_VALUE + 60;
  static final String SIGNED_IN_AT = "signedInAt";
  static final Duration LONGEST = Duration.ofHours(12);

  private final Clock clock;

  SessionEnds(Clock clock) {
    this.clock = clock;
  }

  @Override
  protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
    HttpSession session = request.getSession(false);
    if (session != null && session.getAttribute(SIGNED_IN_AT) instanceof Instant at && at.plus(LONGEST).isBefore(clock.instant())) {
      session.invalidate();
    }
    chain.doFilter(request, response);
  }
}
