package palegate.server.walk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Sections 6 and 9: a walk is what the person has when they sign in, node for node; and it is no way to anything else. */
@ExtendWith(InDemo.class)
class WalkRoomTest {
  private static Browser begun(TestApplication app, String walker, String... people) {
    Browser browser = app.signedIn(walker);
    for (String person : people) {
      assertThat(browser.post("/api/walk/" + person, Map.of("reason", "To see what they have")).status()).isEqualTo(204);
    }
    return browser;
  }

  /** Everything that shows from a place down, with its rights. */
  private static void gather(Browser browser, String places, String id, Map<String, String> into) {
    for (int offset = 0, total = 1; offset < total; offset += 200) {
      JsonNode page = browser.get(places + "/" + id + "/children?limit=200&offset=" + offset).body();
      total = page.path("total").asInt();
      for (JsonNode child : page.path("items")) {
        boolean passage = child.path("passage").asBoolean() || child.path("shown").asString("").equals("PASSAGE");
        into.put(child.path("id").asString(), child.path("name").asString() + " " + child.path("rights") + " " + child.path("conditions") + (passage ? " leads on" : ""));
        if (!child.path("kind").asString().equals("document")) {
          gather(browser, places, child.path("id").asString(), into);
        }
      }
    }
  }

  @Test
  void a_walk_as_five_of_the_people_is_what_they_see_when_they_sign_in_node_for_node(TestApplication app) {
    Map<String, String> people = Map.of("p-mia", "mia.torrance", "p-ola", "ola.lindqvist", "p-hesper", "hesper.vance", "p-106", "ferris.oake", "p-113", "linnet.sayle");
    Browser wenna = begun(app, "wenna.carrow", people.keySet().toArray(String[]::new));
    int compared = 0;
    for (Map.Entry<String, String> one : people.entrySet()) {
      Browser theirs = app.signedIn(one.getValue());
      Map<String, String> has = new TreeMap<>();
      Map<String, String> walked = new TreeMap<>();
      JsonNode mine = theirs.get("/api/papers").body();
      JsonNode walk = wenna.get("/api/walk/" + one.getKey()).body();
      assertThat(walk.path("found").asInt()).as(one.getValue()).isEqualTo(mine.path("found").asInt());
      assertThat(walk.path("root").asString("")).isEqualTo(mine.path("root").asString(""));
      if (mine.path("root").asString("").isEmpty()) {
        continue;
      }
      gather(theirs, "/api/papers/places", "root", has);
      gather(wenna, "/api/walk/" + one.getKey() + "/places", "root", walked);
      assertThat(walked).as(one.getValue()).isEqualTo(has);
      compared += has.size();
    }
    assertThat(compared).isGreaterThan(300);
  }

  @Test
  void what_they_are_offered_and_refused_is_what_their_own_page_says(TestApplication app) {
    Browser wenna = begun(app, "wenna.carrow", "p-mia");
    Browser mia = app.signedIn("mia.torrance");
    List<String> ids = wenna.get("/api/walk/p-mia/search?text=letter&limit=40").body().path("items").valueStream().map(step -> step.path("id").asString()).toList();
    assertThat(ids).hasSizeGreaterThan(10);
    for (String id : ids) {
      JsonNode walked = wenna.get("/api/walk/p-mia/places/" + id).body();
      JsonNode own = mia.get("/api/papers/places/" + id).body();
      assertThat(walked.path("acts")).as(id).isEqualTo(own.path("acts"));
      assertThat(walked.path("path")).as(id).isEqualTo(own.path("path"));
    }
  }

  @Test
  void hidden_places_are_marked_with_why_and_only_when_asked_for(TestApplication app) {
    Browser wenna = begun(app, "wenna.carrow", "p-mia");
    JsonNode shown = wenna.get("/api/walk/p-mia/places/lib-cas/children?limit=200").body();
    JsonNode all = wenna.get("/api/walk/p-mia/places/lib-cas/children?hidden=true&limit=200").body();
    assertThat(shown.toString()).doesNotContain("HIDDEN", "f-2607");
    JsonNode walled = all.path("items").valueStream().filter(step -> step.path("id").asString().equals("f-2607")).findFirst().orElseThrow();
    assertThat(walled.path("shown").asString()).isEqualTo("HIDDEN");
    assertThat(walled.path("why").asString()).isEqualTo("WALL");
    assertThat(walled.path("rights")).isEmpty();
    assertThat(wenna.get("/api/walk/p-mia/places/f-2607").status()).isEqualTo(404);
    assertThat(wenna.get("/api/walk/p-mia/places/f-2607?hidden=true").body().path("acts")).isEmpty();
    assertThat(all.path("total").asInt()).isEqualTo(wenna.get("/api/places/lib-cas/children").body().size());
  }

  @Test
  void two_people_and_two_states_are_seen_beside_each_other(TestApplication app) {
    Browser wenna = begun(app, "wenna.carrow", "p-mia", "p-hesper");
    JsonNode both = wenna.get("/api/walk/p-hesper/places/lib-cas/children?besidePerson=p-mia&limit=200").body();
    assertThat(both.path("items").valueStream().map(step -> step.path("besideShown").asString())).contains("FOUND", "HIDDEN");
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-acc", "subject", Map.of("kind", "person", "id", "p-mia"), "role", "r-keeper"));
    JsonNode accounts = wenna.get("/api/walk/p-mia/places/root/children?besideDrafted=true&limit=200").body().path("items").valueStream()
        .filter(step -> step.path("id").asString().equals("lib-acc")).findFirst().orElseThrow();
    assertThat(accounts.path("besideRights").toString()).contains("govern");
    assertThat(accounts.path("rights").toString()).doesNotContain("govern");
    assertThat(wenna.get("/api/walk/p-mia/places/lib-acc?drafted=true").body().path("step").path("rights").toString()).contains("govern");
    Instant before = TestApplication.TODAY.minusSeconds(30 * 86_400L);
    assertThat(wenna.get("/api/walk/p-mia/places/root/children?besideAt=" + before).status()).isEqualTo(200);
  }

  @Test
  void it_is_begun_with_a_reason_written_down_and_only_by_a_duty_for_looking(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(wenna.get("/api/walk/p-121").problem()).isEqualTo("walk-not-begun");
    assertThat(wenna.get("/api/walk/p-121/places/root").problem()).isEqualTo("walk-not-begun");
    assertThat(wenna.post("/api/walk/p-121", Map.of("reason", " ")).status()).isEqualTo(422);
    assertThat(wenna.post("/api/walk/nobody", Map.of("reason", "x")).status()).isEqualTo(404);
    begun(app, "wenna.carrow", "p-121");
    JsonNode walk = wenna.get("/api/walk/p-121").body();
    assertThat(walk.path("earlier").get(0).path("walker").asString()).isEqualTo("Wenna Carrow");
    assertThat(walk.path("earlier").get(0).path("reason").asString()).isEqualTo("To see what they have");
    begun(app, "teodor.brask", "p-121");
    assertThat(app.signedIn("teodor.brask").get("/api/walk/p-121").body().path("earlier").toString()).as("a reason may name what others may not know").contains("Teodor Brask").doesNotContain("Wenna Carrow");
    app.clock().set(TestApplication.TODAY.plusSeconds(13 * 3600));
    assertThat(app.signedIn("wenna.carrow").get("/api/walk/p-121").problem()).as("it does not go on for ever").isEqualTo("walk-not-begun");
    app.clock().set(TestApplication.TODAY);
    for (String other : List.of("mia.torrance", "ferris.oake")) {
      assertThat(app.signedIn(other).post("/api/walk/p-121", Map.of("reason", "x")).status()).as(other).isEqualTo(403);
      assertThat(app.signedIn(other).get("/api/walk/p-121").status()).as(other).isEqualTo(403);
    }
    assertThat(app.bean(RequestMappingHandlerMapping.class).getHandlerMethods().keySet().stream().flatMap(info -> info.getPatternValues().stream()).filter(path -> path.startsWith("/api/walk")))
        .as("nothing of it gives content or does anything").noneMatch(path -> path.contains("content") || path.contains("condition") || path.contains("versions"));
  }

  @Test
  void nobody_walks_past_their_own_walls_or_beyond_their_scope(TestApplication app) {
    String member = app.bean(Snapshots.class).current().snapshot().structure().groups().get("g-team-2411").members().get(0).member().id();
    Browser ola = app.signedIn("ola.lindqvist");
    if (ola.post("/api/walk/" + member, Map.of("reason", "x")).status() == 204) {
      Map<String, String> walked = new TreeMap<>();
      gather(ola, "/api/walk/" + member + "/places", "root", walked);
      assertThat(walked.keySet()).doesNotContain("f-2411");
      assertThat(walked.toString()).doesNotContain("Ottoline");
      assertThat(ola.get("/api/walk/" + member + "/places/f-2411?hidden=true").status()).isEqualTo(404);
      assertThat(ola.get("/api/walk/" + member + "/places/lib-acc?hidden=true").status()).isEqualTo(404);
      assertThat(ola.get("/api/walk/" + member + "/search?text=Ottoline&hidden=true").body().path("total").asInt()).isZero();
    }
    begun(app, "ola.lindqvist", "p-ola");
    Map<String, String> own = new TreeMap<>();
    gather(ola, "/api/walk/p-ola/places", "root", own);
    assertThat(own.keySet()).as("within the library that she keeps").contains("lib-cas").doesNotContain("lib-acc", "f-2411");
  }

  @Test
  void whoever_is_walked_as_is_told_by_a_letter_once_that_is_decided_and_never_why(TestApplication app) {
    JdbcClient jdbc = app.bean(JdbcClient.class);
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/walk/p-mia", Map.of("reason", "Before it is decided"));
    assertThat(letters(jdbc)).isEmpty();
    Instant now = app.clock().instant();
    app.clock().set(now.plus(Duration.ofHours(13)));
    wenna = app.signedIn("wenna.carrow");
    assertThat(app.signedIn("ola.lindqvist").put("/api/walk-settings", "application/json", "{\"tells\": true}".getBytes(StandardCharsets.UTF_8)).status()).isEqualTo(403);
    assertThat(wenna.put("/api/walk-settings", "application/json", "{}".getBytes(StandardCharsets.UTF_8)).status()).isEqualTo(422);
    assertThat(wenna.put("/api/walk-settings", "application/json", "{\"tells\": true}".getBytes(StandardCharsets.UTF_8)).status()).isEqualTo(204);
    assertThat(wenna.get("/api/walk-settings").body().path("by").asString()).isEqualTo("Wenna Carrow");
    wenna.post("/api/walk/p-mia", Map.of("reason", "Because of Kittiwake"));
    wenna.post("/api/walk/p-mia", Map.of("reason", "Again, while it goes on"));
    wenna.post("/api/walk/p-wenna", Map.of("reason", "Myself"));
    wenna.post("/api/walk/nobody", Map.of("reason", "Nobody"));
    assertThat(letters(jdbc)).singleElement().satisfies(letter -> assertThat(letter).contains("Wenna Carrow").doesNotContain("Kittiwake"));
    app.clock().set(now);
  }

  private static List<String> letters(JdbcClient jdbc) {
    return jdbc.sql("SELECT text FROM mailbox WHERE subject = 'Somebody walks as you'").query(String.class).list();
  }
}
