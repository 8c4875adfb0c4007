package palegate.e2e;

import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.options.AriaRole;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/**
 * In every room somebody goes from one thing to another before the answers about the first are there, and these come last, the newest
 * first. While the second is on its way nothing of the first can be used as if it were the second; in the end all that is shown is of the second.
 */
@ExtendWith(InBrowser.class)
class SlowAnswersTest {
  /** Two addresses of a room, with the name that a heading says of each. */
  private record Pair(String first, String firstName, String second, String secondName) {}

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
      new Pair("/places/f-2406?why=p-mia", "Brannock Star", "/people/persons/p-ola", "Ola Lindqvist"));

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
  void answers_that_come_late_and_in_the_wrong_order_say_nothing_of_what_was_left(Desk desk) {
    SoftAssertions all = new SoftAssertions();
    Page page = desk.signedIn("wenna.carrow");
    List<String> broken = new ArrayList<>();
    page.onPageError(broken::add);
    for (Pair pair : PAIRS) {
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
      Desk.drawn(page);
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
      new Opened("/people/persons/p-mia", "Make like …", "/people/persons/p-ola", "Ola Lindqvist"));

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

  private static boolean says(List<String> headings, String name) {
    return headings.stream().anyMatch(heading -> heading.contains(name));
  }
}
