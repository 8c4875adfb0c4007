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

  /** Scrolls down, and up again at the end, a step a frame, for some seconds; answers the time of each frame in milliseconds. */
  private static final String SCROLL = """
      ([selector, seconds, pixels]) => new Promise(resolve => {
        const scroller = document.querySelector(selector)
        const times = []
        let last = performance.now()
        const end = last + seconds * 1000
        let step = pixels
        const frame = now => {
          times.push(now - last)
          last = now
          scroller.scrollTop += step
          if (scroller.scrollTop + scroller.clientHeight >= scroller.scrollHeight - 1) step = -pixels
          if (scroller.scrollTop <= 0) step = pixels
          if (now < end) requestAnimationFrame(frame)
          else resolve({ times: times.slice(1), height: scroller.scrollHeight })
        }
        requestAnimationFrame(frame)
      })""";

  /** The same both ways at once. */
  private static final String SCROLL_BOTH_WAYS = """
      ([selector, seconds, pixels]) => new Promise(resolve => {
        const scroller = document.querySelector(selector)
        const times = []
        let last = performance.now()
        const end = last + seconds * 1000
        let down = pixels
        let right = pixels
        const frame = now => {
          times.push(now - last)
          last = now
          scroller.scrollTop += down
          scroller.scrollLeft += right
          if (scroller.scrollTop + scroller.clientHeight >= scroller.scrollHeight - 1) down = -pixels
          if (scroller.scrollTop <= 0) down = pixels
          if (scroller.scrollLeft + scroller.clientWidth >= scroller.scrollWidth - 1) right = -pixels
          if (scroller.scrollLeft <= 0) right = pixels
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
    measure("matrix, both ways", "/matrix?rows=GROUPS", "[role=grid]", "[role=grid] canvas", SCROLL_BOTH_WAYS);
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
    measure(name, path, scroller, row, SCROLL);
  }

  @SuppressWarnings("unchecked")
  private void measure(String name, String path, String scroller, String row, String scrolling) {
    desk.open(page, path);
    page.locator(row).first().waitFor();
    Desk.drawn(page);
    Map<String, Object> found = (Map<String, Object>) page.evaluate(scrolling, List.of(scroller, SECONDS, PIXELS));
    double[] times = ((List<Number>) found.get("times")).stream().mapToDouble(Number::doubleValue).sorted().toArray();
    System.out.printf(Locale.ROOT, "  %-38s %5.1f frames/s; a frame p50 %.1f ms, p95 %.1f ms, p99 %.1f ms; %,d pixels high%n", name,
        times.length / Arrays.stream(times).sum() * 1000, times[times.length / 2], times[(int) (times.length * 0.95)], times[(int) (times.length * 0.99)],
        ((Number) found.get("height")).longValue());
  }
}
