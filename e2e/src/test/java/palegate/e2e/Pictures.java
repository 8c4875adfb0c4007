package palegate.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;

/** Takes the pictures of docs/screenshots from the demo: run by {@code ./palegate pictures}. */
public final class Pictures {
  private final Desk desk;
  private final TestApplication app;
  private final Path folder;

  private Pictures(Desk desk, TestApplication app, Path folder) {
    this.desk = desk;
    this.app = app;
    this.folder = folder;
  }

  public static void main(String[] arguments) {
    try (TestDatabase database = TestDatabase.start();
        TestApplication app = TestApplication.startNow(database, "demo");
        Desk desk = new Desk(app.address())) {
      new Pictures(desk, app, Path.of(arguments[0])).take();
    }
  }

  private void take() {
    Page page = desk.open(desk.window(), "/sign-in");
    page.getByText("The demo’s people").waitFor();
    desk.signIn(page, "wenna.carrow");
    desk.open(page, "/gatehouse");
    page.locator(".lines li").first().waitFor();
    page.locator(".figures canvas").first().waitFor();
    page.getByText("Counting month").waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    shot(page, page.locator(".figures canvas").first(), "gatehouse");
    desk.open(page, "/places/f-2607");
    askWhyMia(page);
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("+ read").setExact(true)).click();
    page.locator("section.ways li").last().scrollIntoViewIfNeeded();
    shot(page, page.locator("section.ways li").first(), "wall");
    desk.open(page, "/walls/wall-collision?view=inside");
    shot(page, page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Places it covers")).locator("[data-row]").first(), "walls");
    app.signedIn("wenna.carrow").post("/api/walk/p-mia", Map.of("reason", "She says that she cannot find Kittiwake"));
    desk.open(page, "/walk/p-mia/lib-cas");
    page.getByLabel("Also what is hidden from Mia").check();
    page.getByText("hidden: a wall").first().waitFor();
    shot(page, page.locator(".panel h2"), "walk");
    draftSomething();
    desk.open(page, "/places/f-2417");
    shot(page, page.locator("[data-drafted=ADDED]").first(), "draft");
    desk.open(page, "/rehearsal");
    shot(page, page.locator(".list [data-row]").first(), "rehearsal");
    desk.open(page, "/statements?kind=place&id=lib-cas");
    shot(page, page.locator("[data-row]").first(), "statement");
    int tenders = app.signedIn("wenna.carrow").get("/api/journal?text=Saint%20Orrin:").body().path("items").get(0).path("number").asInt();
    desk.open(page, "/journal/" + tenders);
    shot(page, page.locator("section.right [data-row]").first(), "journal");
    rooms(page);
    Page dark = desk.window(1280, 800, true);
    desk.signIn(dark, "wenna.carrow");
    desk.open(dark, "/shares");
    shot(dark, dark.locator("[data-row]").first(), "shares");
  }

  private void rooms(Page page) {
    desk.open(page, "/duties");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("2 people")).first().click();
    shot(page, page.locator(".holders").first(), "duties");
    Page mia = desk.window();
    desk.enter(mia, "mia.torrance", "pale-gate-demo");
    desk.open(mia, "/papers/d-10004");
    mia.locator(".paper .title button").click();
    mia.locator(".reasons li").last().waitFor();
    shot(mia, mia.locator(".paper h2"), "papers");
    desk.leave(mia);
    desk.open(page, "/people/groups/g-surveyors");
    shot(page, page.locator(".members [data-row]").first(), "people");
    desk.open(page, "/roles/r-preparer");
    shot(page, page.locator("[data-row]").first(), "roles");
    desk.open(page, "/types/valuation");
    shot(page, page.locator(".clearances [data-row]").first(), "types");
    desk.open(page, "/breaks");
    shot(page, page.locator("[data-row]").first(), "breaks");
    desk.open(page, "/matrix?rows=GROUPS&top=lib-cas&of=group:g-surveyors&column=f-2411");
    page.locator(".panel details").first().waitFor();
    page.getByText("being looked up").first().waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.DETACHED));
    shot(page, page.locator(".matrix canvas"), "matrix");
    desk.open(page, "/findings?key=wall-covers-nothing%20wall:wall-pilgrim");
    page.locator("[data-row]").first().waitFor();
    shot(page, page.locator(".fixes li").first(), "findings");
    Browser wenna = app.signedIn("wenna.carrow");
    Browser.Answer begun = wenna.post("/api/rounds", Map.of("name", "Casualties, autumn", "kinds", List.of("GRANT", "MEMBERSHIP"), "place", "lib-cas", "outsidersOnly", false, "rule", "KEEPER", "named", "p-ola", "standIn", "p-wenna",
        "due", Instant.now().plus(Duration.ofDays(28)).toString(), "needsComment", false));
    if (begun.status() >= 300) {
      throw new IllegalStateException("The round was not begun: " + begun.body());
    }
    long round = begun.body().path("id").asLong();
    Browser ola = app.signedIn("ola.lindqvist");
    List<Integer> mine = ola.get("/api/reviews/" + round + "/items?limit=12").body().path("items").path("items").valueStream().map(item -> item.path("number").asInt()).toList();
    ola.post("/api/reviews/" + round + "/decisions", Map.of("numbers", mine.subList(0, 1), "decision", "REMOVE", "comment", "The survey is done"));
    ola.post("/api/reviews/" + round + "/decisions", Map.of("numbers", mine.subList(1, 4), "decision", "KEEP"));
    desk.open(page, "/rounds/" + round);
    shot(page, page.locator(".round [data-row]").first(), "round");
    Page reviewer = desk.window();
    desk.enter(reviewer, "ola.lindqvist", "pale-gate-demo");
    desk.open(reviewer, "/reviews/" + round);
    shot(reviewer, reviewer.locator("ol.items li").first(), "reviews");
    desk.leave(reviewer);
  }

  private static void askWhyMia(Page page) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("People here")).click();
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Why, or why not, for anybody")).fill("Mia");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Mia Torrance")).first().click();
  }

  private void draftSomething() {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/changes", Map.of("kind", "break", "place", "f-2417", "start", "EMPTY", "keepers",
        List.of(Map.of("subject", Map.of("kind", "group", "id", "g-keepers"), "role", "r-keeper"))));
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "f-2417", "role", "r-preparer",
        "subject", Map.of("kind", "group", "id", "g-firm-1"), "note", "Class survey of the hull"));
  }

  private void shot(Page page, Locator ready, String name) {
    ready.waitFor();
    Desk.drawn(page);
    page.screenshot(new Page.ScreenshotOptions().setPath(folder.resolve(name + ".png")));
  }
}
