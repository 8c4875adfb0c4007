package palegate.server.papers;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.snapshot.SnapshotAt;
import palegate.server.store.Openings;
import palegate.server.store.Snapshots;
import palegate.server.store.TextIndex;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** What somebody has as a person: exactly what they can find, and exactly what their rights let them do (sections 3, 5, 6 and 14). */
@ExtendWith(InDemo.class)
class PapersTest {
  private static SnapshotAt now(TestApplication app) {
    return app.bean(Snapshots.class).current().snapshot().at(TestApplication.TODAY);
  }

  private static boolean finds(TestApplication app, String person, String place) {
    SnapshotAt at = now(app);
    return at.rightsNow(at.snapshot().personNumber(person), at.snapshot().placeNumber(place)).contains(Right.FIND);
  }

  @Test
  void every_demo_person_finds_by_searching_exactly_what_they_can_find(TestApplication app) {
    for (Map.Entry<String, String> who : Map.of("mia.torrance", "p-mia", "ola.lindqvist", "p-ola", "oriel.fenn", "p-oriel", "wenna.carrow", "p-wenna").entrySet()) {
      Browser browser = app.signedIn(who.getKey());
      List<Place> found = now(app).snapshot().structure().places().values().stream().filter(place -> finds(app, who.getValue(), place.id())).toList();
      assertThat(browser.get("/api/papers").body().path("found").asInt()).as(who.getKey()).isEqualTo(found.size());
      Set<String> saying = Set.copyOf(app.bean(JdbcClient.class).sql("SELECT t.place FROM document_texts t JOIN places p ON p.id = t.place AND p.life = t.life WHERE LOWER(t.text) REGEXP '(?<![a-z0-9])valuation'").query(String.class).list());
      long named = found.stream().filter(place -> saying.contains(place.id()) || place.name().toLowerCase().contains("valuation") || place.labels().values().stream().anyMatch(value -> value.toLowerCase().contains("valuation"))).count();
      assertThat(browser.get("/api/papers/search?text=valuation").body().path("total").asInt()).as(who.getKey()).isEqualTo((int) named);
    }
  }

  @Test
  void what_a_wall_keeps_from_somebody_and_what_never_was_are_answered_alike(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    assertThat(finds(app, "p-mia", "f-2607")).isFalse();
    for (String path : List.of("/api/papers/places/%s", "/api/papers/places/%s/children", "/api/papers/places/%s/why", "/api/papers/search?below=%s", "/api/places/%s/content", "/api/places/%s/content/about")) {
      Browser.Answer hidden = mia.get(path.formatted("f-2607"));
      Browser.Answer never = mia.get(path.formatted("never-was"));
      assertThat(hidden.status()).as(path).isEqualTo(404).isEqualTo(never.status());
      assertThat(hidden.body().toString().replace("f-2607", "never-was")).as(path).isEqualTo(never.body().toString());
    }
    for (Browser.Answer refused : List.of(mia.post("/api/papers/places/f-2607/description", Map.of("name", "x", "labels", Map.of())), mia.delete("/api/papers/places/f-2607"),
        mia.post("/api/papers/places/f-2607/condition", Map.of("condition", "FROZEN", "on", true)), mia.post("/api/papers/places/f-2607/children", Map.of("name", "x", "folder", true)),
        mia.put("/api/places/f-2607/content", "text/plain", "x".getBytes(StandardCharsets.UTF_8)))) {
      assertThat(refused.status()).isEqualTo(404);
    }
    assertThat(mia.get("/api/papers/places/lib-cas/children?limit=200").body().toString()).doesNotContain("C-2607");
  }

  @Test
  void a_day_at_work_add_describe_revise_check_out_and_delete(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    String made = mia.post("/api/papers/places/f-2417/children", Map.of("name", "Notes on the engine", "folder", false)).body().path("id").asString();
    JsonNode paper = mia.get("/api/papers/places/" + made).body();
    assertThat(paper.path("owner").asString()).isEqualTo("Mia Torrance");
    assertThat(mia.put("/api/places/" + made + "/content", "text/plain", "The crankshaft was bent.".getBytes(StandardCharsets.UTF_8)).status()).isEqualTo(204);
    assertThat(mia.put("/api/places/" + made + "/content", "text/plain", "The crankshaft was broken.".getBytes(StandardCharsets.UTF_8)).status()).isEqualTo(204);
    assertThat(mia.get("/api/papers/places/" + made).body().path("versions")).hasSize(2);
    assertThat(new String(mia.get("/api/places/" + made + "/content?version=1").bytes(), StandardCharsets.UTF_8)).contains("bent");
    assertThat(mia.post("/api/papers/places/" + made + "/versions/1/restoration", Map.of()).status()).isEqualTo(204);
    assertThat(new String(mia.get("/api/places/" + made + "/content").bytes(), StandardCharsets.UTF_8)).as("brought back as the newest").contains("bent");
    assertThat(mia.get("/api/papers/places/" + made).body().path("versions")).hasSize(3);
    assertThat(mia.post("/api/papers/places/" + made + "/versions/9/restoration", Map.of()).status()).isEqualTo(404);
    assertThat(mia.get("/api/papers/search?text=crankshaft").body().path("total").asInt()).as("found by what it says").isEqualTo(1);
    assertThat(app.signedIn("oriel.fenn").get("/api/papers/search?text=crankshaft").body().path("total").asInt()).as("but only by who can find it").isEqualTo(finds(app, "p-oriel", made) ? 1 : 0);
    assertThat(mia.post("/api/papers/places/" + made + "/description", Map.of("name", "Engine notes", "labels", Map.of("sheet", "7"))).status()).isEqualTo(204);
    assertThat(mia.post("/api/papers/places/" + made + "/condition", Map.of("condition", "CHECKED_OUT", "on", true)).status()).isEqualTo(204);
    assertThat(mia.get("/api/papers/places/" + made).body().path("paper").path("conditions").get(0).asString()).isEqualTo("checked out");
    assertThat(mia.post("/api/papers/places/" + made + "/condition", Map.of("condition", "CHECKED_OUT", "on", false)).status()).isEqualTo(204);
    Browser.Answer deleting = mia.delete("/api/papers/places/" + made);
    SnapshotAt at = now(app);
    assertThat(deleting.status()).isEqualTo(at.rightsNow(at.snapshot().personNumber("p-mia"), at.snapshot().placeNumber("f-2417")).contains(Right.DELETE) ? 204 : 403);
    assertThat(app.signedIn("wenna.carrow").get("/api/journal?limit=5").body().toString()).contains("Changed the description", "Mia Torrance");
  }

  @Test
  void every_refusal_is_the_sentence_that_the_page_shows(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    JsonNode handbook = mia.get("/api/papers/places/lib-hand").body();
    Map<String, String> why = new HashMap<>();
    handbook.path("acts").forEach(offer -> {
      if (offer.has("why")) {
        why.put(offer.path("act").asString(), offer.path("why").asString());
      }
    });
    assertThat(why).containsKeys("DESCRIBE", "DELETE");
    assertThat(mia.delete("/api/papers/places/lib-hand").body().path("detail").asString()).isEqualTo(why.get("DELETE"));
    assertThat(mia.post("/api/papers/places/lib-hand/description", Map.of("name", "x", "labels", Map.of())).body().path("detail").asString()).isEqualTo(why.get("DESCRIBE"));
    assertThat(mia.post("/api/papers/places/lib-hand/children", Map.of("name", "x", "folder", true)).status()).isEqualTo(403);
  }

  @Test
  void why_one_has_it_comes_to_what_one_has_and_names_what_gives_it(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    for (String place : List.of("lib-hand", "f-2417", "lib-cas")) {
      JsonNode why = mia.get("/api/papers/places/" + place + "/why").body();
      Set<String> rights = new TreeSet<>();
      why.path("reasons").forEach(reason -> reason.path("rights").forEach(right -> {
        if (reason.path("kind").asString().equals("GIVES")) {
          rights.add(right.asString());
        } else {
          rights.remove(right.asString());
        }
      }));
      assertThat(rights).as(place).isNotEmpty().isEqualTo(mia.get("/api/papers/places/" + place).body().path("paper").path("rights").valueStream().map(JsonNode::asString).collect(Collectors.toCollection(TreeSet::new)));
    }
    assertThat(mia.get("/api/papers/places/f-2417/why").body().toString()).contains("given ", " to ", "Nothing gives you ");
  }

  @Test
  void who_may_see_what_hangs_on_it_is_not_for_one_person_to_change(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    JsonNode paper = ola.get("/api/papers/places/f-2406").body();
    assertThat(paper.path("others").path("case").asString()).isEqualTo("C-2406");
    Browser.Answer refused = ola.post("/api/papers/places/f-2406/description", Map.of("name", paper.path("paper").path("name").asString(), "labels", Map.of("case", "C-9")));
    assertThat(refused.problem()).as("the label is what a wall hangs on").isEqualTo("needs-somebody-else");
    assertThat(now(app).snapshot().structure().places().get("f-2406").labels()).containsEntry("case", "C-2406");
  }

  @Test
  void openings_copies_and_refusals_are_recorded(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    String made = mia.post("/api/papers/places/f-2417/children", Map.of("name", "Opened", "folder", false)).body().path("id").asString();
    mia.put("/api/places/" + made + "/content", "text/plain", "x".getBytes(StandardCharsets.UTF_8));
    mia.get("/api/places/" + made + "/content");
    mia.get("/api/places/" + made + "/content?copy=true");
    assertThat(app.bean(Openings.class).of(made, 10)).extracting(Openings.Opening::how).contains(Openings.How.OPEN, Openings.How.COPY);
    assertThat(app.bean(Openings.class).of(made, 10)).allSatisfy(opening -> assertThat(opening.person()).isEqualTo("p-mia"));
  }

  @Test
  void what_is_not_what_its_name_says_is_refused_and_nothing_is_kept(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    String made = mia.post("/api/papers/places/f-2417/children", Map.of("name", "Bad", "folder", false)).body().path("id").asString();
    Stream.of("application/pdf", "image/png", "image/jpeg", "application/vnd.oasis.opendocument.text", "application/zip", "text/html").forEach(kind ->
        assertThat(mia.put("/api/places/" + made + "/content", kind, "plain words".getBytes(StandardCharsets.UTF_8)).status()).as(kind).isEqualTo(422));
    assertThat(mia.put("/api/places/" + made + "/content", "text/plain", new byte[] {(byte) 0xC3, 0x28}).status()).isEqualTo(422);
    assertThat(mia.get("/api/papers/places/" + made).body().path("versions")).isEmpty();
  }

  @Test
  void a_text_is_found_in_capitals_or_not_with_accents_or_not_and_by_its_small_words_too(TestApplication app) {
    TextIndex index = app.bean(TextIndex.class);
    Browser mia = app.signedIn("mia.torrance");
    String made = mia.post("/api/papers/places/f-2417/children", Map.of("name", "Told", "folder", false)).body().path("id").asString();
    mia.put("/api/places/" + made + "/content", "text/plain", "The Zwölfer was towed from the Höllgrund with great care".getBytes(StandardCharsets.UTF_8));
    for (String words : List.of("zwölfer", "ZWOLFER", "Zwölf", "the Zwölfer was towed", "from the höllgrund with", "Höllgrund to of")) {
      assertThat(index.saying(words)).as(words).contains(made);
    }
    assertThat(index.saying("from the Zwolfer that")).isEmpty();
  }

  @Test
  void words_of_a_search_are_never_read_as_operators(TestApplication app) {
    TextIndex index = app.bean(TextIndex.class);
    for (String words : List.of("+ - * ~ ( )", "\"", "a' OR 1=1 --", "@distance", "%", "<>", "x".repeat(5_000))) {
      assertThat(index.saying(words)).as(words).isEmpty();
      assertThat(app.signedIn("mia.torrance").get("/api/papers/search?text=" + URLEncoder.encode(words, StandardCharsets.UTF_8)).status()).as(words).isLessThan(500);
    }
  }
}
