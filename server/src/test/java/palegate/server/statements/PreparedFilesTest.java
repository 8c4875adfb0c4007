package palegate.server.statements;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import org.apache.poi.xssf.usermodel.XSSFWorkbook;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.duties.Duty;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;
import palegate.server.store.Instants;
import palegate.server.store.PreparedFileRecords;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Files that are made in the background: whole, once, for their maker alone, and never left half-made; and statements that come by themselves. */
@ExtendWith(InDemo.class)
class PreparedFilesTest {
  private static final String BOARD = "kind=place id=lib-board grouping=none";
  private static final Duration NOT_SILENT = Duration.ZERO;
  private static final Duration LONG_SILENT = Duration.ofMinutes(1);
  /** What a server may take for a file of the demo on a machine that does other things besides. */
  private static final Duration AT_MOST = Duration.ofSeconds(60);

  @BeforeEach
  void forgetAll(TestApplication app) {
    app.database().asOwner().sql("DELETE FROM prepared_files").update();
    app.database().asOwner().sql("DELETE FROM queued_jobs").update();
    app.database().asOwner().sql("DELETE FROM regular_statements").update();
  }

  private static void until(String what, BooleanSupplier done) {
    Instant end = Instant.now().plus(AT_MOST);
    while (!done.getAsBoolean()) {
      assertThat(Instant.now()).as(what).isBefore(end);
      LockSupport.parkNanos(Duration.ofMillis(20).toNanos());
    }
  }

  private static long ask(Browser browser, String recipe, String format) {
    Browser.Answer answer = browser.post("/api/statements/prepared", Map.of("recipe", recipe, "format", format));
    assertThat(answer.status()).as(new String(answer.bytes(), StandardCharsets.UTF_8)).isEqualTo(202);
    return answer.body().path("id").asLong();
  }

  private static JsonNode one(Browser browser, long id) {
    return browser.get("/api/statements/prepared").body().valueStream().filter(file -> file.path("id").asLong() == id).findFirst().orElseThrow();
  }

  private static JsonNode ready(Browser browser, long id) {
    until("file " + id, () -> one(browser, id).path("state").asString().equals("ready"));
    return one(browser, id);
  }

  @Test
  void a_file_made_in_the_background_is_byte_for_byte_the_one_that_is_streamed(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    for (String format : new String[] {"CSV", "JSONL", "JSON"}) {
      JsonNode file = ready(auditor, ask(auditor, BOARD, format));
      Browser.Answer prepared = auditor.get("/api/statements/prepared/" + file.path("id").asLong() + "/file");
      Browser.Answer streamed = auditor.get("/api/statements/file?kind=place&id=lib-board&grouping=none&format=" + format);
      assertThat(new String(prepared.bytes(), StandardCharsets.UTF_8)).isEqualTo(new String(streamed.bytes(), StandardCharsets.UTF_8));
      assertThat(prepared.header("content-disposition")).isEqualTo(streamed.header("content-disposition"));
      assertThat(file.path("rows").asLong()).isEqualTo(file.path("rowsExpected").asLong()).isPositive();
    }
  }

  @Test
  void it_waits_for_whoever_asked_for_it_alone(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    Browser other = app.signedIn("wenna.carrow");
    long id = ready(auditor, ask(auditor, BOARD, "CSV")).path("id").asLong();
    assertThat(other.get("/api/statements/prepared").body()).isEmpty();
    assertThat(other.get("/api/statements/prepared/" + id + "/file").status()).isEqualTo(404);
    assertThat(other.delete("/api/statements/prepared/" + id).status()).isEqualTo(404);
    assertThat(auditor.get("/api/statements/prepared/" + id + "/file").status()).isEqualTo(200);
  }

  @Test
  void a_wall_or_a_duty_that_came_since_keeps_the_file_from_its_maker(TestApplication app) {
    Browser keeper = app.signedIn("linnet.sayle");
    Browser chief = app.signedIn("wenna.carrow");
    Structure structure = app.bean(Snapshots.class).current().snapshot().structure();
    String library = structure.duties().values().stream().filter(duty -> duty.subject().equals(new Subject.OfPerson("p-113")) && duty.place() != null && !duty.place().equals("root")).findFirst().orElseThrow().place();
    long id = ready(keeper, ask(keeper, "kind=lists id=" + library, "CSV")).path("id").asLong();
    assertThat(keeper.get("/api/statements/prepared/" + id + "/file").status()).isEqualTo(200);
    String folder = structure.places().values().stream().filter(place -> library.equals(place.parent())).findFirst().orElseThrow().id();
    String name = structure.places().get(folder).name();
    long ofFolder = ready(keeper, ask(keeper, "kind=place id=" + folder, "CSV")).path("id").asLong();
    assertThat(one(keeper, ofFolder).path("title").asString()).contains(name);
    chief.post("/api/draft/changes", Map.of("kind", "setWall", "wall", "w-since", "name", "Since", "state", "STANDING", "barrier", "screen",
        "sides", List.of(Map.of("subjects", List.of(Map.of("kind", "person", "id", "p-113")), "places", List.of(folder)))));
    assertThat(chief.putInForce(true).status()).as("the wall stands").isLessThan(300);
    Browser.Answer refused = keeper.get("/api/statements/prepared/" + id + "/file");
    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.body().path("detail").asString()).contains("What you may know has changed").doesNotContain("Since");
    assertThat(new String(keeper.get("/api/statements/prepared").bytes(), StandardCharsets.UTF_8)).as("the name of what is behind the wall").doesNotContain(name);
    assertThat(one(keeper, ofFolder).path("title").asString()).isEqualTo("About something that is not there any more");
    // Made anew it holds what may be known now.
    long anew = ready(keeper, ask(keeper, "kind=lists id=" + library, "CSV")).path("id").asLong();
    assertThat(keeper.get("/api/statements/prepared/" + anew + "/file").status()).isEqualTo(200);
    chief.post("/api/draft/changes", Map.of("kind", "removeWall", "wall", "w-since"));
    chief.putInForce(true);
    assertThat(one(keeper, ofFolder).path("title").asString()).contains(name);
  }

  @Test
  void what_is_for_a_duty_alone_is_not_given_to_whoever_has_lost_it_and_whoever_has_none_has_none_made(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    long id = ready(auditor, ask(auditor, "kind=openings from=2026-01-01T00:00:00Z", "CSV")).path("id").asLong();
    Browser chief = app.signedIn("wenna.carrow");
    String audit = app.bean(Snapshots.class).current().snapshot().structure().duties().values().stream().filter(duty -> duty.subject().equals(new Subject.OfPerson("p-oriel")) && duty.duty() == Duty.AUDIT).findFirst().orElseThrow().id();
    // Whoever keeps the whole knows as much of the structure; who opened what is for the audit and the walls.
    chief.post("/api/draft/changes", Map.of("kind", "setDuty", "assignment", "d-since", "subject", Map.of("kind", "person", "id", "p-oriel"), "duty", "ACCESS", "place", "root"));
    chief.post("/api/draft/changes", Map.of("kind", "removeDuty", "assignment", audit));
    assertThat(chief.putInForce(true).status()).isLessThan(300);
    assertThat(auditor.get("/api/statements/prepared/" + id + "/file").status()).isEqualTo(409);
    chief.post("/api/draft/changes", Map.of("kind", "setDuty", "assignment", "d-again", "subject", Map.of("kind", "person", "id", "p-oriel"), "duty", "AUDIT"));
    chief.post("/api/draft/changes", Map.of("kind", "removeDuty", "assignment", "d-since"));
    assertThat(chief.putInForce(true).status()).isLessThan(300);
    assertThat(auditor.get("/api/statements/prepared/" + id + "/file").status()).as("the same duties again").isEqualTo(200);
    // Mia has no duty: what was asked for in her name before she lost it is not made.
    app.database().asOwner().sql("INSERT INTO prepared_files (account, recipe, format, about_at, change_number, state, asked_at) VALUES ('mia.torrance', '" + BOARD + "', 'CSV', '2026-11-24 10:00:00', 1, 'waiting', '2026-11-24 10:00:00')").update();
    until("what Mia may not have", () -> app.database().asOwner().sql("SELECT COUNT(*) FROM prepared_files WHERE account = 'mia.torrance' AND state = 'failed' AND failure LIKE '%duties%'").query(Integer.class).single() == 1);
    assertThat(app.database().asOwner().sql("SELECT COUNT(*) FROM prepared_parts p JOIN prepared_files f ON f.id = p.file WHERE f.account = 'mia.torrance'").query(Integer.class).single()).isZero();
  }

  @Test
  void two_instances_make_each_file_once_and_ask_once_for_what_is_due(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    try (TestApplication other = app.another()) {
      for (int i = 0; i < 12; i++) {
        app.database().asOwner().sql("INSERT INTO prepared_files (account, recipe, format, about_at, change_number, state, asked_at) VALUES ('oriel.fenn', :recipe, 'CSV', :at, 6, 'waiting', :at)").param("recipe", BOARD)
            .param("at", Instants.toDatabase(TestApplication.TODAY)).update();
      }
      until("all of them", () -> count(app, "ready") == 12);
      assertThat(app.database().asOwner().sql("SELECT MAX(tries) FROM prepared_files").query(Integer.class).single()).isEqualTo(1);
      assertThat(app.database().asOwner().sql("SELECT COUNT(*) FROM prepared_parts").query(Integer.class).single()).isEqualTo(12);
      forgetAll(app);
      auditor.post("/api/statements/regular", Map.of("name", "Breaks", "recipe", "kind=breaks", "format", "CSV", "every", "WEEK", "day", 1, "onlyIfChanged", false));
      app.database().asOwner().sql("UPDATE regular_statements SET next_at = :at").param("at", Instants.toDatabase(app.clock().instant().minusSeconds(1))).update();
      until("the regular one", () -> count(app, "ready") == 1);
      assertThat(count(app, "%")).isEqualTo(1);
      assertThat(other.address()).isNotEqualTo(app.address());
    }
  }

  @Test
  void no_more_than_fifty_are_kept(TestApplication app) {
    for (int i = 0; i < 50; i++) {
      app.database().asOwner().sql("INSERT INTO prepared_files (account, recipe, format, about_at, change_number, state, asked_at, failure, kept_until) VALUES ('oriel.fenn', 'kind=breaks', 'CSV', :at, 6, 'failed', :at, 'x', :until)")
          .param("at", Instants.toDatabase(app.clock().instant())).param("until", Instants.toDatabase(app.clock().instant().plusSeconds(3600))).update();
    }
    Browser auditor = app.signedIn("oriel.fenn");
    assertThat(auditor.post("/api/statements/prepared", Map.of("recipe", BOARD, "format", "CSV")).body().path("detail").asString()).contains("50 are kept");
    assertThat(auditor.get("/api/statements/prepared").body()).as("all of them are listed").hasSize(50);
  }

  @Test
  void one_that_an_instance_left_half_made_is_made_again_whole_and_one_that_always_breaks_off_is_given_up(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    // As an instance leaves it that is killed, with a piece written that does not say what it is of, as long ago.
    long id = inTheMaking(app, BOARD, "somebody-else", 1, LONG_SILENT);
    app.database().asOwner().sql("INSERT INTO prepared_parts (file, number, bytes) VALUES (:id, 7, 'rubbish')").param("id", id).update();
    ready(auditor, id);
    String text = new String(auditor.get("/api/statements/prepared/" + id + "/file").bytes(), StandardCharsets.UTF_8);
    assertThat(text).endsWith("\r\n").contains("of change 6 | sha256-2:");
    assertThat(app.database().asOwner().sql("SELECT COUNT(*) FROM prepared_parts WHERE file = :id").param("id", id).query(Integer.class).single()).isEqualTo(1);

    app.database().asOwner().sql("INSERT INTO prepared_files (account, recipe, format, about_at, change_number, state, asked_at, tries) VALUES ('oriel.fenn', :recipe, 'CSV', :at, 6, 'waiting', :at, 3)").param("recipe", BOARD)
        .param("at", Instants.toDatabase(TestApplication.TODAY)).update();
    long broken = app.database().asOwner().sql("SELECT MAX(id) FROM prepared_files").query(Long.class).single();
    until("the one that breaks off", () -> one(auditor, broken).path("state").asString().equals("failed"));
    assertThat(one(auditor, broken).path("failure").asString()).contains("broken off 3 times");
  }

  @Test
  void one_that_was_left_half_made_is_gone_on_with_and_what_is_there_is_not_written_again(TestApplication app) throws Exception {
    Browser auditor = app.signedIn("oriel.fenn");
    long id = ready(auditor, ask(auditor, BOARD, "CSV")).path("id").asLong();
    byte[] whole = auditor.get("/api/statements/prepared/" + id + "/file").bytes();
    // The same text, deflated otherwise: whether it was written again is seen from the bytes.
    byte[] otherwise = deflated(whole);
    assertThat(app.database().asOwner().sql("UPDATE prepared_parts SET bytes = :bytes WHERE file = :id AND number = 0").param("bytes", otherwise).param("id", id).update()).isEqualTo(1);
    leaveHalfMade(app, id);
    ready(auditor, id);
    assertThat(app.database().asOwner().sql("SELECT tries FROM prepared_files WHERE id = :id").param("id", id).query(Integer.class).single()).isEqualTo(2);
    assertThat(app.database().asOwner().sql("SELECT bytes FROM prepared_parts WHERE file = :id").param("id", id).query(byte[].class).single()).isEqualTo(otherwise);
    assertThat(auditor.get("/api/statements/prepared/" + id + "/file").bytes()).isEqualTo(whole);
  }

  @Test
  void what_was_left_of_one_is_thrown_away_if_its_maker_may_not_know_that_any_more(TestApplication app) throws Exception {
    Browser auditor = app.signedIn("oriel.fenn");
    long id = ready(auditor, ask(auditor, BOARD, "CSV")).path("id").asLong();
    byte[] whole = auditor.get("/api/statements/prepared/" + id + "/file").bytes();
    app.database().asOwner().sql("UPDATE prepared_parts SET digest = :digest, bytes = :bytes WHERE file = :id AND number = 0").param("digest", "0".repeat(64)).param("bytes", deflated("of others".getBytes(StandardCharsets.UTF_8))).param("id", id).update();
    app.database().asOwner().sql("INSERT INTO prepared_parts (file, number, digest, bytes) VALUES (:id, 1, :digest, 'rubbish')").param("digest", "1".repeat(64)).param("id", id).update();
    leaveHalfMade(app, id);
    ready(auditor, id);
    assertThat(auditor.get("/api/statements/prepared/" + id + "/file").bytes()).isEqualTo(whole);
    assertThat(app.database().asOwner().sql("SELECT COUNT(*) FROM prepared_parts WHERE file = :id").param("id", id).query(Integer.class).single()).isEqualTo(1);
  }

  /** As an instance leaves it that is killed. */
  private static void leaveHalfMade(TestApplication app, long id) {
    until("nobody is at it any more", () -> app.database().asOwner().sql("SELECT COUNT(*) FROM queued_jobs WHERE task_instance = :id").param("id", Long.toString(id)).query(Integer.class).single() == 0);
    pick(app, id, LONG_SILENT);
    app.database().asOwner().sql("UPDATE prepared_files SET state = 'in_the_making', held_by = 'somebody-else', ended_at = NULL, kept_until = NULL WHERE id = :id").param("id", id).update();
  }

  /** One that another instance is making, or was when it ended. */
  private static long inTheMaking(TestApplication app, String recipe, String heldBy, int tries, Duration silentFor) {
    // It is picked before it is there: nobody else takes it up meanwhile.
    long id = app.database().asOwner().sql("SELECT AUTO_INCREMENT FROM information_schema.TABLES WHERE TABLE_SCHEMA = DATABASE() AND TABLE_NAME = 'prepared_files'").query(Long.class).single();
    pick(app, id, silentFor);
    app.database().asOwner().sql("INSERT INTO prepared_files (id, account, recipe, format, about_at, change_number, state, asked_at, begun_at, held_by, tries) VALUES (:id, 'oriel.fenn', :recipe, 'CSV', :at, 6, 'in_the_making', :at, :at, :held, :tries)")
        .param("id", id).param("recipe", recipe).param("at", Instants.toDatabase(app.clock().instant())).param("held", heldBy).param("tries", tries).update();
    return id;
  }

  private static void pick(TestApplication app, long id, Duration silentFor) {
    app.database().asOwner().sql("""
        INSERT INTO queued_jobs (task_name, task_instance, execution_time, picked, picked_by, last_heartbeat, version, consecutive_failures)
        VALUES ('prepared-files', :id, :at, TRUE, 'another', :at, 2, 0)
        """).param("id", Long.toString(id)).param("at", Instants.toDatabase(Instant.now().minus(silentFor))).update();
  }

  private static byte[] deflated(byte[] text) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (DeflaterOutputStream deflating = new DeflaterOutputStream(out, new Deflater(Deflater.NO_COMPRESSION))) {
      deflating.write(text);
    }
    return out.toByteArray();
  }

  @Test
  void whoever_lost_it_writes_nothing_more_and_finishes_nothing(TestApplication app) {
    PreparedFileRecords records = app.bean(PreparedFileRecords.class);
    Instant now = app.clock().instant();
    long id = inTheMaking(app, BOARD, "mine", 1, NOT_SILENT);
    PreparedFileRecords.Taken mine = new PreparedFileRecords.Taken(records.find("oriel.fenn", id).orElseThrow(), "mine");
    PreparedFileRecords.Taken stale = new PreparedFileRecords.Taken(mine.file(), "not-mine-any-more");
    assertThat(records.write(mine, 0, "x", new byte[] {1})).isTrue();
    assertThat(records.write(stale, 1, "x", new byte[] {1})).isFalse();
    records.dropPieces(stale, 0);
    assertThat(records.piecesOf(mine)).as("what it has").containsExactly("x");
    assertThat(records.tell(stale, 9, null, "x")).isFalse();
    assertThat(records.finish(stale, PreparedFileRecords.State.READY, "x", "x", 1, 1, "x", "x", now, now)).isFalse();
    assertThat(records.fail(stale, "x", now, now)).isFalse();
    // Called off: whoever holds it notices with the next thing they write.
    assertThat(records.forget("oriel.fenn", id)).isTrue();
    assertThat(records.write(mine, 1, "x", new byte[] {1})).isFalse();
    assertThat(records.tell(mine, 9, null, "x")).isFalse();
  }

  @Test
  void an_instance_that_is_ended_in_order_gives_back_what_it_was_making_and_that_counts_as_no_try(TestApplication app) {
    PreparedFileRecords records = app.bean(PreparedFileRecords.class);
    long id = inTheMaking(app, BOARD, "mine", 3, NOT_SILENT);
    PreparedFileRecords.Prepared held = records.find("oriel.fenn", id).orElseThrow();
    records.giveBack(new PreparedFileRecords.Taken(held, "not-mine"));
    assertThat(records.find("oriel.fenn", id).orElseThrow().state()).isEqualTo(PreparedFileRecords.State.IN_THE_MAKING);
    records.giveBack(new PreparedFileRecords.Taken(held, "mine"));
    app.database().asOwner().sql("UPDATE queued_jobs SET picked = FALSE, picked_by = NULL WHERE task_instance = :id").param("id", Long.toString(id)).update();
    // Three times taken and once given back is not given up, but made.
    ready(app.signedIn("oriel.fenn"), id);
  }

  @Test
  void one_that_is_being_made_when_its_instance_is_ended_in_order_is_made_by_the_next_at_once(TestApplication app) {
    long id = ask(app.signedIn("oriel.fenn"), "kind=everyone id=root", "XLSX");
    until("it is begun", () -> app.database().asOwner().sql("SELECT COUNT(*) FROM prepared_files WHERE id = :id AND state <> 'waiting'").param("id", id).query(Integer.class).single() == 1);
    app.restart();
    Browser auditor = app.signedIn("oriel.fenn");
    ready(auditor, id);
    assertThat(app.database().asOwner().sql("SELECT tries FROM prepared_files WHERE id = :id").param("id", id).query(Integer.class).single()).as("it was no fault of the file").isEqualTo(1);
    assertThat(auditor.postBytes("/api/statements/verification", auditor.get("/api/statements/prepared/" + id + "/file").bytes()).body().path("same").asBoolean()).isTrue();
  }

  @Test
  void one_bad_thing_does_not_keep_the_others_waiting_and_says_why_it_was_not_made(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    long gone = ask(auditor, "kind=place id=never-was", "CSV");
    long unreadable = ask(auditor, BOARD, "CSV");
    app.database().asOwner().sql("UPDATE prepared_files SET recipe = 'no recipe at all' WHERE id = :id AND state = 'waiting'").param("id", unreadable).update();
    long good = ask(auditor, BOARD, "CSV");
    ready(auditor, good);
    assertThat(one(auditor, gone).path("state").asString()).isEqualTo("failed");
    assertThat(one(auditor, gone).path("failure").asString()).contains("never-was");
    assertThat(one(auditor, unreadable).path("state").asString()).isIn("failed", "ready");
  }

  @Test
  void no_more_than_five_are_under_way_and_each_ends_in_a_week(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    for (int i = 0; i < 5; i++) {
      inTheMaking(app, "kind=breaks", "t" + i, 1, NOT_SILENT);
    }
    assertThat(auditor.post("/api/statements/prepared", Map.of("recipe", BOARD, "format", "CSV")).body().path("detail").asString()).contains("At most 5 files are under way at once");
    forgetAll(app);
    long id = ready(auditor, ask(auditor, BOARD, "CSV")).path("id").asLong();
    Instant was = app.clock().instant();
    try {
      app.clock().set(was.plus(Duration.ofDays(7)).plusSeconds(1));
      until("the end of it", () -> app.database().asOwner().sql("SELECT COUNT(*) FROM prepared_files WHERE id = :id").param("id", id).query(Integer.class).single() == 0);
    } finally {
      app.clock().set(was);
    }
  }

  @Test
  void a_regular_one_comes_on_its_day_once_says_what_changed_and_is_silent_when_nothing_did(TestApplication app) throws Exception {
    Browser auditor = app.signedIn("oriel.fenn");
    Instant was = app.clock().instant();
    Map<String, Object> asked = new LinkedHashMap<>(Map.of("name", "Board, weekly", "recipe", BOARD, "format", "XLSX", "every", "WEEK", "day", 9, "onlyIfChanged", true));
    assertThat(auditor.post("/api/statements/regular", asked).body().path("faults").get(0).path("what").asString()).contains("no day 9");
    asked.put("day", 1);
    assertThat(auditor.post("/api/statements/regular", asked).status()).isEqualTo(204);
    try {
      // The 24th is a Tuesday; five weeks go by while nothing ran: it is made once.
      app.clock().set(Instant.parse("2026-12-29T09:00:00Z"));
      until("the first one", () -> count(app, "ready") == 1);
      assertThat(count(app, "%")).isEqualTo(1);
      assertThat(app.signedIn("oriel.fenn").get("/api/statements/regular").body().get(0).path("nextAt").asString()).isEqualTo("2027-01-04T06:00:00Z");
      app.clock().set(Instant.parse("2027-01-04T06:00:01Z"));
      until("the second one", () -> count(app, "unchanged") == 1);

      Browser keeper = app.signedIn("wenna.carrow");
      keeper.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-board", "subject", Map.of("kind", "person", "id", "p-mia"), "role", "r-reader"));
      keeper.putInForce(false);
      app.clock().set(Instant.parse("2027-01-11T06:00:01Z"));
      until("the third one", () -> count(app, "ready") == 2);
      Browser later = app.signedIn("oriel.fenn");
      long id = later.get("/api/statements/prepared").body().get(0).path("id").asLong();
      try (XSSFWorkbook workbook = new XSSFWorkbook(new ByteArrayInputStream(later.get("/api/statements/prepared/" + id + "/file").bytes()))) {
        assertThat(workbook.getSheetAt(1).getSheetName()).isEqualTo("Since the last one");
        assertThat(workbook.getSheetAt(1).getRow(1).getCell(0).getStringCellValue()).isEqualTo("came");
        assertThat(workbook.getSheetAt(1).getRow(1).getCell(4).getStringCellValue()).isEqualTo("Mia Torrance");
        assertThat(workbook.getSheetAt(2).getSheetName()).isEqualTo("Statement");
      }
      assertThat(later.postBytes("/api/statements/verification", later.get("/api/statements/prepared/" + id + "/file").bytes()).body().path("same").asBoolean()).as("what comes regularly can be checked like any other").isTrue();
      assertThat(app.database().asOwner().sql("SELECT COUNT(*) FROM mailbox WHERE subject = 'Board, weekly'").query(Integer.class).single()).as("two were made, one said the same").isEqualTo(2);
    } finally {
      app.clock().set(was);
    }
  }

  private static int count(TestApplication app, String state) {
    return app.database().asOwner().sql("SELECT COUNT(*) FROM prepared_files WHERE state LIKE :state").param("state", state).query(Integer.class).single();
  }

  @Test
  void two_statements_of_one_question_are_held_against_each_other_whichever_comes_first(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    String earlier = identity(auditor, "&at=2025-06-30T23:59:59Z");
    String later = identity(auditor, "");
    JsonNode compared = auditor.post("/api/statements/comparison", Map.of("before", later, "after", earlier)).body();
    assertThat(compared.path("before").path("at").asString()).isEqualTo("2025-06-30T23:59:59Z");
    assertThat(compared.path("came").asInt() + compared.path("went").asInt() + compared.path("altered").asInt()).isPositive();
    assertThat(compared.path("cameRows").size()).isEqualTo(Math.min(200, compared.path("came").asInt()));
    JsonNode same = auditor.post("/api/statements/comparison", Map.of("before", later, "after", later)).body();
    assertThat(same.path("came").asInt() + same.path("went").asInt() + same.path("altered").asInt()).isZero();
    JsonNode unlike = auditor.post("/api/statements/comparison", Map.of("before", later, "after", later.replace("lib-ten", "lib-cas"))).body();
    assertThat(unlike.path("detail").asString()).contains("asked the same");
    assertThat(auditor.post("/api/statements/comparison", Map.of("before", "no identity", "after", "neither")).body().path("faults")).hasSize(2);
  }

  private static String identity(Browser browser, String at) {
    return browser.get("/api/statements/file?kind=place&id=lib-ten&grouping=none&format=JSON" + at).body().path("identity").asString();
  }
}
