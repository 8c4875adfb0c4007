package palegate.server.updates;

import io.swagger.v3.oas.annotations.Hidden;
import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import palegate.server.shell.Problem;

/** Server-sent events: {@code change}, with the number of the newest change, at once and whenever it is another. */
@RestController
class UpdatesController {
  private final Streams streams;

  UpdatesController(Streams streams) {
    this.streams = streams;
  }

  @Hidden
  @GetMapping(path = "/api/updates", produces = {MediaType.TEXT_EVENT_STREAM_VALUE, MediaType.APPLICATION_PROBLEM_JSON_VALUE})
  SseEmitter updates(HttpServletRequest request, Principal who) {
    return streams.open(request.getSession().getId(), who.getName()).orElseThrow(() -> Problem.of(HttpStatus.TOO_MANY_REQUESTS, "too-many-streams",
        "Too many open pages are listening", "Close one of your other pages, or ask every few seconds instead."));
  }
}
