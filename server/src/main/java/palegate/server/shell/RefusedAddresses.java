package palegate.server.shell;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.web.firewall.RequestRejectedException;
import org.springframework.security.web.firewall.RequestRejectedHandler;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Addresses that no page of ours has, with doubled slashes or signs that hide others, are refused before anything is asked; that too is said as a problem document. */
@Component
class RefusedAddresses implements RequestRejectedHandler {
  private final JsonMapper json;

  RefusedAddresses(JsonMapper json) {
    this.json = json;
  }

  @Override
  public void handle(HttpServletRequest request, HttpServletResponse response, RequestRejectedException rejected) throws IOException {
    response.setStatus(HttpStatus.BAD_REQUEST.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    response.getOutputStream().write(json.writeValueAsBytes(
        Problem.of(HttpStatus.BAD_REQUEST, "bad-address", "Not an address", "The address has a sign or a doubled slash that no address here has. Look at it again.").getBody()));
  }
}
