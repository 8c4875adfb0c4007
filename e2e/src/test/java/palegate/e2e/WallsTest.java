package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.certificates.Certificate;
import palegate.server.testkit.Browser;
import palegate.server.testkit.OwnDatabase;
import palegate.server.testkit.TestApplication;

/** The work of whoever keeps the walls: raised from nothing, at once in force, proved, corrected and lifted. */
@Order(5)
@ExtendWith(InBrowser.class)
@OwnDatabase
class WallsTest {
  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static void pick(Page page, String field, String typed) {
    page.getByLabel(field).first().fill(typed);
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText(typed)).first().click();
  }

  private static void putInForce(Page page, String why) {
    page.getByText("Open the rehearsal").click();
    page.getByLabel("Why").fill(why);
    button(page, "Put in force").click();
    assertThat(page.locator("footer.tray")).containsText("Nothing drafted");
  }

  @Test
  void a_screen_is_raised_counted_as_it_is_written_takes_a_page_away_at_once_is_proved_and_lifted(Desk desk, TestApplication app) throws IOException {
    Page mia = desk.window();
    desk.enter(mia, "mia.torrance", "pale-gate-demo");
    desk.open(mia, "/papers/f-2406");
    assertThat(mia.locator("body")).containsText("Brannock Star");
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/walls/new");
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Mia and Brannock Star");
    page.getByLabel("Why, for those who may know").fill("Her sister sails on her.");
    button(page, "Add a label").click();
    page.getByLabel("Label 1", new Page.GetByLabelOptions().setExact(true)).fill("case");
    page.getByLabel("Value 1").fill("C-2460");
    assertThat(page.locator(".covers")).containsText("This covers nothing");
    page.getByLabel("Value 1").fill("C-2406");
    assertThat(page.locator(".covers")).containsText("By library: Casualties");
    pick(page, "Add a person, group or unit", "Mia Torrance");
    Locator found = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What this wall would do"));
    assertThat(found).containsText("Keeps out 1 person");
    button(page, "Add to the draft").click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Mia and Brannock Star"))).isVisible();
    assertThat(page.locator("footer.tray")).containsText("1 lose");
    assertThat(mia.locator("body")).containsText("Brannock Star");
    putInForce(page, "A family tie");
    // Nothing is reloaded: the page that Mia has open loses it.
    assertThat(mia.locator("body")).not().containsText("Brannock Star");
    assertThat(app.signedIn("mia.torrance").get("/api/papers/places/f-2406").status()).isEqualTo(404);

    desk.open(page, "/walls");
    page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Walls")).getByText("Mia and Brannock Star").click();
    button(page, "Kept out").click();
    assertThat(page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Who is kept out"))).containsText("Mia Torrance");
    button(page, "Proofs").click();
    button(page, "Prove it now").click();
    assertThat(page.locator(".result")).containsText("It holds.");
    Download download = page.waitForDownload(() -> page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("JSON")).click());
    assertThat(Certificate.read(Files.readString(download.path())).orElseThrow().holds()).isTrue();

    page.getByLabel("More to do with Mia and Brannock Star").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Lift it …")).click();
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("has again what the access lists give them");
    button(page, "Add to the draft").click();
    putInForce(page, "She has left the ship");
    assertThat(app.signedIn("mia.torrance").get("/api/papers/places/f-2406").status()).isEqualTo(200);
    desk.open(page, "/walls");
    assertThat(page.locator("[data-row]").filter(new Locator.FilterOptions().setHasText("Mia and Brannock Star"))).containsText("lifted");
    desk.leave(page);
    desk.leave(mia);
  }

  @Test
  void somebody_who_administers_loses_place_tree_reasons_and_open_dialog_with_the_event(Desk desk, TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.discardDrafts();
    Page teodor = desk.open(desk.signedIn("teodor.brask"), "/places/f-2607");
    assertThat(teodor.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("C-2607 Kittiwake"))).isVisible();
    button(teodor, "Add an entry").click();
    assertThat(teodor.getByRole(AriaRole.DIALOG)).isVisible();
    assertThat(teodor.locator("[role=treeitem]").filter(new Locator.FilterOptions().setHasText("C-2607"))).isVisible();
    wenna.post("/api/draft/changes", Map.of("kind", "setWall", "name", "Not for Teodor", "state", "STANDING", "barrier", "screen",
        "sides", List.of(Map.of("subjects", List.of(Map.of("kind", "person", "id", "p-teodor")), "labels", Map.of("case", List.of("C-2607"))))));
    assertEquals(200, wenna.putInForce(true).status());
    assertThat(teodor.locator("body")).not().containsText("Kittiwake");
    assertThat(teodor.getByRole(AriaRole.DIALOG)).hasCount(0);
    assertThat(teodor.title()).doesNotContain("Kittiwake");
    desk.leave(teodor);
  }

  @Test
  void the_planted_gap_is_shown_with_its_evidence_and_taken_in_with_one_press(Desk desk, TestApplication app) {
    app.signedIn("wenna.carrow").discardDrafts();
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/walls/wall-pilgrim?view=gaps");
    assertThat(page.getByText("This covers nothing")).isVisible();
    assertThat(page.locator(".gap").first()).containsText("two neighbouring signs of “case: C-2417” may be swapped");
    page.locator(".gap").first().getByText("Take it in").click();
    assertThat(page.locator("footer.tray")).containsText("1 change");
    assertThat(page.getByText("This covers nothing")).hasCount(0);
    assertThat(page.locator(".gap").filter(new Locator.FilterOptions().setHasText("C-2471"))).hasCount(0);
    page.locator(".gap").first().getByText("It does not belong inside").click();
    page.getByLabel("Why not, in a sentence").fill("A register of ships, open to all.");
    button(page, "Dismiss it").click();
    assertThat(page.getByText("Also those dismissed (1)")).isVisible();
    desk.leave(page);
  }

  @Test
  void those_concerned_are_told_confirm_it_above_their_page_and_are_listed_as_having_done_so(Desk desk, TestApplication app) {
    app.signedIn("wenna.carrow").discardDrafts();
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/walls/wall-fraud?view=notices");
    page.getByLabel("Tell those who keep papers inside").click();
    page.getByLabel("What they are to know").fill("C-2502 is walled: keep it to yourselves.");
    button(page, "Send it").click();
    assertThat(page.locator(".notice")).containsText("0 of 1 person confirmed it.");
    Page teodor = desk.signedIn("teodor.brask");
    assertThat(teodor.getByLabel("What you were told")).containsText("C-2502 is walled: keep it to yourselves.");
    teodor.getByText("I have read this").click();
    assertThat(teodor.getByLabel("What you were told")).hasCount(0);
    Page mia = desk.window();
    desk.enter(mia, "mia.torrance", "pale-gate-demo");
    assertThat(mia.locator("main")).not().isEmpty();
    assertThat(mia.getByLabel("What you were told")).hasCount(0);
    desk.open(page, "/walls/wall-fraud?view=notices");
    assertThat(page.locator(".notice")).containsText("1 of 1 person confirmed it.");
    page.getByText("Who has confirmed it").click();
    assertThat(page.locator(".notice li").first()).not().containsText("not yet");
    for (Page one : List.of(page, teodor, mia)) {
      desk.leave(one);
    }
  }

  @Test
  void what_a_draft_does_against_a_wall_stands_in_the_tray_and_says_why_in_the_rehearsal(Desk desk, TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.discardDrafts();
    wenna.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "f-2508", "name", "C-2607 once more"));
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/f-2508");
    page.locator("footer.tray").getByText("against a wall’s purpose").click();
    assertThat(page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Walls to look at"))).containsText("would lie outside A brother is master of the ship, and looks as if it belonged inside: “C-2607 once more” is like “C-2607”.");
    wenna.discardDrafts();
    desk.leave(page);
  }

  @Test
  void sides_are_described_with_a_name_each_and_whoever_is_on_both_is_said_before_anything_holds(Desk desk, TestApplication app) {
    app.signedIn("wenna.carrow").discardDrafts();
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/walls/new");
    page.getByRole(AriaRole.RADIO, new Page.GetByRoleOptions().setName(Pattern.compile("^Sides"))).check();
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Two hulls");
    for (int side = 1; side <= 2; side++) {
      Locator fields = page.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Side " + side));
      fields.getByLabel("Name of the side").fill("Hull " + side);
      fields.getByLabel("Add a place, with all below it, to side " + side).fill(side == 1 ? "C-2607" : "C-2502");
      page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText(side == 1 ? "C-2607" : "C-2502")).first().click();
      fields.getByLabel("Add a person, group or unit to side " + side).fill("Mia Torrance");
      page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Mia Torrance")).first().click();
    }
    Locator found = page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("What this wall would do"));
    assertThat(found).containsText("1 person is on two sides, and so kept out of both.");
    desk.leave(page);
  }

  @Test
  void a_leaver_is_confined_to_a_case_and_hands_over_what_they_own_in_one_draft(Desk desk, TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.discardDrafts();
    int owned = wenna.get("/api/people/p-140/owned").body().path("total").asInt();
    assertThat(owned).isPositive();
    String name = wenna.get("/api/people/p-140").body().path("person").path("name").asString();
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/people/persons/p-140");
    page.getByText("Confine …").click();
    Locator form = page.locator("form.form");
    assertThat(form).containsText(name + " owns");
    pick(page, "Add a case or folder that they keep", "C-2604");
    pick(page, "Hand these over to (nothing is handed over if left empty)", "Mia Torrance");
    assertThat(form).containsText("loses what they have on");
    button(page, "Add to the draft").click();
    assertThat(page.locator("footer.tray")).containsText((owned + 1) + " changes");
    page.getByLabel("Why").fill("Leaves at the end of the month");
    button(page, "Put in force").click();
    assertThat(page.locator("footer.tray")).containsText("Nothing drafted");
    assertEquals(0, wenna.get("/api/people/p-140/owned").body().path("total").asInt());
    wenna.get("/api/statements/pairs?about=PERSON&id=p-140&limit=200").body().path("rows").path("items").forEach(row ->
        assertThat(row.path("path").asString()).contains("C-2604"));
    desk.leave(page);
  }

  @Test
  void whoever_neither_keeps_walls_nor_audits_has_no_such_room(Desk desk) {
    Page page = desk.open(desk.signedIn("ola.lindqvist"), "/places");
    assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms"))).not().containsText("Walls");
    Page auditor = desk.open(desk.signedIn("oriel.fenn"), "/walls/wall-brother");
    assertThat(auditor.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("A brother is master of the ship"))).isVisible();
    assertThat(button(auditor, "Change")).hasCount(0);
    assertThat(button(auditor, "Raise a wall")).hasCount(0);
    desk.leave(page);
    desk.leave(auditor);
  }
}
