package palegate.server.rounds;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import palegate.server.testkit.ApplicationProcess;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;
import tools.jackson.databind.JsonNode;

/**
 * An instance is killed while it takes a reviewer's file back, closes a round and makes a statement in the background, each surely in the middle:
 * what it has to write next or last is held by somebody else until it is dead. Nothing is half done, and nothing is lost.
 */
@Order(6)
class KilledAtWorkTest {
  private static final Duration AT_MOST = Duration.ofSeconds(60);
  private static final int DECISION = 6;
  /** Long enough to be killed in. */
  private static final String EVERYTHING = "kind=everyone id=root";

  @Test
  void a_file_that_comes_back_a_round_that_is_closed_and_a_statement_are_whole_or_not_there() throws Exception {
    try (TestDatabase database = TestDatabase.start()) {
      long returning;
      long closing;
      byte[] filled;
      try (TestApplication app = TestApplication.startNow(database)) {
        Browser wenna = app.signedIn("wenna.carrow");
        Browser ola = app.signedIn("ola.lindqvist");
        returning = begin(wenna, "Comes back");
        filled = allKept(ola.get("/api/reviews/" + returning + "/file?format=CSV").bytes());
        closing = begin(wenna, "Is closed");
        List<Integer> numbers = items(ola, closing).valueStream().map(item -> item.path("number").asInt()).toList();
        assertThat(ola.post("/api/reviews/" + closing + "/decisions", Map.of("numbers", numbers, "decision", "KEEP")).status()).isEqualTo(204);
        assertThat(ola.post("/api/reviews/" + closing + "/handing-in", Map.of()).status()).isEqualTo(204);
      }
      long file;
      try (ApplicationProcess killed = ApplicationProcess.start(database); Connection other = DriverManager.getConnection(database.url(), "palegate_owner", database.ownerPassword())) {
        Browser wenna = killed.signedIn("wenna.carrow");
        Browser ola = killed.signedIn("ola.lindqvist");
        other.setAutoCommit(false);
        holdPieces(other);
        file = wenna.post("/api/statements/prepared", Map.of("recipe", EVERYTHING, "format", "XLSX")).body().path("id").asLong();
        until("it is being made, and waits for where its pieces go", () -> count(database, "SELECT COUNT(*) FROM prepared_files WHERE id = " + file + " AND state = 'in_the_making'") == 1 && isHeld(database, "prepared_files", file));
        holdLastItem(other, returning);
        holdLastItem(other, closing);
        String seen = wenna.get("/api/rounds/" + closing).body().path("seen").asString();
        CompletableFuture<?> returned = CompletableFuture.runAsync(() -> ola.postBytes("/api/reviews/" + returning + "/return?keep=true", filled));
        CompletableFuture<?> closed = CompletableFuture.runAsync(() -> wenna.post("/api/rounds/" + closing + "/closing", Map.of("note", "All seen", "seen", seen)));
        until("both are writing, and wait for the row that is held", () -> isHeld(database, "rounds", returning) && isHeld(database, "rounds", closing));
        killed.kill();
        other.rollback();
        returned.exceptionally(cutOff -> null).get(AT_MOST.toSeconds(), TimeUnit.SECONDS);
        closed.exceptionally(cutOff -> null).get(AT_MOST.toSeconds(), TimeUnit.SECONDS);
      }
      assertThat(count(database, "SELECT COUNT(*) FROM prepared_files WHERE state = 'in_the_making' AND id = " + file)).as("nobody has said that it is done").isEqualTo(1);
      // As half a minute later, when whoever held it has been silent for long enough.
      assertThat(database.asOwner().sql("UPDATE queued_jobs SET last_heartbeat = last_heartbeat - INTERVAL 1 MINUTE WHERE task_instance = :id AND picked").param("id", Long.toString(file)).update()).as("whoever was at it").isEqualTo(1);
      try (TestApplication app = TestApplication.startNow(database)) {
        Browser wenna = app.signedIn("wenna.carrow");
        Browser ola = app.signedIn("ola.lindqvist");
        assertThat(items(ola, returning)).isNotEmpty().allSatisfy(item -> assertThat(item.path("decision").isMissingNode()).as("all of the file or nothing").isTrue());
        JsonNode round = wenna.get("/api/rounds/" + closing).body();
        assertThat(round.path("open").asBoolean()).isTrue();
        assertThat(count(database, "SELECT COUNT(*) FROM round_items WHERE round = " + closing + " AND outcome IS NOT NULL")).isZero();
        assertThat(round.path("trail").valueStream().map(line -> line.path("what").asString())).noneMatch(what -> what.startsWith("closed"));

        JsonNode kept = ola.postBytes("/api/reviews/" + returning + "/return?keep=true", filled).body();
        assertThat(kept.path("written").asInt()).isEqualTo(items(ola, returning).size());
        assertThat(wenna.post("/api/rounds/" + closing + "/closing", Map.of("note", "All seen", "seen", round.path("seen").asString())).status()).isEqualTo(204);
        until("it is made again", () -> prepared(wenna, file).path("state").asString().equals("ready"));
        byte[] whole = wenna.get("/api/statements/prepared/" + file + "/file").bytes();
        assertThat(wenna.postBytes("/api/statements/verification", whole).body().path("same").asBoolean()).isTrue();
      }
    }
  }

  private static long begin(Browser wenna, String name) {
    return wenna.post("/api/rounds", Map.of("name", name, "kinds", List.of("GRANT"), "place", "lib-cas", "outsidersOnly", false, "rule", "NAMED", "named", "p-ola", "due", Instant.now().plus(Duration.ofDays(9)).toString(), "needsComment", false)).body().path("id").asLong();
  }

  private static JsonNode items(Browser reviewer, long round) {
    return reviewer.get("/api/reviews/" + round + "/items?limit=500").body().path("items").path("items");
  }

  private static JsonNode prepared(Browser browser, long id) {
    return browser.get("/api/statements/prepared").body().valueStream().filter(file -> file.path("id").asLong() == id).findFirst().orElseThrow();
  }

  private static byte[] allKept(byte[] csv) throws Exception {
    StringWriter out = new StringWriter();
    try (CSVPrinter printer = new CSVPrinter(out, CSVFormat.RFC4180)) {
      for (CSVRecord record : CSVFormat.RFC4180.parse(new StringReader(new String(csv, StandardCharsets.UTF_8)))) {
        List<String> cells = new ArrayList<>(record.toList());
        if (record.getRecordNumber() > 1 && cells.size() > DECISION) {
          cells.set(DECISION, "keep");
        }
        printer.printRecord(cells);
      }
    }
    return out.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static void holdLastItem(Connection other, long round) throws Exception {
    try (PreparedStatement held = other.prepareStatement("SELECT number FROM round_items WHERE round = ? ORDER BY number DESC LIMIT 1 FOR UPDATE")) {
      held.setLong(1, round);
      assertThat(held.executeQuery().next()).isTrue();
    }
  }

  /** Nobody adds a piece of a file while this is held. */
  private static void holdPieces(Connection other) throws Exception {
    try (PreparedStatement held = other.prepareStatement("SELECT file, number FROM prepared_parts FOR UPDATE")) {
      held.executeQuery();
    }
  }

  private static boolean isHeld(TestDatabase database, String table, long id) {
    return database.asOwner().sql("SELECT id FROM " + table + " WHERE id = :id FOR UPDATE SKIP LOCKED").param("id", id).query(Long.class).optional().isEmpty();
  }

  private static int count(TestDatabase database, String sql) {
    return database.asOwner().sql(sql).query(Integer.class).single();
  }

  private static void until(String what, BooleanSupplier done) {
    Instant end = Instant.now().plus(AT_MOST);
    while (!done.getAsBoolean()) {
      assertThat(Instant.now()).as(what).isBefore(end);
      LockSupport.parkNanos(Duration.ofMillis(20).toNanos());
    }
  }
}
