package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.TestApplication;

/** The five-minute tour of the README, step by step: if this fails, the README is wrong. */
@ExtendWith(InBrowser.class)
class TourTest {
  @Test
  void is_true_word_for_word(Desk desk, TestApplication app) {
    app.signedIn("wenna.carrow").delete("/api/draft");
    // 1 Sign in
    Page page = desk.open(desk.window(), "/");
    press(page, "wenna.carrow");
    press(page, "Sign in");
    // 2 Look before touching
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Places").setExact(true)).click();
    node(page, "Casualties").locator(".opener").click();
    node(page, "C-2406 Brannock Star").click();
    assertThat(page.locator(".path-line li")).hasCount(3);
    Locator team = page.locator("tr").filter(new Locator.FilterOptions().setHasText("Team C-2406"));
    team.getByText("11", new Locator.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByRole(AriaRole.DIALOG).locator("[data-row]")).hasCount(11);
    press(page, "Close");
    // 3 Ask why
    press(page, "People here");
    page.getByLabel("Why Mia Torrance has this").click();
    assertThat(page.getByRole(AriaRole.COMPLEMENTARY)).containsText(Pattern.compile("by way of Team C-2406\\s+to the end of"));
    page.keyboard().press("Escape");
    // 4 Ask about a wall
    node(page, "C-2607 Kittiwake").click();
    press(page, "People here");
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Why, or why not, for anybody")).fill("Mia");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Mia Torrance")).first().click();
    assertThat(page.getByRole(AriaRole.COMPLEMENTARY)).containsText("Barred by a wall");
    assertThat(page.getByRole(AriaRole.COMPLEMENTARY)).containsText("Without the wall");
    press(page, "+ read");
    assertThat(page.locator("section.ways li").first()).containsText("Except Mia Torrance from the wall");
    page.keyboard().press("Escape");
    // 5 Break a place, the wrong way
    node(page, "C-2417 Grey Pilgrim").click();
    press(page, "Break …");
    page.getByLabel(Pattern.compile("^Start empty")).check();
    press(page, "Add to the draft");
    Locator refusal = page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.ALERT);
    assertThat(refusal).containsText("nobody active and on staff with govern");
    // 6 And the right way
    refusal.getByText("Wenna Carrow").click();
    press(page, "Add to the draft");
    assertThat(page.locator("footer.tray")).containsText(Pattern.compile("1 change.*lose.*documents"));
    press(page, "Access list");
    assertThat(page.getByText("stopped by your draft").first()).isVisible();
    // 7 Rehearse
    page.getByText("Open the rehearsal").click();
    page.locator(".list [data-row] button").first().click();
    assertThat(page.getByText("Show all", new Page.GetByTextOptions().setExact(true))).isVisible();
    // 8 Put it in force
    page.getByLabel("Why: this note stands in the journal").fill("Closed at the owners’ wish");
    press(page, "Put in force");
    page.waitForURL("**/journal/*");
    assertThat(page.locator("section.right")).containsText("access: stands alone");
    // 9 Answer an auditor
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Statements")).click();
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("The place")).fill("Accounts");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("library")).first().click();
    for (String file : new String[] {"Workbook", "CSV", "JSON"}) {
      assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(file).setExact(true))).hasAttribute("href", Pattern.compile("kind=place.*lib-acc"));
    }
    desk.leave(page);
  }

  private static void press(Page page, String name) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
  }

  private static Locator node(Page page, String name) {
    return page.getByRole(AriaRole.TREEITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name + ",")));
  }
}
