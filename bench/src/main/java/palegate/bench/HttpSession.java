package palegate.bench;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.HttpCookie;
import java.net.HttpURLConnection;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;

/**
 * Somebody who is signed in to a running application. Callers share its processors, so they ask with the plainest client there is: what is measured is
 * the application.
 */
final class HttpSession {
  static {
    // As many as ask at once; only so many connections are gone on with.
    System.setProperty("http.maxConnections", "64");
  }

  private final String base;
  private final Map<String, String> cookies = new ConcurrentHashMap<>();

  HttpSession(String base, String login, String password) throws IOException {
    this.base = base;
    get("/api/session");
    send("POST", "/api/session", "{\"login\":\"" + login + "\",\"password\":\"" + password + "\"}");
  }

  byte[] get(String path) throws IOException {
    try (InputStream body = answer(request("GET", path))) {
      return body.readAllBytes();
    }
  }

  /** How many lines an answer has, of which nothing is kept. */
  long lines(String path) throws IOException {
    try (InputStream body = answer(request("GET", path))) {
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

  byte[] send(String method, String path, String json) throws IOException {
    HttpURLConnection request = request(method, path);
    request.setRequestProperty("Content-Type", "application/json");
    request.setRequestProperty("X-XSRF-TOKEN", cookies.get("XSRF-TOKEN"));
    if (json != null) {
      byte[] body = json.getBytes(StandardCharsets.UTF_8);
      request.setDoOutput(true);
      request.setFixedLengthStreamingMode(body.length);
      try (OutputStream out = request.getOutputStream()) {
        out.write(body);
      }
    }
    try (InputStream body = answer(request)) {
      return body.readAllBytes();
    }
  }

  private HttpURLConnection request(String method, String path) throws IOException {
    HttpURLConnection request = (HttpURLConnection) URI.create(base + path).toURL().openConnection();
    request.setRequestMethod(method);
    if (!cookies.isEmpty()) {
      request.setRequestProperty("Cookie", cookies.entrySet().stream().map(cookie -> cookie.getKey() + "=" + cookie.getValue()).collect(Collectors.joining("; ")));
    }
    return request;
  }

  private InputStream answer(HttpURLConnection request) throws IOException {
    int status = request.getResponseCode();
    request.getHeaderFields().getOrDefault("Set-Cookie", List.of()).stream().flatMap(set -> HttpCookie.parse(set).stream()).forEach(cookie -> cookies.put(cookie.getName(), cookie.getValue()));
    if (status >= 300) {
      try (InputStream body = request.getErrorStream()) {
        throw new IllegalStateException(request.getRequestMethod() + " " + request.getURL() + " answers [" + status + "]: " + (body == null ? "" : new String(body.readAllBytes(), StandardCharsets.UTF_8)));
      }
    }
    return request.getInputStream();
  }
}
