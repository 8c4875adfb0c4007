package palegate.e2e;

import com.microsoft.playwright.Page;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;

/**
 * How many frames a second long lists keep while they are scrolled, of the demo or of the large structure: run by
 * {@code ./palegate bench screen}. Chromium draws without a graphics card here.
 */
public final class Scrolling {
  private static final int SECONDS = 4;
  /** A wheel turned fast: so many pixels a frame. */
  private static final int PIXELS = 90;
  private static final String LOGIN = "wenna.carrow";
  /** Enough for a list of some length, and few enough to be drafted one by one. */
  private static final int DRAFTED = 200;

  /** Scrolls down, and up again at the end, a step a frame, for some seconds, sideways as well if that is asked for; answers the time of each frame in milliseconds. */
  private static final String SCROLL = """
      ([selector, seconds, pixels, sideways]) => new Promise(resolve => {
        const scroller = document.querySelector(selector)
        const times = []
        let last = performance.now()
        const end = last + seconds * 1000
        const step = { scrollTop: pixels, ...(sideways ? { scrollLeft: pixels } : {}) }
        const furthest = { scrollTop: () => scroller.scrollHeight - scroller.clientHeight, scrollLeft: () => scroller.scrollWidth - scroller.clientWidth }
        const frame = now => {
          times.push(now - last)
          last = now
          for (const way of Object.keys(step)) {
            scroller[way] += step[way]
            if (scroller[way] >= furthest[way]() - 1) step[way] = -pixels
            if (scroller[way] <= 0) step[way] = pixels
          }
          if (now < end) requestAnimationFrame(frame)
          else resolve({ times: times.slice(1), height: scroller.scrollHeight })
        }
        requestAnimationFrame(frame)
      })""";

  private final Desk desk;
  private final Page page;
  private final Browser browser;

  private Scrolling(Desk desk, TestApplication app) {
    this.desk = desk;
    page = desk.signedIn(LOGIN);
    browser = app.signedIn(LOGIN);
  }

  public static void main(String[] arguments) {
    String size = arguments.length > 0 ? arguments[0] : "demo";
    try (TestDatabase database = TestDatabase.start();
        TestApplication app = TestApplication.startNow(database, size);
        Desk desk = new Desk(app.address())) {
      System.out.printf("%nScrolling, %s, frames a second over %d seconds, %d pixels a frame%n", size, SECONDS, PIXELS);
      new Scrolling(desk, app).run(size.equals("demo"));
    }
  }

  private void run(boolean small) {
    measure(small ? "statement of everyone everywhere" : "statement of everyone in a library", "/statements?kind=place&grouping=none&id=" + (small ? "root" : library()));
    measure("persons", "/people/persons");
    measure("groups", "/people/groups");
    measure("breaks", "/breaks");
    measure("matrix, both ways", "/matrix?rows=GROUPS", "[role=grid]", "[role=grid] canvas", true);
    String library = library();
    draft(Map.of("kind", "addGrant", "place", library, "subject", Map.of("kind", "builtin", "id", "outsiders"), "role",
        // The widest role for those who have least: something changes in any structure.
        browser.get("/api/roles").body().valueStream().max(Comparator.comparingInt(role -> role.path("rights").size())).orElseThrow().path("id").asString()));
    measure("rehearsal: people", "/rehearsal?view=people");
    measure("rehearsal: places", "/rehearsal?view=places");
    measure("rehearsal: each person at each place", "/rehearsal?view=pairs");
    for (int i = 0; i < DRAFTED; i++) {
      draft(Map.of("kind", "addPlace", "placeKind", "folder", "parent", library, "name", "Drafted " + i));
    }
    measure("changes of a draft", "/rehearsal", ".changes .scroller", ".changes [data-row]");
    browser.delete("/api/draft");
  }

  private String library() {
    return browser.get("/api/places/root/children").body().valueStream().filter(one -> one.path("kind").asString().equals("library")).findFirst().orElseThrow()
        .path("id").asString();
  }

  private void draft(Map<String, Object> change) {
    Browser.Answer answer = browser.post("/api/draft/changes", change);
    if (answer.status() >= 300) {
      throw new IllegalStateException("Drafting answers [" + answer.status() + "]: " + answer.body());
    }
  }

  private void measure(String name, String path) {
    measure(name, path, ".list .scroller", ".list [data-row]");
  }

  private void measure(String name, String path, String scroller, String row) {
    measure(name, path, scroller, row, false);
  }

  @SuppressWarnings("unchecked")
  private void measure(String name, String path, String scroller, String row, boolean sideways) {
    desk.open(page, path);
    page.locator(row).first().waitFor();
    Desk.drawn(page);
    Map<String, Object> found = (Map<String, Object>) page.evaluate(SCROLL, List.of(scroller, SECONDS, PIXELS, sideways));
    double[] times = ((List<Number>) found.get("times")).stream().mapToDouble(Number::doubleValue).sorted().toArray();
    System.out.printf(Locale.ROOT, "  %-38s %5.1f frames/s; a frame p50 %.1f ms, p95 %.1f ms, p99 %.1f ms; %,d pixels high%n", name,
        times.length / Arrays.stream(times).sum() * 1000, times[times.length / 2], times[(int) (times.length * 0.95)], times[(int) (times.length * 0.99)],
        ((Number) found.get("height")).longValue());
  }
}
