package palegate.server.statements;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.StringReader;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVRecord;
import org.apache.poi.xssf.usermodel.XSSFSheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.exports.Cells;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

@ExtendWith(InDemo.class)
class StatementFilesTest {
  private static final String BOARD = "/api/statements/file?about=PLACE&id=lib-board&format=";

  private static JsonNode onScreen(Browser browser) {
    return browser.get("/api/statements?about=PLACE&id=lib-board&limit=500").body();
  }

  @Test
  void the_workbook_has_a_cover_a_frozen_header_filters_and_a_row_for_each_on_screen(TestApplication app) throws Exception {
    Browser auditor = app.signedIn("oriel.fenn");
    Browser.Answer file = auditor.get(BOARD + "XLSX");
    assertThat(file.header("content-disposition")).contains("pale-gate-statement-board-papers-change-6.xlsx");
    try (XSSFWorkbook workbook = new XSSFWorkbook(new ByteArrayInputStream(file.bytes()))) {
      XSSFSheet cover = workbook.getSheet("Cover");
      String text = cover.getRow(0).getCell(0).getStringCellValue() + rows(cover);
      assertThat(text).contains("Pale Gate statement", "Who can reach Board papers", "Oriel Fenn", "Change number|6", "24 November 2026, 10:00:00 UTC");
      XSSFSheet table = workbook.getSheet("Statement");
      assertThat(table.getPaneInformation().isFreezePane()).isTrue();
      assertThat(table.getCTWorksheet().isSetAutoFilter()).isTrue();
      assertThat(table.getColumnWidth(0)).isGreaterThan(40 * 256);
      assertThat(table.getLastRowNum()).isEqualTo(onScreen(auditor).path("counts").path("rows").asInt());
      assertThat(table.getRow(1).getCell(0).getStringCellValue()).isEqualTo("Board papers");
    }
  }

  @Test
  void the_csv_has_the_same_rows(TestApplication app) throws Exception {
    Browser auditor = app.signedIn("oriel.fenn");
    String text = new String(auditor.get(BOARD + "CSV").bytes(), StandardCharsets.UTF_8);
    assertThat(text).startsWith("\uFEFF");
    List<CSVRecord> records = CSVFormat.RFC4180.parse(new StringReader(text.substring(1))).getRecords();
    assertThat(records.get(0).get(0)).isEqualTo("Place");
    JsonNode rows = onScreen(auditor).path("rows").path("items");
    assertThat(records).hasSize(rows.size() + 1);
    for (int i = 0; i < rows.size(); i++) {
      assertThat(records.get(i + 1).get(0)).isEqualTo(rows.get(i).path("path").asString());
      assertThat(records.get(i + 1).get(3)).isEqualTo(rows.get(i).path("person").path("name").asString());
      assertThat(records.get(i + 1).get(15)).isEqualTo(String.join(" ", rows.get(i).path("rights").valueStream().map(JsonNode::asString).toList()));
    }
  }

  @Test
  void the_json_has_the_facts_and_the_rows(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    JsonNode file = auditor.get(BOARD + "JSON").body();
    assertThat(file.path("facts").path("Made by").asString()).isEqualTo("Oriel Fenn");
    assertThat(file.path("rows")).hasSize(onScreen(auditor).path("counts").path("rows").asInt());
  }

  @Test
  void what_a_person_can_reach_lists_their_places_only(TestApplication app) {
    JsonNode statement = app.signedIn("oriel.fenn").get("/api/statements?about=PERSON&id=p-mia&documents=false").body();
    assertThat(statement.path("title").asString()).isEqualTo("What Mia Torrance can reach");
    assertThat(statement.path("rows").path("items").valueStream().map(row -> row.path("person").path("id").asString())).containsOnly("p-mia");
    assertThat(statement.path("counts").path("documents").asInt()).isZero();
  }

  @Test
  void pages_follow_each_other_without_gap_or_overlap(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    String path = "/api/statements?about=PLACE&id=lib-board&limit=50&offset=";
    JsonNode whole = onScreen(auditor).path("rows").path("items");
    JsonNode second = auditor.get(path + 50).body().path("rows").path("items");
    assertThat(second.get(0)).isEqualTo(whole.get(50));
  }

  @Test
  void a_cell_that_would_start_a_formula_is_neutralised() {
    for (String start : new String[] {"=1+1", "+1", "-1", "@SUM(A1)", "\tx"}) {
      assertThat(Cells.neutral(start)).isEqualTo("'" + start);
    }
    assertThat(Cells.neutral("C-2406 = closed")).isEqualTo("C-2406 = closed");
    assertThat(Cells.neutral("")).isEmpty();
  }

  private static String rows(XSSFSheet sheet) {
    StringBuilder text = new StringBuilder();
    sheet.forEach(row -> {
      row.forEach(cell -> text.append(cell.getStringCellValue()).append('|'));
      text.append('\n');
    });
    return text.toString();
  }
}
