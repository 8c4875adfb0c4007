package palegate.server.testkit;

import java.io.IOException;
import java.net.CookieManager;
import java.net.CookiePolicy;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Talks to the application as a browser does: cookies, the protection token, JSON. */
public final class Browser {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  /** What came back. */
  public record Answer(int status, JsonNode body, byte[] bytes, Map<String, List<String>> headers) {
    public String header(String name) {
      return headers.entrySet().stream().filter(header -> header.getKey().equalsIgnoreCase(name))
          .map(header -> header.getValue().get(0)).findFirst().orElse("");
    }

    /** The kind of problem; empty if it is none. */
    public String problem() {
      String type = body == null ? "" : body.path("type").asString("");
      return type.substring(type.lastIndexOf(':') + 1);
    }
  }

  private final String address;
  private final CookieManager cookies = new CookieManager(null, CookiePolicy.ACCEPT_ALL);
  private final HttpClient client = HttpClient.newBuilder().cookieHandler(cookies).build();

  private Browser(String address) {
    this.address = address;
  }

  public static Browser at(String address) {
    return new Browser(address);
  }

  public Browser signIn(String login, String password) {
    get("/api/session");
    Answer answer = post("/api/session", Map.of("login", login, "password", password));
    if (answer.status() != 200) {
      throw new IllegalStateException("Signing in failed: " + answer);
    }
    get("/api/session");
    return this;
  }

  public Answer get(String path) {
    return send(request(path).GET());
  }

  /** The same, insisting on an answer that knows of a change. */
  public Answer get(String path, long atLeast) {
    return send(request(path).header("X-At-Least-Change", Long.toString(atLeast)).GET());
  }

  public Answer post(String path, Object body) {
    return send(protectedRequest(path).header("content-type", "application/json")
        .POST(HttpRequest.BodyPublishers.ofString(body instanceof String text ? text : JSON.writeValueAsString(body))));
  }

  /** What an order to put the draft in hand in force says, as it is shown now. */
  public Map<String, Object> order(boolean acceptLockOuts) {
    JsonNode draft = get("/api/draft").body();
    return new HashMap<>(Map.of("version", draft.path("version").asInt(), "seen", draft.path("seen"), "note", "because", "acceptLockOuts", acceptLockOuts));
  }

  /** Puts the draft in hand in force as it is shown now. */
  public Answer putInForce(boolean acceptLockOuts) {
    return post("/api/draft/in-force", order(acceptLockOuts));
  }

  /** The same under a name, by which the request is carried out once. */
  public Answer putInForce(String request) {
    Map<String, Object> order = order(false);
    order.put("request", request);
    return post("/api/draft/in-force", order);
  }

  /** Discards every draft of one's own. */
  public void discardDrafts() {
    get("/api/drafts").body().valueStream().filter(draft -> draft.path("mine").asBoolean()).forEach(draft -> delete("/api/drafts/" + draft.path("id").asLong()));
  }

  /** A file as it is. */
  public Answer postBytes(String path, byte[] body) {
    return send(protectedRequest(path).header("content-type", "application/octet-stream").POST(HttpRequest.BodyPublishers.ofByteArray(body)));
  }

  public Answer put(String path, String mediaType, byte[] body) {
    return send(protectedRequest(path).header("content-type", mediaType).PUT(HttpRequest.BodyPublishers.ofByteArray(body)));
  }

  public Answer delete(String path) {
    return send(protectedRequest(path).DELETE());
  }

  /** Without the protection token, as a page of somebody else would send it. */
  public Answer postUnprotected(String path, Object body) {
    return send(request(path).header("content-type", "application/json")
        .POST(HttpRequest.BodyPublishers.ofString(JSON.writeValueAsString(body))));
  }

  public String cookie(String name) {
    return cookies.getCookieStore().getCookies().stream().filter(cookie -> cookie.getName().equals(name))
        .map(HttpCookie::getValue).findFirst().orElse("");
  }

  /** All of them, by name. */
  public Map<String, String> cookies() {
    Map<String, String> all = new HashMap<>();
    cookies.getCookieStore().getCookies().forEach(cookie -> all.put(cookie.getName(), cookie.getValue()));
    return all;
  }

  /** An answer that goes on: its lines as they come. */
  public HttpResponse<Stream<String>> listen(String path) {
    try {
      return client.send(request(path).GET().build(), HttpResponse.BodyHandlers.ofLines());
    } catch (IOException failed) {
      throw new IllegalStateException(failed);
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(interrupted);
    }
  }

  /** A cookie that somebody else has put into this browser. */
  public Browser plant(String name, String value, String path) {
    HttpCookie cookie = new HttpCookie(name, value);
    cookie.setPath(path);
    cookie.setVersion(0);
    cookies.getCookieStore().add(URI.create(address), cookie);
    return this;
  }

  private HttpRequest.Builder request(String path) {
    return HttpRequest.newBuilder(URI.create(address + path));
  }

  private HttpRequest.Builder protectedRequest(String path) {
    return request(path).header("X-XSRF-TOKEN", cookie("XSRF-TOKEN"));
  }

  /** A connection that was kept may have been closed by the other side just when it is used again: a browser asks once more then, if asking twice does no harm. */
  private HttpResponse<byte[]> response(HttpRequest request) throws IOException, InterruptedException {
    try {
      return client.send(request, HttpResponse.BodyHandlers.ofByteArray());
    } catch (IOException closed) {
      // What is sent without the token does nothing, however often.
      boolean does = request.method().equals("POST") && request.headers().firstValue("X-XSRF-TOKEN").isPresent();
      if (does || closed.getMessage() == null || !closed.getMessage().contains("received no bytes")) {
        throw closed;
      }
      return client.send(request, HttpResponse.BodyHandlers.ofByteArray());
    }
  }

  private Answer send(HttpRequest.Builder request) {
    try {
      HttpResponse<byte[]> response = response(request.build());
      String type = response.headers().firstValue("content-type").orElse("");
      boolean json = type.contains("json") && !type.contains("jsonl") && response.body().length > 0;
      return new Answer(response.statusCode(), json ? JSON.readTree(response.body()) : null, response.body(), response.headers().map());
    } catch (IOException failed) {
      throw new IllegalStateException(failed);
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(interrupted);
    }
  }
}
