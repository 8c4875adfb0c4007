package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import palegate.server.testkit.OfficeProgram;
import palegate.server.testkit.OwnDatabase;
import palegate.server.testkit.TestApplication;

/** From an auditor's question to a signed paper, and from a round's beginning to its evidence: by whoever runs it and whoever answers. */
@ExtendWith(InBrowser.class)
@OwnDatabase
class ReviewTest {
  @TempDir Path folder;

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  private static void pick(Page page, String field, String typed) {
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName(field)).fill(typed);
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText(typed)).first().click();
  }

  private interface Filling {
    void fill(Sheet sheet);
  }

  private Path fill(Path workbook, String name, Filling filling) throws IOException {
    Path filled = folder.resolve(name);
    try (InputStream in = Files.newInputStream(workbook); XSSFWorkbook book = new XSSFWorkbook(in); OutputStream out = Files.newOutputStream(filled)) {
      filling.fill(book.getSheet("Items"));
      book.write(out);
    }
    // Saved by another program than the one that wrote it, as a reviewer would.
    return OfficeProgram.isThere() ? OfficeProgram.saved(filled, "xlsx", folder) : filled;
  }

  @Test
  void a_round_goes_out_as_a_workbook_comes_back_with_mistakes_is_corrected_carried_out_closed_and_checked(Desk desk, TestApplication app) throws IOException {
    Page wenna = desk.open(desk.signedIn("wenna.carrow"), "/rounds/new");
    wenna.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Casualties, outsiders");
    pick(wenna, "At and below, or everywhere", "Casualties");
    wenna.getByLabel("Memberships of groups").check();
    wenna.getByLabel("Only what concerns outsiders").check();
    wenna.getByLabel("One person, for everything").check();
    pick(wenna, "The reviewer", "Ola Lindqvist");
    wenna.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Due at the end of")).fill("+4w");
    button(wenna, "See whom it would ask").click();
    assertThat(wenna.locator(".found")).containsText("Ola Lindqvist");
    button(wenna, "Begin it").click();
    assertThat(wenna.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Casualties, outsiders"))).isVisible();

    Page ola = desk.open(desk.signedIn("ola.lindqvist"), "/reviews");
    assertThat(ola.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Casualties, outsiders"))).isVisible();
    Locator items = ola.locator("ol.items > li");
    assertThat(items.first()).isVisible();
    int count = items.count();
    assertThat(count).isGreaterThan(3);
    assertThat(ola.locator("ol.items [aria-pressed=true]")).hasCount(0);
    Download handedOut = ola.waitForDownload(() -> ola.getByText("Workbook", new Page.GetByTextOptions().setExact(true)).click());
    Path wrong = fill(handedOut.path(), "wrong.xlsx", sheet -> {
      for (int i = 1; i <= count; i++) {
        sheet.getRow(i).getCell(6).setCellValue("keep");
      }
      sheet.getRow(1).getCell(6).setCellValue("remove");
      sheet.getRow(2).getCell(6).setCellValue("delete it");
      sheet.getRow(3).getCell(6).setCellValue("change");
      sheet.getRow(4).getCell(0).setCellValue("Something else");
    });
    button(ola, "Bring a file back …").click();
    ola.getByLabel("The file that comes back").setInputFiles(wrong);
    Locator found = ola.getByLabel("What the file says");
    assertThat(found).containsText("3 cells cannot be taken");
    assertThat(found).containsText("is no decision");
    assertThat(found).containsText("It is not said what to change");
    assertThat(found).containsText("was altered");
    button(ola, "Keep " + (count - 3) + " decisions").click();
    assertThat(found).containsText("Kept: ");
    Path right = fill(wrong, "right.xlsx", sheet -> {
      sheet.getRow(2).getCell(6).setCellValue("remove");
      sheet.getRow(3).getCell(8).setCellValue("2026-12-31");
    });
    ola.getByLabel("The file that comes back").setInputFiles(right);
    assertThat(found).containsText((count - 3) + " as they are here already");
    button(ola, "Keep 2 decisions").click();
    assertThat(found).containsText("Kept: ");
    button(ola, "Close").click();
    // The one whose facts were altered is decided here, by key.
    Locator open = items.filter(new Locator.FilterOptions().setHasNot(ola.locator("[aria-pressed=true]")));
    assertThat(open).hasCount(1);
    open.focus();
    ola.keyboard().press("1");
    assertThat(ola.locator("body")).containsText(count + " of " + count + " decided");
    button(ola, "Hand in").click();
    assertThat(ola.locator("body")).containsText("You have handed in");

    wenna.reload();
    button(wenna, "Put them into the draft").click();
    assertThat(wenna.locator("footer.tray")).containsText("changes");
    wenna.getByText("Open the rehearsal").click();
    wenna.getByLabel("Why").fill("The round over outsiders");
    button(wenna, "Put in force").click();
    assertThat(wenna.locator("footer.tray")).containsText("Nothing drafted");
    desk.open(wenna, "/rounds/1");
    assertThat(wenna.getByRole(AriaRole.GROUP, new Page.GetByRoleOptions().setName("Which items"))).containsText("carried out (3)");
    wenna.getByLabel("More to do with Casualties, outsiders").click();
    wenna.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Close and sign off …")).click();
    wenna.getByLabel("Signed off, in a sentence").fill("All seen. W. Carrow");
    button(wenna, "Close and sign off").click();
    assertThat(wenna.locator(".round")).containsText("Closed");
    Download evidence = wenna.waitForDownload(() -> wenna.getByText("Workbook", new Page.GetByTextOptions().setExact(true)).click());
    desk.open(wenna, "/statements");
    button(wenna, "Check or compare files …").click();
    wenna.getByLabel("The file of a statement, or two").setInputFiles(evidence.path());
    assertThat(wenna.getByLabel("What was found")).containsText("This is what was said at change");
    desk.leave(wenna);
    desk.leave(ola);
  }

  @Test
  void a_doctored_statement_is_caught_to_the_cell_and_what_is_asked_is_kept_under_a_name(Desk desk) throws IOException {
    Page page = desk.open(desk.signedIn("oriel.fenn"), "/statements?kind=outsiders");
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2))).containsText("Outsiders, and what they reach");
    Download file = page.waitForDownload(() -> page.getByText("CSV", new Page.GetByTextOptions().setExact(true)).click());
    String text = Files.readString(file.path());
    String line = text.lines().skip(1).findFirst().orElseThrow();
    Path doctored = Files.writeString(folder.resolve("doctored.csv"), text.replace(line, line.replaceFirst(",active,", ",inactive,")), StandardCharsets.UTF_8);
    button(page, "Check or compare files …").click();
    page.getByLabel("The file of a statement, or two").setInputFiles(doctored);
    Locator found = page.getByLabel("What was found");
    assertThat(found).containsText("1 cell altered");
    assertThat(found.getByRole(AriaRole.ROW).last()).containsText("inactive");
    button(page, "Close").click();

    page.getByLabel("Statements that were kept").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Keep this one …")).click();
    page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Outsiders, weekly");
    button(page, "Keep it").click();
    desk.open(page, "/statements");
    page.getByLabel("Statements that were kept").click();
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Outsiders, weekly")).click();
    assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setLevel(2))).containsText("Outsiders, and what they reach");
    desk.leave(page);
  }
}
