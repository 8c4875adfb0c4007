package palegate.server.inforce;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.store.StructureStore;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.Often;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Two windows of one author, and several administrators at once: the rehearsal on the screen is the draft's own, and nothing is answered 500. */
@Order(2)
@ExtendWith(InDemo.class)
class RacesTest {
  private static final long SEED = 20_261_128L;
  private static final int RACES = Often.times(1_000, 100);

  private static Map<String, Object> grant(int number, String person) {
    return Map.of("kind", "addGrant", "place", "out-" + number % 3, "subject", Map.of("kind", "person", "id", person), "role", "r-reader");
  }

  @AfterEach
  void clear(TestApplication app) {
    for (String login : List.of("wenna.carrow", "teodor.brask")) {
      app.signedIn(login).discardDrafts();
    }
  }

  @Test
  void the_rehearsal_on_the_screen_is_that_of_the_draft_it_stands_beside_in_every_race_of_two_windows(TestApplication app) throws Exception {
    Browser one = app.signedIn("wenna.carrow");
    Browser other = app.signedIn("wenna.carrow");
    ExecutorService windows = Executors.newFixedThreadPool(2);
    List<String> people = one.get("/api/people?limit=50").body().path("items").valueStream().map(person -> person.path("person").path("id").asString(person.path("id").asString())).toList();
    try {
      for (int race = 0; race < RACES; race++) {
        int number = race;
        CountDownLatch start = new CountDownLatch(1);
        Future<Browser.Answer> first = windows.submit(() -> at(start, () -> one.post("/api/draft/changes", grant(number, people.get(number % people.size())))));
        Future<Browser.Answer> second = windows.submit(() -> at(start, () -> other.post("/api/draft/changes", grant(number + 1, people.get((number + 7) % people.size())))));
        start.countDown();
        for (Browser.Answer answer : List.of(first.get(20, TimeUnit.SECONDS), second.get(20, TimeUnit.SECONDS))) {
          assertThat(answer.status()).as("race %d: %s", race, answer.body()).isEqualTo(201);
          assertShowsItsOwn(race, answer.body());
        }
        JsonNode now = one.get("/api/draft").body();
        assertThat(now.path("items")).as("race %d: both are in it, each once", race).hasSize(2);
        assertShowsItsOwn(race, now);
        assertThat(now.path("version").asInt()).isEqualTo(2);
        assertThat(one.delete("/api/draft").status()).isEqualTo(204);
      }
    } finally {
      windows.shutdownNow();
    }
  }

  /** The digest beside the changes is that of rehearsing just these changes. */
  private static void assertShowsItsOwn(int race, JsonNode draft) {
    int items = draft.path("items").size();
    assertThat(items).as("race %d", race).isEqualTo(draft.path("version").asInt());
    assertThat(draft.path("totals").path("peopleGaining").asInt() + draft.path("withoutEffect").asInt()).as("race %d: each change gives somebody something, or says that it does not: %s", race, draft)
        .isEqualTo(items);
  }

  private static Browser.Answer at(CountDownLatch start, Callable<Browser.Answer> work) throws Exception {
    start.await();
    return work.call();
  }

  @Test
  void what_two_windows_put_in_force_at_once_is_what_one_of_them_saw_and_happens_once(TestApplication app) throws Exception {
    Browser one = app.signedIn("wenna.carrow");
    Browser other = app.signedIn("wenna.carrow");
    ExecutorService windows = Executors.newFixedThreadPool(2);
    Random random = new Random(SEED);
    try {
      for (int race = 0; race < Often.times(60, 30); race++) {
        assertThat(one.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "f-2417", "name", "Race " + race)).status()).isEqualTo(201);
        Map<String, Object> seen = one.order(false);
        long head = app.bean(StructureStore.class).head();
        CountDownLatch start = new CountDownLatch(1);
        boolean edits = random.nextBoolean();
        int number = race;
        Future<Browser.Answer> puts = windows.submit(() -> at(start, () -> one.post("/api/draft/in-force", seen)));
        Future<Browser.Answer> meanwhile = windows.submit(() -> at(start, () -> edits
            ? other.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "f-2423", "name", "Unseen " + number)) : other.post("/api/draft/in-force", seen)));
        start.countDown();
        Browser.Answer put = puts.get(20, TimeUnit.SECONDS);
        Browser.Answer second = meanwhile.get(20, TimeUnit.SECONDS);
        assertThat(put.status()).as("%s", put.body()).isIn(200, 409);
        assertThat(second.status()).as("%s", second.body()).isIn(200, 201, 409);
        long changes = app.bean(StructureStore.class).head() - head;
        assertThat(changes).as("race %d, seed %d", race, SEED).isLessThanOrEqualTo(1);
        if (changes == 1 && edits) {
          JsonNode altered = one.get("/api/journal/" + (head + 1)).body().path("altered").path("items");
          assertThat(altered).as("what was not seen is not in it").hasSize(1);
        }
        one.delete("/api/draft");
      }
    } finally {
      windows.shutdownNow();
    }
  }

  private static final int REQUESTS = Often.times(130, 50);

  @Test
  void administrators_at_work_at_once_are_never_answered_with_a_failure(TestApplication app) throws Exception {
    ExecutorService administrators = Executors.newFixedThreadPool(8);
    AtomicInteger asked = new AtomicInteger();
    List<Future<List<String>>> failures = new ArrayList<>();
    try {
      for (int i = 0; i < 8; i++) {
        int worker = i;
        failures.add(administrators.submit(() -> work(app, worker, asked)));
      }
      for (Future<List<String>> found : failures) {
        assertThat(found.get(120, TimeUnit.SECONDS)).isEmpty();
      }
    } finally {
      administrators.shutdownNow();
    }
    assertThat(asked.get()).isGreaterThan(7 * REQUESTS);
  }

  private static List<String> work(TestApplication app, int worker, AtomicInteger asked) {
    Browser browser = app.signedIn(worker % 2 == 0 ? "wenna.carrow" : "teodor.brask");
    Random random = new Random(SEED + worker);
    List<String> failures = new ArrayList<>();
    for (int i = 0; i < REQUESTS; i++) {
      Browser.Answer answer = switch (random.nextInt(6)) {
        case 0, 1 -> browser.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "out-" + random.nextInt(3), "name", "Name " + worker + " " + i));
        case 2 -> browser.post("/api/draft/in-force", browser.order(true));
        case 3 -> browser.post("/api/draft/renewal", Map.of());
        case 4 -> browser.delete("/api/draft");
        default -> browser.post("/api/drafts", Map.of("name", "Draft " + worker + " " + i));
      };
      asked.incrementAndGet();
      if (answer.status() >= 500) {
        failures.add(worker + "/" + i + " (seed " + SEED + "): " + answer.status() + " " + answer.body());
      }
    }
    return failures;
  }
}
