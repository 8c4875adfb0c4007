package palegate.bench;

import java.io.IOException;
import java.net.CookieManager;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;

/** Somebody who is signed in to a running application. */
final class HttpSession {
  private final String base;
  private final CookieManager cookies = new CookieManager();
  private final HttpClient client = HttpClient.newBuilder().cookieHandler(cookies).build();

  HttpSession(String base, String login, String password) throws IOException, InterruptedException {
    this.base = base;
    get("/api/session");
    send("POST", "/api/session", "{\"login\":\"" + login + "\",\"password\":\"" + password + "\"}");
  }

  byte[] get(String path) throws IOException, InterruptedException {
    return answer(HttpRequest.newBuilder(URI.create(base + path)).build());
  }

  byte[] send(String method, String path, String json) throws IOException, InterruptedException {
    return answer(HttpRequest.newBuilder(URI.create(base + path)).header("Content-Type", "application/json").header("X-XSRF-TOKEN", token())
        .method(method, json == null ? HttpRequest.BodyPublishers.noBody() : HttpRequest.BodyPublishers.ofString(json)).build());
  }

  private String token() {
    return cookies.getCookieStore().getCookies().stream().filter(cookie -> cookie.getName().equals("XSRF-TOKEN")).findFirst().orElseThrow().getValue();
  }

  private byte[] answer(HttpRequest request) throws IOException, InterruptedException {
    HttpResponse<byte[]> answer = client.send(request, HttpResponse.BodyHandlers.ofByteArray());
    if (answer.statusCode() >= 300) {
      throw new IllegalStateException(request.method() + " " + request.uri() + " answers [" + answer.statusCode() + "]: " + new String(answer.body()));
    }
    return answer.body();
  }
}
