package palegate.server.shell;

import java.net.URI;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ProblemDetail;
import org.springframework.web.ErrorResponseException;

/** What went wrong, as a problem document (RFC 9457): what was refused, why, and the way out. */
public final class Problem extends ErrorResponseException {
  /**
   * One fault of an input.
   *
   * @param place where in the input
   * @param what what is wrong
   * @param remedy what would be right
   * @param cycle the names along the cycle that would come about, the first one last again; empty if that is not what is wrong
   */
  public record Fault(String place, String what, String remedy, List<String> cycle) {
    public Fault(String place, String what, String remedy) {
      this(place, what, remedy, List.of());
    }
  }

  private Problem(HttpStatus status, ProblemDetail body) {
    super(status, body, null);
  }

  /**
   * @param code names the kind of problem, for programs; stable
   * @param title the kind of problem, in words
   * @param detail what happened, to what, and what to do next
   */
  public static Problem of(HttpStatus status, String code, String title, String detail) {
    ProblemDetail body = ProblemDetail.forStatusAndDetail(status, detail);
    body.setType(URI.create("urn:palegate:problem:" + code));
    body.setTitle(title);
    return new Problem(status, body);
  }

  public static Problem notFound(String what, String id) {
    return of(HttpStatus.NOT_FOUND, "not-found", "Not there",
        "There is no " + what + " [" + id + "]. It may have been removed, or the address is mistyped.");
  }

  public static Problem faults(String detail, List<Fault> faults) {
    return of(HttpStatus.UNPROCESSABLE_CONTENT, "faults", "Not accepted", detail).with("faults", faults);
  }

  public Problem with(String key, Object value) {
    getBody().setProperty(key, value);
    return this;
  }
}
