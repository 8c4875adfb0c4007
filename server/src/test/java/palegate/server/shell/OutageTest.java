package palegate.server.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.parallel.Isolated;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.OwnDatabase;
import palegate.server.testkit.TestApplication;

@ExtendWith(InDemo.class)
@OwnDatabase
@Isolated
class OutageTest {
  @Test
  void a_database_that_dies_is_said_plainly_and_everything_goes_on_when_it_is_back(TestApplication app) throws Exception {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-board", "role", "r-reader",
        "subject", Map.of("kind", "person", "id", "p-mia")));
    app.database().stop();
    Browser.Answer away = wenna.get("/api/draft");
    assertThat(away.status()).isEqualTo(503);
    assertThat(away.problem()).isEqualTo("database-away");
    assertThat(away.body().path("detail").asString()).contains("Your draft is kept", "./palegate start");
    assertThat(away.header("Retry-After")).isNotEmpty();
    app.database().resume();
    Browser.Answer back = wenna.get("/api/draft");
    for (long end = System.nanoTime() + Duration.ofSeconds(20).toNanos(); back.status() != 200 && System.nanoTime() < end;) {
      back = wenna.get("/api/draft");
    }
    assertThat(back.status()).isEqualTo(200);
    assertThat(back.body().path("items")).hasSize(1);
  }
}
