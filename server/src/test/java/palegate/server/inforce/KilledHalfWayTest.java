package palegate.server.inforce;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import palegate.core.structure.Structure;
import palegate.server.store.StructureStore;
import palegate.server.testkit.ApplicationProcess;
import palegate.server.testkit.Browser;
import palegate.server.testkit.Often;
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;

/** The application as a process of its own, killed without warning while it puts a big draft in force. */
@Order(3)
class KilledHalfWayTest {
  private static final int FOLDERS = Often.times(1_500, 600);
  /** Milliseconds: at once, and about when it is written. */
  private static final int[] WAITS = Often.times(3, 2) == 3 ? new int[] {120, 350, 900} : new int[] {120, 900};

  @Test
  void either_all_of_a_draft_is_in_force_or_nothing_and_then_the_draft_is_still_there() throws Exception {
    try (TestDatabase database = TestDatabase.start()) {
      Structure before;
      long head;
      try (TestApplication app = TestApplication.startNow(database)) {
        StructureStore store = app.bean(StructureStore.class);
        head = store.head();
        before = store.asOf(head);
        draftManyFolders(app.signedIn("wenna.carrow"));
      }
      boolean seenNothing = false;
      for (int wait : WAITS) {
        killAfter(database, wait);
        try (TestApplication app = TestApplication.startNow(database)) {
          StructureStore store = app.bean(StructureStore.class);
          long now = store.head();
          Browser wenna = app.signedIn("wenna.carrow");
          if (now == head) {
            seenNothing = true;
            assertThat(store.asOf(now)).as("killed after %d ms", wait).isEqualTo(before);
            assertThat(wenna.get("/api/draft").body().path("items")).hasSize(FOLDERS);
          } else {
            assertThat(now).isEqualTo(head + 1);
            assertThat(store.asOf(now).places()).as("killed after %d ms", wait).hasSize(before.places().size() + FOLDERS);
            assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
            assertThat(wenna.get("/api/journal/" + now).body().path("altered").path("total").asInt()).isEqualTo(FOLDERS);
            return;
          }
        }
      }
      assertThat(seenNothing).isTrue();
    }
  }

  private static void draftManyFolders(Browser browser) {
    List<Map<String, Object>> changes = new ArrayList<>();
    for (int i = 0; i < FOLDERS; i++) {
      changes.add(Map.of("kind", "addPlace", "placeKind", "folder", "parent", "lib-cas", "name", "Folder " + i));
    }
    assertThat(browser.post("/api/draft/changes/many", Map.of("changes", changes)).status()).isEqualTo(201);
  }

  private static void killAfter(TestDatabase database, int milliseconds) throws Exception {
    try (ApplicationProcess application = ApplicationProcess.start(database)) {
      Browser browser = application.signedIn("wenna.carrow");
      Map<String, Object> order = browser.order(true);
      CompletableFuture<?> request = CompletableFuture.runAsync(() ->
          browser.post("/api/draft/in-force", order));
      TimeUnit.MILLISECONDS.sleep(milliseconds);
      application.kill();
      request.exceptionally(cutOff -> null).get(30, TimeUnit.SECONDS);
    }
  }
}
