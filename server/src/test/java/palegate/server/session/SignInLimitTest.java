package palegate.server.session;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/** Guessing is slowed down by whom it comes from; nobody is locked out by what others try. */
@ExtendWith(InDemo.class)
class SignInLimitTest {
  private static long wait(SignInLimit limit, String login, String address) {
    return limit.attempt(Logins.canonical(login), address, false).secondsToWait();
  }

  @Test
  void a_login_from_one_address_has_five_failures_and_from_another_its_own(TestApplication app) {
    SignInLimit limit = app.bean(SignInLimit.class);
    for (int i = 0; i < SignInLimit.FAILURES_FOR_A_PAIR; i++) {
      assertThat(wait(limit, "pair", "10.0.0.1")).isZero();
    }
    assertThat(wait(limit, "pair", "10.0.0.1")).isPositive();
    assertThat(wait(limit, "pair", "10.0.0.2")).as("its owner, elsewhere").isZero();
    app.clock().goOn(Duration.ofMinutes(2));
    assertThat(wait(limit, "pair", "10.0.0.1")).isZero();
  }

  @Test
  void a_login_is_one_however_it_is_typed(TestApplication app) {
    SignInLimit limit = app.bean(SignInLimit.class);
    for (String typed : List.of("typed", "typed ", " TYPED", "typed\u200B", "\uFF54yped")) {
      assertThat(wait(limit, typed, "10.0.1.1")).isZero();
    }
    assertThat(wait(limit, "typed  ", "10.0.1.1")).isPositive();
  }

  @Test
  void a_limited_address_drains_nobody_elses_limits(TestApplication app) {
    SignInLimit limit = app.bean(SignInLimit.class);
    for (int i = 0; i < SignInLimit.FAILURES_FOR_AN_ADDRESS; i++) {
      assertThat(wait(limit, "name" + i, "10.0.2.1")).isZero();
    }
    for (int i = 0; i < 200; i++) {
      assertThat(wait(limit, "victim", "10.0.2.1")).isPositive();
    }
    assertThat(wait(limit, "victim", "10.0.2.2")).as("what was refused counted for nothing").isZero();
  }

  @Test
  void a_login_that_is_tried_from_everywhere_is_slowed_down_but_not_for_a_device_of_its_owner(TestApplication app) {
    SignInLimit limit = app.bean(SignInLimit.class);
    for (int i = 0; i < SignInLimit.FAILURES_FOR_A_LOGIN; i++) {
      assertThat(wait(limit, "everywhere", "10.1." + i + ".1")).isZero();
    }
    assertThat(wait(limit, "everywhere", "10.2.0.1")).isPositive();
    assertThat(limit.attempt("everywhere", "10.2.0.1", true).secondsToWait()).isZero();
  }

  @Test
  void a_success_does_not_count(TestApplication app) {
    SignInLimit limit = app.bean(SignInLimit.class);
    for (int i = 0; i < 60; i++) {
      SignInLimit.Attempt attempt = limit.attempt("busy", "10.0.3.1", false);
      assertThat(attempt.secondsToWait()).isZero();
      limit.succeeded(attempt);
    }
  }

  @Test
  void many_attempts_at_once_do_not_get_past(TestApplication app) throws Exception {
    SignInLimit limit = app.bean(SignInLimit.class);
    ExecutorService threads = Executors.newFixedThreadPool(8);
    try {
      List<Callable<Long>> attempts = new ArrayList<>();
      for (int i = 0; i < 60; i++) {
        attempts.add(() -> wait(limit, "atonce", "10.0.4.1"));
      }
      int through = 0;
      for (Future<Long> attempt : threads.invokeAll(attempts)) {
        through += attempt.get() == 0 ? 1 : 0;
      }
      assertThat(through).isLessThanOrEqualTo(SignInLimit.FAILURES_FOR_A_PAIR);
    } finally {
      threads.shutdownNow();
    }
  }

  @Test
  void the_owner_is_told_of_wrong_tries_since_the_last_time_and_comes_in_from_a_device_that_is_known(TestApplication app) {
    app.clock().goOn(Duration.ofMinutes(5));
    Browser owner = app.signedIn("oriel.fenn");
    app.clock().goOn(Duration.ofMinutes(5));
    Browser guesser = Browser.at(app.address());
    guesser.get("/api/session");
    for (int i = 0; i < 3; i++) {
      assertThat(guesser.post("/api/session", Map.of("login", "oriel.fenn", "password", "guess" + i)).status()).isEqualTo(401);
    }
    owner.get("/api/session");
    Browser.Answer again = owner.post("/api/session", Map.of("login", "oriel.fenn", "password", "pale-gate-demo"));
    assertThat(again.status()).isEqualTo(200);
    assertThat(again.body().path("failedSince").asInt()).isEqualTo(3);
    assertThat(owner.cookie("palegate-device")).isNotEmpty();
  }

  @Test
  void a_device_token_that_somebody_else_has_planted_is_not_kept(TestApplication app) {
    app.clock().goOn(Duration.ofMinutes(5));
    String planted = "planted-by-somebody-else";
    Browser.at(app.address()).plant("palegate-device", planted, "/api/session").signIn("oriel.fenn", "pale-gate-demo");
    assertThat(app.bean(JdbcClient.class).sql("SELECT token_hash FROM known_devices WHERE account = 'oriel.fenn'").query(String.class).list())
        .isNotEmpty().doesNotContain(Secrets.hash(planted));
  }
}
