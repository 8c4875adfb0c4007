package palegate.e2e;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;

/** How many frames a second long lists keep while they are scrolled: run by {@code ./palegate bench screen}. Chromium draws without a graphics card here. */
public final class Scrolling {
  private static final int SECONDS = 4;
  /** A wheel turned fast: so many pixels a frame. */
  private static final int PIXELS = 90;

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

  private Scrolling() {}

  public static void main(String[] arguments) {
    try (TestDatabase database = TestDatabase.start();
        TestApplication app = TestApplication.startNow(database);
        Desk desk = new Desk(app.address())) {
      Page page = desk.signedIn("wenna.carrow");
      System.out.printf("%nScrolling, frames a second over %d seconds, %d pixels a frame%n", SECONDS, PIXELS);
      measure(desk, page, "statement of everyone everywhere", "/statements?about=PLACE&id=root", ".list .scroller");
      measure(desk, page, "persons", "/people/persons", ".list .scroller");
      measure(desk, page, "breaks", "/breaks", ".list .scroller");
    }
  }

  @SuppressWarnings("unchecked")
  private static void measure(Desk desk, Page page, String name, String path, String selector) {
    desk.open(page, path);
    page.locator("[data-row]").first().waitFor();
    page.waitForTimeout(1_000);
    Map<String, Object> found = (Map<String, Object>) page.evaluate(SCROLL, List.of(selector, SECONDS, PIXELS));
    double[] times = ((List<Number>) found.get("times")).stream().mapToDouble(Number::doubleValue).sorted().toArray();
    double sum = java.util.Arrays.stream(times).sum();
    System.out.printf(Locale.ROOT, "  %-34s %5.1f frames/s; a frame p50 %.1f ms, p95 %.1f ms, p99 %.1f ms; %,d pixels high%n", name, times.length / sum * 1000,
        times[times.length / 2], times[(int) (times.length * 0.95)], times[(int) (times.length * 0.99)], ((Number) found.get("height")).longValue());
  }
}
