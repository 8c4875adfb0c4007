package palegate.server.rounds;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.apache.poi.ss.usermodel.Row;
import org.apache.poi.ss.usermodel.Sheet;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** A round goes out and comes back: nobody reviews themselves, good rows are kept, and what was decided is what is drafted, carried out and evidence. */
@ExtendWith(InDemo.class)
class RoundsTest {
  private static Map<String, Object> round(String name, String... more) {
    Map<String, Object> round = new HashMap<>(Map.of("name", name, "kinds", List.of("GRANT"), "place", "lib-cas", "outsidersOnly", false, "rule", "KEEPER", "named", "p-ola", "standIn", "p-wenna", "due", "2026-12-24T00:00:00Z", "needsComment", false));
    for (int i = 0; i + 1 < more.length; i += 2) {
      round.put(more[i], more[i + 1]);
    }
    return round;
  }

  private static Browser runner(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.discardDrafts();
    return wenna;
  }

  private static JsonNode items(Browser reviewer, long round) {
    return reviewer.get("/api/reviews/" + round + "/items?limit=500").body().path("items").path("items");
  }

  @Test
  void a_rehearsal_of_a_round_says_how_many_for_whom_and_the_round_then_asks_just_them(TestApplication app) {
    Browser wenna = runner(app);
    JsonNode preview = wenna.post("/api/rounds/preview", round("Casualties")).body();
    assertThat(preview.path("items").asInt()).isPositive();
    Browser.Answer begun = wenna.post("/api/rounds", round("Casualties"));
    assertThat(begun.status()).isEqualTo(201);
    JsonNode view = wenna.get("/api/rounds/" + begun.body().path("id").asLong()).body();
    assertThat(view.path("items").asInt()).isEqualTo(preview.path("items").asInt());
    Map<String, Integer> foreseen = new HashMap<>();
    preview.path("reviewers").forEach(one -> foreseen.put(one.path("person").asString(""), one.path("items").asInt()));
    Map<String, Integer> asked = new HashMap<>();
    view.path("reviewers").forEach(one -> asked.put(one.path("person").asString(""), one.path("items").asInt()));
    assertThat(asked).isEqualTo(foreseen);
    assertThat(wenna.post("/api/rounds/preview", round("x", "place", "nowhere", "named", "p-nobody")).body().path("faults")).hasSize(2);
    for (Map<String, Object> wrong : List.of(round("two\u0000parts"), round("turned \u202E round"), round("x", "due", "+999999999-01-01T00:00:00Z"), round("x", "due", "2020-01-01T00:00:00Z"), round("x", "rule", "SOMEBODY"), round("x".repeat(201)))) {
      assertThat(wenna.post("/api/rounds", wrong).status()).as("%s", wrong).isBetween(400, 422);
    }
    assertThat(app.signedIn("oriel.fenn").post("/api/rounds", round("x")).status()).as("an auditor looks and runs none").isEqualTo(403);
    assertThat(app.signedIn("mia.torrance").get("/api/rounds").status()).isEqualTo(403);
  }

  @Test
  void decisions_are_kept_undone_handed_in_drafted_carried_out_and_closed_with_evidence_that_can_be_checked(TestApplication app) {
    Browser wenna = runner(app);
    // Ola is named, so that everything but his own access is his to review.
    long id = wenna.post("/api/rounds", round("By Ola", "rule", "NAMED")).body().path("id").asLong();
    Browser ola = app.signedIn("ola.lindqvist");
    assertThat(ola.get("/api/session").body().path("account").path("rooms").valueStream().map(JsonNode::asString)).contains("reviews");
    JsonNode items = items(ola, id);
    assertThat(items.size()).isGreaterThan(3);
    items.forEach(item -> assertThat(item.path("decision").isMissingNode()).as("never ticked beforehand").isTrue());
    assertThat(ola.post("/api/reviews/" + id + "/handing-in", Map.of()).body().path("detail").asString()).contains("not decided yet");
    int first = items.get(0).path("number").asInt();
    assertThat(ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(first, 99_999), "decision", "KEEP")).status()).isEqualTo(422);
    assertThat(ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(first), "decision", "CHANGE")).status()).isEqualTo(422);
    assertThat(ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(first), "decision", "REMOVE")).status()).isEqualTo(204);
    assertThat(ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(first))).status()).as("taken back").isEqualTo(204);
    assertThat(items(ola, id).get(0).path("decision").isMissingNode()).isTrue();

    JsonNode toRemove = items.valueStream().filter(item -> item.path("effect").asString().contains("Removing it takes something")).findFirst().orElseThrow();
    JsonNode toChange = items.valueStream().filter(item -> item.path("number").asInt() != toRemove.path("number").asInt()).findFirst().orElseThrow();
    List<Integer> rest = items.valueStream().map(item -> item.path("number").asInt()).filter(number -> number != toRemove.path("number").asInt() && number != toChange.path("number").asInt()).toList();
    ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(toRemove.path("number").asInt()), "decision", "REMOVE", "comment", "no longer on it"));
    ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(toChange.path("number").asInt()), "decision", "CHANGE", "role", "r-onlooker", "until", "2026-12-31T00:00:00Z"));
    assertThat(ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", rest, "decision", "KEEP")).status()).isEqualTo(204);
    assertThat(wenna.get("/api/rounds/" + id + "/changes").body().path("changes")).as("not before they are handed in").isEmpty();
    assertThat(ola.post("/api/reviews/" + id + "/handing-in", Map.of()).status()).isEqualTo(204);
    assertThat(ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(first), "decision", "KEEP")).status()).as("handed in is handed in").isEqualTo(409);

    String beforeCarriedOut = wenna.get("/api/rounds/" + id).body().path("seen").asString();
    JsonNode changes = wenna.get("/api/rounds/" + id + "/changes").body();
    assertThat(changes.path("changes")).hasSize(3);
    JsonNode drafted = wenna.post("/api/draft/changes/many", Map.of("changes", changes.path("changes"))).body();
    assertThat(drafted.path("totals").path("peopleLosing").asInt()).isPositive();
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    JsonNode outcomes = wenna.get("/api/rounds/" + id).body().path("outcomes");
    assertThat(outcomes.valueStream().map(one -> one.path("outcome").asString() + " " + one.path("items").asInt())).contains("carried out 2", "kept " + rest.size());
    assertThat(wenna.get("/api/rounds/" + id + "/changes").body().path("changes")).isEmpty();

    assertThat(wenna.post("/api/rounds/" + id + "/closing", Map.of("note", "", "seen", "x")).status()).isEqualTo(422);
    assertThat(wenna.post("/api/rounds/" + id + "/closing", Map.of("note", "All seen", "seen", beforeCarriedOut)).status()).as("another page than the one that was shown").isEqualTo(409);
    String seen = wenna.get("/api/rounds/" + id).body().path("seen").asString();
    assertThat(wenna.post("/api/rounds/" + id + "/closing", Map.of("note", "All seen, W. Carrow", "seen", seen)).status()).isEqualTo(204);
    assertThat(wenna.post("/api/rounds/" + id + "/closing", Map.of("note", "again", "seen", seen)).status()).isEqualTo(409);
    assertThat(ola.get("/api/reviews/" + id + "/items").status()).isEqualTo(404);
    byte[] evidence = wenna.get("/api/statements/file?kind=round&id=" + id + "&format=CSV").bytes();
    assertThat(new String(evidence, StandardCharsets.UTF_8)).contains("no longer on it", "carried out", "Ola Lindqvist");
    assertThat(wenna.get("/api/statements/file?kind=round&id=" + id + "&format=PDF").status()).isEqualTo(200);
    assertThat(wenna.postBytes("/api/statements/verification", evidence).body().path("same").asBoolean()).isTrue();
    assertThat(wenna.postBytes("/api/statements/verification", new String(evidence, StandardCharsets.UTF_8).replaceFirst("remove", "keep").getBytes(StandardCharsets.UTF_8)).body().path("altered").asInt()).isEqualTo(1);
    assertThat(app.signedIn("mia.torrance").get("/api/statements?kind=round&id=" + id).status()).isEqualTo(403);
  }

  @Test
  void what_people_have_is_asked_about_with_its_ways_and_what_is_decided_is_what_they_have_then(TestApplication app) {
    Browser wenna = runner(app);
    Map<String, Object> asked = round("What they have", "rule", "NAMED");
    asked.put("kinds", List.of("ACCESS"));
    long id = wenna.post("/api/rounds", asked).body().path("id").asLong();
    Browser ola = app.signedIn("ola.lindqvist");
    JsonNode items = items(ola, id);
    assertThat(items.size()).isGreaterThan(3);
    items.forEach(item -> assertThat(item.path("sentence").asString()).contains(" has ").doesNotContain("Ola Lindqvist"));
    assertThat(items.valueStream().map(item -> item.path("since").asString())).anySatisfy(since -> assertThat(since).startsWith("Since "));
    // Through groups alone, so that it has to be withheld; and by whichever way, another role.
    JsonNode toRemove = items.valueStream().filter(item -> !item.path("sentence").asString().contains("by name") && !item.path("sentence").asString().contains("oversight") && item.path("sentence").asString().contains("through")).findFirst().orElseThrow();
    JsonNode toChange = items.valueStream().filter(item -> item.path("number").asInt() != toRemove.path("number").asInt() && !item.path("sentence").asString().contains("oversight")
        && !item.path("sentence").asString().startsWith(toRemove.path("sentence").asString().split(" has ")[0])).findFirst().orElseThrow();
    assertThat(toRemove.path("takesRole").asBoolean()).isTrue();
    List<Integer> rest = items.valueStream().map(item -> item.path("number").asInt()).filter(number -> number != toRemove.path("number").asInt() && number != toChange.path("number").asInt()).toList();
    ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(toRemove.path("number").asInt()), "decision", "REMOVE"));
    assertThat(ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(toChange.path("number").asInt()), "decision", "CHANGE", "role", "r-onlooker", "until", "2026-12-31T00:00:00Z")).status()).isEqualTo(204);
    ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", rest, "decision", "KEEP"));
    assertThat(ola.post("/api/reviews/" + id + "/handing-in", Map.of()).status()).isEqualTo(204);
    JsonNode changes = wenna.get("/api/rounds/" + id + "/changes").body();
    assertThat(changes.path("left")).isEmpty();
    assertThat(changes.path("besides").valueStream().map(one -> one.path("why").asString())).allSatisfy(why -> assertThat(why).startsWith("It was to be kept, and another decision alters it: "));
    JsonNode drafted = wenna.post("/api/draft/changes/many", Map.of("changes", changes.path("changes"))).body();
    assertThat(drafted.path("totals").path("peopleLosing").asInt()).isBetween(1, 2);
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    JsonNode outcomes = wenna.get("/api/rounds/" + id).body().path("outcomes");
    assertThat(outcomes.valueStream().map(one -> one.path("outcome").asString() + " " + one.path("items").asInt())).contains("carried out 2");
    assertThat(wenna.get("/api/statements/file?kind=round&id=" + id + "&format=CSV").status()).isEqualTo(200);
  }

  @Test
  void what_another_reviewer_keeps_is_said_when_ones_decisions_would_alter_it(TestApplication app) {
    Browser wenna = runner(app);
    Map<String, Object> asked = round("Two who review", "rule", "NAMED");
    asked.put("kinds", List.of("ACCESS"));
    long id = wenna.post("/api/rounds", asked).body().path("id").asLong();
    Browser ola = app.signedIn("ola.lindqvist");
    JsonNode items = items(ola, id);
    // Somebody who has something in the library, and something else further down.
    JsonNode above = items.valueStream().filter(item -> item.path("where").asString().equals("Casualties") && !item.path("sentence").asString().contains("oversight") && further(items, item).findAny().isPresent()).findFirst().orElseThrow();
    JsonNode below = further(items, above).findFirst().orElseThrow();
    assertThat(wenna.post("/api/rounds/" + id + "/delegation", Map.of("numbers", List.of(below.path("number").asInt()), "to", "p-teodor")).status()).isEqualTo(204);
    Browser teodor = app.signedIn("teodor.brask");
    assertThat(teodor.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(below.path("number").asInt()), "decision", "KEEP")).status()).isEqualTo(204);
    assertThat(teodor.post("/api/reviews/" + id + "/handing-in", Map.of()).status()).isEqualTo(204);
    List<Integer> rest = items.valueStream().map(item -> item.path("number").asInt()).filter(number -> number != above.path("number").asInt() && number != below.path("number").asInt()).toList();
    ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", rest, "decision", "KEEP"));
    ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", List.of(above.path("number").asInt()), "decision", "REMOVE"));
    assertThat(ola.post("/api/reviews/" + id + "/handing-in", Map.of()).status()).isEqualTo(204);
    JsonNode changes = wenna.get("/api/rounds/" + id + "/changes?reviewer=p-ola").body();
    assertThat(changes.path("changes")).isNotEmpty();
    assertThat(changes.path("besides").valueStream().map(one -> one.path("number").asInt())).contains(below.path("number").asInt());
  }

  private static Stream<JsonNode> further(JsonNode items, JsonNode above) {
    String person = above.path("sentence").asString().split(" has ")[0];
    return items.valueStream().filter(item -> item.path("sentence").asString().startsWith(person + " has ") && item.path("where").asString().startsWith("Casualties / ") && !item.path("sentence").asString().contains("by name"));
  }

  @Test
  void a_file_goes_out_and_comes_back_bad_rows_are_listed_by_cell_and_the_same_file_twice_changes_nothing(TestApplication app) throws Exception {
    Browser wenna = runner(app);
    long id = wenna.post("/api/rounds", round("By file", "rule", "NAMED")).body().path("id").asLong();
    Browser ola = app.signedIn("ola.lindqvist");
    int count = items(ola, id).size();
    byte[] out = ola.get("/api/reviews/" + id + "/file?format=XLSX").bytes();
    byte[] filled = fill(out, sheet -> {
      sheet.getRow(1).getCell(6).setCellValue("Keep");
      sheet.getRow(2).getCell(6).setCellValue("remove");
      sheet.getRow(3).getCell(6).setCellValue("perhaps");
      sheet.getRow(4).getCell(6).setCellValue("change");
      sheet.getRow(4).getCell(8).setCellValue("soon");
      sheet.getRow(5).getCell(0).setCellValue("Nobody has anything");
      sheet.getRow(5).getCell(6).setCellValue("keep");
      Row twice = sheet.createRow(count + 1);
      for (int column = 0; column < 12; column++) {
        twice.createCell(column).setCellValue(sheet.getRow(1).getCell(column).getStringCellValue());
      }
    });
    JsonNode looked = ola.postBytes("/api/reviews/" + id + "/return", filled).body();
    assertThat(looked.path("kept").asBoolean()).isFalse();
    assertThat(items(ola, id).valueStream().filter(item -> !item.path("decision").isMissingNode()).count()).as("looked at, not kept").isZero();
    JsonNode kept = ola.postBytes("/api/reviews/" + id + "/return?keep=true", filled).body();
    assertThat(kept.path("fresh").asInt()).isEqualTo(2);
    List<String> faults = new ArrayList<>();
    kept.path("faults").forEach(fault -> faults.add(fault.path("row").asInt() + " " + fault.path("column").asString()));
    assertThat(faults).contains("4 Decision", "5 New end", "6 What", (count + 2) + " Key");
    assertThat(items(ola, id).valueStream().filter(item -> !item.path("decision").isMissingNode()).count()).isEqualTo(2);
    JsonNode again = ola.postBytes("/api/reviews/" + id + "/return?keep=true", filled).body();
    assertThat(again.path("fresh").asInt()).isZero();
    assertThat(again.path("same").asInt()).isEqualTo(2);

    // The CSV of a program of another country; rows sorted, some gone.
    String csv = new String(ola.get("/api/reviews/" + id + "/file?format=CSV").bytes(), StandardCharsets.UTF_8);
    List<String> lines = csv.lines().toList();
    String shorter = lines.get(0) + "\r\n" + lines.get(2) + "\r\n" + lines.get(1) + "\r\n" + lines.get(lines.size() - 1) + "\r\n";
    JsonNode returned = ola.postBytes("/api/reviews/" + id + "/return", shorter.getBytes(StandardCharsets.UTF_8)).body();
    assertThat(returned.path("missing")).hasSize(count - 2);
    assertThat(returned.path("same").asInt()).isEqualTo(2);

    long other = wenna.post("/api/rounds", round("Another", "rule", "NAMED")).body().path("id").asLong();
    Browser.Answer wrong = ola.postBytes("/api/reviews/" + other + "/return", filled);
    assertThat(wrong.status()).isEqualTo(422);
    assertThat(wrong.body().path("detail").asString()).contains("another round or another reviewer");
    assertThat(ola.postBytes("/api/reviews/" + id + "/return", "rubbish".getBytes(StandardCharsets.UTF_8)).status()).isEqualTo(422);
    assertThat(app.signedIn("mia.torrance").postBytes("/api/reviews/" + id + "/return", filled).status()).isEqualTo(404);
  }

  private interface Filling {
    void fill(Sheet sheet);
  }

  private static byte[] fill(byte[] workbook, Filling filling) throws Exception {
    try (XSSFWorkbook book = new XSSFWorkbook(new ByteArrayInputStream(workbook)); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
      Sheet sheet = book.getSheet("Items");
      assertThat(sheet.getProtect()).isTrue();
      assertThat(sheet.isColumnHidden(10)).isTrue();
      assertThat(sheet.getRow(1).getCell(6).getCellStyle().getLocked()).isFalse();
      assertThat(sheet.getDataValidations()).hasSizeGreaterThan(0);
      filling.fill(sheet);
      book.write(out);
      return out.toByteArray();
    }
  }

  @Test
  void what_has_changed_since_is_kept_only_when_it_is_confirmed_and_can_be_given_to_somebody_else(TestApplication app) throws Exception {
    Browser wenna = runner(app);
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-hand", "subject", Map.of("kind", "person", "id", "p-mia"), "role", "r-reader", "entry", "e-round"));
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    long id = wenna.post("/api/rounds", round("Handbook", "rule", "NAMED", "place", "lib-hand")).body().path("id").asLong();
    Browser ola = app.signedIn("ola.lindqvist");
    JsonNode mine = items(ola, id).valueStream().filter(item -> item.path("sentence").asString().startsWith("Reader for Mia Torrance")).findFirst().orElseThrow();
    byte[] filled = fill(ola.get("/api/reviews/" + id + "/file?format=XLSX").bytes(), sheet -> sheet.forEach(row -> {
      if (row.getCell(0).getStringCellValue().startsWith("Reader for Mia Torrance")) {
        row.getCell(6).setCellValue("keep");
      }
    }));
    wenna.post("/api/draft/changes", Map.of("kind", "removeGrant", "place", "lib-hand", "entry", "e-round"));
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    JsonNode kept = ola.postBytes("/api/reviews/" + id + "/return?keep=true", filled).body();
    assertThat(kept.path("changed")).hasSize(1);
    assertThat(items(ola, id).valueStream().filter(item -> item.path("number").asInt() == mine.path("number").asInt()).findFirst().orElseThrow().path("decision").isMissingNode()).isTrue();
    assertThat(ola.postBytes("/api/reviews/" + id + "/return?keep=true&confirmed=something-else", filled).body().path("written").asInt()).as("what is confirmed is what was shown").isZero();
    assertThat(ola.postBytes("/api/reviews/" + id + "/return?keep=true&confirmed=" + kept.path("seen").asString(), filled).body().path("written").asInt()).isEqualTo(1);
    assertThat(items(ola, id).valueStream().filter(item -> item.path("number").asInt() == mine.path("number").asInt()).findFirst().orElseThrow().path("decision").asString()).isEqualTo("KEEP");

    assertThat(wenna.post("/api/rounds/" + id + "/delegation", Map.of("numbers", List.of(mine.path("number").asInt()), "to", "p-mia")).status()).as("never oneself").isEqualTo(422);
    assertThat(wenna.post("/api/rounds/" + id + "/delegation", Map.of("numbers", List.of(mine.path("number").asInt()), "to", "p-teodor")).status()).isEqualTo(204);
    assertThat(items(ola, id).valueStream().map(item -> item.path("number").asInt())).doesNotContain(mine.path("number").asInt());
    assertThat(items(app.signedIn("teodor.brask"), id).valueStream().map(item -> item.path("number").asInt())).containsExactly(mine.path("number").asInt());
    assertThat(wenna.get("/api/rounds/" + id).body().path("trail").toString()).contains("gave 1 item to Teodor Brask");
    assertThat(wenna.post("/api/rounds/" + id + "/delegation", Map.of("numbers", List.of(mine.path("number").asInt(), 9_999), "to", "p-teodor")).status()).as("all or none").isEqualTo(422);
    assertThat(wenna.post("/api/rounds/" + id + "/reminders", Map.of()).body().path("sent").asInt()).isEqualTo(2);
  }

  @Test
  void what_is_settled_and_handed_in_stays_with_whoever_settled_it_and_a_question_goes_on(TestApplication app) {
    Browser wenna = runner(app);
    long id = wenna.post("/api/rounds", round("Settled", "rule", "NAMED")).body().path("id").asLong();
    Browser ola = app.signedIn("ola.lindqvist");
    JsonNode asked = items(ola, id);
    List<Integer> all = asked.valueStream().map(item -> item.path("number").asInt()).toList();
    // Not what is about Teodor himself.
    List<Integer> numbers = asked.valueStream().filter(item -> item.path("sentence").asString().contains("for Team C-")).map(item -> item.path("number").asInt()).toList();
    ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", all, "decision", "KEEP"));
    ola.post("/api/reviews/" + id + "/decisions", Map.of("numbers", numbers.subList(0, 1), "decision", "ASK", "comment", "Who is that?"));
    assertThat(ola.post("/api/reviews/" + id + "/handing-in", Map.of()).status()).isEqualTo(204);
    assertThat(wenna.post("/api/rounds/" + id + "/delegation", Map.of("numbers", numbers.subList(1, 2), "to", "p-teodor")).status()).isEqualTo(409);
    assertThat(wenna.post("/api/rounds/" + id + "/delegation", Map.of("numbers", numbers.subList(0, 2), "to", "p-teodor")).status()).as("all or none").isEqualTo(409);
    assertThat(wenna.post("/api/rounds/" + id + "/delegation", Map.of("numbers", numbers.subList(0, 1), "to", "p-teodor")).status()).isEqualTo(204);
    assertThat(wenna.get("/api/rounds/" + id).body().path("reviewers")).hasSizeGreaterThan(1);
  }

  @Test
  void somebody_without_any_duty_is_asked_and_answers_and_sees_nothing_else_of_it(TestApplication app) {
    Browser wenna = runner(app);
    long id = wenna.post("/api/rounds", round("By Mia", "rule", "NAMED", "named", "p-mia", "place", "lib-ten")).body().path("id").asLong();
    Browser mia = app.signedIn("mia.torrance");
    assertThat(mia.get("/api/session").body().path("account").path("rooms").valueStream().map(JsonNode::asString)).containsExactly("papers", "reviews");
    List<Integer> numbers = items(mia, id).valueStream().map(item -> item.path("number").asInt()).toList();
    assertThat(numbers).isNotEmpty();
    assertThat(mia.post("/api/reviews/" + id + "/decisions", Map.of("numbers", numbers, "decision", "KEEP")).status()).isEqualTo(204);
    assertThat(mia.post("/api/reviews/" + id + "/handing-in", Map.of()).status()).isEqualTo(204);
    for (String closed : List.of("/api/rounds", "/api/rounds/" + id, "/api/rounds/" + id + "/items", "/api/rounds/" + id + "/changes")) {
      assertThat(mia.get(closed).status()).as(closed).isEqualTo(403);
    }
  }
}
