package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.TestApplication;

/** The morning round: read, fix, next. */
@ExtendWith(InBrowser.class)
class FindingsTest {
  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static Locator list(Page page) {
    return page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Findings"));
  }

  @Test
  void a_finding_is_read_mended_through_its_fix_and_gone(Desk desk, TestApplication app) {
    app.signedIn("wenna.carrow").delete("/api/draft");
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/findings");
    assertThat(list(page).locator("[data-row='0']")).containsText("grave");
    page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Find in the findings")).fill("covers nothing");
    Locator pilgrim = list(page).getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("“Grey Pilgrim, counsel” covers nothing."));
    pilgrim.click();
    Locator detail = page.getByRole(AriaRole.ARTICLE);
    assertThat(detail).containsText("Whoever raised it thinks that something is kept apart.");
    button(page, "Add to the draft: Take in Casualties / C-2417 Grey Pilgrim, where “case: C-2471” is like “case: C-2417”").click();
    assertThat(detail).containsText("It is in your draft.");
    app.signedIn("wenna.carrow").putInForce(true);
    desk.open(page, "/findings?rule=wall-covers-nothing");
    assertThat(page.getByText("Nothing needs a look.")).isVisible();
    desk.leave(page);
  }

  @Test
  void what_is_meant_so_leaves_the_list_with_a_reason_and_comes_back_when_that_is_taken_back(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/findings?rule=type-cleared-for-nobody");
    list(page).locator("[data-row='0']").getByRole(AriaRole.LINK).click();
    button(page, "Accept it …").click();
    page.getByLabel("Why", new Page.GetByLabelOptions().setExact(true)).fill("Until the appraisals begin");
    page.getByLabel("Until the end of", new Page.GetByLabelOptions().setExact(true)).fill("+4w");
    page.keyboard().press("Tab");
    button(page, "Accept it").click();
    assertThat(page.getByText("Nothing needs a look.")).isVisible();
    assertThat(page.getByRole(AriaRole.ARTICLE)).containsText("Accepted by Wenna Carrow");
    button(page, "take that back").click();
    assertThat(list(page).locator("[data-row='0']")).containsText("Appraisal");
    desk.leave(page);
  }

  @Test
  void fewer_entries_are_looked_for_drafted_put_in_force_and_what_went_names_the_change(Desk desk, TestApplication app) {
    app.signedIn("wenna.carrow").delete("/api/draft");
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/findings");
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Fewer entries …")).click();
    button(page, "Look for them").click();
    Locator fewer = page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName("The same with fewer entries"));
    assertThat(fewer).containsText("in a hundred fewer", new LocatorAssertions.ContainsTextOptions().setTimeout(60_000));
    button(page, "Add all to the draft").click();
    assertThat(fewer).containsText("in your draft");
    app.signedIn("wenna.carrow").putInForce(true);
    desk.open(page, "/findings?gone=yes");
    Locator gone = page.getByRole(AriaRole.ARTICLE, new Page.GetByRoleOptions().setName("Findings that are gone"));
    assertThat(gone.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("ended with")).first()).containsText("with a change by Wenna Carrow");
    desk.leave(page);
  }
}
