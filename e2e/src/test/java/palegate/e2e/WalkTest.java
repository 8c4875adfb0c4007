package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.OwnDatabase;

/** The repository with somebody else's eyes: begun with a reason, marked as such, and with nothing in it to be done. */
@ExtendWith(InBrowser.class)
@OwnDatabase
class WalkTest {
  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static Locator row(Page page, String name) {
    return page.locator("[data-row]").filter(new Locator.FilterOptions().setHasText(name)).first();
  }

  @Test
  void a_walk_says_whose_eyes_these_are_marks_what_is_hidden_and_tells_why(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/walk");
    page.getByLabel("As whom").first().fill("Mia Torrance");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Mia Torrance")).first().click();
    assertThat(button(page, "Begin the walk")).isDisabled();
    page.getByLabel("Why, in a sentence: it is written down with the walk").fill("She does not find Kittiwake");
    button(page, "Begin the walk").click();
    assertThat(page.locator(".banner")).containsText("You see the repository as Mia Torrance has it now. Nothing can be done here.");
    button(page, "Casualties").click();
    assertThat(row(page, "C-2406")).isVisible();
    assertThat(page.getByText("C-2607 Kittiwake")).hasCount(0);
    page.getByLabel("Also what is hidden from Mia").check();
    assertThat(row(page, "C-2607")).containsText("hidden: a wall");
    row(page, "C-2607").getByText("why").click();
    assertThat(page.locator("aside.why")).containsText("Barred by a wall");
    page.locator("aside.why").getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Close").setExact(true)).first().click();
    // Below the frame the tray of one's own draft stays; within it nothing is to be pressed that does anything.
    assertThat(page.locator(".frame").getByText("Add …")).hasCount(0);
    assertThat((Integer) page.evaluate("() => document.querySelectorAll('.frame form, .frame input[type=file], .frame a[download]').length")).isZero();
    button(page, "C-2406 Brannock Star").click();
    assertThat(page.locator(".panel")).containsText("What they are offered");
    page.locator(".v-select.beside").click();
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("somebody else")).first().click();
    page.getByLabel("Whom", new Page.GetByLabelOptions().setExact(true)).first().fill("Hesper Vance");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Hesper Vance")).first().click();
    assertThat(page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("Hesper Vance"))).isVisible();
    page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Where they are")).getByText("Casualties").click();
    assertThat(row(page, "C-2607").locator(".differs")).isVisible();
    page.getByText("End the walk").click();
    assertThat(page.locator(".banner")).hasCount(0);
    desk.leave(page);
  }
}
