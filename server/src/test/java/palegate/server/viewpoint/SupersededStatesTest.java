package palegate.server.viewpoint;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.ref.ReferenceQueue;
import java.lang.ref.WeakReference;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.snapshot.Snapshot;
import palegate.server.drafts.Drafts;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/**
 * A state that was superseded is held by nothing, whatever was asked of it by whom: at a million documents each takes up to 33 MB beside the next, and a
 * few dozen changes of places filled the memory when what was worked out of them held them.
 */
@ExtendWith(InDemo.class)
class SupersededStatesTest {
  private static final int CHANGES = 6;
  /** Who keeps everything but what walls keep from them, who keeps one library, and who audits. */
  private static final List<String> WHO = List.of("wenna.carrow", "ola.lindqvist", "oriel.fenn");
  private static final Duration AT_MOST = Duration.ofSeconds(20);
  private static final int LOOKED_AGAIN_AFTER_MILLISECONDS = 50;

  /** What has been let go is told here. */
  private final ReferenceQueue<Snapshot> gone = new ReferenceQueue<>();

  @Test
  void no_answer_of_any_endpoint_holds_a_state_after_the_next_change(TestApplication app) throws InterruptedException {
    Map<String, Browser> browsers = WHO.stream().collect(Collectors.toMap(who -> who, app::signedIn));
    browsers.get("wenna.carrow").post("/api/walk/p-mia", Map.of("reason", "To see"));
    List<WeakReference<Snapshot>> states = new ArrayList<>();
    List<WeakReference<Snapshot>> known = new ArrayList<>();
    for (int i = 0; i < CHANGES; i++) {
      String who = WHO.get(i % WHO.size());
      Browser browser = browsers.get(who);
      asEveryQuestion(browser);
      states.add(new WeakReference<>(app.bean(Snapshots.class).current().snapshot(), gone));
      known.add(new WeakReference<>(app.bean(Viewpoints.class).of(who).snapshot(), gone));
      Browser wenna = browsers.get("wenna.carrow");
      wenna.post("/api/draft/changes", Map.of("kind", "addPlace", "placeKind", "folder", "parent", "lib-cas", "name", "New " + i));
      asEveryQuestionOfDrafts(wenna);
      assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    }
    // Nobody has asked since: what each may know was made of the newest state all the same.
    assertThat(held(states, 0)).as("of %d states, what is held still", CHANGES).isEqualTo(0);
    // What somebody may know that no change has touched is the same as before.
    assertThat(held(known, WHO.size())).as("of what was known of %d states", CHANGES).isLessThanOrEqualTo(WHO.size());
  }

  @Test
  void a_draft_that_is_discarded_or_loses_its_last_change_holds_nothing_any_more(TestApplication app) throws InterruptedException {
    Browser wenna = app.signedIn("wenna.carrow");
    List<WeakReference<Snapshot>> drafted = new ArrayList<>();
    for (boolean discarded : List.of(true, false)) {
      String item = wenna.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "lib-cas", "name", "Another " + discarded)).body().path("items").get(0).path("id").asString();
      drafted.add(new WeakReference<>(app.bean(Drafts.class).rehearse("wenna.carrow").rehearsal().after(), gone));
      assertThat(wenna.delete(discarded ? "/api/draft" : "/api/draft/changes/" + item).status()).isLessThan(300);
    }
    assertThat(held(drafted, 0)).isEqualTo(0);
  }

  private static void asEveryQuestion(Browser browser) {
    ViewpointQuestions.QUESTIONS.forEach((endpoint, questions) -> questions.stream().filter(question -> endpoint.startsWith("GET ")).limit(2)
        .map(question -> question.replace("$place", "lib-cas").replace("$group", "g-adjusters").replace("$person", "p-mia").replace("$type", "valuation").replace("$entry", "places/lib-cas/access/none").replace("$finding", "none"))
        .forEach(question -> browser.get(question.startsWith("/api/") ? question : endpoint.substring("GET ".length()) + question)));
  }

  private static void asEveryQuestionOfDrafts(Browser browser) {
    IntStream.range(0, 2).forEach(again -> List.of("/api/draft", "/api/draft/rehearsal", "/api/draft/rehearsal/people", "/api/draft/rehearsal/places", "/api/draft/rehearsal/pairs", "/api/places/lib-cas/access?drafted=true",
        "/api/matrix/heads?rows=GROUPS", "/api/drafts", "/api/papers", "/api/papers/search?text=a", "/api/journal", "/api/journal/between?from=2026-11-01T00:00:00Z", "/api/gatehouse", "/api/gatehouse/figures?ago=1", "/api/findings/since").forEach(browser::get));
  }

  /** What is let go is so beside what goes on: it is waited for. */
  private long held(List<WeakReference<Snapshot>> states, int allowed) throws InterruptedException {
    long until = System.nanoTime() + AT_MOST.toNanos();
    long held;
    do {
      System.gc();
      gone.remove(LOOKED_AGAIN_AFTER_MILLISECONDS);
      held = states.stream().filter(state -> state.get() != null).count();
    } while (held > allowed && System.nanoTime() < until);
    return held;
  }
}
