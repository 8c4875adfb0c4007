package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;

/** Each of the demo's people at their day's work: they have what is theirs, and nothing says that there is more. */
@ExtendWith(InBrowser.class)
class EverybodysDayTest {
  private static final String PASSWORD = "pale-gate-demo";

  private static Page enter(Desk desk, String login) {
    Page page = desk.window();
    desk.enter(page, login, PASSWORD);
    return page;
  }

  private static void assertRooms(Page page, String... rooms) {
    assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms")).getByRole(AriaRole.LINK)).hasText(rooms);
  }

  private static void press(Page page, String button) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(button).setExact(true)).first().click();
  }

  private static Locator node(Page page, String name) {
    return page.getByRole(AriaRole.TREEITEM).filter(new Locator.FilterOptions().setHasText(name)).first();
  }

  @Test
  void an_adjuster_without_any_duty_looks_through_adds_and_searches_her_papers(Desk desk) {
    Page page = enter(desk, "mia.torrance");
    page.waitForURL("**/papers*");
    assertRooms(page, "Papers");
    assertThat(page.getByText("Nothing drafted")).hasCount(0);
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Casualties").setExact(true)).first().click();
    assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("C-2417 Grey Pilgrim").setExact(true))).isVisible();
    assertThat(page.getByText("Kittiwake")).hasCount(0);
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("C-2417 Grey Pilgrim").setExact(true)).click();
    press(page, "Add …");
    page.getByRole(AriaRole.DIALOG).getByLabel("Name").fill("Survey of the rudder");
    page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add it")).click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Survey of the rudder"))).isVisible();
    page.getByLabel("The file of the new version").setInputFiles(new FilePayload("rudder.txt", "text/plain", "The pintle is worn.".getBytes(StandardCharsets.UTF_8)));
    assertThat(page.locator("pre")).hasText("The pintle is worn.");
    press(page, "Check out");
    assertThat(page.locator(".paper .mark")).hasText("checked out");
    page.getByLabel("Why you have these rights at Survey of the rudder").last().click();
    Locator why = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Why you have these rights"));
    assertThat(why.locator("[data-kind=GIVES]").first()).containsText("given at");
    assertThat(why.getByText("Nothing gives you these here.")).isVisible();
    // From the list and from the paper, open, shut and open again; the address says so.
    page.getByLabel("Why you have these rights at Survey of the rudder").last().click();
    assertThat(why).hasCount(0);
    page.getByLabel("Why you have these rights at Survey of the rudder").first().click();
    assertThat(why).isVisible();
    page.waitForURL("**?why=*");
    page.getByLabel("Find papers by name, field or text").fill("pintle");
    assertThat(page.getByText("1 paper or place that you can find")).isVisible();
    desk.open(page, "/places/lib-acc");
    assertThat(page.getByText("Casualties")).hasCount(0);
    desk.leave(page);
  }

  @Test
  void the_keeper_of_one_library_sees_it_and_the_way_there_and_nothing_behind_her_wall(Desk desk, TestApplication app) {
    app.signedIn("ola.lindqvist").delete("/api/draft");
    Page page = enter(desk, "ola.lindqvist");
    assertRooms(page, "Gatehouse", "Papers", "Places", "Walk", "People", "Roles", "Types", "Matrix", "Findings", "Breaks", "Shares", "Statements", "Journal");
    desk.open(page, "/places");
    node(page, "Casualties").locator(".opener").click();
    assertThat(node(page, "C-2406 Brannock Star")).isVisible();
    assertThat(page.getByRole(AriaRole.TREEITEM).filter(new Locator.FilterOptions().setHasText("Lady Ottoline"))).hasCount(0);
    assertThat(page.getByRole(AriaRole.TREEITEM).filter(new Locator.FilterOptions().setHasText("Accounts"))).hasCount(0);
    node(page, "C-2417 Grey Pilgrim").click();
    press(page, "Add an entry");
    page.getByRole(AriaRole.DIALOG).waitFor();
    press(page, "Cancel");
    assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Break …"))).isVisible();
    node(page, "Sallowpoint repository").click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Sallowpoint repository"))).isVisible();
    assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add an entry"))).hasCount(0);
    desk.leave(page);
  }

  @Test
  void the_others_see_the_rooms_that_their_duties_need(Desk desk) {
    Map<String, List<String>> rooms = Map.of(
        "hesper.vance", List.of("Gatehouse", "Papers", "Places", "Walk", "People", "Roles", "Types", "Matrix", "Findings", "Breaks", "Shares", "Statements", "Journal"),
        "ferris.oake", List.of("Gatehouse", "Papers", "Places", "People", "Walls", "Matrix", "Findings", "Breaks", "Shares", "Statements", "Journal"),
        "linnet.sayle", List.of("Gatehouse", "Papers", "Places", "People", "Matrix", "Findings", "Breaks", "Shares", "Statements", "Rounds", "Journal"),
        "oriel.fenn", List.of("Gatehouse", "Papers", "Places", "Walk", "People", "Roles", "Types", "Walls", "Matrix", "Findings", "Breaks", "Shares", "Statements", "Rounds", "Journal", "Duties"));
    rooms.forEach((login, named) -> {
      Page page = enter(desk, login);
      assertRooms(page, named.toArray(String[]::new));
      desk.leave(page);
    });
  }

  @Test
  void handing_a_duty_out_says_first_what_it_would_show_and_then_who_would_see_what(Desk desk, TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.discardDrafts();
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/duties");
    press(page, "Hand out a duty");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByLabel("To whom: a person, group or unit").fill("Mia");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Mia Torrance")).first().click();
    dialog.getByLabel("At which place, and below").fill("Vessels");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Vessels")).first().click();
    assertThat(dialog.getByText("Nothing else would be there for them.")).isVisible();
    dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add to the draft")).click();
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    assertThat(page.locator(".table tbody tr").filter(new Locator.FilterOptions().setHasText("Mia Torrance"))).hasCount(1);
    desk.open(page, "/rehearsal");
    assertThat(page.getByText("would have access, seeing")).isVisible();
    wenna.delete("/api/draft");
    desk.leave(page);
  }

  @Test
  void somebody_new_is_invited_reads_the_letter_sets_a_password_and_is_in(Desk desk, TestApplication app) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/people/persons/p-122");
    press(page, "Send an invitation");
    assertThat(page.getByText("it is good once, until")).isVisible();
    desk.open(page, "/mailbox");
    String text = page.locator("article .text").first().innerText();
    String address = text.substring(text.indexOf("http"), text.indexOf('\n'));
    String login = app.signedIn("wenna.carrow").get("/api/people/p-122").body().path("person").path("login").asString();
    Page fresh = desk.window();
    fresh.navigate(address);
    fresh.getByLabel("Password").fill("heron lantern quay");
    fresh.getByLabel("The same again").fill("heron lantern quay");
    press(fresh, "Set it");
    fresh.waitForURL("**/sign-in*");
    desk.enter(fresh, login, "heron lantern quay");
    assertThat(fresh.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Papers"))).isVisible();
    desk.leave(fresh);
    desk.leave(page);
  }
}
