package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.Often;
import palegate.server.testkit.TestApplication;

/** Every screen, light and dark, with everything open that can be open. */
@Order(1)
@ExtendWith(InBrowser.class)
class AccessibilityTest {
  private static final String AXE = source();

  /** Text in rows of lists that does not stand within its row: then its upper or lower half is not seen. */
  private static final String CUT_ROWS = """
      () => [...document.querySelectorAll('[data-row]')].slice(0, 40).flatMap((row) => {
        const box = row.getBoundingClientRect()
        if (box.height === 0) return []
        const texts = document.createTreeWalker(row, NodeFilter.SHOW_TEXT)
        const cut = []
        for (let text = texts.nextNode(); text !== null; text = texts.nextNode()) {
          if (text.data.trim() === '' || text.parentElement.closest('.sr') !== null) continue
          const range = document.createRange()
          range.selectNodeContents(text)
          const at = range.getBoundingClientRect()
          if (at.height > 0 && (at.top < box.top - 3 || at.bottom > box.bottom + 3)) cut.push(text.data)
        }
        return cut
      })
      """;

  private static int screens;

  private static String source() {
    try (InputStream axe = AxeBuilder.class.getResourceAsStream("/axe.min.js")) {
      return new String(axe.readAllBytes(), StandardCharsets.UTF_8);
    } catch (IOException broken) {
      throw new UncheckedIOException(broken);
    }
  }

  /** In the light and then in the dark. What is not a matter of colours is the same in both. */
  private static void assertNothingFound(Page page, String where) {
    assertThat(found(page, false)).as(where).isEmpty();
    assertThat((List<?>) page.evaluate(CUT_ROWS)).as("%s, rows in which something is cut above or below", where).isEmpty();
    // Colours are the same everywhere, two for each thing: an ordinary run looks at every second screen in the dark.
    if (Often.times(1, ++screens % 2) == 0) {
      return;
    }
    page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.DARK));
    page.waitForFunction("() => document.querySelector('.v-theme--dark') !== null && document.querySelector('.v-theme--light') === null");
    assertThat(found(page, true)).as("%s, dark", where).isEmpty();
    page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(ColorScheme.LIGHT));
    page.waitForFunction("() => document.querySelector('.v-theme--dark') === null");
  }

  @SuppressWarnings("unchecked")
  private static List<String> found(Page page, boolean coloursOnly) {
    // What is still fading in has not its colours yet.
    page.evaluate("() => Promise.allSettled(document.getAnimations().filter(one => one.effect.getTiming().iterations !== Infinity).map(one => one.finished)).then(() => true)");
    if ((Boolean) page.evaluate("() => window.axe === undefined")) {
      page.evaluate(AXE);
    }
    // Only what is wrong is worked out to its end, and of rows that are all alike the first six: both are most of the time.
    return (List<String>) page.evaluate("""
        (coloursOnly) => axe.run({include: [document], exclude: [...document.querySelectorAll('[data-row], [role=treeitem], tbody tr, ol.items > li, .v-list-item')].filter((one) => [...one.parentElement.children].indexOf(one) >= 6)}, {resultTypes: ['violations'], preload: false, ...(coloursOnly ? {runOnly: {type: 'rule', values: ['color-contrast']}} : {})})
          .then((result) => result.violations.map((rule) => rule.id + ': ' + rule.help + ' at ' + rule.nodes.slice(0, 3).map((node) => node.html).join(' ')))
        """, coloursOnly);
  }

  @Test
  void every_screen_is_clean(Desk desk, TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.delete("/api/draft");
    wenna.post("/api/draft/changes", Map.of("kind", "removeGrant", "place", "root", "entry", "e-100"));
    Page page = desk.window(1280, 800, false);
    desk.open(page, "/sign-in");
    page.getByLabel("Password").waitFor();
    assertNothingFound(page, "sign-in");
    desk.signIn(page, "wenna.carrow");
    desk.open(page, "/places/f-2406");
    page.locator("tr[data-entry]").first().waitFor();
    assertNothingFound(page, "places, access list");
    page.getByLabel("11 people behind Team C-2406: list them").click();
    page.getByRole(AriaRole.DIALOG).locator("[data-row]").first().waitFor();
    assertNothingFound(page, "people behind a line");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Close")).click();
    for (String dialog : List.of("Rejoin …", "Discard")) {
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(dialog)).first().click();
      page.getByRole(AriaRole.DIALOG).waitFor();
      assertNothingFound(page, dialog);
      page.keyboard().press("Escape");
      assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    }
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("People here")).click();
    page.locator("[data-row] button").first().click();
    page.locator("[data-stage]").first().waitFor();
    assertNothingFound(page, "places, people here, why");
    desk.open(page, "/places/f-2607");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("People here")).click();
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Why, or why not, for anybody")).fill("Mia");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Mia Torrance")).first().click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("+ read").setExact(true)).click();
    page.locator("section.ways li").first().waitFor();
    assertNothingFound(page, "why, behind a wall, with ways");
    page.keyboard().press("Escape");
    desk.open(page, "/places/f-2417");
    page.locator("tr[data-entry]").first().waitFor();
    for (String dialog : List.of("Add an entry", "Break …")) {
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(dialog)).click();
      page.getByRole(AriaRole.DIALOG).waitFor();
      assertNothingFound(page, dialog);
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Cancel")).click();
    }
    desk.open(page, "/rehearsal");
    page.locator("[data-row]").first().waitFor();
    assertNothingFound(page, "rehearsal");
    desk.open(page, "/statements?kind=place&id=lib-board&grouping=none");
    page.locator("[data-row]").first().waitFor();
    assertNothingFound(page, "statements");
    desk.open(page, "/journal/3");
    page.locator("section.right [data-row]").first().waitFor();
    assertNothingFound(page, "journal");
    page.keyboard().press("?");
    page.getByRole(AriaRole.DIALOG).waitFor();
    assertNothingFound(page, "keys");
    desk.leave(page);
  }

  @Test
  void every_room_in_which_the_structure_is_built_is_clean(Desk desk, TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.delete("/api/draft");
    wenna.post("/api/draft/changes", Map.of("kind", "setGroup", "name", "Night watch"));
    Page page = desk.window(1280, 800, false);
    desk.signIn(page, "wenna.carrow");
    Map<String, String> rooms = new LinkedHashMap<>();
    rooms.put("/duties", ".table tbody tr");
    rooms.put("/papers/lib-cas?why=lib-cas", ".papers .reasons li");
    rooms.put("/walls/wall-collision", ".wall .counts");
    rooms.put("/gatehouse", ".lines li");
    rooms.put("/matrix?rows=GROUPS&of=group:g-surveyors&column=f-2411", ".panel details");
    rooms.put("/account", ".account li");
    rooms.put("/matrix?rows=GROUPS&top=f-2411&sheets=yes", ".page tbody tr");
    rooms.put("/mailbox", ".mailbox h1");
    rooms.put("/people/units", ".tree [data-row]");
    rooms.put("/people/side-by-side", ".comparison");
    rooms.put("/between", "[data-row]");
    rooms.put("/journal/contents", ".fills [role=table]");
    rooms.put("/walls/wall-pilgrim?view=gaps", ".gap");
    rooms.put("/walls/new", ".kinds");
    rooms.put("/walk", ".begin form");
    rooms.put("/walls/wall-collision?view=contact", ".contact .timeline, .contact [role=status], .contact .list");
    rooms.put("/rounds/new", ".form");
    long round = wenna.post("/api/rounds", Map.of("name", "Casualties", "kinds", List.of("GRANT"), "place", "lib-cas", "outsidersOnly", false, "rule", "NAMED", "named", "p-wenna", "due", "2026-12-24T00:00:00Z", "needsComment", false)).body().path("id").asLong();
    rooms.put("/rounds/" + round, ".round [data-row]");
    rooms.put("/reviews/" + round, "ol.items li");
    rooms.put("/findings?rule=wall-covers-nothing&key=wall-covers-nothing%20wall:wall-pilgrim", ".fixes li");
    rooms.put("/statements?kind=place&id=lib-acc", ".statements [data-row]");
    rooms.put("/people/groups/g-surveyors", ".members [data-row]");
    rooms.put("/people/persons/p-mia", ".detail h3");
    rooms.put("/people/sketch", ".set");
    rooms.put("/roles/r-preparer", "[data-row]");
    rooms.put("/roles", ".apart .one");
    rooms.put("/shares", ".shares [data-row]");
    rooms.put("/shares/shortlists", ".shares tbody li");
    rooms.put("/pass/pa-fee", ".pass h1");
    rooms.put("/types/valuation", ".clearances [data-row]");
    rooms.put("/types/matrix", ".matrix [data-row]");
    rooms.put("/breaks", "[data-row]");
    rooms.put("/drafts/" + wenna.get("/api/draft").body().path("id").asLong(), ".opened h3");
    rooms.forEach((path, there) -> {
      desk.open(page, path);
      page.locator(there).first().waitFor();
      assertNothingFound(page, path);
    });
    desk.open(page, "/types/matrix");
    page.locator(".matrix .all").first().click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Why .* would have this"))).first().click();
    page.locator("[data-stage]").first().waitFor();
    assertNothingFound(page, "why, of a paper that is not there yet, over those behind a cell");
    page.keyboard().press("Escape");
    assertThat(page.locator("[data-stage]")).hasCount(0);
    assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Why .* would have this"))).first()).isFocused();
    for (String view : List.of("Everyone in it", "What it has", "What its people have elsewhere")) {
      desk.open(page, "/people/groups/g-surveyors");
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(view)).click();
      page.locator(".body [data-row]").first().waitFor();
      assertNothingFound(page, view);
    }
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add members")).click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Many at once")).click();
    assertNothingFound(page, "add members");
    desk.open(page, "/places/lib-cas");
    for (String dialog : List.of("New place below …", "Many places below …", "Name, labels, move, remove …", "Ceiling, house rules and sharing …")) {
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("More to do with this place")).click();
      page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText(dialog)).first().click();
      page.getByRole(AriaRole.DIALOG).waitFor();
      assertNothingFound(page, dialog);
      page.keyboard().press("Escape");
      assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    }
    desk.open(page, "/papers/lib-cas");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Bin").setExact(true)).click();
    page.getByText("Nothing is in it.").waitFor();
    assertNothingFound(page, "the bin");
    desk.open(page, "/papers/d-10018");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Share …")).click();
    page.getByRole(AriaRole.DIALOG).locator("fieldset input").first().check();
    assertThat(page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.STATUS)).containsText("let in");
    assertNothingFound(page, "sharing");
    desk.leave(page);
  }

  @Test
  void at_double_size_nothing_is_cut_off_sideways(Desk desk) {
    // A window of 1280 by 800 at 200% shows as many CSS pixels as one of 640 by 400.
    Page page = desk.window(640, 400, false);
    desk.signIn(page, "oriel.fenn");
    for (String path : List.of("/places/f-2406", "/statements?kind=place&id=lib-board&grouping=none", "/journal/3", "/people/groups/g-surveyors", "/roles/r-preparer",
        "/types/valuation", "/breaks", "/shares", "/shares/shortlists", "/drafts")) {
      desk.open(page, path);
      page.locator("h1").first().waitFor();
      assertThat((Integer) page.evaluate("document.documentElement.scrollWidth")).as(path).isLessThanOrEqualTo(640);
      assertThat((Boolean) page.locator("h1").first().evaluate("h => { h.scrollIntoView(); const r = h.getBoundingClientRect(); return r.right <= 640 && r.width > 0 }")).as(path).isTrue();
    }
    desk.leave(page);
  }
}
