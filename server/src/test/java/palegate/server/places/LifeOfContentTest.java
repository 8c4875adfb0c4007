package palegate.server.places;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.SequenceInputStream;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.structure.Structure;
import palegate.server.bundle.Bundles;
import palegate.server.store.Contents;
import palegate.server.store.StructureStore;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/** No way round a wall (access rules, section 7): content belongs to a document's life, not to its id. */
@ExtendWith(InDemo.class)
class LifeOfContentTest {
  private static final Map<String, Object> WENNA = Map.of("kind", "person", "id", "p-wenna");

  private static Browser.Answer add(Browser browser, String id, String parent) {
    return browser.post("/api/draft/changes", Map.of("kind", "addPlace", "place", id, "placeKind", "document", "parent", parent, "name", "Letter"));
  }

  private static void inForce(Browser browser) {
    Browser.Answer done = browser.putInForce(true);
    assertThat(done.status()).as("%s", done.body()).isEqualTo(200);
  }

  @Test
  void an_id_never_comes_back_for_something_else_and_what_does_come_back_has_its_content(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(add(wenna, "d-life", "lib-hand").status()).isEqualTo(201);
    inForce(wenna);
    assertThat(wenna.put("/api/places/d-life/content", "text/plain", "secret".getBytes()).status()).isEqualTo(204);
    wenna.post("/api/draft/changes", Map.of("kind", "removePlace", "place", "d-life"));
    inForce(wenna);
    long removed = app.bean(StructureStore.class).head();

    Browser.Answer refused = add(wenna, "d-life", "lib-acc");
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().path("detail").asString()).contains("an id never comes back for something else");

    wenna.post("/api/journal/" + removed + "/reversal", Map.of());
    inForce(wenna);
    assertThat(new String(wenna.get("/api/places/d-life/content").bytes())).as("the same thing has come back").isEqualTo("secret");
  }

  @Test
  void what_a_bundle_brings_back_elsewhere_is_something_else_and_has_none_of_the_content(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    StructureStore store = app.bean(StructureStore.class);
    assertThat(add(wenna, "d-bundle", "lib-hand").status()).isEqualTo(201);
    inForce(wenna);
    assertThat(wenna.put("/api/places/d-bundle/content", "text/plain", "secret".getBytes()).status()).isEqualTo(204);
    Structure with = store.asOf(store.head());
    Map<String, palegate.core.places.Place> without = new HashMap<>();
    without.put("d-bundle", null);
    app.bean(Bundles.class).bringIn(with.withPlaces(without), "test", "Test", "without", app.clock().instant());
    app.bean(Bundles.class).bringIn(with.withPlaces(Map.of("d-bundle", with.places().get("d-bundle").movedTo("lib-ten"))), "test", "Test", "elsewhere", app.clock().instant());
    assertThat(wenna.get("/api/places/d-bundle").status()).isEqualTo(200);
    assertThat(wenna.get("/api/places/d-bundle/content").status()).as("that of its former life is not its own").isIn(403, 404);
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "d-bundle", "subject", WENNA, "role", "r-keeper"));
    inForce(wenna);
    assertThat(wenna.get("/api/places/d-bundle/content").status()).isEqualTo(404);
  }

  @Test
  void what_was_on_its_way_when_a_wall_was_raised_is_kept_from_the_document_as_if_it_were_not_there(TestApplication app) throws IOException {
    Browser mia = app.signedIn("mia.torrance");
    Browser wenna = app.signedIn("wenna.carrow");
    String made = mia.post("/api/papers/places/f-2417/children", Map.of("name", "On its way", "folder", false)).body().path("id").asString();
    ContentController controller = app.bean(ContentController.class);
    Principal who = () -> "mia.torrance";
    InputStream first = new ByteArrayInputStream("begun ".getBytes(StandardCharsets.UTF_8));
    InputStream slow = new SequenceInputStream(first, new InputStream() {
      private boolean raised;

      @Override
      public int read() {
        if (!raised) {
          raised = true;
          wenna.post("/api/draft/changes", Map.of("kind", "setWall", "name", "Meanwhile", "state", "STANDING", "barrier", "screen",
              "sides", List.of(Map.of("places", List.of(made), "subjects", List.of(Map.of("kind", "person", "id", "p-mia"))))));
          inForce(wenna);
        }
        return -1;
      }
    });
    assertThatThrownBy(() -> controller.put(made, "text/plain", slow, who)).hasMessageContaining("404");
    assertThat(app.bean(Contents.class).versions(made)).as("nothing is kept").isEmpty();
    assertThat(mia.get("/api/places/" + made + "/content").status()).isEqualTo(404);
    long head = app.bean(StructureStore.class).head();
    assertThat(app.bean(Contents.class).putAsOf(head - 1, made, "text/plain", "x".getBytes(StandardCharsets.UTF_8), "wenna.carrow", TestApplication.TODAY)).as("decided of a state that holds no more").isEmpty();
    assertThat(app.bean(Contents.class).putAsOf(head, made, "text/plain", "x".getBytes(StandardCharsets.UTF_8), "wenna.carrow", TestApplication.TODAY)).hasValue(1);
  }
}
