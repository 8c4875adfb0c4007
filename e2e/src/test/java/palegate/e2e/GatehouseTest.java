package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;

/** The first screen of a day. */
@ExtendWith(InBrowser.class)
class GatehouseTest {
  private static Locator region(Page page, String name) {
    return page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  @Test
  void it_is_where_whoever_administers_comes_in_and_each_line_opens_what_it_counts(Desk desk) {
    Page page = desk.window();
    desk.enter(page, "wenna.carrow", "pale-gate-demo");
    page.waitForURL("**/gatehouse");
    Locator attention = region(page, "Needs attention");
    assertThat(attention.getByRole(AriaRole.LISTITEM).first()).containsText("grave");
    attention.getByRole(AriaRole.LINK).filter(new Locator.FilterOptions().setHasText("Read and mend")).first().click();
    page.waitForURL("**/findings?rule=*");
    page.goBack();
    assertThat(region(page, "Walls")).containsText("Tern Rock inquiry: stands");
    desk.leave(page);
  }

  @Test
  void what_a_colleague_changed_is_new_until_it_is_said_to_be_seen(Desk desk, TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.discardDrafts();
    wenna.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "f-2604", "name", "C-2604 Wide Meridian, closed"));
    wenna.putInForce(true);
    Page page = desk.signedIn("teodor.brask");
    desk.open(page, "/gatehouse");
    Locator news = region(page, "New");
    assertThat(news.getByRole(AriaRole.LISTITEM).first()).containsText("Wenna Carrow");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("I have seen this")).click();
    assertThat(news).containsText("Nobody else has changed anything");
    desk.leave(page);
  }

  @Test
  void two_years_are_read_as_pictures_or_as_a_table_that_leads_to_what_happened(Desk desk) {
    Page page = desk.signedIn("oriel.fenn");
    desk.open(page, "/gatehouse");
    Locator figures = region(page, "Two years");
    assertThat(figures.locator("canvas").first()).isVisible();
    figures.getByRole(AriaRole.BUTTON).click();
    Locator rows = figures.locator("tbody tr");
    assertThat(rows.nth(2)).isVisible();
    rows.nth(2).getByRole(AriaRole.BUTTON).click();
    page.waitForURL("**/between?days=*");
    desk.leave(page);
  }
}
