package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Route;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.OwnDatabase;
import palegate.server.testkit.TestApplication;

/** The tasks of an administrator, one after the other, in the real interface. */
@Order(4)
@ExtendWith(InBrowser.class)
@OwnDatabase
class FirstWalkTest {
  @BeforeEach
  void discardDrafts(TestApplication app) {
    app.signedIn("wenna.carrow").delete("/api/draft");
    app.signedIn("teodor.brask").delete("/api/draft");
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static Locator line(Page page, String subject) {
    return page.locator("tr[data-entry]").filter(new Locator.FilterOptions().setHasText(subject)).first();
  }

  private static void choose(Page page, String field, String typed, String option) {
    page.getByRole(AriaRole.DIALOG).getByLabel(field).first().fill(typed);
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText(option)).first().click();
  }

  private static void addGrant(Page page, String subject, String role) {
    button(page, "Add an entry").click();
    choose(page, "To whom: a person, group or unit", subject, subject);
    page.getByRole(AriaRole.DIALOG).locator(".v-select").first().click();
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText(Pattern.compile("^" + role + "$"))).click();
    button(page, "Add to the draft").click();
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
  }

  @Test
  void a_wrong_password_is_said_plainly(Desk desk) {
    Page page = desk.open(desk.window(), "/sign-in");
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("wenna.carrow");
    page.getByLabel("Password").fill("guess");
    button(page, "Sign in").click();
    assertThat(page.getByRole(AriaRole.ALERT)).hasText("The name or the password is not right.");
    desk.leave(page);
  }

  @Test
  void whoever_types_faster_than_the_first_answer_comes_signs_in_all_the_same(Desk desk) {
    Page page = desk.window();
    List<Route> held = new ArrayList<>();
    page.route("**/api/session", route -> {
      if (route.request().method().equals("GET") && page.url().endsWith("/sign-in")) {
        held.add(route);
      } else {
        route.resume();
      }
    });
    desk.open(page, "/sign-in");
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("oriel.fenn");
    page.getByLabel("Password").fill("pale-gate-demo");
    button(page, "Sign in").click();
    Desk.drawn(page);
    assertThat(page.getByLabel("Password")).hasValue("pale-gate-demo");
    assertThat(held).isNotEmpty();
    page.unroute("**/api/session");
    held.forEach(Route::resume);
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Gatehouse"))).isVisible();
    desk.leave(page);
  }

  @Test
  void whoever_has_gone_into_the_password_stays_there(Desk desk) {
    Page page = desk.open(desk.window(), "/sign-in");
    page.getByLabel("Password").focus();
    Desk.drawn(page);
    assertThat(page.getByLabel("Password")).isFocused();
    page.reload();
    assertThat(page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true))).isFocused();
    desk.leave(page);
  }

  @Test
  void an_address_leads_to_its_place_after_signing_in(Desk desk) {
    Page page = desk.open(desk.window(), "/places/f-2406");
    page.waitForURL(Pattern.compile(".*/sign-in\\?to=.*f-2406.*"));
    button(page, "oriel.fenn").click();
    button(page, "Sign in").click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))).hasText("C-2406 Brannock Star");
    assertThat(page.locator("footer")).containsText("change nothing");
    assertThat(button(page, "Add an entry")).hasCount(0);
    desk.leave(page);
  }

  @Test
  void choosing_a_place_shows_its_path_its_list_with_sources_and_the_people_behind_a_line(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    page.getByRole(AriaRole.TREEITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^Casualties, library"))).locator(".opener").click();
    page.getByRole(AriaRole.TREEITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^C-2417"))).click();
    assertThat(page.locator(".path-line li")).hasCount(3);
    assertThat(line(page, "Surveyors").getByRole(AriaRole.LINK)).hasText(new String[] {"Surveyors", "Casualties"});
    assertThat(line(page, "Team C-2417")).containsText("here");
    line(page, "Surveyors").getByRole(AriaRole.BUTTON).first().click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    assertThat(dialog.locator("[data-row]")).hasCount(7);
    assertThat(dialog.getByText("outsider", new Locator.GetByTextOptions().setExact(true))).hasCount(3);
    desk.leave(page);
  }

  @Test
  void the_paling_is_drawn_in_the_fixed_order_with_words_for_screen_readers(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/f-2406");
    Locator paling = line(page, "Team C-2406").getByRole(AriaRole.IMG);
    assertThat(paling).hasAttribute("aria-label", "Curator: find, read, copy, add, describe, revise, delete, share, given here");
    assertThat(paling.locator("[data-state=held]")).hasAttribute("data-rights", "find read copy add describe revise delete share");
    assertThat(paling.locator("[data-state=stub]")).hasAttribute("data-rights", "govern");
    desk.leave(page);
  }

  @Test
  void a_grant_is_drafted_rehearsed_and_put_in_force_and_stands_in_the_journal(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/lib-acc");
    addGrant(page, "Mia Torrance", "Reader");
    Locator tray = page.locator("footer.tray");
    assertThat(tray).containsText("1 change · 1 person gains, 0 lose · 22 places · 16 documents");
    assertThat(line(page, "Mia Torrance")).containsText("added by your draft");
    tray.getByText("Open the rehearsal").click();
    assertThat(page.locator(".list [data-row]").first()).containsText("Mia Torrance");
    button(page, "Each person at each place").click();
    assertThat(page.locator(".list [role=table]")).hasAttribute("aria-rowcount", "23");
    page.getByLabel("Why: this note stands in the journal").fill("Mia looks through the contracts");
    button(page, "Put in force").click();
    page.waitForURL("**/journal/*");
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2))).containsText("Mia looks through the contracts");
    assertThat(page.locator("section.right [data-row]")).hasCount(1);
    assertThat(page.locator("section.right [data-row]").first()).containsText("role: Reader");
    assertThat(tray).containsText("Nothing drafted");
    desk.leave(page);
  }

  @Test
  void removing_an_entry_is_drafted_and_can_be_discarded(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/lib-cas");
    page.getByLabel("Remove Reader of Surveyors").click();
    assertThat(line(page, "Surveyors")).containsText("removed by your draft");
    assertThat(page.locator("footer.tray")).containsText("lose");
    button(page, "Discard").click();
    page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Discard")).click();
    assertThat(page.locator("footer.tray")).containsText("Nothing drafted");
    assertThat(line(page, "Surveyors")).not().containsText("removed");
    desk.leave(page);
  }

  @Test
  void an_empty_break_is_refused_until_somebody_is_named_and_can_be_rejoined(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/f-2423");
    button(page, "Break …").click();
    page.getByLabel(Pattern.compile("^Start empty")).check();
    button(page, "Add to the draft").click();
    Locator refusal = page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.ALERT);
    assertThat(refusal).containsText("would leave nobody active and on staff with govern");
    refusal.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Wenna Carrow")).click();
    button(page, "Add to the draft").click();
    assertThat(page.getByText("in your draft it stands alone")).isVisible();
    assertThat(page.locator("footer.tray")).containsText("lose");
    assertThat(page.getByRole(AriaRole.TREEITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^C-2423.*stands alone")))).isVisible();
    button(page, "Rejoin …").click();
    button(page, "Add to the draft").click();
    assertThat(page.locator("footer.tray")).containsText("2 changes");
    desk.leave(page);
  }

  @Test
  void a_break_that_carries_over_changes_nothing_for_anybody(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/f-2607");
    button(page, "Break …").click();
    button(page, "Add to the draft").click();
    assertThat(page.locator("footer.tray")).containsText("changes nothing now");
    desk.leave(page);
  }

  @Test
  void why_shows_the_stages_the_entry_and_the_chain_of_memberships(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/f-2406-survey");
    button(page, "People here").click();
    page.getByLabel("Why Mia Torrance has this").click();
    Locator why = page.getByRole(AriaRole.COMPLEMENTARY);
    assertThat(why.locator("[data-stage]")).hasCount(10);
    assertThat(why).containsText("Curator to Team C-2406");
    assertThat(why).containsText("by way of Team C-2406");
    page.keyboard().press("Escape");
    assertThat(why).hasCount(0);
    assertThat(page.getByLabel("Why Mia Torrance has this")).isFocused();
    desk.leave(page);
  }

  @Test
  void a_second_administrator_is_told_what_clashed_and_goes_on(Desk desk, TestApplication app) {
    Page teodor = desk.open(desk.signedIn("teodor.brask"), "/places/lib-ves");
    addGrant(teodor, "Mia Torrance", "Filer");
    Page wenna = desk.open(desk.signedIn("wenna.carrow"), "/places/lib-ves");
    addGrant(wenna, "Ola Lindqvist", "Filer");
    desk.open(wenna, "/rehearsal");
    wenna.getByLabel("Why: this note stands in the journal").fill("Ola files certificates");
    button(wenna, "Put in force").click();
    wenna.waitForURL("**/journal/*");
    desk.open(teodor, "/rehearsal");
    assertThat(teodor.getByText("Somebody was there before you.")).isVisible();
    assertThat(teodor.locator(".in-force")).containsText("Wenna Carrow changed Vessels");
    button(teodor, "I have seen it; go on from here").click();
    teodor.getByLabel("Why: this note stands in the journal").fill("Mia files certificates");
    button(teodor, "Put in force").click();
    teodor.waitForURL("**/journal/*");
    desk.leave(wenna);
    desk.leave(teodor);
  }

  @Test
  void a_statement_is_shown_opened_and_taken_away_in_every_format(Desk desk) throws Exception {
    Page page = desk.open(desk.signedIn("oriel.fenn"), "/statements");
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("The place")).fill("Tenders");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("library")).first().click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2))).hasText("Who can reach Tenders and what is below it");
    assertThat(page.locator("[data-row]").first()).isVisible();
    for (String[] kind : new String[][] {{"Workbook", ".xlsx", "PK"}, {"PDF", ".pdf", "%PDF"}, {"CSV", ".csv", "\uFEFFPlaces"}, {"JSON", ".jsonl", "{\"places\""}}) {
      Download file = page.waitForDownload(() -> page.getByText(kind[0], new Page.GetByTextOptions().setExact(true)).click());
      assertThat(file.suggestedFilename()).startsWith("pale-gate-who-can-reach-tenders").endsWith(kind[1]);
      assertThat(new String(Files.readAllBytes(file.path()), StandardCharsets.UTF_8)).startsWith(kind[2]);
    }
    page.getByLabel("Open Tenders", new Page.GetByLabelOptions().setExact(false)).first().click();
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Tenders");
    button(page, "Close").click();
    page.locator(".kind .v-field").click();
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("What somebody can reach")).click();
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Person, group, unit")).fill("Mia");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Mia Torrance")).first().click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2))).hasText("What Mia Torrance can reach");
    desk.leave(page);
  }

  @Test
  void a_long_statement_draws_only_the_rows_in_sight(Desk desk) {
    Page page = desk.open(desk.signedIn("oriel.fenn"), "/statements?kind=place&id=root&grouping=none");
    page.locator("[data-row]").first().waitFor();
    assertThat(Integer.parseInt(page.getByRole(AriaRole.TABLE).getAttribute("aria-rowcount"))).isGreaterThan(20_000);
    assertThat(page.locator("[data-row]").count()).isLessThan(60);
    page.locator(".scroller").evaluate("list => { list.scrollTop = list.scrollHeight / 2 }");
    page.waitForFunction("() => { const row = document.querySelector('[data-row]'); return Number(row.dataset.row) > 5000 && row.innerText.length > 5 }");
    desk.leave(page);
  }

  @Test
  void a_database_that_is_away_is_said_until_it_is_back(Desk desk, TestApplication app) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/lib-cas");
    line(page, "Adjusters").waitFor();
    app.database().stop();
    assertThat(page.locator("p.outage")).containsText("The database does not answer", new LocatorAssertions.ContainsTextOptions().setTimeout(30_000));
    app.database().resume();
    assertThat(page.locator("p.outage")).hasCount(0, new LocatorAssertions.HasCountOptions().setTimeout(30_000));
    desk.leave(page);
    waitUntilSignInsSucceedAgain(app);
  }

  /** The first connections after an outage may still be dead ones: whichever test comes next must not get them. */
  private static void waitUntilSignInsSucceedAgain(TestApplication app) {
    int inARow = 0;
    for (int attempt = 0; attempt < 100 && inARow < 12; attempt++) {
      try {
        inARow = app.signedIn("oriel.fenn").get("/api/repository").status() == 200 ? inARow + 1 : 0;
      } catch (IllegalStateException notYet) {
        inARow = 0;
      }
    }
    assertEquals(12, inARow, "sign-ins in a row after the outage");
  }
}
