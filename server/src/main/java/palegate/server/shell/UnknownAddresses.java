package palegate.server.shell;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Component;
import org.springframework.util.AntPathMatcher;
import org.springframework.web.filter.OncePerRequestFilter;

/** Whoever opens an address that leads nowhere in a browser gets the console, which says so, and not a problem document. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class UnknownAddresses extends OncePerRequestFilter {
  private static final AntPathMatcher MATCHER = new AntPathMatcher();

  @Override
  protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
    if (isUnknownPage(request)) {
      response.setStatus(HttpServletResponse.SC_NOT_FOUND);
      request.getRequestDispatcher("/index.html").forward(request, response);
    } else {
      chain.doFilter(request, response);
    }
  }

  private static boolean isUnknownPage(HttpServletRequest request) {
    String path = request.getRequestURI();
    String accepts = request.getHeader(HttpHeaders.ACCEPT);
    if (!"GET".equals(request.getMethod()) || accepts == null || !accepts.contains("text/html") || path.startsWith("/api/") || path.startsWith("/assets/") || path.indexOf('.') >= 0) {
      return false;
    }
    for (String known : Pages.ADDRESSES) {
      if (MATCHER.match(known, path)) {
        return false;
      }
    }
    return true;
  }
}
