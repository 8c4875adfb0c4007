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

/** A member changes groups by hand or by keyboard, and the tray says what that changes. */
@ExtendWith(InBrowser.class)
class MovingPeopleTest {
  @BeforeEach
  void discardDraft(TestApplication app) {
    app.signedIn("wenna.carrow").delete("/api/draft");
  }

  @Test
  void a_member_dragged_onto_another_group_leaves_one_and_joins_the_other_in_the_draft(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/people/groups/g-surveyors");
    drag(page, member(page, "Ola Garth"), group(page, "Accounts"));
    assertThat(page.locator("footer.tray")).containsText("2 changes");
    assertThat(page.locator(".members .gone")).containsText("Ola Garth");
    group(page, "Accounts").getByRole(AriaRole.BUTTON).click();
    assertThat(member(page, "Ola Garth")).isVisible();
    desk.leave(page);
  }

  @Test
  void a_member_dropped_where_it_came_from_changes_nothing(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/people/groups/g-surveyors");
    page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Find a group")).fill("Surveyors");
    assertThat(groups(page)).hasCount(1);
    drag(page, member(page, "Ola Garth"), group(page, "Surveyors"));
    assertThat(page.locator(".members .gone")).hasCount(0);
    assertThat(page.locator("footer.tray")).containsText("Nothing drafted");
    desk.leave(page);
  }

  @Test
  void the_same_move_without_a_mouse(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/people/groups/g-surveyors");
    page.getByLabel("Move Verity Brask to another group").focus();
    page.keyboard().press("Enter");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName("To which group")).focus();
    page.keyboard().type("Cargo sp");
    // Until the answer is there, all groups are listed, and the arrow would choose the first of them.
    assertThat(page.locator(".v-list-item")).hasCount(1);
    assertThat(page.locator(".v-list-item")).containsText("Cargo specialists");
    page.keyboard().press("ArrowDown");
    page.keyboard().press("Enter");
    assertThat(dialog.locator("input[role=combobox]")).hasValue("Cargo specialists");
    // The list gives the focus back when it closes; a key pressed before that would go there.
    assertThat(page.locator(".v-list-item")).hasCount(0);
    Locator add = dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add to the draft"));
    assertThat(add).isEnabled();
    add.press("Enter");
    assertThat(dialog).hasCount(0);
    assertThat(page.locator("footer.tray")).containsText("2 changes");
    assertThat(page.locator(".members .gone")).containsText("Verity Brask");
    desk.leave(page);
  }

  @Test
  void a_cycle_of_groups_is_refused_and_drawn(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/people/groups/g-firm-1");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add members")).click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.locator("input[role=combobox]").fill("Surveyors");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Surveyors")).first().click();
    dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add to the draft")).click();
    assertThat(dialog.getByRole(AriaRole.ALERT)).containsText("The groups would form a cycle");
    Locator drawn = dialog.getByRole(AriaRole.IMG);
    assertThat(drawn).hasAttribute("aria-label", Pattern.compile("A cycle: (.+), then Surveyors, then \\1"));
    assertThat(drawn.locator("text")).hasCount(2);
    assertThat(page.locator("footer.tray")).containsText("Nothing drafted");
    desk.leave(page);
  }

  /** Moves twice over the target, as a hand does: a browser asks whether it may drop there only at the second. */
  private static void drag(Page page, Locator what, Locator onto) {
    what.locator(".who").hover();
    page.mouse().down();
    onto.hover();
    onto.hover();
    page.mouse().up();
  }

  private static Locator member(Page page, String name) {
    return page.locator(".members [data-row]:not(:has(.gone))").filter(new Locator.FilterOptions().setHasText(name));
  }

  private static Locator groups(Page page) {
    return page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Groups").setExact(true)).locator("[data-row]");
  }

  private static Locator group(Page page, String name) {
    return groups(page).filter(new Locator.FilterOptions().setHasText(name)).first().getByRole(AriaRole.CELL).first();
  }
}
