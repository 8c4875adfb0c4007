package palegate.server.walls;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Sections 7 and 8: who asked for a wall and approved it, and what a draft does against its purpose, told to those who may know of walls. */
@ExtendWith(InDemo.class)
class WallChangesTest {
  @Test
  void the_first_and_the_last_change_of_a_wall_are_named_with_their_authors(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode before = wenna.get("/api/walls/wall-brother/changes").body();
    assertThat(before.path("first").path("change").asLong()).isPositive();
    JsonNode wall = wenna.get("/api/walls/wall-brother").body();
    wenna.post("/api/draft/changes", Map.of("kind", "setWall", "wall", "wall-brother", "name", wall.path("name").asString(), "reason", "Said more exactly.", "state", "STANDING", "barrier", "screen", "sides",
        List.of(Map.of("labels", Map.of("case", List.of("C-2607")), "subjects", List.of(Map.of("kind", "person", "id", "p-mia"))))));
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    JsonNode after = wenna.get("/api/walls/wall-brother/changes").body();
    assertThat(after.path("changes").asInt()).isEqualTo(before.path("changes").asInt() + 1);
    assertThat(after.path("first")).isEqualTo(before.path("first"));
    assertThat(after.path("last").path("by").asString()).isEqualTo("Wenna Carrow");
    assertThat(after.path("last").path("approvedBy")).isEmpty();
    assertThat(wenna.get("/api/walls/none/changes").status()).isEqualTo(404);
    assertThat(app.signedIn("ola.lindqvist").get("/api/walls/wall-brother/changes").status()).isEqualTo(403);
  }

  @Test
  void a_draft_against_a_wall_s_purpose_is_told_while_it_is_a_draft_and_to_nobody_who_may_not_know_of_walls(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(wenna.get("/api/draft/wall-watch").body().path("notices")).isEmpty();
    wenna.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "f-2406", "name", "C-2607 Brannock Star"));
    JsonNode told = wenna.get("/api/draft/wall-watch").body().path("notices");
    assertThat(told.valueStream().filter(one -> one.path("place").asString("").equals("f-2406")).map(one -> one.path("kind").asString() + " " + one.path("wall").asString())).as("it leaves the number of one wall for that of another").containsExactlyInAnyOrder("OUTSIDE wall-brother", "INSIDE wall-collision");
    wenna.discardDrafts();
    Browser ola = app.signedIn("ola.lindqvist");
    assertThat(ola.get("/api/draft/wall-watch").status()).isEqualTo(403);
  }
}
