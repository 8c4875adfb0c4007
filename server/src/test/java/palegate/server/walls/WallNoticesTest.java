package palegate.server.walls;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Section 7: those concerned of a wall can be told and confirm it; whom it keeps out learns of it by no notice but their own. */
@ExtendWith(InDemo.class)
class WallNoticesTest {
  private static JsonNode audience(Browser browser, String wall, String audience) {
    return browser.get("/api/walls/" + wall + "/notices").body().path("audiences").valueStream().filter(one -> one.path("audience").asString().equals(audience)).findFirst().orElseThrow();
  }

  private static Browser.Answer tell(Browser browser, String wall, String audience, String text) {
    return browser.post("/api/walls/" + wall + "/notices", Map.of("audience", audience, "text", text, "seen", audience(browser, wall, audience).path("seen").asString()));
  }

  private static Set<String> names(JsonNode people) {
    return people.valueStream().map(person -> person.path("id").asString()).collect(Collectors.toSet());
  }

  @Test
  void a_notice_reaches_just_those_who_were_shown_and_is_gone_once_they_confirm_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode keepers = audience(wenna, "wall-brother", "KEEPERS");
    assertThat(keepers.path("total").asInt()).isPositive();
    assertThat(names(keepers.path("people"))).as("not those kept out, nor the author").doesNotContain("p-mia", "p-wenna").contains("p-teodor");
    int letters = app.bean(JdbcClient.class).sql("SELECT COUNT(*) FROM mailbox").query(Integer.class).single();
    Browser.Answer sent = tell(wenna, "wall-brother", "KEEPERS", "Keep C-2607 to yourselves.");
    assertThat(sent.status()).as(sent.body().toString()).isEqualTo(201);
    assertThat(sent.body().path("people").asInt()).isEqualTo(keepers.path("total").asInt());
    assertThat(app.bean(JdbcClient.class).sql("SELECT COUNT(*) FROM mailbox").query(Integer.class).single() - letters).isEqualTo(sent.body().path("letters").asInt())
        .isEqualTo(keepers.path("total").asInt() - keepers.path("withoutAddress").asInt());
    Browser teodor = app.signedIn("teodor.brask");
    JsonNode told = teodor.get("/api/notices").body();
    assertThat(told).hasSize(1);
    assertThat(told.get(0).path("text").asString()).isEqualTo("Keep C-2607 to yourselves.");
    assertThat(told.get(0).propertyNames()).as("nothing of the wall itself").containsExactlyInAnyOrder("id", "text", "at", "by");
    long number = told.get(0).path("id").asLong();
    Browser mia = app.signedIn("mia.torrance");
    assertThat(mia.get("/api/notices").body()).isEmpty();
    assertThat(mia.post("/api/notices/" + number + "/acknowledgement", Map.of()).status()).isEqualTo(404);
    assertThat(mia.post("/api/notices/" + (number + 1_000) + "/acknowledgement", Map.of()).status()).isEqualTo(404);
    assertThat(teodor.post("/api/notices/" + number + "/acknowledgement", Map.of()).status()).isEqualTo(204);
    assertThat(teodor.post("/api/notices/" + number + "/acknowledgement", Map.of()).status()).as("said twice").isEqualTo(204);
    assertThat(teodor.get("/api/notices").body()).isEmpty();
    JsonNode notice = wenna.get("/api/walls/wall-brother/notices").body().path("notices").get(0);
    List<JsonNode> readers = notice.path("readers").valueStream().toList();
    assertThat(readers.stream().filter(reader -> !reader.path("acknowledged").isMissingNode()).map(reader -> reader.path("person").path("id").asString())).containsExactly("p-teodor");
    assertThat(wenna.post("/api/walls/wall-fraud/notices/" + number + "/reminders", Map.of()).status()).as("a notice is its wall's").isEqualTo(404);
    Browser.Answer twice = tell(wenna, "wall-brother", "KEEPERS", "Keep C-2607 to yourselves.");
    assertThat(twice.problem()).as("pressed twice").isEqualTo("sent-already");
    assertThat(readers).hasSizeGreaterThanOrEqualTo(1);
  }

  @Test
  void whoever_has_not_confirmed_is_written_to_again_at_most_once_a_day(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(tell(wenna, "wall-fraud", "READERS", "Something is walled.").status()).isEqualTo(201);
    JsonNode notice = wenna.get("/api/walls/wall-fraud/notices").body().path("notices").get(0);
    String again = "/api/walls/wall-fraud/notices/" + notice.path("id").asLong() + "/reminders";
    int readers = notice.path("readers").size();
    assertThat(readers).isGreaterThan(1);
    assertThat(wenna.post(again, Map.of()).body().path("people").asInt()).as("they were written to just now").isZero();
    Instant before = app.clock().instant();
    try {
      app.clock().set(before.plus(Duration.ofHours(25)));
      Browser later = app.signedIn("wenna.carrow");
      app.signedIn("teodor.brask").post("/api/notices/" + notice.path("id").asLong() + "/acknowledgement", Map.of());
      assertThat(later.post(again, Map.of()).body().path("people").asInt()).as("not whoever has confirmed").isEqualTo(readers - 1);
      assertThat(later.post(again, Map.of()).body().path("people").asInt()).isZero();
    } finally {
      app.clock().set(before);
    }
  }

  @Test
  void others_than_were_shown_are_not_told(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode shown = audience(wenna, "wall-fraud", "READERS");
    String seen = shown.path("seen").asString();
    JsonNode leaves = shown.path("people").valueStream().filter(person -> !person.path("id").asString().equals("p-teodor")).findFirst().orElseThrow();
    wenna.post("/api/draft/changes", Map.of("kind", "setPerson", "person", leaves.path("id").asString(), "name", leaves.path("name").asString(), "external", leaves.path("external").asBoolean(), "active", false));
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    String now = audience(wenna, "wall-fraud", "READERS").path("seen").asString();
    assertThat(now).isNotEqualTo(seen);
    assertThat(wenna.post("/api/walls/wall-fraud/notices", Map.of("audience", "READERS", "text", "x", "seen", seen)).problem()).isEqualTo("others-meanwhile");
    assertThat(wenna.post("/api/walls/wall-fraud/notices", Map.of("audience", "KEEPERS", "text", "x", "seen", seen)).problem()).as("those of another audience").isEqualTo("others-meanwhile");
    assertThat(wenna.post("/api/walls/wall-fraud/notices", Map.of("audience", "READERS", "text", "  ", "seen", now)).problem()).isEqualTo("no-text");
    assertThat(wenna.post("/api/walls/none/notices", Map.of("audience", "READERS", "text", "x", "seen", now)).status()).isEqualTo(404);
    assertThat(wenna.get("/api/walls/wall-fraud/notices").body().path("notices").valueStream().map(one -> one.path("text").asString())).doesNotContain("x");
  }

  @Test
  void whoever_is_kept_out_reads_nothing_of_the_wall_whichever_way_they_came_to_be(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(tell(wenna, "wall-brother", "KEPT_OUT", "It is about C-2607 Kittiwake.").status()).isEqualTo(201);
    JsonNode told = app.signedIn("mia.torrance").get("/api/notices").body();
    assertThat(told.get(0).path("text").asString()).isEqualTo(WallNoticesController.KEPT_OUT_TEXT);
    assertThat(told.toString()).as("no words of the author's").doesNotContain("Kittiwake", "2607", "brother");

    // Somebody who has been told as a reader, and is kept out afterwards.
    assertThat(tell(wenna, "wall-brother", "READERS", "Kittiwake is walled.").status()).isEqualTo(201);
    assertThat(app.bean(JdbcClient.class).sql("SELECT GROUP_CONCAT(CONCAT(subject, text)) FROM mailbox").query(String.class).single()).as("whoever keeps the mail reads of no wall").doesNotContain("C-2607", "Kittiwake", "are not for you");
    Browser teodor = app.signedIn("teodor.brask");
    long number = teodor.get("/api/notices").body().valueStream().filter(one -> one.path("text").asString().equals("Kittiwake is walled.")).findFirst().orElseThrow().path("id").asLong();
    JsonNode wall = wenna.get("/api/walls/wall-brother").body();
    wenna.post("/api/draft/changes", Map.of("kind", "setWall", "wall", "wall-brother", "name", wall.path("name").asString(), "state", "STANDING", "barrier", "screen", "sides",
        List.of(Map.of("labels", Map.of("case", List.of("C-2607")), "subjects", List.of(Map.of("kind", "person", "id", "p-mia"), Map.of("kind", "person", "id", "p-teodor"))))));
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    assertThat(teodor.get("/api/notices").body().valueStream().map(one -> one.path("id").asLong())).as("gone, as if it had never been").doesNotContain(number);
    assertThat(teodor.post("/api/notices/" + number + "/acknowledgement", Map.of()).body().toString().replace(String.valueOf(number), "N"))
        .isEqualTo(teodor.post("/api/notices/999999/acknowledgement", Map.of()).body().toString().replace("999999", "N"));
    int letters = app.bean(JdbcClient.class).sql("SELECT COUNT(*) FROM mailbox WHERE address LIKE 'teodor.brask@%'").query(Integer.class).single();
    wenna.post("/api/walls/wall-brother/notices/" + number + "/reminders", Map.of());
    assertThat(app.bean(JdbcClient.class).sql("SELECT COUNT(*) FROM mailbox WHERE address LIKE 'teodor.brask@%'").query(Integer.class).single()).as("not written to again").isEqualTo(letters);
    wenna.post("/api/draft/changes", Map.of("kind", "setWall", "wall", "wall-brother", "name", wall.path("name").asString(), "state", "LIFTED", "barrier", "screen", "sides",
        List.of(Map.of("labels", Map.of("case", List.of("C-2607")), "subjects", List.of(Map.of("kind", "person", "id", "p-mia"))))));
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    assertThat(app.signedIn("mia.torrance").get("/api/notices").body()).as("nobody has to confirm what does not hold any more").isEmpty();
  }

  @Test
  void only_walls_may_tell_and_an_auditor_may_look(TestApplication app) {
    assertThat(app.signedIn("oriel.fenn").post("/api/walls/wall-brother/notices", Map.of("audience", "KEEPERS", "text", "x", "seen", "x")).status()).isEqualTo(403);
    assertThat(app.signedIn("mia.torrance").get("/api/walls/wall-brother/notices").status()).isEqualTo(403);
    assertThat(app.signedIn("ola.lindqvist").get("/api/walls/wall-brother/notices").status()).isEqualTo(403);
  }
}
