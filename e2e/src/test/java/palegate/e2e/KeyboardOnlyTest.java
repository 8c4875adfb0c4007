package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.TestApplication;

/** The whole first task without a mouse. */
@ExtendWith(InBrowser.class)
class KeyboardOnlyTest {
  @BeforeEach
  void discardDraft(TestApplication app) {
    app.signedIn("wenna.carrow").delete("/api/draft");
  }

  private static void press(Page page, String... keys) {
    for (String key : keys) {
      page.keyboard().press(key);
      Desk.drawn(page);
    }
  }

  /** Goes on with Tab until the element has the focus, as a person does. */
  private static void tabTo(Page page, Locator wanted) {
    wanted.waitFor();
    for (int i = 0; i < 80; i++) {
      if ((Boolean) wanted.evaluate("element => element === document.activeElement || element.contains(document.activeElement)")) {
        return;
      }
      page.keyboard().press("Tab");
    }
    throw new AssertionError("Tab does not reach " + wanted);
  }

  @Test
  void from_signing_in_to_a_change_in_force(Desk desk) {
    Page page = desk.open(desk.window(), "/sign-in");
    assertThat(page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true))).isFocused();
    page.keyboard().type("wenna.carrow");
    press(page, "Tab");
    page.keyboard().type("pale-gate-demo");
    press(page, "Enter");
    page.waitForURL("**/gatehouse");
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Gatehouse"))).isVisible();
    press(page, "p");
    Locator repository = page.locator("[role=treeitem]").first();
    tabTo(page, repository);
    // Accounts, Board papers; then the place is shown.
    press(page, "ArrowDown", "ArrowDown", "Enter");
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))).hasText("Board papers");
    press(page, "ArrowRight");
    assertThat(page.getByRole(AriaRole.TREEITEM, new Page.GetByRoleOptions().setName("Minutes, folder"))).isVisible();
    press(page, "ArrowLeft");
    tabTo(page, page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Break …")).or(
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Rejoin …"))));
    press(page, "Enter");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    tabTo(page, dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add to the draft")));
    press(page, "Enter");
    assertThat(page.locator("footer.tray")).containsText("1 change");
    page.locator("body").evaluate("() => document.activeElement instanceof HTMLElement && document.activeElement.blur()");
    press(page, "r");
    page.waitForURL("**/rehearsal*");
    Locator note = page.getByLabel("Why: this note stands in the journal");
    tabTo(page, note);
    page.keyboard().type("Board papers follow the repository again");
    press(page, "Enter");
    page.waitForURL("**/journal/*");
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2))).containsText("Board papers follow");
    desk.leave(page);
  }

  @Test
  void single_keys_lead_to_the_rooms_and_can_be_switched_off(Desk desk) {
    Page page = desk.signedIn("oriel.fenn");
    press(page, "s");
    page.waitForURL("**/statements");
    press(page, "j");
    page.waitForURL("**/journal");
    press(page, "?");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    assertThat(dialog).containsText("Single keys act outside of fields");
    dialog.getByLabel("Single keys act outside of fields").focus();
    press(page, "Space", "Escape");
    assertThat(dialog).hasCount(0);
    press(page, "s");
    assertThat(page).hasURL(Pattern.compile(".*/journal$"));
    desk.leave(page);
  }
}
