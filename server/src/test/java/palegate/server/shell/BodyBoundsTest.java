package palegate.server.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/** Bounds everywhere, before anything is read: large, slow and idle senders do not keep a signed-in person waiting. */
@ExtendWith(InDemo.class)
@Isolated
class BodyBoundsTest {
  private static final Duration SOON = Duration.ofSeconds(1);

  private static Socket connect(TestApplication app) throws IOException {
    Socket socket = new Socket("127.0.0.1", URI.create(app.address()).getPort());
    socket.setSoTimeout(20_000);
    return socket;
  }

  private static void head(Socket socket, String path, String length) throws IOException {
    OutputStream out = socket.getOutputStream();
    out.write(("POST " + path + " HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: application/json\r\n" + length + "\r\n\r\n").getBytes(StandardCharsets.US_ASCII));
    out.flush();
  }

  private static String statusLine(Socket socket) throws IOException {
    InputStream in = socket.getInputStream();
    StringBuilder line = new StringBuilder();
    for (int letter = in.read(); letter >= 0 && letter != '\r'; letter = in.read()) {
      line.append((char) letter);
    }
    return line.toString();
  }

  private static void assertAnsweredSoon(Browser browser, String while_) {
    for (int i = 0; i < 5; i++) {
      long start = System.nanoTime();
      assertThat(browser.get("/api/places/lib-cas/access").status()).as(while_).isEqualTo(200);
      assertThat(Duration.ofNanos(System.nanoTime() - start)).as(while_).isLessThan(SOON);
    }
  }

  @Test
  void a_body_that_says_it_is_too_large_is_refused_before_any_of_it_is_read_whoever_sends_it(TestApplication app) throws IOException {
    for (String path : List.of("/api/session", "/api/draft/changes", "/api/draft/changes/many", "/api/nothing")) {
      try (Socket socket = connect(app)) {
        head(socket, path, "Content-Length: 20000000");
        assertThat(statusLine(socket)).as(path).contains(" 413");
      }
    }
  }

  @Test
  void one_that_does_not_say_how_large_it_is_ends_at_the_bound(TestApplication app) throws IOException {
    try (Socket socket = connect(app)) {
      head(socket, "/api/session", "Transfer-Encoding: chunked");
      byte[] chunk = ("1000\r\n" + " ".repeat(4096) + "\r\n").getBytes(StandardCharsets.US_ASCII);
      try {
        for (int i = 0; i < 50_000; i++) {
          socket.getOutputStream().write(chunk);
        }
        assertThat(statusLine(socket)).as("200 MB are not taken").contains(" 4");
      } catch (IOException cutOff) {
        assertThat(cutOff).as("the connection is closed under way").isNotNull();
      }
    }
    assertAnsweredSoon(app.signedIn("oriel.fenn"), "after it");
  }

  @Test
  void content_is_read_only_by_whoever_may_revise_it_and_no_further_than_the_bound(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    String letter = app.signedIn("wenna.carrow").get("/api/places?text=letter").body().path("items").get(0).path("id").asString();
    assertThat(oriel.put("/api/places/" + letter + "/content", "text/plain", new byte[1_000_000]).status()).isEqualTo(403);
    assertThat(oriel.put("/api/places/" + letter + "/content", "text/plain", new byte[3_000_000]).status()).isEqualTo(413);
  }

  @Test
  void four_hundred_slow_clients_large_ones_and_thousands_of_idle_connections_keep_nobody_waiting(TestApplication app) throws Exception {
    Browser oriel = app.signedIn("oriel.fenn");
    assertAnsweredSoon(oriel, "alone");
    List<Socket> open = new ArrayList<>();
    AtomicBoolean over = new AtomicBoolean();
    ExecutorService drips = Executors.newFixedThreadPool(4);
    try {
      for (int i = 0; i < 8_000; i++) {
        open.add(connect(app));
      }
      assertAnsweredSoon(oriel, "beside 8,000 idle connections");
      List<Socket> slow = new ArrayList<>();
      for (int i = 0; i < 400; i++) {
        Socket socket = connect(app);
        head(socket, i % 2 == 0 ? "/api/session" : "/api/draft/changes", "Content-Length: 1000");
        slow.add(socket);
      }
      open.addAll(slow);
      drips.submit(() -> drip(slow, over));
      for (int i = 0; i < 24; i++) {
        Socket socket = connect(app);
        head(socket, "/api/session", "Content-Length: 20000000");
        open.add(socket);
      }
      for (int round = 0; round < 6; round++) {
        assertAnsweredSoon(oriel, "beside 400 slow clients and 24 large ones");
      }
    } finally {
      over.set(true);
      drips.shutdown();
      drips.awaitTermination(10, TimeUnit.SECONDS);
      for (Socket socket : open) {
        socket.close();
      }
    }
  }

  /** A letter now and then, so that no single reading of the socket takes too long. */
  private static void drip(List<Socket> slow, AtomicBoolean over) {
    while (!over.get()) {
      for (Socket socket : slow) {
        try {
          socket.getOutputStream().write(' ');
        } catch (IOException cutOff) {
          continue;
        }
      }
    }
  }

  @Test
  void a_refused_value_is_not_echoed_in_full_and_a_password_not_at_all(TestApplication app) {
    Browser stranger = Browser.at(app.address());
    stranger.get("/api/session");
    Browser.Answer answer = stranger.post("/api/session", Map.of("login", "x".repeat(2_000), "password", "secret".repeat(100)));
    assertThat(answer.status()).isEqualTo(422);
    assertThat(new String(answer.bytes(), StandardCharsets.UTF_8)).doesNotContain("secretsecret").doesNotContain("x".repeat(100));
  }
}
