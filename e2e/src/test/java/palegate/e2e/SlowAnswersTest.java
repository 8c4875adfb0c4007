package palegate.e2e;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.WaitForSelectorState;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/**
 * In every room somebody goes from one thing to another before the answers about the first are there, and these come last, the newest
 * first. While the second is on its way nothing of the first can be used as if it were the second; in the end all that is shown is of the second.
 */
@ExtendWith(InBrowser.class)
class SlowAnswersTest {
  /** Two addresses of a room, with the name that a heading says of each. */
  private record Pair(String first, String firstName, String second, String secondName) {
    boolean inOneRoom() {
      return first.split("[/?]")[1].equals(second.split("[/?]")[1]);
    }
  }

  private static final List<Pair> PAIRS = List.of(
      new Pair("/places/f-2406", "Brannock Star", "/places/f-2411", "Lady Ottoline"),
      new Pair("/papers/lib-cas", "Casualties", "/papers/lib-acc", "Accounts"),
      new Pair("/people/persons/p-mia", "Mia Torrance", "/people/persons/p-ola", "Ola Lindqvist"),
      new Pair("/people/groups/g-surveyors", "Surveyors", "/people/groups/g-adjusters", "Adjusters"),
      new Pair("/breaks/f-2406", "Brannock Star", "/breaks/f-2411", "Lady Ottoline"),
      new Pair("/walls/wall-collision", "Brannock Star", "/walls/wall-fraud", "Tern Rock"),
      new Pair("/journal/3", "Change 3", "/journal/4", "Change 4"),
      new Pair("/statements?kind=place&id=lib-acc", "Accounts", "/statements?kind=place&id=lib-board", "Board"),
      new Pair("/matrix?rows=GROUPS&of=group:g-surveyors&column=f-2411", "Surveyors at C-2411", "/matrix?rows=GROUPS&of=group:g-adjusters&column=f-2406", "at C-2406"),
      new Pair("/places/f-2406?why=p-mia", "Brannock Star", "/people/persons/p-ola", "Ola Lindqvist"),
      new Pair("/roles/r-reader", "Where it is used", "/places/f-2406", "Brannock Star"),
      new Pair("/types/minute", "Board minute", "/types/appraisal", "Appraisal"),
      new Pair("/gatehouse", "Ends within a week", "/journal/3", "Change 3"),
      new Pair("/duties", "Duties", "/walls/wall-fraud", "Tern Rock"),
      new Pair("/shares/register", "Shares", "/people/persons/p-mia", "Mia Torrance"),
      new Pair("/drafts", "A second person approves", "/walls/wall-collision", "Brannock Star"),
      new Pair("/walk/p-mia", "Walk", "/papers/lib-cas", "Casualties"),
      new Pair("/between", "Between two days", "/types/minute", "Board minute"));

  /** Pairs whose addresses the application makes: two rounds, what one is asked in them, two findings. */
  private static List<Pair> made(Browser wenna) {
    List<String> rounds = Stream.of("First look", "Second look").map(name -> wenna.post("/api/rounds", Map.of("name", name, "kinds", List.of("GRANT"), "place", "lib-cas", "outsidersOnly", false, "rule", "NAMED",
        "named", "p-wenna", "standIn", "p-ola", "due", Instant.now().plus(Duration.ofDays(20)).toString(), "needsComment", false)).body().path("id").asString()).toList();
    JsonNode findings = wenna.get("/api/findings?limit=2").body().path("findings").path("items");
    return List.of(new Pair("/rounds/" + rounds.get(0), "First look", "/rounds/" + rounds.get(1), "Second look"),
        new Pair("/reviews/" + rounds.get(0), "First look", "/reviews/" + rounds.get(1), "Second look"),
        new Pair(finding(findings.get(0)), findings.get(0).path("text").asString(), finding(findings.get(1)), findings.get(1).path("text").asString()));
  }

  private static String finding(JsonNode row) {
    return "/findings?key=" + URLEncoder.encode(row.path("key").asString(), StandardCharsets.UTF_8);
  }

  /** Headings that can be read and used: not those of a part that waits. */
  private static final String HEADINGS = "() => [...document.querySelectorAll('#work h1, #work h2, #work h3')].filter((one) => one.closest('[inert]') === null && one.offsetParent !== null).map((one) => one.innerText.replace(/\\s+/g, ' '))";

  /** Whatever the page asks for is held back, and let go with the newest first. */
  private static final class Held {
    private final Page page;
    private final List<Route> routes = new ArrayList<>();
    private boolean holding = true;

    Held(Page page) {
      this.page = page;
      page.route(Pattern.compile("/api/(?!updates|session)"), route -> {
        if (holding) {
          routes.add(route);
        } else {
          route.resume();
        }
      });
    }

    void letGo() {
      holding = false;
      for (int i = routes.size() - 1; i >= 0; i--) {
        routes.get(i).resume();
        Desk.drawn(page);
      }
    }
  }

  /** As a link of the page would. */
  private static void go(Page page, String path) {
    page.evaluate("(path) => { history.pushState(history.state, '', path); dispatchEvent(new PopStateEvent('popstate', { state: history.state })) }", path);
  }

  @Test
  @SuppressWarnings("unchecked")
  void answers_that_come_late_and_in_the_wrong_order_say_nothing_of_what_was_left(Desk desk, TestApplication app) {
    SoftAssertions all = new SoftAssertions();
    Page page = desk.signedIn("wenna.carrow");
    List<String> broken = new ArrayList<>();
    page.onPageError(broken::add);
    for (Pair pair : Stream.concat(PAIRS.stream(), made(app.signedIn("wenna.carrow")).stream()).toList()) {
      desk.open(page, pair.first());
      page.waitForCondition(() -> says((List<String>) page.evaluate(HEADINGS), pair.firstName()));
      // Somewhere else, from where neither has been asked for.
      desk.open(page, "/account");
      page.locator(".account").first().waitFor();
      Held held = new Held(page);
      go(page, pair.first());
      page.waitForCondition(() -> !held.routes.isEmpty());
      Desk.drawn(page);
      // Where one answer tells of all things of a room, nothing more is asked.
      go(page, pair.second());
      Desk.drawn(page);
      // The script of a room that was not seen yet takes its time too: nothing is held of that.
      if (!pair.inOneRoom()) {
        page.waitForCondition(() -> !says((List<String>) page.evaluate(HEADINGS), pair.firstName()));
      }
      all.assertThat((List<String>) page.evaluate(HEADINGS)).as("%s, while %s is on its way", pair.first(), pair.second()).noneMatch(heading -> heading.contains(pair.firstName()));
      held.letGo();
      page.waitForCondition(() -> says((List<String>) page.evaluate(HEADINGS), pair.secondName()));
      Desk.drawn(page);
      all.assertThat((List<String>) page.evaluate(HEADINGS)).as("%s, after %s", pair.second(), pair.first()).noneMatch(heading -> heading.contains(pair.firstName()));
      page.unrouteAll();
    }
    all.assertThat(broken).as("errors of the page").isEmpty();
    all.assertAll();
    page.context().close();
  }

  /** A thing of a room with what opens a dialog there, and another to which one goes while it is open. */
  private record Opened(String first, String button, String second, String secondName) {}

  private static final List<Opened> DIALOGS = List.of(
      new Opened("/places/f-2406", "Add an entry", "/places/f-2411", "Lady Ottoline"),
      new Opened("/places/f-2417", "Break …", "/places/f-2411", "Lady Ottoline"),
      new Opened("/people/groups/g-surveyors", "Add members", "/people/groups/g-adjusters", "Adjusters"),
      new Opened("/people/groups/g-surveyors", "Rename", "/people/groups/g-adjusters", "Adjusters"),
      new Opened("/people/persons/p-mia", "Change", "/people/persons/p-ola", "Ola Lindqvist"),
      new Opened("/people/persons/p-mia", "Make like …", "/people/persons/p-ola", "Ola Lindqvist"),
      new Opened("/places/f-2406", "7 people behind Surveyors: list them", "/places/f-2411", "Lady Ottoline"),
      new Opened("/papers/lib-cas", "Add …", "/papers/lib-acc", "Accounts"),
      new Opened("/papers/lib-cas", "Share …", "/papers/lib-acc", "Accounts"),
      new Opened("/people/groups/g-surveyors", "New group", "/people/groups/g-adjusters", "Adjusters"),
      new Opened("/statements?kind=place&id=lib-acc", "Prepared files …", "/statements?kind=place&id=lib-board", "Board"),
      new Opened("/matrix?rows=GROUPS&of=group:g-surveyors&column=f-2411", "Change it …", "/matrix?rows=GROUPS&of=group:g-adjusters&column=f-2406", "at C-2406"));

  @Test
  @SuppressWarnings("unchecked")
  void a_dialog_about_one_thing_never_becomes_one_about_another(Desk desk) {
    SoftAssertions all = new SoftAssertions();
    Page page = desk.signedIn("wenna.carrow");
    for (Opened opened : DIALOGS) {
      desk.open(page, opened.second());
      page.waitForCondition(() -> says((List<String>) page.evaluate(HEADINGS), opened.secondName()));
      go(page, opened.first());
      page.waitForCondition(() -> !says((List<String>) page.evaluate(HEADINGS), opened.secondName()));
      page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(opened.button()).setExact(true)).first().click();
      page.getByRole(AriaRole.DIALOG).first().waitFor();
      Held held = new Held(page);
      page.goBack();
      Desk.drawn(page);
      all.assertThat(page.getByRole(AriaRole.DIALOG).count()).as("%s, %s, while one leaves", opened.first(), opened.button()).isZero();
      held.letGo();
      page.waitForCondition(() -> says((List<String>) page.evaluate(HEADINGS), opened.secondName()));
      all.assertThat(page.getByRole(AriaRole.DIALOG).count()).as("%s, %s, after one left", opened.first(), opened.button()).isZero();
      page.unrouteAll();
    }
    all.assertAll();
    desk.leave(page);
  }

  /** Forms that stand in the page where else the chosen thing is. */
  @ParameterizedTest
  @CsvSource({"/roles/r-reader, New role, Add the role to the draft, /roles/r-filer", "/types/minute, New type, Add the type to the draft, /types/appraisal", "/walls/wall-collision, Change, Cancel, /walls/wall-fraud"})
  void a_form_about_one_thing_is_not_shown_at_the_address_of_another(String first, String button, String ofForm, String second, Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), second);
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button).setExact(true)).first().waitFor();
    go(page, first);
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button).setExact(true)).first().click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(ofForm).setExact(true)).waitFor();
    page.goBack();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(ofForm).setExact(true)).waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.HIDDEN));
    desk.leave(page);
  }

  private static boolean says(List<String> headings, String name) {
    return headings.stream().anyMatch(heading -> heading.contains(name));
  }
}
