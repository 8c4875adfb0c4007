package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;

/** Statements as files: made while one does something else, by themselves, with chosen columns, and held against each other. */
@ExtendWith(InBrowser.class)
class StatementsTest {
  @TempDir
  private Path folder;

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static void later(Page page, String what) {
    button(page, "Made in the background, or regularly").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName(what)).click();
  }

  private Path taken(Page page, Runnable click, String name) {
    Download download = page.waitForDownload(click);
    Path file = folder.resolve(name);
    download.saveAs(file);
    return file;
  }

  @Test
  void a_file_is_made_while_one_does_something_else_and_waits_until_it_is_thrown_away(Desk desk) throws IOException {
    Page page = desk.signedIn("oriel.fenn");
    desk.open(page, "/statements?kind=place&id=lib-acc&grouping=person");
    later(page, "CSV, in the background");
    Locator files = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Prepared files"));
    Locator take = files.getByText("Download", new Locator.GetByTextOptions().setExact(true));
    assertThat(take).isVisible(new LocatorAssertions.IsVisibleOptions().setTimeout(20_000));
    assertThat(files).containsText("Who can reach Accounts and what is below it");
    assertThat(files).containsText("Kept until");
    Path file = taken(page, take::click, "prepared.csv");
    assertThat(Files.readString(file, StandardCharsets.UTF_8)).contains("Ansel Ashdown", "Pale Gate statement 1 | kind=place id=lib-acc grouping=person");
    files.getByText("Delete").click();
    assertThat(page.getByText("None. Choose Later beside a statement")).isVisible();
    button(page, "Close").click();

    later(page, "Make it regularly …");
    button(page, "Make it regularly").click();
    button(page, "Prepared files …").click();
    Locator regular = page.getByRole(AriaRole.LIST, new Page.GetByRoleOptions().setName("Regular statements"));
    assertThat(regular).containsText("Workbook, every Monday, if it changed");
    regular.getByText("End it").click();
    assertThat(regular).hasCount(0);
    desk.leave(page);
  }

  @Test
  void two_files_of_one_question_are_checked_and_compared(Desk desk) {
    Page page = desk.signedIn("oriel.fenn");
    desk.open(page, "/statements?kind=place&id=lib-ten&grouping=person&asOf=2025-06-30");
    Path earlier = taken(page, () -> page.getByText("Workbook", new Page.GetByTextOptions().setExact(true)).click(), "earlier.xlsx");
    desk.open(page, "/statements?kind=place&id=lib-ten&grouping=person");
    Path later = taken(page, () -> page.getByText("CSV", new Page.GetByTextOptions().setExact(true)).click(), "later.csv");
    button(page, "Check or compare files …").click();
    page.getByLabel("The file of a statement, or two").setInputFiles(new Path[] {later, earlier});
    Locator found = page.getByLabel("What was found");
    assertThat(found).containsText("This is what was said at change 1.");
    assertThat(found).containsText("From change 1, 30 Jun 2025");
    assertThat(found.locator(".compared tbody tr").first()).isVisible();
    found.getByText("Who gained and lost, and by which change").click();
    page.waitForURL("**kind=difference**");
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Who gained and lost")).first()).isVisible();
    desk.leave(page);
  }

  @Test
  void columns_are_chosen_on_screen_and_the_file_has_those(Desk desk) throws IOException {
    Page page = desk.signedIn("oriel.fenn");
    desk.open(page, "/statements?kind=place&id=lib-acc&grouping=person");
    button(page, "Columns").click();
    page.getByLabel("Unit", new Page.GetByLabelOptions().setExact(true)).click();
    page.waitForURL("**columns=person,standing,places**");
    page.keyboard().press("Escape");
    Locator table = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("The statement"));
    assertThat(table.locator("[data-row='0']")).isVisible();
    assertThat(table.getByRole(AriaRole.COLUMNHEADER, new Locator.GetByRoleOptions().setName("Unit"))).hasCount(0);
    Path file = taken(page, () -> page.getByText("CSV", new Page.GetByTextOptions().setExact(true)).click(), "chosen.csv");
    assertThat(Files.readString(file, StandardCharsets.UTF_8).lines().findFirst().orElseThrow()).contains("Person", "Places").doesNotContain("Unit");
    desk.leave(page);
  }
}
