package palegate.server.rounds;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** What a reviewer is asked never passes a wall, also one that is raised in the middle of a round; and two windows do not undo each other. */
@ExtendWith(InDemo.class)
class RoundsAndWallsTest {
  private static long begin(Browser wenna, String place) {
    return wenna.post("/api/rounds", Map.of("name", "Round of " + place, "kinds", List.of("GRANT"), "place", place, "outsidersOnly", false, "rule", "NAMED", "named", "p-ola", "due", "2026-12-24T00:00:00Z", "needsComment", false)).body().path("id").asLong();
  }

  private static JsonNode items(Browser reviewer, long round) {
    return reviewer.get("/api/reviews/" + round + "/items?limit=500").body().path("items").path("items");
  }

  @Test
  void a_wall_raised_in_the_middle_of_a_round_takes_what_lies_behind_it_from_the_reviewer_and_lets_them_hand_in(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.discardDrafts();
    long id = begin(wenna, "lib-cas");
    Browser ola = app.signedIn("ola.lindqvist");
    assertThat(items(ola, id).toString()).contains("C-2406").doesNotContain("C-2411");
    int asked = items(ola, id).size();
    wenna.post("/api/draft/changes", Map.of("kind", "setWall", "wall", "w-round", "name", "Not for Ola", "state", "STANDING", "barrier", "screen",
        "sides", List.of(Map.of("subjects", List.of(Map.of("kind", "person", "id", "p-ola")), "places", List.of("f-2406")))));
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    JsonNode left = items(ola, id);
    assertThat(left.toString()).doesNotContain("C-2406").doesNotContain("Brannock");
    assertThat(left.size()).isBetween(1, asked - 1);
    assertThat(new String(ola.get("/api/reviews/" + id + "/file?format=CSV").bytes())).doesNotContain("Brannock");
    ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", left.valueStream().map(item -> item.path("number").asInt()).toList(), "decision", "KEEP"));
    assertThat(ola.post("/api/reviews/" + id + "/handing-in", Map.of()).status()).as("what they are not asked any more does not hold them up").isEqualTo(204);
    // Whoever runs it still sees that these are open.
    assertThat(wenna.get("/api/rounds/" + id).body().path("outcomes").toString()).contains("open");
  }

  @Test
  void many_windows_that_decide_hand_in_and_close_at_once_leave_one_true_story(TestApplication app) throws Exception {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.discardDrafts();
    ExecutorService windows = Executors.newFixedThreadPool(4);
    try {
      for (int attempt = 0; attempt < 12; attempt++) {
        long id = begin(wenna, "lib-hand");
        Browser ola = app.signedIn("ola.lindqvist");
        List<Integer> numbers = items(ola, id).valueStream().map(item -> item.path("number").asInt()).toList();
        ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", numbers, "decision", "KEEP"));
        String seen = wenna.get("/api/rounds/" + id).body().path("seen").asString();
        CountDownLatch together = new CountDownLatch(1);
        Future<Integer> decides = windows.submit(() -> after(together, ola, "/api/reviews/" + id + "/decisions", Map.of("numbers", numbers, "decision", "REMOVE")));
        Future<Integer> handsIn = windows.submit(() -> after(together, ola, "/api/reviews/" + id + "/handing-in", Map.of()));
        Future<Integer> closes = windows.submit(() -> after(together, wenna, "/api/rounds/" + id + "/closing", Map.of("note", "done", "seen", seen)));
        Future<Integer> closesToo = windows.submit(() -> after(together, wenna, "/api/rounds/" + id + "/closing", Map.of("note", "done too", "seen", seen)));
        together.countDown();
        List<Integer> statuses = List.of(decides.get(), handsIn.get(), closes.get(), closesToo.get());
        assertThat(statuses).as("round %d", id).allMatch(status -> status == 204 || status == 409 || status == 404 || status == 422);
        JsonNode round = wenna.get("/api/rounds/" + id).body();
        assertThat(statuses.subList(2, 4).stream().filter(status -> status == 204).count()).as("closed at most once").isEqualTo(round.path("open").asBoolean() ? 0 : 1);
        // What is about her own access is asked of nobody.
        JsonNode after = wenna.get("/api/rounds/" + id + "/items?reviewer=p-ola&limit=500").body().path("items");
        if (!round.path("open").asBoolean()) {
          after.forEach(item -> assertThat(item.path("outcome").asString()).as("what was written down at the end is of what was decided then: %s", item).isEqualTo(item.path("decision").asString().equals("KEEP") ? "kept" : "to do"));
        }
        assertThat(after.valueStream().map(item -> item.path("decision").asString()).distinct().count()).as("all of them or none").isEqualTo(1);
      }
    } finally {
      windows.shutdownNow();
    }
  }

  private static int after(CountDownLatch together, Browser browser, String path, Object body) throws InterruptedException {
    together.await();
    return browser.post(path, body).status();
  }
}
