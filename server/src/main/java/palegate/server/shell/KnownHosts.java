package palegate.server.shell;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/** Requests that name another host are refused: a page of somebody else's that points its name here gets nothing. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class KnownHosts extends OncePerRequestFilter {
  private final Set<String> hosts = new HashSet<>(Set.of("127.0.0.1", "localhost", "[::1]"));
  private final JsonMapper json;

  /** @param more the names under which people reach it, besides this machine's own */
  KnownHosts(@Value("${palegate.hosts:}") List<String> more, JsonMapper json) {
    more.forEach(host -> hosts.add(host.strip().toLowerCase(Locale.ROOT)));
    this.json = json;
  }

  @Override
  protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
    if (hosts.contains(request.getServerName().toLowerCase(Locale.ROOT))) {
      chain.doFilter(request, response);
      return;
    }
    response.setStatus(HttpStatus.MISDIRECTED_REQUEST.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(json.writeValueAsBytes(Problem.of(HttpStatus.MISDIRECTED_REQUEST, "unknown-host", "Not here",
        "Nothing answers under this name. Use the address that the start command printed, or add the name to palegate.hosts.").getBody()));
  }
}
