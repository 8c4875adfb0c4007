package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;

/** docs/building.md, step by step, from an empty repository: if this fails, the page is wrong. */
class BuildingTest {
  @Test
  void a_small_organisation_is_built_a_library_broken_and_the_break_undone_and_every_step_says_who_gains_and_loses() {
    try (TestDatabase database = TestDatabase.start(); TestApplication app = TestApplication.startEmpty(database); Desk desk = new Desk(app.address())) {
      Page page = desk.window();
      desk.signIn(page, "administrator", TestApplication.FIRST_PASSWORD);
      makeRoles(page);
      makePeopleAndGroups(page);
      makeTypes(page);
      layOut(page);
      giveAccess(page);
      // 6 Put it in force
      tray(page, "3 people gain, 0 lose");
      putInForce(page, "How we begin");
      breakAndUndo(page);
      desk.leave(page);
    }
  }

  private static Locator row(Page page, String table, String text) {
    return page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName(table).setExact(true)).locator("[data-row]")
        .filter(new Locator.FilterOptions().setHasText(text));
  }

  private static void makeRoles(Page page) {
    // 1 Roles
    room(page, "Roles");
    button(page, "New role");
    page.getByLabel("Name of the role").fill("Reader");
    page.getByLabel("read", new Page.GetByLabelOptions().setExact(true)).check();
    assertThat(page.getByText("added: what you chose needs it")).isVisible();
    button(page, "Add the role to the draft");
    tray(page, "1 change · changes nothing now");
    button(page, "New role");
    page.getByLabel("Name of the role").fill("Preparer");
    for (String right : new String[] {"copy", "add", "describe", "revise"}) {
      page.getByLabel(right, new Page.GetByLabelOptions().setExact(true)).check();
    }
    button(page, "Add the role to the draft");
    assertThat(row(page, "Roles", "Preparer")).containsText("new in your draft");
  }

  private static void makePeopleAndGroups(Page page) {
    // 2 People and groups
    room(page, "People");
    button(page, "Persons");
    for (String name : new String[] {"Ada Lorne", "Bram Teal"}) {
      button(page, "New person");
      page.getByRole(AriaRole.DIALOG).getByLabel("Name", new Locator.GetByLabelOptions().setExact(true)).fill(name);
      button(page, "Add to the draft");
      assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    }
    button(page, "Groups");
    for (String name : new String[] {"Office", "Partners"}) {
      button(page, "New group");
      page.getByRole(AriaRole.DIALOG).getByLabel("Name", new Locator.GetByLabelOptions().setExact(true)).fill(name);
      button(page, "Add to the draft");
      assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    }
    button(page, "Office");
    button(page, "Add members");
    button(page, "Many at once");
    page.getByLabel(Pattern.compile("^Paste a column")).fill("Ada Lorne\nBram Teal\nNobody Known");
    button(page, "See whom it names");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("2 people found, 1 line left out");
    button(page, "Add 2 to the draft");
    assertThat(page.locator(".members [data-row]")).hasCount(2);
    button(page, "Partners");
    button(page, "Add members");
    choose(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("A person or a group")), page, "Ada");
    button(page, "Add to the draft");
    assertThat(page.locator(".members [data-row]")).hasCount(1);
    tray(page, "changes nothing now");
  }

  private static void makeTypes(Page page) {
    // 3 A document type
    room(page, "Types");
    button(page, "New type");
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Invoice");
    button(page, "Add a field");
    page.getByLabel("Field 1").fill("Amount");
    page.getByLabel("required").check();
    button(page, "Add the type to the draft");
    assertThat(row(page, "Types", "Invoice")).containsText("1");
  }

  private static void layOut(Page page) {
    // 4 Libraries and folders
    room(page, "Places");
    button(page, "More to do with this place");
    page.getByText("Many places below …").click();
    page.getByLabel("Outline").fill("path,type,Amount\nLetters/2026\nAccounts/bill 1.pdf,Invoice,120 EUR");
    button(page, "See what it makes");
    button(page, "Add 4 places to the draft");
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
    assertThat(node(page, "Accounts")).isVisible();
  }

  private static void giveAccess(Page page) {
    // 5 Give access at the top
    grant(page, "Office", "Reader");
    tray(page, "3 people gain");
    node(page, "Accounts").click();
    grant(page, "Partners", "Preparer");
  }

  private static void breakAndUndo(Page page) {
    // 7 Break where it must differ
    room(page, "Places");
    node(page, "Accounts").click();
    button(page, "Break …");
    page.getByLabel(Pattern.compile("^Start empty")).check();
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Nobody on staff would govern");
    choose(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Who governs it from then on")), page, "Administrator");
    assertThat(page.getByRole(AriaRole.DIALOG)).containsText("Somebody on staff governs it before and after");
    assertThat(page.getByRole(AriaRole.DIALOG).getByText("Bram Teal")).isVisible();
    button(page, "Add to the draft");
    tray(page, "0 people gain, 1 loses");
    putInForce(page, "Accounts are for the partners");
    room(page, "Breaks");
    assertThat(page.locator("[data-row] [title*='1 person would gain find and read']")).isVisible();
    assertThat(page.locator("[data-row]").first()).containsText("Accounts are for the partners");
    // 8 Change your mind
    room(page, "Journal");
    page.getByText("Accounts are for the partners").first().click();
    button(page, "Undo …");
    page.waitForURL("**/rehearsal*");
    tray(page, "1 person gains, 0 lose");
    putInForce(page, "We changed our minds");
    room(page, "Breaks");
    assertThat(page.getByText("Nothing below stands alone")).isVisible();
  }

  private static void grant(Page page, String group, String role) {
    button(page, "Add an entry");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    choose(page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("To whom: a person, group or unit")), page, group);
    dialog.locator(".v-select").first().click();
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText(role)).first().click();
    button(page, "Add to the draft");
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
  }

  private static void putInForce(Page page, String why) {
    if (!page.url().contains("/rehearsal")) {
      page.getByText("Open the rehearsal").click();
    }
    page.getByLabel("Why: this note stands in the journal").fill(why);
    button(page, "Put in force");
    page.waitForURL("**/journal/*");
  }

  private static void choose(Locator field, Page page, String name) {
    field.fill(name);
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText(name)).first().click();
  }

  private static void tray(Page page, String says) {
    assertThat(page.locator("footer.tray")).containsText(says);
  }

  private static void room(Page page, String name) {
    page.getByRole(AriaRole.NAVIGATION).getByText(name, new Locator.GetByTextOptions().setExact(true)).click();
  }

  private static void button(Page page, String name) {
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).click();
  }

  private static Locator node(Page page, String name) {
    return page.getByRole(AriaRole.TREEITEM, new Page.GetByRoleOptions().setName(Pattern.compile("^" + name + ",")));
  }
}
