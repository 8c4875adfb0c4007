package palegate.server.walls;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.store.Openings;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** The first question of whoever keeps the walls: who could have been inside, from when to when by which change, and who has been. */
@ExtendWith(InDemo.class)
class WallContactTest {
  private static Map<String, Object> screen(String id, String person, String label) {
    return Map.of("kind", "setWall", "wall", id, "name", "Screen " + id, "state", "STANDING", "barrier", "screen",
        "sides", List.of(Map.of("subjects", List.of(Map.of("kind", "person", "id", person)), "labels", Map.of("case", List.of(label)))));
  }

  @Test
  void somebody_could_have_been_inside_until_the_wall_and_what_they_opened_is_said_beside_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.discardDrafts();
    JsonNode drafted = wenna.post("/api/draft/changes", screen("w-contact", "p-mia", "C-2406")).body();
    assertThat(drafted.path("totals").path("peopleLosing").asInt()).isEqualTo(1);
    JsonNode before = possible(wenna, "w-contact");
    assertThat(before.path("people").path("items")).as("before it holds they can still").singleElement().satisfies(one -> assertThat(one.path("spans").get(0).path("ended").isMissingNode()).isTrue());
    app.bean(Openings.class).add("p-mia", wenna.get("/api/walls/w-contact/covered?limit=500").body().path("items").valueStream().filter(place -> place.path("kind").asString().equals("document")).findFirst().orElseThrow().path("id").asString(),
        Openings.How.COPY, TestApplication.TODAY.minusSeconds(3_600));
    long change = wenna.putInForce(true).body().path("change").asLong();
    JsonNode found = possible(wenna, "w-contact");
    JsonNode mia = found.path("people").path("items").get(0);
    assertThat(found.path("people").path("total").asInt()).isEqualTo(1);
    assertThat(found.path("whole").asBoolean()).isTrue();
    assertThat(mia.path("person").path("id").asString()).isEqualTo("p-mia");
    assertThat(mia.path("documents").asInt()).isPositive();
    JsonNode last = mia.path("spans").get(mia.path("spans").size() - 1);
    assertThat(last.path("ended").asLong()).as("the change that raised it took it").isEqualTo(change);
    assertThat(Instant.parse(last.path("until").asString())).isAfter(Instant.parse(last.path("from").asString()));
    assertThat(mia.path("opened")).hasSize(1);
    String file = new String(wenna.get("/api/walls/w-contact/contact/file?format=CSV").bytes(), StandardCharsets.UTF_8);
    assertThat(file).contains("Mia Torrance,staff,could read", "took a copy", "change " + change);
    assertThat(wenna.get("/api/walls/w-contact/contact/file?format=XLSX").status()).isEqualTo(200);
    assertThat(app.signedIn("ola.lindqvist").get("/api/walls/w-contact/contact/possible").status()).isEqualTo(403);
  }

  private static JsonNode possible(Browser browser, String wall) {
    return browser.get("/api/walls/" + wall + "/contact/possible").body();
  }
}
