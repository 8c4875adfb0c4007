package palegate.server.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.Mockito.doAnswer;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import jakarta.servlet.http.HttpServletRequest;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.LongStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.OwnDatabase;
import palegate.server.testkit.TestApplication;

/** What a question costs the database: a few round trips, and nothing written. */
@ExtendWith(InDemo.class)
@OwnDatabase
class RoundTripsTest {
  private static final int AT_MOST = 3;
  /** More than there are connections: each prepares a statement once. */
  private static final int TIMES = 40;
  private Browser asker;

  @BeforeEach
  void signIn(TestApplication app) {
    asker = app.signedIn("oriel.fenn");
  }

  @ParameterizedTest
  @ValueSource(strings = {"/api/places/f-2417/access", "/api/why?person=p-mia&place=f-2417", "/api/places/f-2417/children", "/api/places/f-2417/people?limit=50"})
  void a_question_takes_at_most_three_round_trips_and_writes_nothing(String question, TestApplication app) {
    assertThat(roundTrips(app, question)).isLessThanOrEqualTo(AT_MOST - 1);
    assertThat(written(app, question)).isZero();
  }

  @ParameterizedTest
  @ValueSource(strings = {"/api/places/f-2417/access", "/api/why?person=p-mia&place=f-2417&drafted=true", "/api/places/f-2417/children?drafted=true"})
  void and_so_it_does_with_a_draft_in_hand(String question, TestApplication app) {
    asker = app.signedIn("wenna.carrow");
    assertThat(asker.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "f-2417",
        "subject", Map.of("kind", "person", "id", "p-mia"), "role", "r-reader")).status()).isLessThan(300);
    assertThat(roundTrips(app, question)).isLessThanOrEqualTo(AT_MOST);
    assertThat(written(app, question)).isZero();
  }

  @Test
  void all_of_a_question_is_about_one_state_whatever_is_put_in_force_meanwhile(TestApplication app) {
    Snapshots snapshots = app.bean(Snapshots.class);
    RequestContextHolder.setRequestAttributes(new ServletRequestAttributes(question()));
    try {
      long first = snapshots.current().change();
      Browser wenna = app.signedIn("wenna.carrow");
      wenna.delete("/api/draft");
      wenna.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "f-2423", "name", "Meanwhile"));
      assertThat(wenna.putInForce(true).status()).isEqualTo(200);
      assertThat(snapshots.current().change()).isEqualTo(first);
      RequestContextHolder.resetRequestAttributes();
      assertThat(snapshots.current().change()).isEqualTo(first + 1);
    } finally {
      RequestContextHolder.resetRequestAttributes();
    }
  }

  private static HttpServletRequest question() {
    Map<String, Object> attributes = new HashMap<>();
    HttpServletRequest request = mock(HttpServletRequest.class);
    when(request.getMethod()).thenReturn("GET");
    when(request.getAttribute(anyString())).thenAnswer(call -> attributes.get(call.<String>getArgument(0)));
    doAnswer(call -> attributes.put(call.getArgument(0), call.getArgument(1))).when(request).setAttribute(anyString(), any());
    return request;
  }

  /** The fewest of several times: whatever else goes on in the application is not part of the question. */
  private long roundTrips(TestApplication app, String question) {
    return fewest(app, question, "SHOW GLOBAL STATUS LIKE 'Questions'");
  }

  private long written(TestApplication app, String question) {
    return fewest(app, question, "SHOW GLOBAL STATUS LIKE 'Handler_update'");
  }

  private long fewest(TestApplication app, String question, String counter) {
    asker.get(question);
    return LongStream.range(0, TIMES).map(i -> {
      long before = count(app, counter);
      assertThat(asker.get(question).status()).isEqualTo(200);
      return count(app, counter) - before - (counter.contains("Questions") ? 1 : 0);
    }).min().orElseThrow();
  }

  private static long count(TestApplication app, String counter) {
    return app.bean(JdbcClient.class).sql(counter).query((row, i) -> row.getLong(2)).single();
  }
}
