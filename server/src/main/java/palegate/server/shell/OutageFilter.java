package palegate.server.shell;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/** Answers for the filters, which need the database for sessions, when it is away. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class OutageFilter extends OncePerRequestFilter {
  private final JsonMapper json;

  OutageFilter(JsonMapper json) {
    this.json = json;
  }

  @Override
  protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    try {
      chain.doFilter(request, response);
    } catch (RuntimeException | ServletException failed) {
      if (!Outage.caused(failed)) {
        throw failed;
      }
      if (response.isCommitted()) {
        if (response.getStatus() == HttpServletResponse.SC_SERVICE_UNAVAILABLE) {
          return; // It has been said. What failed again is keeping the session, and breaking off would hide the reason.
        }
        throw failed;
      }
      response.reset();
      response.setStatus(HttpServletResponse.SC_SERVICE_UNAVAILABLE);
      response.setHeader(HttpHeaders.RETRY_AFTER, "3");
      response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
      response.getOutputStream().write(json.writeValueAsBytes(Outage.problem()));
    }
  }
}
