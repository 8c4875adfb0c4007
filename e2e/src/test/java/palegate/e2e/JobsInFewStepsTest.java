package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;

/**
 * Twelve jobs, each from being signed in to the last page of it, with every click and every key counted: at most two thirds of what a new user
 * once took. A job is done when the structure is as it was to be, and a note says why.
 */
@ExtendWith(InBrowser.class)
class JobsInFewStepsTest {
  @BeforeEach
  void discardDrafts(TestApplication app) {
    for (String login : new String[] {"wenna.carrow", "teodor.brask"}) {
      Browser browser = app.signedIn(login);
      browser.get("/api/drafts").body().valueStream().filter(draft -> draft.path("mine").asBoolean()).forEach(draft -> browser.delete("/api/drafts/" + draft.path("id").asLong()));
      browser.delete("/api/draft");
    }
  }

  private static Locator dialog(Page page) {
    return page.getByRole(AriaRole.DIALOG);
  }

  private static Locator role(Page page) {
    return dialog(page).locator(".v-select").first();
  }

  private static Locator line(Page page, String who) {
    return page.locator("tr[data-entry]").filter(new Locator.FilterOptions().setHasText(who));
  }

  private static void heading(Page page, String name) {
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(1))).containsText(name);
  }

  private static void closed(Page page) {
    assertThat(dialog(page)).hasCount(0);
  }

  private static void give(Hands hands, String who, String whom, String role) {
    Page page = hands.page();
    hands.button("Add an entry");
    hands.click(dialog(page).getByRole(AriaRole.COMBOBOX).first());
    hands.choose(who, whom);
    hands.select(role(page), role);
    hands.button("Add to the draft");
    closed(page);
  }

  @Test
  void a_list_is_understood_and_outsiders_are_taken_out(Desk desk) {
    Hands hands = new Hands(desk.signedIn("wenna.carrow"));
    Page page = hands.page();
    hands.goTo("casual", "Casualties");
    heading(page, "Casualties");
    // Who is behind the line that has outsiders in it?
    hands.click(line(page, "Surveyors").first().getByLabel(Pattern.compile("people behind Surveyors: list them")));
    assertThat(dialog(page)).containsText("outsider");
    hands.press("Escape");
    closed(page);
    hands.click(line(page, "Surveyors").first().getByRole(AriaRole.LINK).first());
    Locator outside = page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Choose \\d+ from outside")));
    int outsiders = Integer.parseInt(outside.innerText().replaceAll("\\D", ""));
    hands.click(outside);
    hands.click(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Take (it|them) out$"))));
    assertThat(page.getByText("taken out by your draft")).hasCount(outsiders);
    hands.inForce("Surveyors are staff");
    hands.took("a list is understood, and outsiders are taken out", 22, 54);
    desk.leave(page);
  }

  @Test
  void a_company_is_built_from_nothing() {
    try (TestDatabase database = TestDatabase.start(); TestApplication app = TestApplication.startEmpty(database); Desk desk = new Desk(app.address())) {
      Page page = desk.window();
      desk.signIn(page, "administrator", TestApplication.FIRST_PASSWORD);
      Hands hands = new Hands(page);
      hands.press("o");
      for (String[] role : new String[][] {{"Reader", "copy"}, {"Filer", "add", "describe", "revise"}}) {
        hands.button("New role");
        assertThat(page.getByLabel("Name of the role")).isFocused();
        hands.type(role[0]);
        for (int i = 1; i < role.length; i++) {
          hands.click(page.getByLabel(role[i], new Page.GetByLabelOptions().setExact(true)));
        }
        hands.button("Add the role to the draft");
        assertThat(page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Roles").setExact(true))).containsText(role[0]);
      }
      hands.press("g");
      hands.button("Persons");
      hands.button("Many at once");
      hands.inDialog();
      hands.type("name\nAda Lorne\nBram Teal\nCato Wick");
      hands.button("See what it makes");
      hands.click(dialog(page).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Add 3"))));
      closed(page);
      hands.button("Groups");
      for (String[] group : new String[][] {{"Office", "Ada Lorne\nBram Teal"}, {"Partners", "Cato Wick"}}) {
        hands.button("New group");
        hands.inDialog();
        hands.type(group[0]);
        hands.press("Enter");
        closed(page);
        hands.button(group[0]);
        hands.button("Add members");
        hands.button("Many at once");
        hands.fill(page.getByLabel(Pattern.compile("^Paste a column")), group[1]);
        hands.button("See whom it names");
        hands.click(dialog(page).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName(Pattern.compile("^Add \\d to the draft"))));
        closed(page);
      }
      hands.press("t");
      hands.button("New type");
      assertThat(page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true))).isFocused();
      hands.type("Invoice");
      hands.button("Add a field");
      hands.fill(page.getByLabel("Field 1"), "Amount");
      hands.button("Add the type to the draft");
      hands.press("p");
      hands.act("many pl", "Many places below …");
      hands.fill(page.getByLabel("Outline"), "path,type,Amount\nLetters/2026\nAccounts/bill 1.pdf,Invoice,120 EUR");
      hands.button("See what it makes");
      hands.button("Add 4 places to the draft");
      closed(page);
      give(hands, "offi", "Office", "Reader");
      hands.click(page.getByRole(AriaRole.TREEITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^Accounts,"))));
      heading(page, "Accounts");
      give(hands, "partn", "Partners", "Filer");
      hands.inForce("How we begin");
      hands.took("a company from nothing", 78, 295);
      desk.leave(page);
    }
  }

  @Test
  void all_read_one_library_is_raised_and_one_is_locked(Desk desk) {
    Hands hands = new Hands(desk.signedIn("wenna.carrow"));
    Page page = hands.page();
    hands.goTo("sallow", "Sallowpoint repository");
    heading(page, "Sallowpoint repository");
    give(hands, "all sta", "All staff", "Reader");
    hands.goTo("handb", "Staff handbook");
    heading(page, "Staff handbook");
    give(hands, "adjus", "Adjusters", "Filer");
    hands.goTo("accou", "Accounts");
    heading(page, "Accounts");
    lock(hands);
    hands.inForce("Read for all");
    hands.took("read for all, one library raised, one locked", 26, 78);
    desk.leave(page);
  }

  private static void lock(Hands hands) {
    Page page = hands.page();
    hands.button(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Break …")).count() > 0 ? "Break …" : "Rejoin …");
    hands.click(page.getByLabel(Pattern.compile("^Start empty")));
    hands.click(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Who governs it from then on")));
    hands.choose("wenna", "Wenna Carrow");
    hands.button("Add to the draft");
    closed(page);
  }

  @Test
  void a_folder_and_a_document_are_broken_all_read_but_one(Desk desk) {
    Hands hands = new Hands(desk.signedIn("wenna.carrow"));
    Page page = hands.page();
    for (String[] place : new String[][] {{"2417", "C-2417 Grey Pilgrim"}, {"letter", "Letter"}}) {
      hands.goTo(place[0], place[1]);
      hands.button("Break …");
      hands.button("Add to the draft");
      closed(page);
      hands.click(page.getByLabel(Pattern.compile("^Choose all \\d+ lines of its own")));
      hands.select(page.getByRole(AriaRole.TOOLBAR).locator(".v-select"), "Reader");
      hands.button("Give them this role");
      assertThat(page.getByRole(AriaRole.TOOLBAR).getByText("chosen")).hasCount(0);
      give(hands, "wenna", "Wenna Carrow", "Keeper");
    }
    hands.inForce("Wenna keeps, others read");
    hands.took("a folder and a document broken, all to read but one", 42, 90);
    desk.leave(page);
  }

  @Test
  void a_library_to_be_read_is_linked_elsewhere(Desk desk) {
    Hands hands = new Hands(desk.signedIn("wenna.carrow"));
    Page page = hands.page();
    hands.goTo("sallow", "Sallowpoint repository");
    heading(page, "Sallowpoint repository");
    hands.act("new pl", "New place below …");
    hands.inDialog();
    hands.type("Forms");
    hands.press("Enter");
    closed(page);
    hands.click(page.getByRole(AriaRole.TREEITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^Forms,"))));
    heading(page, "Forms");
    give(hands, "adjus", "Adjusters", "Reader");
    hands.goTo("accou", "Accounts");
    heading(page, "Accounts");
    hands.act("new pl", "New place below …");
    hands.click(dialog(page).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Link").setExact(true)));
    hands.fill(dialog(page).getByLabel("Name", new Locator.GetByLabelOptions().setExact(true)), "Forms");
    hands.click(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("The place it shows")));
    hands.choose("forms", "Forms");
    hands.button("Add to the draft");
    closed(page);
    hands.inForce("Forms to read");
    hands.took("a read-only library linked elsewhere", 25, 72);
    desk.leave(page);
  }

  @Test
  void a_type_of_ones_own(Desk desk) {
    Hands hands = new Hands(desk.signedIn("wenna.carrow"));
    Page page = hands.page();
    hands.press("t");
    hands.button("New type");
    hands.fill(page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)), "Permit");
    hands.button("Add a field");
    hands.fill(page.getByLabel("Field 1"), "Number");
    hands.click(page.getByLabel("required").first());
    hands.button("Add a field");
    hands.fill(page.getByLabel("Field 2"), "Ends");
    hands.select(page.locator("[data-row='1'] .v-select").first(), "date");
    hands.button("Add a field");
    hands.fill(page.getByLabel("Field 3"), "Office");
    hands.select(page.locator("[data-row='2'] .v-select").first(), "choice");
    hands.fill(page.getByLabel("Can be chosen, separated by commas"), "Harbour, Coast");
    hands.click(page.getByLabel(Pattern.compile("^Guarded")));
    hands.button("Add the type to the draft");
    hands.inForce("Permits have a type of their own");
    hands.took("an own type", 70, 162);
    desk.leave(page);
  }

  @Test
  void a_new_person_is_like_a_colleague(Desk desk) {
    Hands hands = new Hands(desk.signedIn("wenna.carrow"));
    Page page = hands.page();
    hands.press("g");
    hands.button("Persons");
    hands.button("New person");
    hands.inDialog();
    hands.type("Una Pell");
    hands.press("Enter");
    closed(page);
    hands.goTo("una p", "Una Pell");
    hands.button("Make like …");
    hands.click(dialog(page).getByRole(AriaRole.COMBOBOX).first());
    hands.choose("mia to", "Mia Torrance");
    hands.click(dialog(page).getByRole(AriaRole.CHECKBOX).first());
    hands.button("Add to the draft");
    closed(page);
    hands.inForce("Una joins the adjusters");
    hands.took("a new person", 24, 63);
    desk.leave(page);
  }

  @Test
  void one_persons_level_has_an_end(Desk desk) {
    Hands hands = new Hands(desk.signedIn("wenna.carrow"));
    Page page = hands.page();
    hands.goTo("handb", "Staff handbook");
    heading(page, "Staff handbook");
    hands.button("Add an entry");
    hands.click(dialog(page).getByRole(AriaRole.COMBOBOX).first());
    hands.choose("jory", "Jory Carrow");
    hands.select(role(page), "Filer");
    hands.fill(dialog(page).getByRole(AriaRole.TEXTBOX, new Locator.GetByRoleOptions().setName("To the end of (no end if left empty)")), "+4w");
    hands.press("Enter");
    closed(page);
    hands.inForce("Jory helps for a month");
    hands.took("one person's level with an end", 16, 63);
    desk.leave(page);
  }

  @Test
  void a_move(Desk desk) {
    Hands hands = new Hands(desk.signedIn("wenna.carrow"));
    Page page = hands.page();
    hands.goTo("2411", "C-2411");
    heading(page, "C-2411");
    hands.act("name, l", "Name, labels, move, remove …");
    hands.click(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Move it below another place"))));
    hands.choose("accou", "Accounts");
    hands.button("Add to the draft");
    closed(page);
    hands.inForce("Done");
    hands.took("a move", 7, 32);
    desk.leave(page);
  }

  @Test
  void two_administrators_approve_schedule_and_undo(Desk desk) {
    Hands hands = new Hands(desk.signedIn("wenna.carrow"));
    Page wenna = hands.page();
    hands.goTo("handb", "Staff handbook");
    heading(wenna, "Staff handbook");
    give(hands, "survey", "Surveyors", "Filer");
    hands.press("d");
    hands.click(wenna.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Drafts").setExact(true)).locator("[data-row]").getByRole(AriaRole.LINK).first());
    hands.click(wenna.locator(".v-select").filter(new Locator.FilterOptions().setHasText("A colleague")));
    hands.click(wenna.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Teodor Brask")));
    hands.button("Share");
    Page teodor = desk.signedIn("teodor.brask");
    hands.sitDownAt(teodor);
    hands.press("d");
    hands.click(teodor.locator("[data-row]").filter(new Locator.FilterOptions().setHasText("of Wenna Carrow")).getByRole(AriaRole.LINK));
    hands.button("Approve it as it is");
    assertThat(teodor.locator(".opened")).containsText("Approved");
    hands.sitDownAt(wenna);
    hands.fill(wenna.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Put it in force at")), "+1d 8:00");
    hands.press("Tab");
    hands.fill(wenna.getByLabel("Why: this note stands in the journal"), "Surveyors file");
    hands.button("Schedule it");
    assertThat(wenna.locator(".opened")).containsText("It will be put in force");
    hands.button("Cancel the schedule");
    hands.inForce("Surveyors file");
    hands.button("Undo …");
    wenna.waitForURL("**/rehearsal*");
    hands.fill(wenna.getByLabel("Why: this note stands in the journal"), "Not yet");
    hands.press("Enter");
    wenna.waitForURL("**/journal/*");
    hands.took("two administrators, approval, schedule, undo", 38, 173);
    desk.leave(teodor);
    desk.leave(wenna);
  }

  @Test
  void a_statement_for_an_auditor_at_three_dates(Desk desk) {
    Page page = desk.signedIn("oriel.fenn");
    Hands hands = new Hands(page);
    hands.press("s");
    hands.click(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("The place")));
    hands.choose("casual", "Casualties");
    Locator day = page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("At the end of"));
    for (String at : new String[] {"", "1 Mar", "1 Sep"}) {
      if (!at.isEmpty()) {
        hands.click(day);
        page.keyboard().press("Control+a");
        hands.type(at);
        hands.press("Enter");
      }
      Locator file = page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("PDF").setExact(true));
      assertThat(file).hasAttribute("href", Pattern.compile(at.isEmpty() ? "lib-cas" : "at=2026-0"));
      page.waitForDownload(() -> hands.click(file));
    }
    hands.took("a statement for an auditor at three dates", 10, 60);
    desk.leave(page);
  }

  @Test
  void one_grant_by_keyboard_alone(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    Hands hands = new Hands(page);
    hands.goTo("handb", "Staff handbook");
    heading(page, "Staff handbook");
    hands.act("add an", "Add an entry");
    hands.tabTo(dialog(page).getByRole(AriaRole.COMBOBOX).first());
    hands.choose("isol", "Isolde Holm");
    hands.press("Tab", "ArrowDown");
    Locator filer = page.locator(".v-list-item:visible").filter(new Locator.FilterOptions().setHasText("Filer")).first();
    filer.waitFor();
    // In the list, the first letter goes to what is wanted.
    hands.press("f");
    assertThat(filer).isFocused();
    hands.press("Enter");
    assertThat(role(page)).containsText("Filer");
    hands.tabTo(dialog(page).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add to the draft")));
    hands.press("Enter");
    closed(page);
    hands.press("r");
    page.waitForURL("**/rehearsal*");
    hands.tabTo(page.getByLabel("Why: this note stands in the journal"));
    hands.type("Isolde");
    hands.press("Enter");
    page.waitForURL("**/journal/*");
    hands.took("one grant by keyboard", 0, 64);
    desk.leave(page);
  }
}
