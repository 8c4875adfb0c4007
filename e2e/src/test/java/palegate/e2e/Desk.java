package palegate.e2e;

import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.PlaywrightException;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ColorScheme;
import com.microsoft.playwright.options.Cookie;
import com.microsoft.playwright.options.ReducedMotion;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import palegate.server.testkit.Browser;

/** A person at a laptop: Chromium at 1280 by 800, at the application's address. */
final class Desk implements AutoCloseable {
  /** Where Debian has it, the one that is built to have no window takes less of the machine. */
  private static final Path CHROMIUM = Stream.of("/usr/bin/chromium-headless-shell", "/usr/bin/chromium").map(Path::of).filter(Files::exists).findFirst().orElseThrow();

  static {
    // What is right is seen at once; of what is wrong one hears that much later, on a machine that others keep busy too.
    PlaywrightAssertions.setDefaultAssertionTimeout(20_000);
  }

  private final Playwright playwright;
  private final com.microsoft.playwright.Browser chromium;
  private final String address;
  /** Windows that nobody sits at any more. Their scripts are read and compiled already, which is half of what a first page takes. */
  private final Deque<Page> left = new ArrayDeque<>();

  Desk(String address) {
    this.address = address;
    String node = System.getenv().getOrDefault("PLAYWRIGHT_NODEJS_PATH", "/usr/bin/node");
    playwright = Playwright.create(new Playwright.CreateOptions().setEnv(Map.of(
        "PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1", "PLAYWRIGHT_NODEJS_PATH", node)));
    chromium = playwright.chromium().launch(new BrowserType.LaunchOptions().setExecutablePath(CHROMIUM).setArgs(List.of(
        "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
        "--disable-component-update", "--disable-sync", "--disable-dev-shm-usage", "--font-render-hinting=none")));
  }

  /** A fresh window in which nobody is signed in. */
  Page window() {
    return window(1280, 800, false);
  }

  Page window(int width, int height, boolean dark) {
    Page page = left.isEmpty() ? newWindow() : left.pop();
    page.setViewportSize(width, height);
    page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(dark ? ColorScheme.DARK : ColorScheme.LIGHT));
    return page;
  }

  /** Whoever sat at it leaves; nothing of theirs stays behind for the next. */
  void leave(Page page) {
    page.unrouteAll();
    try {
      page.evaluate("() => { localStorage.clear(); sessionStorage.clear() }");
      page.navigate("about:blank", new Page.NavigateOptions().setTimeout(5_000));
    } catch (PlaywrightException asksBeforeItGoes) {
      page.context().close();
      return;
    }
    page.context().clearCookies();
    left.push(page);
  }

  private Page newWindow() {
    BrowserContext context = chromium.newContext(new com.microsoft.playwright.Browser.NewContextOptions()
        .setReducedMotion(ReducedMotion.REDUCE).setLocale("en-GB").setTimezoneId("UTC").setAcceptDownloads(true));
    Page page = context.newPage();
    page.setDefaultTimeout(30_000);
    return page;
  }

  /** A window in which somebody is signed in and looks at the places. How one signs in is tried by itself: here it is done beside the page. */
  Page signedIn(String login) {
    Page page = window();
    Browser.at(address).signIn(login, "pale-gate-demo").cookies().forEach((name, value) -> page.context().addCookies(List.of(new Cookie(name, value).setUrl(address))));
    page.navigate(address + "/places");
    page.waitForURL("**/places*");
    page.locator("[role=treeitem]").first().waitFor();
    return page;
  }

  void signIn(Page page, String login) {
    signIn(page, login, "pale-gate-demo");
  }

  void signIn(Page page, String login, String password) {
    come(page, "/sign-in?to=/places", login, password);
    page.waitForURL("**/places*");
    page.locator("[role=treeitem]").first().waitFor();
  }

  /** Signs somebody in who comes to whatever room is the first of theirs. */
  void enter(Page page, String login, String password) {
    come(page, "/sign-in", login, password);
  }

  private void come(Page page, String door, String login, String password) {
    page.navigate(address + door);
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill(login);
    page.getByLabel("Password").fill(password);
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in").setExact(true)).click();
    // On a narrow screen the rooms are behind a button.
    page.locator("#work").waitFor();
  }

  Page open(Page page, String path) {
    page.navigate(address + path);
    return page;
  }

  /** Waits until the page has drawn what it was told: its fonts are there, what moves has come to rest, two frames are over. */
  static void drawn(Page page) {
    page.evaluate("""
        async () => {
          await document.fonts.ready
          await Promise.allSettled(document.getAnimations().filter((one) => one.effect.getComputedTiming().endTime !== Infinity).map((one) => one.finished))
          await new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))
        }
        """);
  }

  @Override
  public void close() {
    chromium.close();
    playwright.close();
  }
}
