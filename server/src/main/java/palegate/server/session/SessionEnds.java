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
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import palegate.core.duties.Duty;

/** A session ends some hours after signing in, however busy it is; sooner for whoever could do the most harm. */
@Component
@Profile("!describe")
@Order(SessionEnds.AFTER_SESSIONS_ARE_KNOWN)
class SessionEnds extends OncePerRequestFilter {
  /** Spring Session's filter comes just before this, that of Spring Security after it. */
  static final int AFTER_SESSIONS_ARE_KNOWN = Integer.MIN_VALUE + 60;
  static final String SIGNED_IN_AT = "signedInAt";
  static final Duration LONGEST = Duration.ofHours(12);
  /** For whoever hands out duties or keeps the walls. */
  static final Duration LONGEST_WITH_MUCH = Duration.ofHours(8);

  private final Accounts accounts;

  private final Clock clock;

  SessionEnds(Accounts accounts, Clock clock) {
    this.accounts = accounts;
    this.clock = clock;
  }

  @Override
  protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
    HttpSession session = request.getSession(false);
    if (session != null && session.getAttribute(SIGNED_IN_AT) instanceof Instant at && isOver(at, request)) {
      session.invalidate();
    }
    chain.doFilter(request, response);
  }

  /** Past eight hours the duties are looked at; nobody stays longer than twelve. */
  private boolean isOver(Instant since, HttpServletRequest request) {
    Instant now = clock.instant();
    if (since.plus(LONGEST_WITH_MUCH).isAfter(now)) {
      return false;
    }
    Object context = request.getSession().getAttribute(HttpSessionSecurityContextRepository.SPRING_SECURITY_CONTEXT_KEY);
    boolean much = context instanceof SecurityContext known && known.getAuthentication() != null && accounts.holdsAny(known.getAuthentication().getName(), Duty.SYSTEM, Duty.WALLS);
    return much || since.plus(LONGEST).isBefore(now);
  }
}
