package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.Map;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.OwnDatabase;
import palegate.server.testkit.TestApplication;

/** Letting others in, as an adjuster does it, and how the administrator sees it. */
@ExtendWith(InBrowser.class)
@OwnDatabase
class SharingTest {
  /** Whom Mia works with she may name: Linnet Sayle is among the adjusters here, and still has nothing in a case that stands alone. */
  @BeforeEach
  void mia_works_with_linnet(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.delete("/api/draft");
    if (!wenna.get("/api/groups/g-adjusters/people?text=Linnet").body().toString().contains("Linnet Sayle")) {
      wenna.post("/api/draft/changes", Map.of("kind", "addMember", "group", "g-adjusters", "member", "p-113", "memberKind", "person"));
      wenna.putInForce(true);
    }
  }

  private static void press(Page page, String name) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
  }

  private static Locator dialog(Page page) {
    return page.getByRole(AriaRole.DIALOG).last();
  }

  private static void shareWithLinnet(Page mia, String how) {
    press(mia, "Share …");
    press(mia, how);
    dialog(mia).getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName("Somebody else: a person or group")).fill("Linnet");
    mia.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText("Linnet Sayle")).first().click();
    dialog(mia).locator(".chosen li").first().waitFor();
  }

  @Test
  void a_letter_is_shared_read_by_the_other_and_taken_back_and_each_sees_it_at_once(Desk desk) {
    Page mia = desk.window();
    desk.enter(mia, "mia.torrance", "pale-gate-demo");
    desk.open(mia, "/papers/d-10018");
    Page linnet = desk.signedIn("linnet.sayle");
    desk.open(linnet, "/papers/d-10018");
    assertThat(linnet.locator(".paper h2")).hasCount(0);
    shareWithLinnet(mia, "Let them in now");
    assertThat(dialog(mia).getByRole(AriaRole.STATUS)).containsText("1 person is let in: Linnet Sayle.");
    press(mia, "Share it");
    assertThat(mia.getByText("is shared.")).isVisible();
    desk.open(linnet, "/papers/d-10018");
    assertThat(linnet.locator(".paper h2")).hasText("Letter 02.pdf");
    press(mia, "Shared by you");
    mia.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take back Letter 02.pdf")).click();
    assertThat(dialog(mia)).containsText("1 person loses something by it");
    assertThat(dialog(mia)).containsText("Nobody whom it let in is in by another way.");
    press(mia, "Take it back");
    assertThat(mia.getByText("is no longer shared so.")).isVisible();
    assertThat(linnet.locator(".paper h2")).hasCount(0);
    desk.leave(mia);
    desk.leave(linnet);
  }

  @Test
  void what_is_in_the_way_is_said_before_anything_can_be_sent(Desk desk) {
    Page mia = desk.window();
    desk.enter(mia, "mia.torrance", "pale-gate-demo");
    desk.open(mia, "/papers/d-10019");
    shareWithLinnet(mia, "Let them in now");
    Locator share = dialog(mia).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Share it"));
    assertThat(share).isEnabled();
    Locator end = dialog(mia).getByRole(AriaRole.TEXTBOX, new Locator.GetByRoleOptions().setName("To the end of (56 days at most)"));
    end.fill("+20w");
    end.press("Tab");
    assertThat(dialog(mia).getByRole(AriaRole.STATUS)).containsText("lasts 56 days at most");
    assertThat(share).isDisabled();
    desk.leave(mia);
  }

  @Test
  void a_pass_is_made_opened_by_whom_it_is_for_and_taken_back_by_the_administrator(Desk desk) {
    Page mia = desk.window();
    desk.enter(mia, "mia.torrance", "pale-gate-demo");
    desk.open(mia, "/papers/d-10020");
    shareWithLinnet(mia, "Make a pass to send");
    press(mia, "Make the pass");
    String address = dialog(mia).locator(".address").innerText();
    Assertions.assertTrue(address.contains("/pass/pa-"), address);
    desk.leave(mia);
    Page ferris = desk.signedIn("ferris.oake");
    desk.open(ferris, address.substring(address.indexOf("/pass/")));
    assertThat(ferris.getByText("There is no such pass, or it is not for you.")).isVisible();
    desk.leave(ferris);
    Page linnet = desk.signedIn("linnet.sayle");
    desk.open(linnet, address.substring(address.indexOf("/pass/")));
    assertThat(linnet.locator(".pass")).containsText("Mia Torrance lets you in to Letter 04.pdf, as Reader");
    press(linnet, "Open it");
    assertThat(linnet.locator(".paper h2")).hasText("Letter 04.pdf");
    Page wenna = desk.signedIn("wenna.carrow");
    desk.open(wenna, "/shares?show=PASSES");
    Locator row = wenna.locator("[data-row]").filter(new Locator.FilterOptions().setHasText("Letter 04.pdf"));
    assertThat(row).containsText("opened by 1");
    row.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Take back what")).click();
    assertThat(row).containsText("taken back by your draft");
    desk.open(wenna, "/rehearsal");
    assertThat(wenna.locator(".summary")).containsText("1 person loses");
    wenna.getByLabel("Why: this note stands in the journal").fill("Was meant for a day");
    press(wenna, "Put in force");
    wenna.waitForURL("**/journal/*");
    assertThat(linnet.locator(".paper h2")).hasCount(0);
    desk.leave(linnet);
    desk.leave(wenna);
  }

  @Test
  void limits_of_a_place_a_shortlist_and_what_is_kept_apart_are_drafted(Desk desk) {
    Page wenna = desk.signedIn("wenna.carrow");
    desk.open(wenna, "/places/lib-ves");
    press(wenna, "More to do with this place");
    wenna.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Ceiling, house rules and sharing …")).first().click();
    dialog(wenna).locator(".v-select").filter(new Locator.FilterOptions().setHasText("Who shares")).click();
    wenna.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText("Nobody")).click();
    press(wenna, "Add to the draft");
    assertThat(wenna.locator(".tray")).containsText("1 change");
    desk.open(wenna, "/shares/shortlists");
    wenna.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Change the shortlist of Grent Harbour office")).click();
    dialog(wenna).getByLabel("Put audience 2 further up").click();
    press(wenna, "Add to the draft");
    assertThat(wenna.locator("tr").filter(new Locator.FilterOptions().setHasText("Grent Harbour office")).first().locator("li").first()).containsText("Adjusters");
    desk.open(wenna, "/roles");
    wenna.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("No longer keep Fee notes: preparing and keeping apart")).click();
    assertThat(wenna.locator(".tray")).containsText("3 changes");
    desk.open(wenna, "/rehearsal");
    assertThat(wenna.locator(".left")).containsText("Nobody shares here and below");
    desk.leave(wenna);
    Page teodor = desk.signedIn("teodor.brask");
    desk.open(teodor, "/shares?show=PASSES");
    teodor.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take over the pass to C-2423 Marigold Bay")).click();
    assertThat(teodor.locator(".tray")).containsText("1 change");
    assertThat(teodor.locator("[data-row]").filter(new Locator.FilterOptions().setHasText("C-2423 Marigold Bay"))).containsText("Teodor Brask");
    desk.leave(teodor);
  }
}
