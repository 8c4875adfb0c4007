package palegate.server.updates;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.locks.LockSupport;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import palegate.server.shell.Problem;
import palegate.server.store.RequestFacts;
import palegate.server.store.StructureStore;
import tools.jackson.databind.json.JsonMapper;

/**
 * "At least change N": whoever has written may insist, with the header {@value #HEADER}, on an answer that knows of it, from
 * whatever instance and copy of the database. It waits a little, and is told if that was not enough.
 */
@Component
@Profile("!describe")
@Order(0) // after who is asking has been found out
class AtLeastChange extends OncePerRequestFilter {
  static final String HEADER = "X-At-Least-Change";
  private static final Duration PATIENCE = Duration.ofSeconds(2);
  private static final Duration BETWEEN = Duration.ofMillis(20);

  private final StructureStore structures;
  private final RequestFacts facts;
  private final JsonMapper json;

  AtLeastChange(StructureStore structures, RequestFacts facts, JsonMapper json) {
    this.structures = structures;
    this.facts = facts;
    this.json = json;
  }

  @Override
  protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
    String asked = request.getHeader(HEADER);
    if (asked == null || request.getUserPrincipal() == null) {
      chain.doFilter(request, response);
    } else if (!asked.matches("\\d{1,18}")) {
      answer(response, Problem.of(HttpStatus.BAD_REQUEST, "no-change-number", "Not a number of a change", HEADER + " takes the number of a change."));
    } else if (isThere(Long.parseLong(asked))) {
      facts.forget();
      chain.doFilter(request, response);
    } else {
      answer(response, Problem.of(HttpStatus.CONFLICT, "not-yet", "Not known here yet", "Change " + asked + " is not known here yet. Ask again in a moment."));
    }
  }

  private boolean isThere(long change) {
    long until = System.nanoTime() + PATIENCE.toNanos();
    while (structures.head() < change) {
      if (System.nanoTime() > until) {
        return false;
      }
      LockSupport.parkNanos(BETWEEN.toNanos());
    }
    return true;
  }

  private void answer(HttpServletResponse response, Problem problem) throws IOException {
    response.setStatus(problem.getStatusCode().value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(json.writeValueAsBytes(problem.getBody()));
  }
}
