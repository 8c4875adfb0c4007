package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;

/** Several drafts a person: named, taken in hand, shared with a colleague, talked about, and put in force at a later time. */
@ExtendWith(InBrowser.class)
class StoredDraftsTest {
  @BeforeEach
  @AfterEach
  void discardDrafts(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.get("/api/drafts").body().valueStream().filter(draft -> draft.path("mine").asBoolean())
        .forEach(draft -> wenna.delete("/api/drafts/" + draft.path("id").asLong()));
  }

  private static Locator table(Page page) {
    return page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Drafts").setExact(true));
  }

  private static Locator draft(Page page, String name) {
    return table(page).locator("[data-row]").filter(new Locator.FilterOptions().setHasText(name));
  }

  private static Locator inHand(Page page, String name) {
    return draft(page, name).getByText("in hand", new Locator.GetByTextOptions().setExact(true));
  }

  private static void press(Page page, String button) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button).setExact(true)).click();
  }

  private static void begin(Page page, String name) {
    page.getByLabel("Begin another, called").fill(name);
    press(page, "Begin");
    assertThat(inHand(page, name)).isVisible();
  }

  private static void change(TestApplication app) {
    app.signedIn("wenna.carrow").post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-acc",
        "subject", Map.of("kind", "group", "id", "g-surveyors"), "role", "r-preparer"));
  }

  @Test
  void what_is_changed_lands_in_the_draft_in_hand_and_only_there(Desk desk, TestApplication app) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/drafts");
    begin(page, "Leavers");
    begin(page, "Case 2431");
    assertThat(inHand(page, "Leavers")).hasCount(0);
    page.getByLabel("Take Leavers in hand").click();
    assertThat(inHand(page, "Leavers")).isVisible();
    change(app);
    page.reload();
    assertThat(page.locator("footer.tray")).containsText("Leavers");
    assertThat(page.locator("footer.tray")).containsText("1 change");
    assertThat(draft(page, "Leavers").getByRole(AriaRole.CELL).nth(1)).hasText("1");
    assertThat(draft(page, "Case 2431").getByRole(AriaRole.CELL).nth(1)).hasText("0");
    desk.leave(page);
  }

  @Test
  void drafts_are_sorted_by_how_much_is_in_them(Desk desk, TestApplication app) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/drafts");
    begin(page, "Leavers");
    begin(page, "Case 2431");
    change(app);
    page.reload();
    table(page).getByRole(AriaRole.COLUMNHEADER).filter(new Locator.FilterOptions().setHasText("Changes")).getByRole(AriaRole.BUTTON).click();
    assertThat(table(page).locator("[data-row='0']")).containsText("Case 2431");
    table(page).getByRole(AriaRole.COLUMNHEADER).filter(new Locator.FilterOptions().setHasText("Changes")).getByRole(AriaRole.BUTTON).click();
    assertThat(table(page).locator("[data-row='0']")).not().containsText("Case 2431");
    desk.leave(page);
  }

  @Test
  void a_colleague_reads_a_shared_draft_and_says_something_and_nobody_else_sees_it(Desk desk, TestApplication app) {
    Page wenna = desk.open(desk.signedIn("wenna.carrow"), "/drafts");
    begin(wenna, "Leavers");
    change(app);
    draft(wenna, "Leavers").getByRole(AriaRole.LINK).click();
    wenna.locator(".v-select").filter(new Locator.FilterOptions().setHasText("A colleague")).click();
    wenna.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Teodor Brask")).click();
    press(wenna, "Share");
    assertThat(wenna.getByLabel("Stop sharing with Teodor Brask")).isVisible();

    Page teodor = desk.open(desk.signedIn("teodor.brask"), "/drafts");
    assertThat(draft(teodor, "Leavers")).containsText("of Wenna Carrow");
    draft(teodor, "Leavers").getByRole(AriaRole.LINK).click();
    assertThat(teodor.locator(".changes [data-row]")).hasCount(1);
    assertThat(teodor.locator(".changes [data-row]").getByRole(AriaRole.BUTTON)).hasCount(0);
    teodor.getByLabel("Say something").fill("Preparer is too much for them.");
    press(teodor, "Comment");
    assertThat(teodor.locator(".opened")).containsText("Preparer is too much for them.");

    wenna.reload();
    assertThat(wenna.locator(".opened")).containsText("Teodor Brask");
    assertThat(wenna.locator(".opened")).containsText("Preparer is too much for them.");
    wenna.getByLabel("Stop sharing with Teodor Brask").click();
    assertThat(wenna.locator(".opened")).containsText("Nobody: only you see it.");
    teodor.reload();
    assertThat(draft(teodor, "Leavers")).hasCount(0);
    desk.leave(teodor);
    desk.leave(wenna);
  }

  private static Locator putInForceAt(Page page) {
    return page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Put it in force at"));
  }

  @Test
  void a_draft_is_put_in_force_at_a_later_time_unless_one_thinks_better_of_it(Desk desk, TestApplication app) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/drafts");
    begin(page, "Leavers");
    change(app);
    draft(page, "Leavers").getByRole(AriaRole.LINK).click();
    putInForceAt(page).fill("1 Mar 2031 8:00");
    page.getByLabel("Why: this note stands in the journal").fill("The crew starts in March.");
    press(page, "Schedule it");
    assertThat(page.locator(".opened")).containsText("It will be put in force");
    assertThat(draft(page, "Leavers")).containsText("2031");
    press(page, "Cancel the schedule");
    assertThat(putInForceAt(page)).isVisible();
    desk.leave(page);
  }
}
