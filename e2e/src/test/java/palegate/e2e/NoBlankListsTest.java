package palegate.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A list of whatever length, of rows of one line or of several, never shows a blank stretch where it has rows. */
@ExtendWith(InBrowser.class)
class NoBlankListsTest {
  private static final List<Integer> LENGTHS = List.of(0, 1, 7, 30, 300, 20_000);
  private static final Pattern PART = Pattern.compile("offset=(\\d+)");
  /** How many pixels in sight of the list are covered by no row, where there should be one. */
  private static final String BLANK = """
      (name) => {
        const list = document.querySelector(`[role=table][aria-label="${name}"]`)
        const seen = list.getBoundingClientRect()
        const all = list.querySelector('.rows').getBoundingClientRect()
        const head = list.querySelector('.head').getBoundingClientRect()
        const top = Math.max(head.bottom, all.top)
        const bottom = Math.min(seen.bottom, innerHeight, all.bottom)
        if (bottom <= top) return 0
        const rows = [...list.querySelectorAll('[data-row]')].map((row) => row.getBoundingClientRect()).sort((a, b) => a.top - b.top)
        let covered = top
        let blank = 0
        for (const row of rows) {
          if (row.top > covered) blank += Math.min(row.top, bottom) - covered
          covered = Math.max(covered, row.bottom)
          if (covered >= bottom) return Math.round(blank)
        }
        return Math.round(blank + bottom - covered)
      }
      """;

  private static void answer(Route route, int length, String item, String wrapped) {
    Matcher part = PART.matcher(route.request().url());
    long offset = part.find() ? Long.parseLong(part.group(1)) : 0;
    String items = LongStream.range(offset, Math.min(length, offset + 200)).mapToObj(i -> item.formatted(i, i, "word ".repeat((int) (i % 9) * 7))).collect(Collectors.joining(","));
    route.fulfill(new Route.FulfillOptions().setContentType("application/json").setBody(wrapped.formatted("{\"total\":" + length + ",\"offset\":" + offset + ",\"items\":[" + items + "]}")));
  }

  private static void assertNoBlank(Page page, String list, String what) {
    // Rows that have just come into sight are drawn with the next frames.
    page.waitForCondition(() -> blank(page, list) <= 2, new Page.WaitForConditionOptions().setTimeout(4_000));
    assertThat(blank(page, list)).as(what).isLessThanOrEqualTo(2);
  }

  private static int blank(Page page, String list) {
    return ((Number) page.evaluate(BLANK, list)).intValue();
  }

  private static void lookThrough(Desk desk, Page page, String path, String list, int length) {
    String what = list + " of " + length;
    desk.open(page, path);
    page.locator("[role=table][aria-label='" + list + "']").waitFor();
    if (length > 0) {
      page.locator("[data-row]").first().waitFor();
    }
    assertNoBlank(page, list, what + ", opened");
    for (double at : List.of(0.5, 1.0, 0.31, 0.0)) {
      page.evaluate("([name, at]) => { const list = document.querySelector(`[role=table][aria-label=\"${name}\"]`); list.scrollTop = at * list.scrollHeight }", List.of(list, at));
      assertNoBlank(page, list, what + ", scrolled to " + at);
    }
    page.setViewportSize(1100, 1000);
    assertNoBlank(page, list, what + ", made larger");
    page.setViewportSize(1280, 600);
    assertNoBlank(page, list, what + ", made smaller");
    page.evaluate("(name) => { const list = document.querySelector(`[role=table][aria-label=\"${name}\"]`); list.scrollTop = 900 }", list);
    page.keyboard().press("o");
    page.waitForURL("**/roles");
    page.goBack();
    page.locator("[role=table][aria-label='" + list + "']").waitFor();
    assertNoBlank(page, list, what + ", come back to");
    page.setViewportSize(1280, 800);
  }

  @Test
  void rows_of_one_line(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    int[] length = {0};
    page.route(Pattern.compile("/api/groups\\?"), route -> answer(route, length[0],
        "{\"id\":\"g%d\",\"name\":\"Group %d\",\"description\":\"%s\",\"people\":3,\"outsiders\":0,\"entries\":1,\"direct\":3,\"drafted\":\"NO\"}", "%s"));
    for (int rows : LENGTHS) {
      length[0] = rows;
      lookThrough(desk, page, "/people/groups", "Groups", rows);
    }
    desk.leave(page);
  }

  @Test
  void rows_of_several_lines(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    int[] length = {0};
    page.route(Pattern.compile("/api/journal/3\\?"), route -> answer(route, length[0],
        "{\"kind\":\"place\",\"id\":\"p%d\",\"title\":\"Thing %d\",\"after\":{\"note\":\"%s\"}}",
        "{\"change\":{\"number\":3,\"author\":\"Wenna Carrow\",\"at\":\"2026-04-09T09:33:00Z\",\"note\":\"A note\",\"origin\":\"draft\"},\"approvals\":[],\"altered\":%s}"));
    for (int rows : LENGTHS) {
      length[0] = rows;
      lookThrough(desk, page, "/journal/3", "What the change altered", rows);
    }
    desk.leave(page);
  }
}
