package palegate.server.shell;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Counts a body while it comes, and how long it takes: one that does not say how large it is ends here too, and so does one that drips. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class BodyReading extends OncePerRequestFilter {
  private static final Duration TIME = Duration.ofSeconds(8);
  /** For each megabyte that may come. */
  private static final Duration MORE_TIME = Duration.ofSeconds(10);

  @Override
  protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain) throws ServletException, IOException {
    boolean body = request.getContentLengthLong() > 0 || request.getHeader("Transfer-Encoding") != null;
    chain.doFilter(body ? new Bounded(request) : request, response);
  }

  private static final class Bounded extends HttpServletRequestWrapper {
    Bounded(HttpServletRequest request) {
      super(request);
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
      long most = BodyLimits.of(getRequestURI());
      return new Counted(super.getInputStream(), most, getRequestURI(), System.nanoTime() + TIME.plus(MORE_TIME.multipliedBy(most >> 20)).toNanos());
    }
  }

  private static final class Counted extends ServletInputStream {
    private final ServletInputStream in;
    private final long most;
    private final String address;
    private final long until;
    private long count;

    Counted(ServletInputStream in, long most, String address, long until) {
      this.in = in;
      this.most = most;
      this.address = address;
      this.until = until;
    }

    @Override
    public int read() throws IOException {
      int read = in.read();
      note(read < 0 ? 0 : 1);
      return read;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
      int read = in.read(into, from, length);
      note(Math.max(0, read));
      return read;
    }

    private void note(int read) {
      count += read;
      if (count > most) {
        throw BodyGate.tooLarge(address);
      }
      if (System.nanoTime() > until) {
        throw Problem.of(HttpStatus.REQUEST_TIMEOUT, "too-slow", "Too slow", "What was sent took too long to arrive. Try again.");
      }
    }

    @Override
    public boolean isFinished() {
      return in.isFinished();
    }

    @Override
    public boolean isReady() {
      return in.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
      in.setReadListener(listener);
    }
  }
}
