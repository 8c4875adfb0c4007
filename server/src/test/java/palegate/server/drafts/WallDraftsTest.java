package palegate.server.drafts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.changes.ChangeJson;
import palegate.core.changes.WallChange;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Whole walls, drafted and turned back like anything else. */
@ExtendWith(InDemo.class)
class WallDraftsTest {
  private static final Map<String, Object> MIA = Map.of("kind", "person", "id", "p-mia");

  @AfterEach
  void discardDraft(TestApplication app) {
    app.signedIn("wenna.carrow").delete("/api/draft");
  }

  private static Map<String, Object> screen(String place) {
    return Map.of("kind", "setWall", "wall", "wall-new", "name", "Accounts and Mia", "reason", "Her own fees.", "state", "STANDING", "barrier", "screen",
        "sides", List.of(Map.of("subjects", List.of(MIA), "places", List.of(place))));
  }

  private static Structure now(TestApplication app) {
    return app.bean(Snapshots.class).current().snapshot().structure();
  }

  private static long putInForce(Browser browser) {
    Browser.Answer done = browser.putInForce(UUID.randomUUID().toString());
    assertThat(done.status()).as("%s", done.body()).isEqualTo(200);
    return done.body().path("change").asLong();
  }

  @Test
  void every_wall_of_the_demo_is_the_same_after_it_went_through_a_draft(TestApplication app) {
    assertThat(now(app).walls().values().stream().map(wall -> wall.barrier().kind()).distinct()).contains("screen", "seal", "confine", "sides");
    for (Wall wall : now(app).walls().values()) {
      assertThat(ChangeJson.readKept(ChangeJson.write(new WallChange.SetWall(wall)))).isEqualTo(new WallChange.SetWall(wall));
    }
  }

  @Test
  void a_wall_is_rehearsed_before_it_stands_and_turned_back_after(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Structure before = now(app);
    JsonNode draft = wenna.post("/api/draft/changes", screen("lib-cas")).body();
    assertThat(draft.path("items").get(0).path("words").asString()).isEqualTo("Make the wall Accounts and Mia, standing");
    assertThat(draft.path("totals").path("peopleLosing").asInt()).isEqualTo(1);
    assertThat(draft.path("totals").path("peopleGaining").asInt()).isZero();
    long change = putInForce(wenna);
    assertThat(now(app).walls().get("wall-new").reason()).isEqualTo("Her own fees.");

    assertThat(wenna.post("/api/journal/" + change + "/reversal", Map.of()).body().path("left")).isEmpty();
    assertThat(wenna.get("/api/draft").body().path("items").get(0).path("words").asString()).isEqualTo("Take the wall Accounts and Mia away");
    long undone = putInForce(wenna);
    assertThat(now(app).walls()).isEqualTo(before.walls());

    wenna.post("/api/journal/" + undone + "/reversal", Map.of());
    putInForce(wenna);
    assertThat(now(app).walls().get("wall-new").barrier().kind()).isEqualTo("screen");
    wenna.post("/api/draft/changes", Map.of("kind", "removeWall", "wall", "wall-new"));
    putInForce(wenna);
    assertThat(now(app).walls().containsKey("wall-new")).isFalse();
  }

  @Test
  void everything_that_is_wrong_with_a_wall_is_said_at_once(TestApplication app) {
    Browser.Answer refused = app.signedIn("wenna.carrow").post("/api/draft/changes", Map.of("kind", "setWall", "name", "Wrong", "state", "STANDING",
        "barrier", "screen", "sides", List.of(Map.of("subjects", List.of(Map.of("kind", "person", "id", "p-nobody")), "places", List.of("nowhere"), "types", List.of("t-none")))));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().path("faults").valueStream().map(fault -> fault.path("what").asString()))
        .containsExactly("There is no person [p-nobody] (any more).", "There is no place [nowhere] (any more).", "There is no document type [t-none].");
  }

  @Test
  void it_takes_the_duty_for_walls(TestApplication app) {
    Browser teodor = app.signedIn("teodor.brask");
    assertThat(teodor.post("/api/draft/changes", screen("lib-cas")).status()).isEqualTo(403);
  }
}
