package palegate.server.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/** Who comes by a password, how, and for how long. */
@ExtendWith(InDemo.class)
class InvitationsTest {
  private static final String GOOD = "heron lantern quay";

  private static String tokenOf(Browser somebody) {
    String text = somebody.get("/api/mailbox").body().get(0).path("text").asString();
    return text.substring(text.indexOf('#') + 1, text.indexOf('\n'));
  }

  private static Browser.Answer redeem(TestApplication app, String token, String password) {
    Browser stranger = Browser.at(app.address());
    stranger.get("/api/session");
    return stranger.post("/api/invitations/redemption", Map.of("token", token, "password", password));
  }

  @Test
  void somebody_new_sets_a_password_once_and_is_in_their_papers(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(wenna.post("/api/invitations", Map.of("person", "p-117")).status()).isEqualTo(201);
    String token = tokenOf(wenna);
    for (String weak : List.of("short", "password2026", "aaaaaaaaaaaaaaa", "1234567890qwerty")) {
      assertThat(redeem(app, token, weak).problem()).as(weak).isEqualTo("weak-password");
    }
    assertThat(redeem(app, token, GOOD).status()).isEqualTo(204);
    assertThat(redeem(app, token, GOOD).status()).as("good once").isEqualTo(410);
    String login = wenna.get("/api/people/p-117").body().path("person").path("login").asString();
    Browser fresh = Browser.at(app.address()).signIn(login, GOOD);
    assertThat(fresh.get("/api/papers").status()).isEqualTo(200);
    assertThat(fresh.get("/api/duties").status()).as("a password is no duty").isEqualTo(403);
  }

  @Test
  void an_address_is_good_for_two_days_and_only_the_newest(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/invitations", Map.of("person", "p-118"));
    String first = tokenOf(wenna);
    wenna.post("/api/invitations", Map.of("person", "p-118"));
    String second = tokenOf(wenna);
    assertThat(redeem(app, first, GOOD).status()).as("a newer one takes its place").isEqualTo(410);
    assertThat(redeem(app, "x".repeat(43), GOOD).status()).isEqualTo(410);
    app.clock().goOn(Duration.ofHours(49));
    assertThat(redeem(app, second, GOOD).status()).as("expired").isEqualTo(410);
  }

  @Test
  void of_a_hundred_at_once_one_sets_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/invitations", Map.of("person", "p-119"));
    String token = tokenOf(wenna);
    List<Integer> answers = IntStream.range(0, 24).mapToObj(i -> CompletableFuture.supplyAsync(() -> redeem(app, token, GOOD + i).status())).toList().stream().map(CompletableFuture::join).toList();
    assertThat(answers.stream().filter(status -> status == 204)).hasSize(1);
  }

  @Test
  void nobody_is_invited_by_whoever_does_not_administer_them_nor_taken_over_through_a_new_password(TestApplication app) {
    Browser hesper = app.signedIn("hesper.vance");
    Browser.Answer other = hesper.post("/api/invitations", Map.of("person", "p-ola"));
    Browser.Answer never = hesper.post("/api/invitations", Map.of("person", "p-never"));
    assertThat(other.status()).as("somebody of another office is not there").isEqualTo(404);
    assertThat(other.body().toString().replace("p-ola", "p-never")).isEqualTo(never.body().toString());
    assertThat(hesper.post("/api/invitations", Map.of("person", "p-wenna")).problem()).as("she holds duties").isEqualTo("duty-missing");
    assertThat(app.signedIn("mia.torrance").post("/api/invitations", Map.of("person", "p-mia")).status()).isEqualTo(403);
    assertThat(app.signedIn("ola.lindqvist").post("/api/invitations", Map.of("person", "p-mia")).status()).isEqualTo(403);
  }

  @Test
  void a_new_password_ends_every_session_and_ones_own_are_listed_and_ended(TestApplication app) {
    Browser here = app.signedIn("linnet.sayle");
    Browser there = app.signedIn("linnet.sayle");
    assertThat(here.get("/api/session/all").body()).hasSizeGreaterThanOrEqualTo(2);
    String other = here.get("/api/session/all").body().valueStream().filter(session -> !session.path("current").asBoolean()).findFirst().orElseThrow().path("id").asString();
    assertThat(app.signedIn("mia.torrance").delete("/api/session/all/" + other).status()).as("says nothing, ends nothing").isEqualTo(204);
    assertThat(there.get("/api/papers").status()).isEqualTo(200);
    assertThat(here.delete("/api/session/all").status()).isEqualTo(204);
    assertThat(there.get("/api/papers").status()).isEqualTo(401);
    assertThat(here.post("/api/session/password", Map.of("present", "not it", "password", GOOD)).problem()).isEqualTo("wrong-password");
    app.signedIn("wenna.carrow").post("/api/invitations", Map.of("person", "p-113"));
    String token = tokenOf(here);
    assertThat(redeem(app, token, GOOD).status()).isEqualTo(204);
    for (int i = 0; i < 40; i++) {
      assertThat(here.get("/api/papers").status()).as("on whatever thread: question %d", i).isEqualTo(401);
    }
    Browser again = Browser.at(app.address()).signIn("linnet.sayle", GOOD);
    assertThat(again.post("/api/session/password", Map.of("present", GOOD, "password", "pale-gate-demo")).problem()).as("too common").isEqualTo("weak-password");
  }

  @Test
  void the_present_password_is_not_guessed_through_an_open_session(TestApplication app) {
    Browser ferris = app.signedIn("ferris.oake");
    assertThat(IntStream.range(0, 40).map(i -> ferris.post("/api/session/password", Map.of("present", "guess " + i, "password", GOOD)).status()).anyMatch(status -> status == 429)).isTrue();
  }

  @Test
  void whoever_could_do_the_most_harm_is_signed_out_sooner(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser mia = app.signedIn("mia.torrance");
    app.clock().goOn(Duration.ofHours(9));
    assertThat(wenna.get("/api/papers").status()).isEqualTo(401);
    assertThat(mia.get("/api/papers").status()).isEqualTo(200);
    app.clock().goOn(Duration.ofHours(4));
    assertThat(mia.get("/api/papers").status()).isEqualTo(401);
  }
}
