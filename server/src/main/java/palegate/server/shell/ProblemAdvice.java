package palegate.server.shell;

import java.util.List;
import java.util.Locale;
import org.apache.catalina.connector.ClientAbortException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Turns every exception into a problem document. */
@RestControllerAdvice
class ProblemAdvice extends ResponseEntityExceptionHandler {
  private static final int MOST_ECHOED = 80;

  private static final Logger LOG = LoggerFactory.getLogger(ProblemAdvice.class);

  @Override
  protected ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException invalid, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
    List<Problem.Fault> faults = invalid.getFieldErrors().stream()
        .map(error -> new Problem.Fault(error.getField(),
            echo(error.getField(), error.getRejectedValue()) + " is not accepted.", error.getDefaultMessage()))
        .toList();
    ProblemDetail body = Problem.faults("Some of what was sent is not right; each point is listed.", faults).getBody();
    return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(body);
  }

  @Override
  protected ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException unreadable, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
    ProblemDetail body = Problem.of(HttpStatus.BAD_REQUEST, "unreadable", "Not understood",
        "What was sent is not the JSON that this address expects. Compare it with the description of the interface.").getBody();
    return ResponseEntity.badRequest().body(body);
  }

  /** What was refused, cut: it may be long, and nobody's secret is said back. */
  private static String echo(String field, Object refused) {
    String text = refused == null ? "" : refused.toString();
    boolean secret = field.toLowerCase(Locale.ROOT).contains("password");
    return secret ? "What was sent" : "[" + (text.length() > MOST_ECHOED ? text.substring(0, MOST_ECHOED) + " …" : text) + "]";
  }

  @ExceptionHandler
  ResponseEntity<ProblemDetail> anythingElse(Exception failed) {
    if (Outage.caused(failed)) {
      LOG.warn("The database does not answer: {}", failed.getMessage());
      return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE).header(HttpHeaders.RETRY_AFTER, "3").body(Outage.problem());
    }
    if (failed instanceof ClientAbortException) {
      // Whoever asked has left, and nobody is there to be told.
      LOG.debug("Whoever asked has left", failed);
      return null;
    }
    LOG.error("A request failed", failed);
    return ResponseEntity.internalServerError().body(Problem.of(HttpStatus.INTERNAL_SERVER_ERROR, "internal", "Something broke",
        "Pale Gate could not finish this. If you were changing something, look whether it was carried out before you try again; the application's log says more.").getBody());
  }
}
