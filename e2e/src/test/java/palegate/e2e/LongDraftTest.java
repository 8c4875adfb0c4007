package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;

/** A draft of more changes than are seen at a glance. */
@ExtendWith(InBrowser.class)
class LongDraftTest {
  private static final List<String> NAMES = List.of("Tenders", "Reports", "Minutes", "Invoices", "Letters", "Plans", "Photographs", "Estimates", "Notices", "Samples");

  @BeforeEach
  void draftTenFolders(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.delete("/api/draft");
    for (String name : NAMES) {
      wenna.post("/api/draft/changes", Map.of("kind", "addPlace", "placeKind", "folder", "parent", "lib-acc", "name", name));
    }
  }

  private static Locator changes(Page page) {
    return page.locator(".changes [data-row]");
  }

  @Test
  void a_change_is_found_keeps_its_number_and_is_taken_out(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/rehearsal");
    assertThat(changes(page)).hasCount(NAMES.size());
    page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Find a change")).fill("photo");
    assertThat(page.locator(".find [role=status]").first()).hasText("1 match");
    assertThat(changes(page)).hasCount(1);
    assertThat(changes(page).locator(".number")).hasText("7");
    double field = page.locator(".find").first().boundingBox().y;
    double heading = page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Rehearsal")).boundingBox().y;
    org.assertj.core.api.Assertions.assertThat(field - heading).as("the field stays at the top when little is found").isLessThan(100);
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take change 7 out of the draft")).click();
    assertThat(page.locator(".find [role=status]").first()).hasText("0 matches");
    page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Find a change")).fill("");
    assertThat(changes(page)).hasCount(NAMES.size() - 1);
    assertThat(changes(page).nth(6)).containsText("Estimates");
    desk.leave(page);
  }

  @Test
  void a_change_is_made_earlier_and_says_what_it_does_by_itself(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/rehearsal");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Move change 10 up")).click();
    assertThat(page.locator(".changes [data-row='8']")).containsText("Samples");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("What change 9 does by itself")).click();
    assertThat(page.locator(".changes [data-row='8'] [role=status]")).containsText("By itself:");
    desk.leave(page);
  }

  @Test
  void changes_are_put_in_order_by_where_they_act_and_moved_in_their_own_order_only(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/rehearsal");
    Locator list = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("The changes of the draft"));
    assertThat(list).hasAttribute("aria-rowcount", String.valueOf(NAMES.size() + 1));
    list.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Where").setExact(true)).click();
    assertThat(changes(page).first()).containsText("Estimates");
    assertThat(changes(page).first().locator(".number")).hasText("8");
    assertThat(changes(page).first().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Move change 8 up"))).hasCount(0);
    list.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("No.").setExact(true)).click();
    assertThat(changes(page).first().locator(".number")).hasText("1");
    // The focus goes along with what is moved, and at the top it is on what leads back.
    String third = changes(page).nth(2).locator(".what p").first().innerText();
    for (int number = 3; number > 1; number--) {
      list.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Move change " + number + " up")).press("Enter");
      assertThat(changes(page).nth(number - 2)).containsText(third);
      assertThat(list.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(number > 2 ? "Move change 2 up" : "Move change 1 down"))).isFocused();
    }
    page.keyboard().press("Enter");
    assertThat(changes(page).nth(1)).containsText(third);
    assertThat(list.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Move change 2 down"))).isFocused();
    page.keyboard().press("Enter");
    assertThat(changes(page).nth(2)).containsText(third);
    desk.leave(page);
  }
}
