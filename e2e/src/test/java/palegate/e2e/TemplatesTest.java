package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.TestApplication;

/** Lists that somebody keeps under a name, to use them elsewhere. */
@ExtendWith(InBrowser.class)
class TemplatesTest {
  @BeforeEach
  void discardDraft(TestApplication app) {
    app.signedIn("wenna.carrow").delete("/api/draft");
  }

  private static void press(Page page, String name) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
  }

  private static void fromMenu(Page page, String name) {
    press(page, "More to do with this access list");
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
  }

  private static Locator field(Page page) {
    return page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Template"));
  }

  private static Locator option(Page page, String name) {
    return page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  @Test
  void a_list_is_kept_under_a_name_used_elsewhere_and_forgotten(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/places/f-2406");
    page.locator("tr[data-entry]").first().waitFor();
    fromMenu(page, "Keep as a template …");
    page.getByLabel("Name of the template").fill("Case file, usual list");
    press(page, "Keep it");
    assertThat(page.getByText("The list is kept as Case file, usual list.")).isVisible();

    desk.open(page, "/places/lib-acc");
    fromMenu(page, "Use a template …");
    field(page).fill("usual");
    option(page, "Case file, usual list").click();
    assertThat(page.getByRole(AriaRole.DIALOG).locator("[data-row]").first()).not().isEmpty();
    press(page, "Add to the draft");
    assertThat(page.getByRole(AriaRole.DIALOG)).isHidden();
    assertThat(page.locator(".tray")).containsText("change");

    fromMenu(page, "Use a template …");
    field(page).click();
    option(page, "Case file, usual list").click();
    page.getByText("Forget this template").click();
    assertThat(page.getByText("Case file, usual list is forgotten. What was added from it stays.")).isVisible();
    assertThat(page.getByText("There are none yet. Keep a list as a template to use it elsewhere.")).isVisible();
    assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add to the draft"))).isDisabled();
    desk.leave(page);
  }
}
