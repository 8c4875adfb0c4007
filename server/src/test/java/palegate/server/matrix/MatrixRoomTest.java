package palegate.server.matrix;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.apache.poi.ss.usermodel.Workbook;
import org.apache.poi.ss.usermodel.WorkbookFactory;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.roles.Rights;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Subjects against places over HTTP: heads, cells, what is looked for, many cells at once, names, files. */
@ExtendWith(InDemo.class)
class MatrixRoomTest {
  @BeforeEach
  void forget(TestApplication app) {
    app.database().asOwner().sql("DELETE FROM matrix_views").update();
    app.signedIn("wenna.carrow").delete("/api/draft");
  }

  private static Map<String, Object> group(String id) {
    return Map.of("kind", "group", "id", id);
  }

  private static JsonNode cells(Browser browser, List<Map<String, Object>> rows, List<String> columns) {
    return browser.post("/api/matrix/cells", Map.of("rows", rows, "columns", columns, "types", false)).body().path("cells");
  }

  private static List<String> ids(JsonNode list) {
    return list.valueStream().map(one -> one.path("id").asString()).toList();
  }

  @Test
  void a_file_speaks_of_a_draft_only_where_there_is_one(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    String asked = "/api/matrix/file?rows=GROUPS&top=lib-acc&format=JSON";
    assertThat(wenna.get(asked).body().path("facts").path("As of").asString()).doesNotContain("draft");
    wenna.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "lib-acc", "name", "Books"));
    assertThat(wenna.get(asked).body().path("facts").path("As of").asString()).endsWith("with the changes of your draft");
    wenna.discardDrafts();
  }

  @Test
  void heads_stand_in_one_another_as_groups_and_places_do(TestApplication app) {
    JsonNode heads = app.signedIn("wenna.carrow").get("/api/matrix/heads?rows=GROUPS&top=lib-cas").body();
    assertThat(heads.path("top").asString()).isEqualTo("lib-cas");
    List<JsonNode> rows = heads.path("rows").valueStream().toList();
    JsonNode trainees = rows.stream().filter(row -> row.path("name").asString().equals("Trainee adjusters")).findFirst().orElseThrow();
    assertThat(rows.get(trainees.path("parent").asInt()).path("name").asString()).isEqualTo("Adjusters");
    List<JsonNode> columns = heads.path("columns").valueStream().toList();
    assertThat(columns.get(0).path("id").asString()).isEqualTo("lib-cas");
    assertThat(columns).allSatisfy(column -> assertThat(column.path("kind").asString()).isNotEqualTo("document"));
    assertThat(columns.stream().skip(1)).allSatisfy(column -> assertThat(columns.get(column.path("parent").asInt()).path("depth").asInt()).isEqualTo(column.path("depth").asInt() - 1));
  }

  @Test
  void cells_say_what_a_groups_own_page_says(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    JsonNode access = keeper.get("/api/groups/g-adjusters/access?limit=200").body().path("items");
    List<String> places = access.valueStream().map(has -> has.path("place").asString()).toList();
    JsonNode cells = cells(keeper, List.of(group("g-adjusters")), places);
    assertThat(places).isNotEmpty();
    for (int i = 0; i < places.size(); i++) {
      JsonNode has = access.get(i);
      JsonNode cell = cells.get(i);
      assertThat(Rights.ofMask(cell.get(0).asInt()).words()).as(places.get(i)).isEqualTo(has.path("rights").valueStream().map(JsonNode::asString).toList());
      assertThat(List.of(cell.get(3).asInt(), cell.get(4).asInt(), cell.get(5).asInt())).isEqualTo(List.of(has.path("exactly").asInt(), has.path("more").asInt(), has.path("less").asInt()));
      assertThat(cell.get(6).asInt()).as("no draft alters it").isEqualTo(-1);
    }
  }

  @Test
  void of_what_is_not_there_nothing_is_given(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    JsonNode cells = cells(keeper, List.of(group("no-such-group"), group("g-adjusters")), List.of("no-such-place", "lib-cas"));
    assertThat(cells.get(0).valueStream().map(JsonNode::asInt).toList()).containsExactly(0, 0, 3, 0, 0, 0, -1);
    assertThat(cells.get(2)).isEqualTo(cells.get(0));
    assertThat(cells.get(3).get(0).asInt()).isNotZero();
    assertThat(keeper.get("/api/matrix/heads?top=no-such-place").status()).isEqualTo(404);
    assertThat(keeper.get("/api/matrix/cell?rows=GROUPS&of=group:no-such-group&column=lib-cas").status()).isEqualTo(404);
    assertThat(keeper.post("/api/matrix/cells", Map.of("rows", IntStream.range(0, 201).mapToObj(i -> group("g" + i)).toList(), "columns", List.of(), "types", false)).status()).isEqualTo(422);
  }

  @Test
  void many_cells_are_altered_by_one_draft_and_shown_before_and_after(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    List<Map<String, Object>> chosen = new ArrayList<>();
    List<String> folders = List.of("f-2411", "f-2417", "f-2423");
    folders.forEach(folder -> List.of("g-personnel", "g-accounts").forEach(group -> chosen.add(Map.of("subject", group(group), "place", folder))));
    JsonNode ways = keeper.post("/api/matrix/ways", Map.of("cells", chosen, "wish", "ROLE", "role", "r-reader")).body();
    assertThat(ways.path("cells").asInt()).isEqualTo(6);
    JsonNode way = ways.path("ways").get(0);
    assertThat(way.path("kind").asString()).isEqualTo("HERE");
    assertThat(way.path("met").asInt()).isEqualTo(6);
    assertThat(keeper.post("/api/draft/changes/many", Map.of("changes", way.path("changes").valueStream().toList())).status()).isEqualTo(201);
    JsonNode cells = cells(keeper, List.of(group("g-personnel"), group("g-accounts")), folders);
    assertThat(cells.valueStream().toList()).allSatisfy(cell -> {
      assertThat(Rights.ofMask(cell.get(0).asInt()).words()).contains("find", "read");
      assertThat(cell.get(2).asInt()).as("given here").isZero();
      assertThat(cell.get(6).asInt()).as("nothing before the draft").isZero();
    });
    JsonNode opened = keeper.get("/api/matrix/cell?rows=GROUPS&of=group:g-personnel&column=f-2417").body();
    assertThat(opened.path("before").valueStream().toList()).isEmpty();
    assertThat(opened.path("entries").get(0).path("roleId").asString()).isEqualTo("r-reader");
    assertThat(opened.path("people").valueStream().mapToInt(alike -> alike.path("count").asInt()).sum()).isEqualTo(opened.path("subject").path("people").asInt());
  }

  @Test
  void as_many_cells_as_can_be_chosen_can_be_sent_and_no_more(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    JsonNode heads = keeper.get("/api/matrix/heads?rows=NAMED_BELOW&across=DOCUMENTS").body();
    List<Map<String, Object>> cells = new ArrayList<>();
    for (JsonNode row : heads.path("rows")) {
      for (JsonNode column : heads.path("columns")) {
        cells.add(Map.of("subject", Map.of("kind", row.path("kind").asString(), "id", row.path("id").asString()), "place", column.path("id").asString()));
      }
    }
    assertThat(cells.size()).isGreaterThan(5_000);
    assertThat(keeper.post("/api/matrix/ways", Map.of("cells", cells.subList(0, 5_000), "wish", "CLEAR")).body().path("cells").asInt()).isEqualTo(5_000);
    assertThat(keeper.post("/api/matrix/ways", Map.of("cells", cells.subList(0, 5_001), "wish", "CLEAR")).status()).isEqualTo(422);
  }

  @Test
  void a_wish_that_is_not_clear_is_refused_with_its_place(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    List<Map<String, Object>> one = List.of(Map.of("subject", group("g-personnel"), "place", "f-2411"));
    assertThat(keeper.post("/api/matrix/ways", Map.of("cells", one, "wish", "ROLE", "role", "none")).body().path("faults").get(0).path("place").asString()).isEqualTo("role");
    assertThat(keeper.post("/api/matrix/ways", Map.of("cells", one, "wish", "ADD", "rights", List.of("rule"))).body().path("faults").get(0).path("place").asString()).isEqualTo("rights");
    assertThat(keeper.post("/api/matrix/ways", Map.of("cells", one, "wish", "MATCH")).body().path("faults").get(0).path("place").asString()).isEqualTo("like");
    assertThat(keeper.post("/api/matrix/ways", Map.of("cells", List.of(Map.of("subject", group("none"), "place", "f-2411")), "wish", "CLEAR")).body().path("faults").get(0).path("place").asString()).isEqualTo("cells[0]");
    assertThat(app.signedIn("oriel.fenn").post("/api/matrix/ways", Map.of("cells", one, "wish", "CLEAR")).status()).as("who changes nothing").isEqualTo(403);
  }

  @Test
  void what_is_looked_for_is_what_the_cells_say(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    JsonNode heads = keeper.get("/api/matrix/heads?rows=GROUPS&top=lib-cas").body();
    List<Map<String, Object>> rows = ids(heads.path("rows")).stream().map(MatrixRoomTest::group).toList();
    List<String> columns = ids(heads.path("columns"));
    JsonNode cells = cells(keeper, rows, columns);
    for (String kind : List.of("HERE", "ABOVE", "THROUGH_GROUP", "RIGHT&right=govern", "OUTSIDERS")) {
      JsonNode found = keeper.get("/api/matrix/found?rows=GROUPS&top=lib-cas&kind=" + kind).body();
      int expected = 0;
      for (int row = 0; row < rows.size(); row++) {
        for (int column = 0; column < columns.size(); column++) {
          JsonNode cell = cells.get(row * columns.size() + column);
          boolean is = switch (kind.charAt(0)) {
            case 'H' -> cell.get(2).asInt() == 0;
            case 'A' -> cell.get(2).asInt() == 1;
            case 'T' -> cell.get(2).asInt() == 2;
            case 'R' -> (cell.get(0).asInt() & 256) != 0;
            default -> cell.get(0).asInt() != 0 && heads.path("rows").get(row).path("outsiders").asInt() > 0;
          };
          expected += is ? 1 : 0;
        }
      }
      assertThat(found.path("total").asInt()).as(kind).isEqualTo(expected);
      assertThat(found.path("found").valueStream().mapToInt(row -> row.path("columns").size()).sum()).as(kind).isEqualTo(expected);
    }
    JsonNode first = cells.get(1);
    JsonNode alike = keeper.get("/api/matrix/found?rows=GROUPS&top=lib-cas&kind=ALIKE&of=group:" + rows.get(0).get("id") + "&column=" + columns.get(1)).body();
    assertThat(alike.path("total").asLong()).isEqualTo(cells.valueStream().filter(cell -> cell.get(0).equals(first.get(0)) && cell.get(2).equals(first.get(2))).count());
    assertThat(keeper.get("/api/matrix/found?rows=GROUPS&top=lib-cas&kind=ALIKE&of=group:none&column=lib-cas").status()).isEqualTo(404);
    assertThat(keeper.get("/api/matrix/found?rows=GROUPS&kind=ALIKE").status()).isEqualTo(422);
    assertThat(keeper.get("/api/matrix/found?rows=GROUPS&kind=RIGHT&right=rule").status()).isEqualTo(422);
    assertThat(keeper.get("/api/matrix/found?rows=GROUPS&kind=CHANGED").status()).isEqualTo(422);
    JsonNode changed = keeper.get("/api/matrix/found?rows=GROUPS&kind=CHANGED&since=" + app.clock().instant().minusSeconds(400L * 86_400)).body();
    assertThat(changed.path("total").asInt()).as("two years of history").isPositive();
    assertThat(keeper.get("/api/matrix/found?rows=GROUPS&kind=CHANGED&since=" + app.clock().instant().plusSeconds(60)).body().path("total").asInt()).as("nothing has changed since now").isZero();
  }

  @Test
  void the_demo_has_outliers_and_the_strangest_comes_first(TestApplication app) {
    JsonNode found = app.signedIn("wenna.carrow").get("/api/matrix/found?rows=GROUPS&kind=OUTLIERS").body();
    List<Double> measures = found.path("outliers").valueStream().map(one -> one.path("measure").asDouble()).toList();
    assertThat(measures).isNotEmpty().isSortedAccordingTo((one, other) -> Double.compare(other, one));
    assertThat(found.path("total").asInt()).isEqualTo(measures.size());
  }

  @Test
  void a_matrix_is_kept_under_a_name_and_shared_with_who_may_know_it(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    Map<String, Object> look = Map.of("top", "lib-acc", "rows", "GROUPS", "subject", List.of(), "across", "CONTAINERS", "turned", true);
    assertThat(keeper.post("/api/matrix/views", Map.of("name", "Mine", "shared", false, "look", look)).status()).isEqualTo(200);
    JsonNode kept = keeper.post("/api/matrix/views", Map.of("name", "Ours", "shared", true, "look", look)).body();
    assertThat(kept.valueStream().map(one -> one.path("name").asString())).containsExactly("Mine", "Ours");
    assertThat(kept.get(0).path("look").path("turned").asBoolean()).isTrue();
    assertThat(app.signedIn("oriel.fenn").get("/api/matrix/views").body().valueStream().map(one -> one.path("name").asString())).as("shared, and known to the auditor").containsExactly("Ours");
    assertThat(app.signedIn("ola.lindqvist").get("/api/matrix/views").body().valueStream().toList()).as("names a library that its reader may not know").isEmpty();
    long id = kept.get(1).path("id").asLong();
    assertThat(app.signedIn("oriel.fenn").delete("/api/matrix/views/" + id).status()).as("not hers").isEqualTo(404);
    assertThat(keeper.delete("/api/matrix/views/" + id).status()).isEqualTo(204);
    assertThat(keeper.post("/api/matrix/views", Map.of("name", "None", "shared", false, "look", Map.of("top", "none", "subject", List.of(), "across", "TYPES", "turned", false))).status()).isEqualTo(422);
  }

  @Test
  void files_say_what_the_screen_says(TestApplication app) throws Exception {
    Browser keeper = app.signedIn("wenna.carrow");
    JsonNode heads = keeper.get("/api/matrix/heads?rows=GROUPS&top=lib-cas").body();
    String csv = new String(keeper.get("/api/matrix/file?rows=GROUPS&top=lib-cas&format=CSV").bytes(), StandardCharsets.UTF_8);
    assertThat(csv.lines().filter(line -> line.startsWith("group,")).count()).isEqualTo((long) heads.path("rows").size() * heads.path("columns").size());
    assertThat(csv).contains("Adjusters,Casualties").contains("given here");
    try (Workbook book = WorkbookFactory.create(new ByteArrayInputStream(keeper.get("/api/matrix/file?rows=GROUPS&top=lib-cas&format=XLSX").bytes()))) {
      assertThat(book.getSheet("Matrix").getLastRowNum()).isEqualTo(heads.path("rows").size());
      assertThat((int) book.getSheet("Matrix").getRow(0).getLastCellNum()).isEqualTo(heads.path("columns").size() + 1);
    }
    try (Workbook book = WorkbookFactory.create(new ByteArrayInputStream(keeper.get("/api/matrix/file?rows=GROUPS&top=lib-cas&format=XLSX&turned=true").bytes()))) {
      assertThat(book.getSheet("Matrix").getLastRowNum()).isEqualTo(heads.path("columns").size());
    }
    assertThat(keeper.get("/api/matrix/file?rows=GROUPS&format=PDF").status()).isEqualTo(422);
  }
}
