package palegate.server.shell;

import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import palegate.server.PaleGate;

/** Writes the OpenAPI description of the interface to a file, at build time, without a database. */
public final class DescribeApi {
  private DescribeApi() {}

  public static void main(String[] arguments) throws Exception {
    Path file = Path.of(arguments[0]);
    SpringApplication application = new SpringApplication(PaleGate.class);
    application.setAdditionalProfiles("describe");
    application.setLazyInitialization(true);
    try (var context = (ServletWebServerApplicationContext) application.run(
        "--server.port=0", "--spring.flyway.enabled=false", "--logging.level.root=WARN",
        "--spring.autoconfigure.exclude=org.springframework.boot.session.jdbc.autoconfigure.JdbcSessionAutoConfiguration,"
            + "org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration")) {
      URI address = URI.create("http://127.0.0.1:" + context.getWebServer().getPort() + "/api/description");
      HttpResponse<String> answer = HttpClient.newHttpClient()
          .send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofString());
      if (answer.statusCode() != 200) {
        throw new IllegalStateException("The description could not be made: " + answer.statusCode() + " " + answer.body());
      }
      Files.createDirectories(file.getParent());
      Files.writeString(file, answer.body());
    }
  }
}
