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
import palegate.core.statements.StatementKind;
import palegate.exports.Cells;
import palegate.exports.FileFormat;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.ReadsTheDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

@ExtendWith(InDemo.class)
@ReadsTheDemo
class StatementFilesTest {
  private static final String BOARD = "/api/statements/file?kind=place&grouping=none&id=lib-board&format=";

  private static JsonNode onScreen(Browser browser) {
    return browser.get("/api/statements?kind=place&grouping=none&id=lib-board&limit=500").body();
  }

  @Test
  void the_workbook_has_a_cover_a_frozen_header_filters_and_a_row_for_each_on_screen(TestApplication app) throws Exception {
    Browser auditor = app.signedIn("oriel.fenn");
    Browser.Answer file = auditor.get(BOARD + "XLSX");
    assertThat(file.header("content-disposition")).contains("pale-gate-who-can-reach-board-papers-and-what-is-below-it-change-6.xlsx");
    try (XSSFWorkbook workbook = new XSSFWorkbook(new ByteArrayInputStream(file.bytes()))) {
      XSSFSheet cover = workbook.getSheet("Cover");
      String text = cover.getRow(0).getCell(0).getStringCellValue() + rows(cover);
      assertThat(text).contains("Who can reach Board papers", "Oriel Fenn", "State|change 6", "24 November 2026, 10:00:00 UTC", "Identity|Pale Gate statement 1");
      XSSFSheet table = workbook.getSheet("Statement");
      assertThat(table.getPaneInformation().isFreezePane()).isTrue();
      assertThat(table.getCTWorksheet().isSetAutoFilter()).isTrue();
      assertThat(table.getColumnWidth(0)).isGreaterThan(20 * 256);
      assertThat(table.getLastRowNum()).isEqualTo(onScreen(auditor).path("rows").path("total").asInt());
      assertThat(table.getRow(1).getCell(0).getStringCellValue()).isEqualTo("Board papers");
    }
  }

  @Test
  void the_csv_and_the_json_have_the_rows_of_the_screen_and_say_what_they_are(TestApplication app) throws Exception {
    Browser auditor = app.signedIn("oriel.fenn");
    String text = new String(auditor.get(BOARD + "CSV").bytes(), StandardCharsets.UTF_8);
    assertThat(text).startsWith("\uFEFF");
    List<CSVRecord> records = CSVFormat.RFC4180.parse(new StringReader(text.substring(1))).getRecords();
    assertThat(records.get(0).get(0)).isEqualTo("Place");
    JsonNode rows = onScreen(auditor).path("rows").path("items");
    assertThat(records).hasSize(rows.size() + 2);
    for (int i = 0; i < rows.size(); i++) {
      assertThat(records.get(i + 1).toList()).isEqualTo(rows.get(i).path("cells").valueStream().map(JsonNode::asString).toList());
    }
    assertThat(records.get(rows.size() + 1).get(0)).startsWith("Pale Gate statement 1 | kind=place id=lib-board grouping=none | at 2026-11-24T10:00:00Z | of change 6 | sha256-2:");
    JsonNode file = auditor.get(BOARD + "JSON").body();
    assertThat(file.path("facts").path("Made by").asString()).isEqualTo("Oriel Fenn");
    assertThat(file.path("rows")).hasSize(rows.size());
    assertThat(file.path("identity").asString()).isEqualTo(records.get(rows.size() + 1).get(0));
  }

  @Test
  void one_gets_the_grouped_form_first_and_each_line_opens_to_whom_and_what_it_counts(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    JsonNode casualties = auditor.get("/api/statements?kind=place&id=lib-cas&limit=500").body();
    JsonNode rows = casualties.path("rows").path("items");
    assertThat(rows.size()).as("lines for a library of thousands of documents").isBetween(3, 120);
    long pairs = 0;
    for (JsonNode row : rows) {
      JsonNode behind = auditor.get("/api/statements/behind?kind=place&id=lib-cas&line=" + row.path("line").asInt()).body();
      assertThat(behind.path("people").asInt()).isEqualTo(Integer.parseInt(row.path("cells").get(4).asString()));
      assertThat(behind.path("places").asInt()).isEqualTo(Integer.parseInt(row.path("cells").get(1).asString()));
      pairs += behind.path("people").asLong() * behind.path("places").asLong();
    }
    assertThat(auditor.get("/api/statements/pairs?about=PLACE&id=lib-cas&limit=1").body().path("rows").path("total").asLong()).isEqualTo(pairs);
    assertThat(auditor.get("/api/statements/behind?kind=place&id=lib-cas&line=99999").status()).isEqualTo(404);
  }

  @Test
  void every_kind_is_shown_and_written_in_every_format_and_what_is_asked_wrongly_is_said_at_once(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    for (StatementKind kind : StatementKind.values()) {
      if (kind.needsRound()) {
        continue; // RoundsTest
      }
      String asked = "kind=" + kind.word() + (kind.needsPlace() ? "&id=lib-cas" : kind.needsSubject() ? "&id=group:g-adjusters" : "") + (kind.isOfPeriod() ? "&from=2026-11-01T00:00:00Z" : "");
      Browser.Answer shown = auditor.get("/api/statements?" + asked);
      assertThat(shown.status()).as("%s: %s", kind, shown.body()).isEqualTo(200);
      assertThat(shown.body().path("columns").size()).isGreaterThan(3);
      for (FileFormat format : kind == StatementKind.SUBJECT || kind == StatementKind.BREAKS || kind == StatementKind.CHANGES ? FileFormat.values() : new FileFormat[] {FileFormat.CSV}) {
        assertThat(auditor.get("/api/statements/file?" + asked + "&format=" + format).status()).as("%s as %s", kind, format).isEqualTo(200);
      }
    }
    Browser.Answer wrong = auditor.get("/api/statements?kind=place&grouping=colour&right=fly&from=soon");
    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.body().path("faults").valueStream().map(fault -> fault.path("place").asString())).containsExactly("id", "grouping", "right", "from");
    for (String far : List.of("kind=difference&from=-999999999-01-01T00:00:00Z", "kind=changes&from=%2B999999999-01-01T00:00:00Z", "kind=breaks&at=-999999999-01-01T00:00:00Z", "kind=breaks&at=%2B999999999-01-01T00:00:00Z")) {
      assertThat(auditor.get("/api/statements?" + far).status()).as(far).isEqualTo(422);
    }
    assertThat(auditor.get("/api/statements?kind=place&id=nowhere").status()).isEqualTo(404);
    assertThat(auditor.get("/api/statements?kind=lists&columns=place,colour").status()).isEqualTo(422);
  }

  @Test
  void who_opened_what_is_told_to_auditors_and_keepers_of_walls_alone(TestApplication app) {
    assertThat(app.signedIn("ola.lindqvist").get("/api/statements?kind=openings").status()).isEqualTo(403);
    assertThat(app.signedIn("oriel.fenn").get("/api/statements?kind=openings").status()).isEqualTo(200);
  }

  @Test
  void what_a_person_can_reach_lists_their_places_only(TestApplication app) {
    JsonNode statement = app.signedIn("oriel.fenn").get("/api/statements/pairs?about=PERSON&id=p-mia&documents=false").body();
    assertThat(statement.path("title").asString()).isEqualTo("What Mia Torrance can reach");
    assertThat(statement.path("rows").path("items").valueStream().map(row -> row.path("person").path("id").asString())).containsOnly("p-mia");
    assertThat(statement.path("counts").path("documents").asInt()).isZero();
  }

  @Test
  void pages_follow_each_other_without_gap_or_overlap(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    String path = "/api/statements/pairs?about=PLACE&id=lib-board&limit=50&offset=";
    JsonNode whole = auditor.get("/api/statements/pairs?about=PLACE&id=lib-board&limit=500").body().path("rows").path("items");
    JsonNode second = auditor.get(path + 50).body().path("rows").path("items");
    assertThat(second.get(0)).isEqualTo(whole.get(50));
  }

  @Test
  void a_file_is_held_against_what_the_system_said_at_its_change_and_a_doctored_cell_is_named(TestApplication app) throws Exception {
    Browser auditor = app.signedIn("oriel.fenn");
    for (FileFormat format : FileFormat.values()) {
      JsonNode verdict = auditor.postBytes("/api/statements/verification", auditor.get(BOARD + format).bytes()).body();
      assertThat(verdict.path("same").asBoolean()).as("%s: %s", format, verdict).isTrue();
      assertThat(verdict.path("change").asLong()).isEqualTo(6);
    }
    String csv = new String(auditor.get(BOARD + "CSV").bytes(), StandardCharsets.UTF_8);
    String first = csv.lines().skip(1).findFirst().orElseThrow();
    JsonNode doctored = auditor.postBytes("/api/statements/verification", csv.replaceFirst(",staff,", ",outsider,").getBytes(StandardCharsets.UTF_8)).body();
    assertThat(doctored.path("same").asBoolean()).isFalse();
    assertThat(doctored.path("altered").asInt()).isEqualTo(1);
    assertThat(doctored.path("cells").get(0).path("column").asString()).isEqualTo("Staff or outsider");
    assertThat(doctored.path("cells").get(0).path("row").asInt()).isEqualTo(2);
    JsonNode shorter = auditor.postBytes("/api/statements/verification", csv.replace(first + "\r\n", "").getBytes(StandardCharsets.UTF_8)).body();
    assertThat(shorter.path("leftOut").asInt()).isEqualTo(1);
    // The digest and the change are altered: the rows are still those of the change that is named.
    assertThat(auditor.postBytes("/api/statements/verification", csv.replaceFirst("sha256-2:[0-9a-f]{4}", "sha256-2:0000").getBytes(StandardCharsets.UTF_8)).body().path("intact").asBoolean()).isFalse();
    assertThat(auditor.postBytes("/api/statements/verification", csv.replace("of change 6", "of change 999").getBytes(StandardCharsets.UTF_8)).status()).isEqualTo(404);
    Browser.Answer nothing = auditor.postBytes("/api/statements/verification", "not a statement".getBytes(StandardCharsets.UTF_8));
    assertThat(nothing.status()).isEqualTo(422);
    assertThat(nothing.body().path("detail").asString()).contains("does not say which statement it is");
  }

  @Test
  void whoever_may_not_know_a_place_is_told_nothing_of_it_by_a_verdict(TestApplication app) {
    byte[] file = app.signedIn("oriel.fenn").get("/api/statements/file?kind=place&grouping=none&id=lib-people&format=CSV").bytes();
    Browser ola = app.signedIn("ola.lindqvist");
    Browser.Answer hidden = ola.postBytes("/api/statements/verification", file);
    Browser.Answer never = ola.postBytes("/api/statements/verification", new String(file, StandardCharsets.UTF_8).replace("lib-people", "lib-nobody").getBytes(StandardCharsets.UTF_8));
    assertThat(hidden.status()).isEqualTo(404);
    assertThat(hidden.body().toString()).isEqualTo(never.body().toString().replace("lib-nobody", "lib-people"));
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
