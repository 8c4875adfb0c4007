package palegate.bench;

import java.io.IOException;
import java.io.InputStream;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;

/** Somebody who is signed in to a running application. */
final class HttpSession {
  private final String base;
  /** Shared, so that what is measured is the application and not the threads of its callers. */
  private static final HttpClient CLIENT = HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();

  private final Map<String, String> cookies = new ConcurrentHashMap<>();

  HttpSession(String base, String login, String password) throws IOException, InterruptedException {
    this.base = base;
    get("/api/session");
    send("POST", "/api/session", "{\"login\":\"" + login + "\",\"password\":\"" + password + "\"}");
  }

  byte[] get(String path) throws IOException, InterruptedException {
    return answer(request(path));
  }

  /** How many lines an answer has, of which nothing is kept. */
  long lines(String path) throws IOException, InterruptedException {
    HttpRequest asked = request(path).build();
    HttpResponse<InputStream> answer = CLIENT.send(asked, HttpResponse.BodyHandlers.ofInputStream());
    try (InputStream body = answer.body()) {
      if (answer.statusCode() >= 300) {
        throw refused(asked, answer.statusCode(), body.readAllBytes());
      }
      byte[] part = new byte[1 << 16];
      long lines = 0;
      for (int read = body.read(part); read >= 0; read = body.read(part)) {
        for (int i = 0; i < read; i++) {
          lines += part[i] == '\n' ? 1 : 0;
        }
      }
      return lines;
    }
  }

  byte[] send(String method, String path, String json) throws IOException, InterruptedException {
    return answer(request(path).header("Content-Type", "application/json").header("X-XSRF-TOKEN", token())
        .method(method, json == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(json)));
  }

  private HttpRequest.Builder request(String path) {
    HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(base + path));
    return cookies.isEmpty() ? request
        : request.header("Cookie", cookies.entrySet().stream().map(cookie -> cookie.getKey() + "=" + cookie.getValue()).collect(Collectors.joining("; ")));
  }

  private String token() {
    return cookies.get("XSRF-TOKEN");
  }

  private byte[] answer(HttpRequest.Builder asked) throws IOException, InterruptedException {
    HttpRequest request = asked.build();
    HttpResponse<byte[]> answer = CLIENT.send(request, HttpResponse.BodyHandlers.ofByteArray());
    answer.headers().allValues("Set-Cookie").stream().flatMap(set -> HttpCookie.parse(set).stream()).forEach(cookie -> cookies.put(cookie.getName(), cookie.getValue()));
    if (answer.statusCode() >= 300) {
      throw refused(request, answer.statusCode(), answer.body());
    }
    return answer.body();
  }

  private static IllegalStateException refused(HttpRequest request, int status, byte[] body) {
    return new IllegalStateException(request.method() + " " + request.uri() + " answers [" + status + "]: " + new String(body));
  }
}
