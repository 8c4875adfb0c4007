package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.assertions.LocatorAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.ss.usermodel.WorkbookFactory;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.TestApplication;

/** Subjects against places, as somebody works who has no mouse, and as somebody who has. */
@ExtendWith(InBrowser.class)
class MatrixTest {
  @BeforeEach
  void nothingDrafted(TestApplication app) {
    app.signedIn("wenna.carrow").discardDrafts();
  }

  private static Locator cell(Page page) {
    return page.locator(".matrix [role=gridcell]");
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
  }

  @Test
  void a_regional_outlier_is_found_spread_over_cells_corrected_and_exported_by_keyboard_alone(Desk desk) throws Exception {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/matrix?rows=GROUPS&top=lib-cas");
    Locator grid = page.getByRole(AriaRole.GRID);
    grid.focus();
    // Outlier after outlier, until the regional group that has Keeper.
    Pattern region = Pattern.compile("Marrow region at C-2502 Tern Rock: Keeper.*Outlier.*Keeper.*");
    assertThat(page.getByText(Pattern.compile("[1-9]\\d* outliers"))).isVisible();
    for (int i = 0; i < 30 && !region.matcher(cell(page).textContent()).matches(); i++) {
      String before = cell(page).textContent();
      page.keyboard().press("n");
      assertThat(cell(page)).not().hasText(before);
      assertThat(cell(page)).not().containsText("being looked up");
    }
    assertThat(cell(page)).hasText(region);
    page.keyboard().press("Enter");
    Locator panel = page.getByRole(AriaRole.COMPLEMENTARY).filter(new Locator.FilterOptions().setHasText("What gives it"));
    assertThat(panel).containsText("Keeper");
    grid.focus();
    // All in its row that say the same are chosen, and changed at once.
    page.keyboard().press("l");
    assertThat(button(page, "Change 2 cells …")).isVisible();
    page.keyboard().press("c");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    assertThat(dialog).containsText("Change 2 cells");
    dialog.getByRole(AriaRole.COMBOBOX, new Locator.GetByRoleOptions().setName("Role")).press("ArrowDown");
    Locator preparer = page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Preparer"));
    // The list takes the focus once it is open; only then do keys go through it.
    assertThat(page.locator(".v-list-item").first()).isFocused();
    for (int i = 0; i < 10 && !(Boolean) preparer.evaluate("item => item === document.activeElement"); i++) {
      page.keyboard().press("ArrowDown");
    }
    assertThat(preparer).isFocused();
    page.keyboard().press("Enter");
    assertThat(dialog).containsText("Preparer");
    Locator add = dialog.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Add to the draft: Set it here"));
    assertThat(add).isVisible();
    assertThat(dialog).containsText("All 2 cells are then as wished.");
    add.focus();
    page.keyboard().press("Enter");
    assertThat(dialog).hasCount(0);
    assertThat(cell(page)).containsText("Preparer by the draft, Keeper before", new LocatorAssertions.ContainsTextOptions().setTimeout(20_000));
    Locator file = button(page, "This matrix as a file");
    file.focus();
    page.keyboard().press("Enter");
    page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Workbook")).focus();
    Download workbook = page.waitForDownload(() -> page.keyboard().press("Enter"));
    try (Workbook book = WorkbookFactory.create(workbook.path().toFile())) {
      assertThat(book.getSheet("Cover").getRow(5).getCell(1).getStringCellValue()).contains("with the changes of your draft");
    }
    desk.leave(page);
  }

  @Test
  void cells_are_chosen_with_a_mouse_and_the_matrix_is_turned_folded_and_kept(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/matrix?rows=GROUPS&top=lib-cas");
    Locator grid = page.getByRole(AriaRole.GRID);
    assertThat(cell(page)).not().containsText("being looked up");
    var box = grid.boundingBox();
    page.mouse().move(box.x + 280, box.y + 190);
    page.mouse().down();
    page.mouse().move(box.x + 280 + 2 * 58, box.y + 190 + 3 * 27);
    page.mouse().up();
    assertThat(button(page, "Change 12 cells …")).isVisible();
    String columns = grid.getAttribute("aria-colcount");
    button(page, "Turn").click();
    assertThat(grid).hasAttribute("aria-rowcount", columns);
    grid.focus();
    page.keyboard().press("Home");
    page.keyboard().press("Control+ArrowUp");
    page.keyboard().press("-");
    assertThat(grid).hasAttribute("aria-rowcount", "1");
    page.keyboard().press("+");
    assertThat(grid).hasAttribute("aria-rowcount", columns);
    button(page, "Matrices kept under names").click();
    page.getByText("Keep this one …").click();
    page.getByRole(AriaRole.DIALOG).getByLabel("Name", new Locator.GetByLabelOptions().setExact(true)).fill("Casualties, turned");
    page.getByRole(AriaRole.DIALOG).getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Keep it")).click();
    desk.open(page, "/matrix");
    button(page, "Matrices kept under names").click();
    page.getByText("Casualties, turned", new Page.GetByTextOptions().setExact(true)).click();
    assertThat(page.getByRole(AriaRole.GRID)).hasAttribute("aria-rowcount", columns);
    desk.leave(page);
  }

  @Test
  void what_is_looked_for_leaves_only_its_rows_and_columns(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/matrix?rows=GROUPS&kind=RIGHT&right=govern");
    assertThat(page.getByText(Pattern.compile("\\d+ such cells"))).isVisible();
    assertThat(Integer.parseInt(page.getByRole(AriaRole.GRID).getAttribute("aria-rowcount"))).isBetween(1, 10);
    assertThat(cell(page)).not().containsText("being looked up");
    desk.open(page, "/matrix?rows=OUTSIDE_FIRMS&kind=THROUGH_GROUP&top=lib-acc");
    assertThat(page.getByText("No cell is of that kind.")).isVisible();
    desk.leave(page);
  }

  @Test
  void an_auditor_sees_the_matrix_and_changes_nothing(Desk desk) {
    Page page = desk.signedIn("oriel.fenn");
    desk.open(page, "/matrix");
    assertThat(page.getByRole(AriaRole.GRID)).isVisible();
    assertThat(button(page, "Change 1 cell …")).hasCount(0);
    desk.leave(page);
  }
}
