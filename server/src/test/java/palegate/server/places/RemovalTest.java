package palegate.server.places;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.snapshot.Snapshot;
import palegate.server.store.Contents;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** A folder goes with everything below it in one draft, and comes back with all of it when that is undone. */
@ExtendWith(InDemo.class)
class RemovalTest {
  private static Snapshot now(TestApplication app) {
    return app.bean(Snapshots.class).current().snapshot();
  }

  @Test
  void a_folder_is_removed_with_all_that_was_counted_and_undone_with_what_the_documents_held(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Snapshot before = now(app);
    int top = before.placeNumber("f-2508");
    List<String> below = before.below(top).mapToObj(place -> before.place(place).id()).sorted().toList();
    String document = before.below(top).filter(before::isDocument).mapToObj(place -> before.place(place).id()).findFirst().orElseThrow();
    app.bean(Contents.class).put(document, "text/plain", "Kept all the same.".getBytes(StandardCharsets.UTF_8), "wenna.carrow", app.clock().instant());
    JsonNode removal = wenna.get("/api/places/f-2508/removal").body();
    assertThat(removal.path("documents").asInt()).isEqualTo((int) before.below(top).filter(before::isDocument).count()).isPositive();
    assertThat(removal.path("containers").asInt() + removal.path("documents").asInt() + removal.path("links").asInt()).isEqualTo(below.size());
    assertThat(removal.path("changes").valueStream().map(change -> change.path("place").asString()).sorted()).isEqualTo(below);
    JsonNode drafted = wenna.post("/api/draft/changes/many", Map.of("changes", removal.path("changes"))).body();
    assertThat(drafted.path("totals").path("peopleLosing").asInt()).as("rehearsed before it holds").isPositive();
    assertThat(wenna.putInForce(true).status()).isLessThan(300);
    assertThat(below).allSatisfy(id -> assertThat(now(app).placeNumber(id)).as(id).isNegative());
    long change = app.bean(Snapshots.class).current().change();
    Browser.Answer undone = wenna.post("/api/journal/" + change + "/reversal", Map.of());
    assertThat(undone.status()).isEqualTo(201);
    assertThat(undone.body().path("left")).as("what it cannot bring back").isEmpty();
    assertThat(wenna.putInForce(true).status()).isLessThan(300);
    assertThat(now(app).below(now(app).placeNumber("f-2508")).mapToObj(place -> now(app).place(place).id()).sorted()).isEqualTo(below);
    assertThat(new String(app.bean(Contents.class).find(document, 0).orElseThrow().bytes(), StandardCharsets.UTF_8)).isEqualTo("Kept all the same.");
  }

  @Test
  void what_somebody_else_put_there_meanwhile_is_not_removed_with_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode removal = wenna.get("/api/places/f-2519/removal").body();
    Browser teodor = app.signedIn("teodor.brask");
    assertThat(teodor.post("/api/draft/changes", Map.of("kind", "addPlace", "place", "d-late", "placeKind", "document", "parent", "f-2519", "name", "Late letter", "standsAlone", false)).status()).isLessThan(300);
    assertThat(teodor.putInForce(true).status()).isLessThan(300);
    Browser.Answer refused = wenna.post("/api/draft/changes/many", Map.of("changes", removal.path("changes")));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().path("faults").toString()).contains("There is something below");
    assertThat(wenna.get("/api/draft").body().path("items")).as("all or nothing").isEmpty();
  }
}
