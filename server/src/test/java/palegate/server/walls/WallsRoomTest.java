package palegate.server.walls;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.core.certificates.Certificate;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.wallsatwork.WallProof;
import palegate.server.store.Contents;
import palegate.server.store.Openings;
import palegate.server.store.Snapshots;
import palegate.server.store.TextIndex;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.MissingNode;

/** Section 7: what the room of walls says before one is raised is what then holds, and it says nothing to whom it may not. */
@ExtendWith(InDemo.class)
class WallsRoomTest {
  private static Map<String, Object> subject(String kind, String id) {
    return Map.of("kind", kind, "id", id);
  }

  private static Map<String, Object> screen(String name, Map<String, Object> scope, Map<String, Object>... subjects) {
    Map<String, Object> side = new HashMap<>(scope);
    side.put("subjects", List.of(subjects));
    return new HashMap<>(Map.of("kind", "setWall", "name", name, "state", "STANDING", "barrier", "screen", "sides", List.of(side)));
  }

  private static JsonNode line(Browser browser, String id) {
    return browser.get("/api/walls").body().valueStream().filter(wall -> wall.path("id").asString().equals(id)).findFirst().orElseThrow();
  }

  @Test
  void what_each_wall_keeps_from_whom_is_what_lifting_it_gives_back(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    int compared = 0;
    for (JsonNode line : wenna.get("/api/walls").body()) {
      String id = line.path("id").asString();
      JsonNode barred = wenna.get("/api/walls/" + id + "/barred?limit=1000").body();
      JsonNode wall = wenna.get("/api/walls/" + id).body();
      Map<String, Object> lifted = new HashMap<>(Map.of("kind", "setWall", "wall", id, "name", wall.path("name").asString(), "state", "LIFTED", "barrier", wall.path("kind").asString()));
      lifted.put("sides", wall.path("sides").valueStream().map(side -> {
        Map<String, Object> one = new HashMap<>(Map.of("subjects", side.path("subjects").valueStream().map(named -> subject(named.path("kind").asString(), named.path("id").asString())).toList(),
            "places", side.path("placesNamed").valueStream().map(place -> place.path("id").asString()).toList(), "types", side.path("typesNamed").valueStream().map(type -> type.path("id").asString()).toList()));
        Map<String, Object> labels = new HashMap<>();
        side.path("labels").propertyStream().forEach(label -> labels.put(label.getKey(), label.getValue().valueStream().map(JsonNode::asString).toList()));
        one.put("labels", labels);
        if (!side.path("name").isMissingNode()) {
          one.put("name", side.path("name").asString());
        }
        return one;
      }).toList());
      JsonNode totals = wenna.post("/api/draft/changes", lifted).body().path("totals");
      assertThat(barred.path("total").asInt()).as(id).isEqualTo(totals.path("peopleGaining").asInt());
      long documents = barred.path("items").valueStream().mapToLong(one -> one.path("places").asLong()).sum();
      assertThat(documents).as(id).isEqualTo(totals.path("pairsGaining").asLong());
      assertThat(line.path("people").asInt()).as(id + " bars at least whoever loses by it").isGreaterThanOrEqualTo(barred.path("total").asInt());
      compared += barred.path("total").asInt();
      wenna.discardDrafts();
      for (JsonNode one : barred.path("items").valueStream().limit(2).toList()) {
        JsonNode places = wenna.get("/api/walls/" + id + "/barred/" + one.path("person").path("id").asString() + "?limit=1000").body();
        assertThat(places.path("total").asInt()).as(id + " from " + one.path("person").path("name").asString()).isEqualTo(one.path("places").asInt());
        JsonNode first = places.path("items").get(0);
        assertThat(wenna.get("/api/why?person=" + one.path("person").path("id").asString() + "&place=" + first.path("place").asString()).body().path("withoutWalls").path("rights"))
            .as("what why says without the wall").isEqualTo(first.path("rights"));
      }
    }
    assertThat(compared).isGreaterThan(20);
  }

  @Test
  void whoever_is_let_in_reaches_the_documents_that_are_counted_and_whoever_is_not_reaches_none_by_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    int compared = 0;
    for (JsonNode line : wenna.get("/api/walls").body()) {
      String id = line.path("id").asString();
      for (JsonNode one : wenna.get("/api/walls/" + id + "/admitted?limit=1000").body().path("items")) {
        JsonNode places = wenna.get("/api/walls/" + id + "/admitted/" + one.path("person").path("id").asString() + "?limit=1000" + (one.has("side") ? "&side=" + URLEncoder.encode(one.path("side").asString(), StandardCharsets.UTF_8) : "")).body();
        assertThat(places.path("total").asInt()).as(id + ": " + one).isEqualTo(one.path("documents").asInt());
        assertThat(places.path("items").valueStream()).allSatisfy(place -> assertThat(place.path("rights").isEmpty()).isFalse());
        compared++;
      }
      assertThat(wenna.get("/api/walls/" + id + "/admitted/p-none").status()).isEqualTo(404);
      assertThat(wenna.get("/api/walls/" + id + "/barred/p-none").status()).isEqualTo(404);
    }
    assertThat(compared).isGreaterThan(5);
  }

  @Test
  @SuppressWarnings("unchecked")
  void what_is_described_before_a_wall_is_raised_is_what_the_tray_says_of_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Map<String, Object> wall = screen("Kept from the surveyors", Map.of("labels", Map.of("case", List.of("C-2607"))), subject("group", "g-surveyors"), subject("person", "p-wenna"));
    JsonNode coverage = wenna.post("/api/walls/coverage", Map.of("labels", Map.of("case", List.of("C-2607")), "name", "Kittiwake")).body();
    assertThat(coverage.path("documents").asInt()).isPositive();
    assertThat(coverage.path("oddities")).isEmpty();
    Browser.Answer described = wenna.post("/api/walls/description", Map.of("change", wall));
    assertThat(described.status()).as(described.body().toString()).isEqualTo(200);
    assertThat(described.body().path("barsYou").asBoolean()).isTrue();
    assertThat(described.body().path("keepers").toString()).contains("Wenna Carrow");
    assertThat(described.body().path("sides").get(0).path("documents").asInt()).isEqualTo(coverage.path("documents").asInt());
    assertThat(wenna.get("/api/draft").body().path("items")).as("nothing is kept").isEmpty();
    JsonNode totals = wenna.post("/api/draft/changes", wall).body().path("totals");
    assertThat(totals.path("peopleLosing").asInt()).isPositive().isEqualTo(described.body().path("losing").asInt());
    JsonNode drafted = wenna.get("/api/walls").body().valueStream().filter(one -> one.path("drafted").asString().equals("MADE")).findFirst().orElseThrow();
    assertThat(drafted.path("people").asInt()).isEqualTo(described.body().path("people").asInt());
    assertThat(drafted.path("pairs").asLong()).isEqualTo(described.body().path("pairs").asLong());
    assertThat(wenna.post("/api/walls/description", Map.of("change", screen("x", Map.of("places", List.of("nowhere")), subject("person", "p-nobody")))).body().path("faults").size()).as("all faults at once").isGreaterThanOrEqualTo(2);
    assertThat(wenna.post("/api/walls/description", Map.of("change", Map.of("kind", "renamePlace", "place", "lib-cas", "name", "x"))).problem()).isEqualTo("no-wall");
    assertThat(wenna.post("/api/walls/coverage", Map.of("labels", Map.of("case", List.of("C-9999")))).body().path("oddities").get(0).asString()).isEqualTo("NOTHING");
    assertThat(wenna.post("/api/walls/coverage", Map.of()).body().path("places").asInt()).isZero();
  }

  @Test
  @SuppressWarnings("unchecked")
  void whoever_opened_something_inside_before_they_were_kept_out_is_named_with_day_and_document(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Snapshot snapshot = app.bean(Snapshots.class).current().snapshot();
    List<String> inside = wenna.get("/api/walls/wall-brother/covered?limit=200").body().path("items").valueStream().filter(one -> snapshot.place(snapshot.placeNumber(one.path("id").asString())).isDocument())
        .map(one -> one.path("id").asString()).limit(2).toList();
    Openings openings = app.bean(Openings.class);
    Instant before = TestApplication.TODAY.minusSeconds(86_400);
    openings.add("p-mia", inside.get(0), Openings.How.OPEN, before);
    openings.add("p-mia", inside.get(0), Openings.How.COPY, before.plusSeconds(60));
    openings.add("p-mia", inside.get(1), Openings.How.REFUSED, before);
    openings.add("p-wenna", inside.get(0), Openings.How.OPEN, before);
    JsonNode contact = wenna.get("/api/walls/wall-brother/contact").body();
    assertThat(contact.path("total").asInt()).as("not those whom it lets in, not those refused").isEqualTo(1);
    JsonNode one = contact.path("items").get(0);
    assertThat(one.path("person").path("id").asString()).isEqualTo("p-mia");
    assertThat(one.path("place").asString()).isEqualTo(inside.get(0));
    assertThat(one.path("times").asInt()).isEqualTo(2);
    assertThat(one.path("copies").asInt()).isEqualTo(1);
    assertThat(Instant.parse(one.path("first").asString())).isEqualTo(before);
    assertThat(Instant.parse(one.path("last").asString())).isEqualTo(before.plusSeconds(60));
  }

  @Test
  void what_the_content_of_a_document_says_is_told_with_the_wall_s_own_words_and_to_nobody_who_may_not_know_the_document(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Snapshot snapshot = app.bean(Snapshots.class).current().snapshot();
    List<String> inside = wenna.get("/api/walls/wall-brother/covered?limit=200").body().path("items").valueStream().map(one -> one.path("id").asString()).toList();
    List<String> outside = snapshot.structure().places().values().stream().filter(place -> place.kind() == PlaceKind.DOCUMENT && !inside.contains(place.id()) && place.labels().isEmpty())
        .map(Place::id).sorted().limit(3).toList();
    String first = inside.stream().filter(id -> snapshot.place(snapshot.placeNumber(id)).isDocument()).findFirst().orElseThrow();
    String number = snapshot.structure().walls().get("wall-brother").barrier().scopes().get(0).labels().get("case").iterator().next();
    Contents contents = app.bean(Contents.class);
    TextIndex texts = app.bean(TextIndex.class);
    byte[] same = "The same words in two places.".getBytes(StandardCharsets.UTF_8);
    contents.put(first, "text/plain", same, "wenna.carrow", TestApplication.TODAY);
    contents.put(outside.get(0), "text/plain", same, "wenna.carrow", TestApplication.TODAY);
    texts.keep(outside.get(1), contents.put(outside.get(1), "text/plain", "x".getBytes(StandardCharsets.UTF_8), "wenna.carrow", TestApplication.TODAY), "To the owners, in matter " + number.toLowerCase(Locale.ROOT).replace('-', ' ') + ", secretly");
    texts.keep(outside.get(2), contents.put(outside.get(2), "text/plain", "y".getBytes(StandardCharsets.UTF_8), "wenna.carrow", TestApplication.TODAY), "Of " + number + "7 nothing is said");
    JsonNode gaps = wenna.get("/api/walls/wall-brother/gaps").body();
    assertThat(gaps.path("notSearched").asInt()).isZero();
    assertThat(gap(gaps, outside.get(0)).path("kind").asString()).isEqualTo("SAME_CONTENT");
    assertThat(gap(gaps, outside.get(0)).path("like").asString()).isEqualTo(snapshot.pathText(snapshot.placeNumber(first)));
    assertThat(gap(gaps, outside.get(1)).path("kind").asString()).isEqualTo("IN_ITS_TEXT");
    assertThat(gap(gaps, outside.get(1)).path("said").asString()).isEqualTo(number.toLowerCase(Locale.ROOT).replace('-', ' '));
    assertThat(gaps.toString()).as("no more of the text than the wall says itself").doesNotContain("secretly");
    assertThat(gap(gaps, outside.get(2)).isMissingNode()).as("another number").isTrue();
    assertThat(wenna.post("/api/walls/wall-brother/gaps/dismissals", Map.of("place", outside.get(0), "reason", "A form.")).status()).isEqualTo(204);
    assertThat(gap(wenna.get("/api/walls/wall-brother/gaps").body(), outside.get(0)).path("dismissed").path("reason").asString()).isEqualTo("A form.");
    // Something else speaks for the same place now: what was dismissed was not that.
    texts.keep(outside.get(0), contents.put(outside.get(0), "text/plain", "z".getBytes(StandardCharsets.UTF_8), "wenna.carrow", TestApplication.TODAY), "In " + number);
    app.bean(JdbcClient.class).sql("DELETE FROM document_contents WHERE place = :place AND version = 1").param("place", first).update();
    JsonNode otherwise = gap(wenna.get("/api/walls/wall-brother/gaps").body(), outside.get(0));
    assertThat(otherwise.path("kind").asString()).isEqualTo("IN_ITS_TEXT");
    assertThat(otherwise.path("dismissed").isMissingNode()).isTrue();
    Browser oriel = app.signedIn("oriel.fenn");
    oriel.get("/api/walls/wall-brother/gaps").body().path("gaps").valueStream().filter(one -> one.path("kind").asString().equals("SAME_CONTENT"))
        .forEach(one -> assertThat(one.path("place").asString()).isEqualTo(outside.get(0)));
  }

  private static JsonNode gap(JsonNode gaps, String place) {
    return gaps.path("gaps").valueStream().filter(gap -> gap.path("place").asString().equals(place)).findFirst().orElse(MissingNode.getInstance());
  }

  @Test
  void the_planted_gap_is_found_taken_in_by_its_fix_or_dismissed_with_a_reason_that_stays(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(line(wenna, "wall-pilgrim").path("documents").asInt()).isZero();
    JsonNode gaps = wenna.get("/api/walls/wall-pilgrim/gaps").body().path("gaps");
    assertThat(gaps.get(0).path("said").asString()).isEqualTo("case: C-2471");
    assertThat(gaps.get(0).path("like").asString()).isEqualTo("case: C-2417");
    String place = gaps.get(0).path("place").asString();
    assertThat(wenna.post("/api/walls/wall-pilgrim/gaps/dismissals", Map.of("place", place, "reason", "  ")).status()).isEqualTo(422);
    assertThat(wenna.post("/api/walls/wall-pilgrim/gaps/dismissals", Map.of("place", "lib-cas", "reason", "It is none.")).status()).as("no gap, nothing to dismiss").isEqualTo(404);
    assertThat(wenna.post("/api/walls/wall-pilgrim/gaps/dismissals", Map.of("place", place, "reason", "Filed so on purpose.")).status()).isEqualTo(204);
    app.restart();
    wenna = app.signedIn("wenna.carrow");
    assertThat(wenna.get("/api/walls/wall-pilgrim/gaps").body().path("gaps").get(0).path("dismissed").path("reason").asString()).isEqualTo("Filed so on purpose.");
    wenna.post("/api/draft/changes", gaps.get(0).path("fix"));
    assertThat(line(wenna, "wall-pilgrim").path("documents").asInt()).isEqualTo(gaps.get(0).path("documents").asInt());
    assertThat(wenna.get("/api/walls/wall-pilgrim/gaps").body().path("gaps").valueStream().map(gap -> gap.path("place").asString())).doesNotContain(place);
  }

  @Test
  void a_proof_is_kept_with_a_certificate_that_says_what_a_second_proof_says(TestApplication app) throws IOException {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser.Answer made = wenna.post("/api/walls/wall-fraud/proofs", Map.of());
    assertThat(made.status()).as(made.body().toString()).isEqualTo(200);
    assertThat(made.body().path("leaks").asInt()).isZero();
    assertThat(made.body().path("pairs").asLong()).isEqualTo(line(wenna, "wall-fraud").path("pairs").asLong()).isGreaterThan(1_000);
    JsonNode kept = wenna.get("/api/walls/wall-fraud/proofs").body();
    assertThat(kept).hasSize(1);
    String file = "/api/walls/wall-fraud/proofs/" + kept.get(0).path("number").asLong() + "/file?format=";
    Certificate certificate = Certificate.read(new String(wenna.get(file + "JSON").bytes(), StandardCharsets.UTF_8)).orElseThrow();
    Snapshot snapshot = app.bean(Snapshots.class).current().snapshot();
    assertThat(certificate.bundleDigest()).isEqualTo(Certificate.digest(snapshot.structure()));
    WallProof again = WallProof.of(snapshot, snapshot.structure().walls().get("wall-fraud"), certificate.at(), 100, 1, WallProof.Progress.NONE);
    assertThat(certificate.walls().get(0).pairs()).isEqualTo(again.pairs());
    assertThat(certificate.holds()).isTrue();
    String text = new PDFTextStripper().getText(Loader.loadPDF(wenna.get(file + "PDF").bytes()));
    assertThat(text).contains("Certificate of a wall", "Tern Rock inquiry", certificate.bundleDigest(), "The wall holds", "palegate verify");
    assertThat(wenna.get("/api/walls/wall-brother/proofs/" + kept.get(0).path("number").asLong() + "/file?format=PDF").status()).as("a proof is its wall's").isEqualTo(404);
  }

  @Test
  void a_proof_under_way_is_its_author_s_alone_and_once_called_off_nothing_of_it_is_kept(TestApplication app) throws Exception {
    WallProofsController proofs = app.bean(WallProofsController.class);
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(wenna.get("/api/walls/wall-fraud/proofs/under-way").body().path("underWay").isMissingNode()).isTrue();
    Browser ferris = app.signedIn("ferris.oake");
    int before = wenna.get("/api/walls/wall-fraud/proofs").body().size();
    // Over and over, until one of them is met under way.
    boolean met = false;
    for (int i = 0; i < 200 && !met; i++) {
      CompletableFuture<Browser.Answer> proof = CompletableFuture.supplyAsync(() -> wenna.post("/api/walls/wall-fraud/proofs", Map.of()));
      while (!proof.isDone() && !met) {
        if (proofs.underWay("wall-fraud", () -> "wenna.carrow").underWay() != null) {
          assertThat(proofs.underWay("wall-fraud", () -> "ferris.oake").underWay()).as("another's").isNull();
          assertThat(proofs.underWay("wall-brother", () -> "wenna.carrow").underWay()).as("of another wall").isNull();
          assertThat(ferris.delete("/api/walls/wall-fraud/proofs/under-way").status()).as("calls off nothing").isEqualTo(204);
          proofs.callOff("wall-fraud", () -> "wenna.carrow");
          met = true;
        }
      }
      Browser.Answer done = proof.get();
      if (done.status() == 200) {
        met = false;
        before++;
      } else {
        assertThat(done.problem()).isEqualTo("called-off");
      }
    }
    assertThat(met).as("one was called off").isTrue();
    assertThat(wenna.get("/api/walls/wall-fraud/proofs").body()).hasSize(Math.min(50, before));
    assertThat(wenna.post("/api/walls/wall-brother/proofs", Map.of()).status()).as("the next one goes on").isEqualTo(200);
  }

  @Test
  void whoever_keeps_the_walls_knows_the_one_that_bars_them_and_not_what_lies_behind_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Map<String, Object> kept = screen("Kept from the officer", Map.of("labels", Map.of("case", List.of("C-2406"))), subject("person", "p-106"));
    kept.put("reason", "He is a cousin.");
    wenna.post("/api/draft/changes", kept);
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    String id = wenna.get("/api/walls").body().valueStream().filter(one -> one.path("name").asString().equals("Kept from the officer")).findFirst().orElseThrow().path("id").asString();
    Browser ferris = app.signedIn("ferris.oake");
    JsonNode wall = ferris.get("/api/walls/" + id).body();
    assertThat(wall.path("name").asString()).isEqualTo("Kept from the officer");
    assertThat(wall.path("reason").asString()).isEqualTo("He is a cousin.");
    assertThat(wall.path("barsYou").asBoolean()).isTrue();
    assertThat(wall.path("sides").get(0).path("coverage").path("places").asInt()).isZero();
    assertThat(ferris.get("/api/walls/" + id + "/covered").body().path("total").asInt()).isZero();
    assertThat(ferris.get("/api/walls/" + id + "/contact").body().path("total").asInt()).isZero();
    wenna.post("/api/walls/" + id + "/proofs", Map.of());
    assertThat(ferris.get("/api/walls/" + id + "/proofs").body()).as("a proof of all tells how much there is").isEmpty();
    Browser.Answer own = ferris.post("/api/walls/wall-brother/proofs", Map.of());
    assertThat(own.body().path("leaks").asInt()).isZero();
    assertThat(ferris.get("/api/walls/wall-brother/proofs").body()).as("one's own is kept").hasSize(1);
    assertThat(wenna.get("/api/walls/wall-brother/proofs").body()).as("and nobody else's is told").isEmpty();
    long number = ferris.get("/api/walls/wall-brother/proofs").body().get(0).path("number").asLong();
    assertThat(wenna.get("/api/walls/wall-brother/proofs/" + number + "/file?format=JSON").status()).isEqualTo(404);
  }

  @Test
  @SuppressWarnings("unchecked")
  void the_room_is_for_walls_and_audit_and_only_walls_change_anything_there(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    Browser oriel = app.signedIn("oriel.fenn");
    for (String asked : List.of("/api/walls", "/api/walls/wall-fraud", "/api/walls/nothing", "/api/walls/wall-fraud/barred", "/api/walls/wall-fraud/gaps", "/api/walls/wall-fraud/proofs", "/api/walls/wall-fraud/ties")) {
      assertThat(ola.get(asked).status()).as(asked).isEqualTo(403);
      assertThat(ola.get(asked).body().toString()).doesNotContain("Tern Rock");
    }
    assertThat(oriel.get("/api/walls").status()).isEqualTo(200);
    Map<String, Object> wall = screen("x", Map.of("places", List.of("lib-cas")), subject("person", "p-mia"));
    assertThat(oriel.post("/api/walls/description", Map.of("change", wall)).status()).isEqualTo(403);
    assertThat(oriel.post("/api/walls/coverage", Map.of("places", List.of("lib-cas"))).status()).isEqualTo(403);
    assertThat(oriel.post("/api/walls/wall-pilgrim/gaps/dismissals", Map.of("place", "f-2417", "reason", "x")).status()).isEqualTo(403);
    assertThat(ola.post("/api/walls/wall-fraud/proofs", Map.of()).status()).isEqualTo(403);
    assertThat(ola.get("/api/session").body().path("account").toString()).doesNotContain("walls");
    assertThat(oriel.get("/api/session").body().path("account").path("rooms").toString()).contains("walls");
  }
}
