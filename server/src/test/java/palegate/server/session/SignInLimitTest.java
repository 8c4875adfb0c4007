package palegate.server.session;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class SignInLimitTest {
  private final SignInLimit limit = new SignInLimit();

  @Test
  void a_login_has_five_attempts_a_minute_from_wherever_they_come() {
    for (int i = 0; i < 5; i++) {
      assertThat(limit.attempt("wenna", "10.0.0." + i)).isZero();
    }
    assertThat(limit.attempt("wenna", "10.0.0.9")).isPositive();
    assertThat(limit.attempt("teodor", "10.0.0.9")).isZero();
  }

  @Test
  void an_address_has_thirty_whatever_names_it_tries() {
    for (int i = 0; i < 30; i++) {
      assertThat(limit.attempt("name" + i, "10.0.0.1")).isZero();
    }
    assertThat(limit.attempt("another", "10.0.0.1")).isPositive();
  }

  @Test
  void a_success_does_not_count() {
    for (int i = 0; i < 100; i++) {
      assertThat(limit.attempt("busy", "10.0.0.2")).isZero();
      limit.succeeded("busy", "10.0.0.2");
    }
  }
}
