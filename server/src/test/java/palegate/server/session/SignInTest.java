package palegate.server.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.Socket;
import java.net.URI;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.core.people.Person;
import palegate.core.structure.Structure;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

@ExtendWith(InDemo.class)
class SignInTest {
  private static final Map<String, Object> GRANT = Map.of("kind", "addGrant", "place", "f-2417",
      "subject", Map.of("kind", "person", "id", "p-mia"), "role", "r-reader");

  @Test
  void a_wrong_password_and_an_unknown_name_get_the_same_answer(TestApplication app) {
    Browser wrong = Browser.at(app.address());
    wrong.get("/api/session");
    Browser.Answer known = wrong.post("/api/session", Map.of("login", "oriel.fenn", "password", "guess"));
    Browser.Answer unknown = wrong.post("/api/session", Map.of("login", "nobody.here", "password", "guess"));
    assertThat(known.status()).isEqualTo(401);
    assertThat(unknown.body()).isEqualTo(known.body());
  }

  @Test
  void guessing_is_slowed_down_for_the_name_that_is_guessed_and_says_how_long(TestApplication app) {
    Browser guesser = Browser.at(app.address());
    guesser.get("/api/session");
    Map<String, String> guess = Map.of("login", "victim", "password", "guess");
    for (int i = 0; i < 5; i++) {
      assertThat(guesser.post("/api/session", guess).status()).isEqualTo(401);
    }
    Browser.Answer refused = guesser.post("/api/session", guess);
    assertThat(refused.status()).isEqualTo(429);
    assertThat(Integer.parseInt(refused.header("Retry-After"))).isBetween(1, 60);
    assertThat(app.signedIn("oriel.fenn").get("/api/draft").status()).isEqualTo(200);
  }

  @Test
  void a_session_ends_some_hours_after_signing_in_however_busy_it_is(TestApplication app) {
    Browser busy = app.signedIn("oriel.fenn");
    for (int hour = 0; hour < 12; hour++) {
      assertThat(busy.get("/api/draft").status()).as("after %d hours", hour).isEqualTo(200);
      app.clock().goOn(Duration.ofHours(1));
    }
    app.clock().goOn(Duration.ofSeconds(1));
    assertThat(busy.get("/api/draft").status()).isEqualTo(401);
  }

  @Test
  void sessions_are_kept_under_hashes_so_that_whoever_reads_the_database_cannot_use_them(TestApplication app) {
    Browser person = app.signedIn("oriel.fenn");
    List<String> kept = app.bean(JdbcClient.class).sql("SELECT SESSION_ID FROM SPRING_SESSION").query(String.class).list();
    assertThat(kept).isNotEmpty().allMatch(id -> id.matches("[0-9a-f]{64}")).doesNotContain(person.cookie("palegate"));
    assertThat(Browser.at(app.address()).get("/api/draft", 1).status()).isEqualTo(401);
  }

  @Test
  void the_token_against_forged_requests_is_another_after_signing_in_and_is_sent_to_no_other_site(TestApplication app) {
    Browser person = Browser.at(app.address());
    Browser.Answer first = person.get("/api/session");
    assertThat(first.headers().get("set-cookie")).anySatisfy(cookie -> assertThat(cookie).startsWith("XSRF-TOKEN=").contains("SameSite=Strict"));
    String before = person.cookie("XSRF-TOKEN");
    person.post("/api/session", Map.of("login", "oriel.fenn", "password", "pale-gate-demo"));
    assertThat(person.cookie("XSRF-TOKEN")).isNotEmpty().isNotEqualTo(before);
  }

  @Test
  void a_host_that_nobody_knows_is_refused(TestApplication app) throws Exception {
    int port = URI.create(app.address()).getPort();
    for (String host : List.of("evil.example", "127.0.0.1.evil.example")) {
      try (Socket socket = new Socket("127.0.0.1", port)) {
        socket.getOutputStream().write(("GET /api/session HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n\r\n").getBytes());
        assertThat(new String(socket.getInputStream().readAllBytes())).as(host).startsWith("HTTP/1.1 421");
      }
    }
  }

  @Test
  void somebody_made_inactive_is_out_with_the_next_request_in_every_session_and_does_not_come_in_again(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser one = app.signedIn("oriel.fenn");
    Browser other = app.signedIn("oriel.fenn");
    Structure structure = app.bean(Snapshots.class).current().snapshot().structure();
    Person oriel = structure.people().get("p-oriel");
    Map<String, Object> change = new HashMap<>(Map.of("kind", "setPerson", "person", oriel.id(), "name", oriel.name(), "external", oriel.external(), "active", false));
    change.put("login", oriel.login());
    change.put("unit", oriel.unit());
    assertThat(wenna.post("/api/draft/changes", change).status()).isEqualTo(201);
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    assertThat(one.get("/api/journal").status()).isEqualTo(403);
    assertThat(other.get("/api/places/lib-cas/access").status()).isEqualTo(403);
    assertThat(one.get("/api/session").body().has("account")).isFalse();
    Browser again = Browser.at(app.address());
    again.get("/api/session");
    assertThat(again.post("/api/session", Map.of("login", "oriel.fenn", "password", "pale-gate-demo")).problem()).isEqualTo("wrong-sign-in");
    change.put("active", true);
    assertThat(wenna.post("/api/draft/changes", change).status()).isEqualTo(201);
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    assertThat(one.get("/api/journal").status()).isEqualTo(200);
  }

  @Test
  void nothing_is_answered_to_somebody_who_is_not_signed_in(TestApplication app) {
    Browser stranger = Browser.at(app.address());
    for (String path : new String[] {"/api/repository", "/api/places/f-2406/access", "/api/journal", "/api/people", "/api/description", "/actuator", "/nonsense"}) {
      assertThat(stranger.get(path).status()).as(path).isEqualTo(401);
    }
    stranger.get("/api/session");
    assertThat(stranger.post("/api/draft/changes", GRANT).status()).isEqualTo(401);
  }

  @Test
  void a_request_without_the_protection_token_changes_nothing(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(wenna.postUnprotected("/api/draft/changes", GRANT).status()).isEqualTo(403);
    assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
  }

  @Test
  void an_auditor_sees_everything_and_may_change_nothing(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    assertThat(auditor.get("/api/places/f-2406/access").status()).isEqualTo(200);
    assertThat(auditor.post("/api/draft/changes", GRANT)).satisfies(answer -> {
      assertThat(answer.status()).isEqualTo(403);
      assertThat(answer.problem()).isEqualTo("not-allowed");
    });
    assertThat(auditor.post("/api/draft/in-force", Map.of("version", 0, "note", "x", "acceptLockOuts", true)).status()).isEqualTo(403);
    assertThat(auditor.delete("/api/draft").status()).isEqualTo(403);
  }

  @Test
  void a_duty_that_is_taken_away_is_gone_at_the_next_request(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    assertThat(auditor.get("/api/journal").status()).isEqualTo(200);
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(wenna.post("/api/draft/changes", Map.of("kind", "removeDuty", "assignment", "du-oriel")).status()).isEqualTo(201);
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    assertThat(auditor.get("/api/journal").status()).isEqualTo(403);
    wenna.post("/api/draft/changes", Map.of("kind", "setDuty", "assignment", "du-oriel", "subject", Map.of("kind", "person", "id", "p-oriel"), "duty", "AUDIT"));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    assertThat(auditor.get("/api/journal").status()).isEqualTo(200);
  }

  @Test
  void the_session_cookie_is_out_of_reach_of_scripts_and_other_sites_and_changes_at_sign_in(TestApplication app) {
    Browser person = Browser.at(app.address());
    person.get("/api/session");
    Browser.Answer signedIn = person.post("/api/session", Map.of("login", "oriel.fenn", "password", "pale-gate-demo"));
    assertThat(signedIn.headers().get("set-cookie")).anySatisfy(cookie ->
        assertThat(cookie).startsWith("palegate=").contains("HttpOnly").contains("SameSite=Strict"));
    String before = person.cookie("palegate");
    person.signIn("oriel.fenn", "pale-gate-demo");
    assertThat(person.cookie("palegate")).isNotEqualTo(before);
  }

  @Test
  void signing_out_ends_the_session(TestApplication app) {
    Browser person = app.signedIn("oriel.fenn");
    String session = person.cookie("palegate");
    assertThat(person.delete("/api/session").status()).isEqualTo(204);
    assertThat(session).isNotEmpty();
    assertThat(person.get("/api/journal").status()).isEqualTo(401);
  }

  @Test
  void pages_carry_a_content_policy_that_runs_no_inline_script(TestApplication app) {
    String policy = Browser.at(app.address()).get("/api/session").header("Content-Security-Policy");
    assertThat(policy).contains("default-src 'none'", "script-src 'self';", "frame-ancestors 'none'");
  }

  @Test
  void passwords_are_kept_as_salted_hashes(TestApplication app) {
    assertThat(app.bean(JdbcClient.class).sql("SELECT password_hash FROM accounts").query(String.class).list())
        .hasSize(8).doesNotHaveDuplicates().allSatisfy(hash -> assertThat(hash).startsWith("{bcrypt}$2"));
  }
}
