package palegate.server.shell;

import jakarta.servlet.ServletException;
import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.locks.LockSupport;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import tools.jackson.databind.json.JsonMapper;

/**
 * Bounds on bodies before anything is read: one that says it is too large is refused, so many are read at once and no more,
 * and what nobody has read of a refused one is not waited for: slow senders would hold a thread each.
 */
final class BodyGate extends ValveBase {
  private static final Duration MOMENTS = Duration.ofMillis(150);
  private static final long PASSED_OVER_AT_MOST = 4 * 1024 * 1024;

  /** Signing in is the work of strangers: few at once. */
  private final Semaphore signIns = new Semaphore(16);
  private final Semaphore others = new Semaphore(120);
  private final JsonMapper json;

  BodyGate(JsonMapper json) {
    super(true);
    this.json = json;
  }

  @Override
  public void invoke(Request request, Response response) throws IOException, ServletException {
    long length = request.getContentLengthLong();
    boolean body = length > 0 || request.getHeader("Transfer-Encoding") != null;
    if (!body) {
      getNext().invoke(request, response);
      return;
    }
    String address = request.getRequestURI();
    if (length > BodyLimits.of(address)) {
      refuse(request, response, tooLarge(address));
      return;
    }
    Semaphore room = BodyLimits.isSignIn(address) ? signIns : others;
    if (!room.tryAcquire()) {
      response.setHeader("Retry-After", "2");
      refuse(request, response, Problem.of(HttpStatus.SERVICE_UNAVAILABLE, "too-many-at-once", "Too many at once", "Too many requests are being read just now. Try again in a moment."));
      return;
    }
    try {
      getNext().invoke(request, response);
    } finally {
      room.release();
      leaveUnread(request);
    }
  }

  static Problem tooLarge(String address) {
    return Problem.of(HttpStatus.CONTENT_TOO_LARGE, "too-large", "Too large",
        "What was sent is larger than this address takes. Send at most " + BodyLimits.words(BodyLimits.of(address)) + ".");
  }

  private void refuse(Request request, Response response, Problem problem) throws IOException {
    response.setStatus(problem.getStatusCode().value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(json.writeValueAsBytes(problem.getBody()));
    response.finishResponse();
    leaveUnread(request);
  }

  /** What arrives within moments is passed over, without ever waiting for more; for the rest the connection is closed. */
  private static void leaveUnread(Request request) {
    org.apache.coyote.Request raw = request.getCoyoteRequest();
    if (!isFinished(raw) && !passesOver(request, raw)) {
      raw.action(ActionCode.DISABLE_SWALLOW_INPUT, null);
    }
  }

  private static boolean passesOver(Request request, org.apache.coyote.Request raw) {
    byte[] passed = new byte[8192];
    long until = System.nanoTime() + MOMENTS.toNanos();
    long most = PASSED_OVER_AT_MOST;
    try {
      while (most > 0 && System.nanoTime() < until && !isFinished(raw)) {
        raw.action(ActionCode.AVAILABLE, Boolean.TRUE);
        if (raw.getAvailable() > 0) {
          most -= Math.max(0, request.getStream().read(passed, 0, Math.min(passed.length, raw.getAvailable())));
        } else {
          LockSupport.parkNanos(Duration.ofMillis(2).toNanos());
        }
      }
    } catch (IOException | RuntimeException cutOff) {
      return false;
    }
    return isFinished(raw);
  }

  private static boolean isFinished(org.apache.coyote.Request raw) {
    AtomicBoolean fully = new AtomicBoolean();
    raw.action(ActionCode.REQUEST_BODY_FULLY_READ, fully);
    return fully.get();
  }
}
