package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;

/** The frame in which all rooms stand: how much it takes, how much is seen in it, and that nothing in it gets in the way. */
@Order(2)
@ExtendWith(InBrowser.class)
class RoomsTest {
  /** How many rows are wholly in sight. */
  private static final String ROWS_IN_SIGHT = """
      (selector) => {
        const first = document.querySelector(selector)
        let box = first.parentElement
        while (!['auto', 'scroll'].includes(getComputedStyle(box).overflowY)) box = box.parentElement
        const seen = box.getBoundingClientRect()
        return [...document.querySelectorAll(selector)].filter((row) => {
          const at = row.getBoundingClientRect()
          return at.top >= seen.top && at.bottom <= Math.min(seen.bottom, innerHeight) + 1
        }).length
      }
      """;
  /** The palings of which a part lies outside of what cuts it off. */
  private static final String CUT_PALINGS = """
      () => [...document.querySelectorAll('svg.paling')].filter((paling) => {
        const whole = paling.getBoundingClientRect()
        for (let above = paling.parentElement; above !== null && !above.matches('[role=row], tr, main'); above = above.parentElement) {
          const box = above.getBoundingClientRect()
          if (getComputedStyle(above).overflowX !== 'visible' && (whole.left < box.left - 0.5 || whole.right > box.right + 0.5)) return true
        }
        return false
      }).length
      """;

  @BeforeEach
  void discardDraft(TestApplication app) {
    app.signedIn("wenna.carrow").delete("/api/draft");
  }

  private static int count(Page page, String script, String argument) {
    return ((Number) page.evaluate(script, argument)).intValue();
  }

  @Test
  void what_the_page_is_made_of_is_sent_once_and_compressed_and_the_page_itself_is_never_kept(Desk desk, TestApplication app) {
    Browser browser = Browser.at(app.address());
    Browser.Answer index = browser.get("/places");
    assertThat(index.header("cache-control")).contains("no-store");
    Matcher asset = Pattern.compile("/assets/[\\w.-]+\\.(js|css)").matcher(new String(index.bytes(), StandardCharsets.UTF_8));
    int assets = 0;
    for (; asset.find(); assets++) {
      assertThat(browser.get(asset.group()).header("cache-control")).as(asset.group()).contains("immutable", "private", "max-age=31536000");
    }
    assertThat(assets).isGreaterThan(1);
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/matrix");
    page.locator("h1").first().waitFor();
    List<?> sent = (List<?>) page.evaluate("() => performance.getEntriesByType('resource').filter((one) => /\\/assets\\/index-.*js$/.test(one.name)).map((one) => one.transferSize)");
    assertThat(sent).as("bytes sent of what was there already").isNotEmpty().allMatch(bytes -> ((Number) bytes).intValue() == 0);
    List<?> plain = (List<?>) page.evaluate("() => performance.getEntriesByType('resource').filter((one) => /\\.(js|css)$/.test(one.name) && one.decodedBodySize > 5000 && one.encodedBodySize > one.decodedBodySize / 2).map((one) => one.name)");
    assertThat(plain).as("sent as it is").isEmpty();
    desk.leave(page);
  }

  @Test
  void the_rail_is_narrow_and_its_words_are_whole(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    for (int width : List.of(1280, 1024)) {
      page.setViewportSize(width, 800);
      BoundingBox rail = page.locator("header.rail").boundingBox();
      assertThat(rail.width).isLessThanOrEqualTo(72);
      for (Locator room : page.locator("header.rail nav a").all()) {
        assertThat((Boolean) room.evaluate("a => a.scrollWidth <= a.clientWidth")).as(room.innerText()).isTrue();
      }
    }
    page.setViewportSize(400, 800);
    assertThat(page.locator("header.rail nav")).isHidden();
    page.locator("header.rail .opener").click();
    page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Statements").setExact(true)).click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Statements"))).isInViewport();
    desk.leave(page);
  }

  @Test
  void lists_show_twenty_two_people_and_fourteen_lines_and_comfortable_is_remembered(Desk desk, TestApplication app) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/people/persons");
    page.locator("[data-row='20']").waitFor();
    assertThat(count(page, ROWS_IN_SIGHT, "[data-row]")).isGreaterThanOrEqualTo(22);
    Browser wenna = app.signedIn("wenna.carrow");
    for (int i = 0; i < 20; i++) {
      wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-cas", "role", "r-reader", "subject", Map.of("kind", "person", "id", "p-" + (110 + i))));
    }
    desk.open(page, "/places/lib-cas");
    page.locator("tr[data-entry]").nth(18).waitFor();
    assertThat(count(page, ROWS_IN_SIGHT, "tr[data-entry]")).isGreaterThanOrEqualTo(14);
    desk.open(page, "/places/lib-cas?show=people");
    page.getByLabel(Pattern.compile("^Why .* has this")).first().click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Access list")).click();
    page.locator("tr[data-entry]").nth(18).waitFor();
    assertThat(page.getByRole(AriaRole.COMPLEMENTARY)).isVisible();
    assertThat(count(page, ROWS_IN_SIGHT, "tr[data-entry]")).as("with the why panel open").isGreaterThanOrEqualTo(8);
    desk.open(page, "/account");
    page.getByText("Comfortable").click();
    desk.open(page, "/people/persons");
    page.locator("[data-row='10']").waitFor();
    assertThat(page.locator("[data-row='1']").boundingBox().height).isGreaterThan(40);
    desk.leave(page);
  }

  @Test
  void no_paling_is_cut_off_in_any_list(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    for (String path : List.of("/roles", "/places/lib-cas", "/places/lib-cas?show=people", "/breaks", "/types/matrix", "/roles/r-keeper",
        "/statements?kind=place&id=lib-acc&grouping=none", "/between", "/papers/lib-cas")) {
      for (int width : List.of(1280, 1024)) {
        page.setViewportSize(width, 800);
        desk.open(page, path);
        assertThat(page.locator("svg.paling").first()).isAttached();
        assertThat(count(page, CUT_PALINGS, "")).as(path + " at " + width).isZero();
      }
    }
    desk.leave(page);
  }

  @Test
  void the_palette_goes_to_anything_and_does_what_the_screen_does_last_used_first(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/places/lib-cas");
    page.locator("tr[data-entry]").first().waitFor();
    page.keyboard().press("k");
    Locator field = page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.COMBOBOX);
    field.fill("c-2607");
    assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("C-2607 Kittiwake");
    page.keyboard().press("Enter");
    page.waitForURL("**/places/f-2607");
    page.keyboard().press("k");
    field.fill("marigold");
    assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("Marigold");
    page.keyboard().press("Escape");
    page.keyboard().press("k");
    assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("C-2607 Kittiwake");
    field.fill("add an entry");
    page.keyboard().press("Enter");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Kittiwake");
    page.keyboard().press("Escape");
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    page.keyboard().press("k");
    field.fill("ceiling and house");
    page.keyboard().press("Enter");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Kittiwake");
    desk.leave(page);
  }

  @Test
  void the_palette_finds_nothing_that_is_hidden(Desk desk) {
    Page page = desk.signedIn("ola.lindqvist");
    page.keyboard().press("k");
    Locator field = page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.COMBOBOX);
    field.fill("Ottoline");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Nothing of that name that you may know.");
    desk.leave(page);
  }

  @Test
  void a_place_is_remembered_names_the_page_and_keeps_its_side_in_the_address(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/places/f-2607");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("People here")).click();
    page.waitForURL("**/places/f-2607?show=people");
    assertThat(page).hasTitle(Pattern.compile("^C-2607 Kittiwake · Places"));
    page.keyboard().press("o");
    page.waitForURL("**/roles");
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Roles").setExact(true))).isFocused();
    page.keyboard().press("p");
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("C-2607 Kittiwake"))).isVisible();
    desk.leave(page);
  }

  @Test
  void a_dialog_gives_the_focus_back_and_the_menu_is_one(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/lib-cas");
    Locator adding = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add an entry"));
    adding.click();
    page.getByRole(AriaRole.DIALOG).waitFor();
    page.keyboard().press("Escape");
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    assertThat(adding).isFocused();
    Locator more = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("More to do with this place"));
    more.click();
    assertThat(page.getByRole(AriaRole.MENU)).isVisible();
    assertThat(page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("History of this place"))).isVisible();
    desk.leave(page);
  }

  /** What was shown for one place: a dialog that turned into one for another when a slow answer came. */
  @Test
  void while_another_place_is_on_its_way_nothing_of_the_old_one_can_be_used(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/lib-cas");
    page.locator("tr[data-entry]").first().waitFor();
    List<Runnable> held = new ArrayList<>();
    page.route(Pattern.compile("/api/places/lib-acc(/access)?$"), route -> held.add(route::resume));
    page.getByRole(AriaRole.TREEITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^Accounts,"))).click();
    page.waitForURL("**/places/lib-acc");
    Locator work = page.locator("section.work");
    assertThat(work).hasAttribute("inert", "");
    assertThat(work).hasAttribute("aria-busy", "true");
    page.getByText("Add an entry").click(new Locator.ClickOptions().setForce(true));
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    page.waitForCondition(() -> held.size() >= 2);
    // The second answer comes first.
    held.get(1).run();
    held.get(0).run();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Accounts").setExact(true))).isVisible();
    assertThat(work).not().hasAttribute("inert", "");
    page.getByText("Add an entry").click();
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Accounts");
    desk.leave(page);
  }

  @Test
  void a_day_is_typed_as_one_writes_it_and_what_cannot_be_read_is_not_sent(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/lib-hand");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add an entry")).click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByLabel("To whom: a person, group or unit").first().fill("Mia Torrance");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Mia Torrance")).first().click();
    dialog.locator(".v-select").first().click();
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Filer")).first().click();
    Locator end = dialog.getByRole(AriaRole.TEXTBOX, new Locator.GetByRoleOptions().setName("To the end of (no end if left empty)"));
    end.fill("some day");
    assertThat(dialog).containsText("Type a day such as");
    dialog.getByText("Add to the draft").click();
    assertThat(dialog).isVisible();
    end.fill("30 Dec 2031");
    dialog.getByText("Add to the draft").click();
    assertThat(dialog).hasCount(0);
    assertThat(page.locator("tr[data-entry]").filter(new Locator.FilterOptions().setHasText("Mia Torrance"))).containsText("to the end of 30 Dec 2031");
    desk.leave(page);
  }

  @Test
  void one_thing_has_its_trail_and_each_change_its_effect(Desk desk, TestApplication app) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/journal?thing=place:lib-ten&name=Tenders");
    Locator changes = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Changes, newest first"));
    assertThat(changes).containsText("Tenders are for management");
    assertThat(changes).not().containsText("Trainees do not take valuations away.");
    changes.getByText("Tenders are for management").click();
    assertThat(page.locator(".effect")).containsText("lost");
    page.getByText("Who, and where").click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName(Pattern.compile("^What change \\d+ did")))).isVisible();
    assertThat(page.locator("[data-row]").first()).containsText("Tenders");
    desk.leave(page);
  }

  @Test
  void a_container_lists_its_documents_with_the_columns_of_their_type(Desk desk, TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    String fee = wenna.get("/api/places/f-2406-fees/documents").body().path("documents").path("items").get(3).path("id").asString();
    assertThat(wenna.post("/api/draft/changes", Map.of("kind", "setLabels", "place", fee, "labels", Map.of("amount", "1,200 EUR"))).status()).isEqualTo(201);
    assertThat(wenna.post("/api/draft/changes", Map.of("kind", "setLabels", "place", fee, "labels", Map.of("amount", "abc"))).status()).isEqualTo(422);
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/f-2406-fees?show=documents");
    Locator list = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Documents here"));
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Fee note"))).click();
    list.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Amount")).click();
    list.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Amount")).click();
    assertThat(list.locator("[data-row='0']")).containsText("1200 EUR");
    desk.leave(page);
  }

  @Test
  void rejoining_from_the_register_says_first_what_it_discards_and_the_row_stays(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/breaks");
    page.getByLabel("Choose Board papers").check();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Rejoin 1")).click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    assertThat(dialog).containsText("2 entries of its own are discarded");
    assertThat(page.locator("footer.tray")).containsText("Nothing drafted");
    dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add to the draft")).click();
    assertThat(page.locator("[data-row]").filter(new Locator.FilterOptions().setHasText("Board papers"))).containsText("rejoined by your draft");
    desk.leave(page);
  }

  @Test
  void a_day_that_cannot_be_read_is_never_no_end_at_all(Desk desk, TestApplication app) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/lib-hand");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add an entry")).click();
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    dialog.getByLabel("To whom: a person, group or unit").first().fill("Mia Torrance");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Mia Torrance")).first().click();
    dialog.locator(".v-select").first().click();
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Filer")).first().click();
    dialog.getByRole(AriaRole.TEXTBOX, new Locator.GetByRoleOptions().setName("To the end of (no end if left empty)")).fill("31 Feb");
    dialog.getByText("Add, and another").click();
    assertThat(dialog).containsText("Type a day such as");
    assertThat(app.signedIn("wenna.carrow").get("/api/draft").body().path("items")).isEmpty();
    desk.open(page, "/types/valuation");
    Locator clearing = page.locator(".clearances .add");
    clearing.locator("input[type=text]").first().fill("Mia Torrance");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Mia Torrance")).first().click();
    clearing.locator(".v-select").click();
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Reader")).first().click();
    clearing.getByRole(AriaRole.TEXTBOX, new Locator.GetByRoleOptions().setName("To the end of (no end if left empty)")).fill("soon");
    clearing.getByText("Add to the draft").click();
    assertThat(page.locator(".clearances")).containsText("is no day");
    assertThat(app.signedIn("wenna.carrow").get("/api/draft").body().path("items")).isEmpty();
    desk.leave(page);
  }

  /** A wall that was raised since: the place and its name are gone from what the palette and the room remember. */
  @Test
  void what_somebody_went_to_last_is_forgotten_once_it_is_hidden_and_the_room_opens_elsewhere(Desk desk) {
    Page page = desk.signedIn("ola.lindqvist");
    page.evaluate("""
        () => {
          localStorage.setItem('palegate-place', JSON.stringify({ 'ola.lindqvist': 'f-2411' }))
          localStorage.setItem('palegate-recent', JSON.stringify({ 'ola.lindqvist': [{ id: 'place f-2411', kind: 'folder', thing: 'place:f-2411', to: { name: 'places', params: { id: 'f-2411' } } },
            { id: 'place lib-cas', kind: 'library', thing: 'place:lib-cas', to: { name: 'places', params: { id: 'lib-cas' } } }] }))
        }
        """);
    desk.open(page, "/places");
    page.locator("[role=treeitem]").first().waitFor();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))).hasText("Sallowpoint repository");
    page.keyboard().press("k");
    assertThat(page.getByRole(AriaRole.OPTION).first()).containsText("Casualties");
    assertThat(page.getByRole(AriaRole.DIALOG)).not().containsText("2411");
    assertThat((String) page.evaluate("() => localStorage.getItem('palegate-recent')")).as("no names are kept in the browser").doesNotContain("Casualties");
    desk.leave(page);
  }

  @Test
  void an_address_that_leads_nowhere_says_so_typed_or_followed(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    assertThat(page.navigate(page.url().replaceAll("/places.*", "/nowhere/at-all")).status()).isEqualTo(404);
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("There is nothing at this address"))).isVisible();
    assertThat(page.getByRole(AriaRole.NAVIGATION, new Page.GetByRoleOptions().setName("Rooms"))).isVisible();
    desk.leave(page);
  }

  @Test
  void a_question_typed_into_the_palette_has_a_sentence_an_address_and_its_evidence(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/places/lib-cas");
    page.locator("[role=treeitem]").first().waitFor();
    page.keyboard().press("k");
    page.keyboard().type("why can't Mia Torrance read C-2607");
    Locator answer = page.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText("No: Mia Torrance cannot read"));
    assertThat(answer).isVisible();
    answer.click();
    page.waitForURL("**/ask?q=*");
    assertThat(page.locator(".sentence")).containsText("a wall keeps them out.");
    page.getByText("Show the stages").click();
    assertThat(page.locator("aside.why")).containsText("Barred by a wall");
    desk.open(page, "/ask?q=can%20Teodor%20read%20Accounts");
    assertThat(page.getByText("Which “Teodor” do you mean?")).isVisible();
    page.locator(".answer").getByRole(AriaRole.BUTTON).first().click();
    assertThat(page.locator(".sentence")).containsText("Teodor");
    page.keyboard().press("Escape");
    desk.open(page, "/places/lib-cas");
    page.locator("[role=treeitem]").first().waitFor();
    page.keyboard().press("k");
    page.keyboard().type("can mia torr");
    assertThat(page.getByText("Tab goes on with the question.")).isVisible();
    page.keyboard().press("Tab");
    assertThat(page.locator(".palette input")).hasValue("can Mia Torrance ");
    page.keyboard().type("re");
    assertThat(page.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText("can Mia Torrance read"))).isVisible();
    page.keyboard().press("Tab");
    assertThat(page.locator(".palette input")).hasValue("can Mia Torrance read ");
    page.keyboard().type("C-2607");
    assertThat(page.getByRole(AriaRole.OPTION).filter(new Locator.FilterOptions().setHasText("No: Mia Torrance cannot read"))).isVisible();
    desk.leave(page);
  }
}
