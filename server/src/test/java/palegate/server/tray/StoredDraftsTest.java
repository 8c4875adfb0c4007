package palegate.server.tray;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.places.Place;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;
import palegate.server.inforce.DueDrafts;
import palegate.server.store.Snapshots;
import palegate.server.store.StructureStore;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

@ExtendWith(InDemo.class)
class StoredDraftsTest {
  private static Browser.Answer rename(Browser browser, String place, String name) {
    return browser.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", place, "name", name));
  }

  private static Browser.Answer putInForce(Browser browser, String request) {
    return browser.putInForce(request);
  }

  private static long idInHand(Browser browser) {
    return browser.get("/api/draft").body().path("id").asLong();
  }

  @AfterEach
  void clear(TestApplication app) {
    for (String login : List.of("wenna.carrow", "teodor.brask")) {
      app.signedIn(login).discardDrafts();
    }
  }

  @Test
  void several_drafts_lie_side_by_side_and_only_the_one_in_hand_takes_up_changes(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    rename(wenna, "f-2417", "One");
    long first = idInHand(wenna);
    wenna.post("/api/drafts", Map.of("name", "For the auditors"));
    assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
    rename(wenna, "f-2423", "Two");
    wenna.post("/api/drafts/" + first + "/in-hand", Map.of());
    assertThat(wenna.get("/api/draft").body().path("items").get(0).path("words").asString()).isEqualTo("Call it One");
    assertThat(wenna.get("/api/drafts").body()).hasSize(2);
  }

  @Test
  void two_drafts_beside_each_other_say_who_would_have_more_and_less_with_the_other_and_only_of_drafts_one_may_see(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Map<String, Object> mia = Map.of("kind", "person", "id", "p-mia");
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-acc", "subject", mia, "role", "r-reader"));
    long reader = idInHand(wenna);
    wenna.post("/api/drafts", Map.of("name", "Filing too"));
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-acc", "subject", mia, "role", "r-filer"));
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-acc", "subject", Map.of("kind", "person", "id", "p-oriel"), "role", "r-reader"));
    long filer = idInHand(wenna);
    JsonNode beside = wenna.get("/api/drafts/" + reader + "/beside/" + filer).body();
    assertThat(beside.path("otherName").asString()).isEqualTo("Filing too");
    List<JsonNode> people = beside.path("people").path("items").valueStream().toList();
    assertThat(people.stream().filter(one -> one.path("person").path("id").asString().equals("p-mia")).map(one -> one.path("more").toString() + one.path("less"))).containsExactly("[\"add\"][]");
    assertThat(beside.path("totals").path("peopleLosing").asInt()).isZero();
    JsonNode where = wenna.get("/api/drafts/" + reader + "/beside/" + filer + "/pairs?person=p-mia&limit=1000").body();
    assertThat(where.path("total").asInt()).isEqualTo(people.stream().filter(one -> one.path("person").path("id").asString().equals("p-mia")).findFirst().orElseThrow().path("placesWithMore").asInt()).isPositive();
    assertThat(where.path("items").valueStream()).allSatisfy(pair -> assertThat(pair.path("one").toString() + " " + pair.path("other")).matches("\\[[^\\]]*] \\[[^\\]]*\"add\"[^\\]]*]").doesNotMatch("\\[[^\\]]*\"add\".*] .*"));
    assertThat(wenna.get("/api/drafts/" + reader + "/beside/" + filer + "/pairs").body().path("total").asLong()).isEqualTo(beside.path("totals").path("pairsGaining").asLong());
    JsonNode turned = wenna.get("/api/drafts/" + filer + "/beside/" + reader).body();
    assertThat(turned.path("totals").path("peopleLosing").asInt()).isEqualTo(beside.path("totals").path("peopleGaining").asInt());
    assertThat(turned.path("totals").path("pairsLosing").asLong()).isEqualTo(beside.path("totals").path("pairsGaining").asLong()).isPositive();
    assertThat(wenna.get("/api/drafts/" + reader + "/beside/" + reader).body().path("totals").path("places").asInt()).as("of itself").isZero();
    Browser teodor = app.signedIn("teodor.brask");
    assertThat(teodor.get("/api/drafts/" + reader + "/beside/" + filer).status()).isEqualTo(404);
    wenna.post("/api/drafts/" + reader + "/readers", Map.of("login", "teodor.brask"));
    assertThat(teodor.get("/api/drafts/" + reader + "/beside/" + filer + "/pairs").status()).isEqualTo(404);
    assertThat(teodor.get("/api/drafts/" + reader + "/beside/" + filer).status()).as("one of them is not shared").isEqualTo(404);
    assertThat(teodor.get("/api/drafts/" + filer + "/beside/" + reader).body().toString().replace(String.valueOf(filer), "N")).as("as one that never was")
        .isEqualTo(teodor.get("/api/drafts/999999/beside/" + reader).body().toString().replace("999999", "N"));
    wenna.post("/api/drafts/" + filer + "/readers", Map.of("login", "teodor.brask"));
    assertThat(teodor.get("/api/drafts/" + reader + "/beside/" + filer).body().path("totals").path("places").asInt()).isPositive();
  }

  @Test
  void changes_are_put_in_another_order_and_each_tells_its_own_effect(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-acc", "subject", Map.of("kind", "person", "id", "p-mia"), "role", "r-reader"));
    JsonNode items = rename(wenna, "f-2417", "One").body().path("items");
    long grant = items.get(0).path("id").asLong();
    long name = items.get(1).path("id").asLong();
    assertThat(wenna.get("/api/draft/changes/" + grant + "/effect").body().path("totals").path("peopleGaining").asInt()).isEqualTo(1);
    assertThat(wenna.get("/api/draft/changes/" + name + "/effect").body().path("totals").path("places").asInt()).isZero();
    JsonNode ordered = wenna.post("/api/draft/order", Map.of("items", List.of(name, grant))).body().path("items");
    assertThat(ordered.valueStream().map(item -> item.path("id").asLong())).containsExactly(name, grant);
    assertThat(wenna.post("/api/draft/order", Map.of("items", List.of(name))).problem()).isEqualTo("draft-moved");
  }

  @Test
  void a_draft_is_seen_by_those_it_is_shared_with_and_of_nobody_elses_is_it_told_whether_it_exists(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser teodor = app.signedIn("teodor.brask");
    rename(wenna, "f-2417", "One");
    long draft = idInHand(wenna);
    assertThat(teodor.get("/api/drafts/" + draft).status()).isEqualTo(404);
    wenna.post("/api/drafts/" + draft + "/readers", Map.of("login", "teodor.brask"));
    JsonNode opened = teodor.post("/api/drafts/" + draft + "/comments", Map.of("text", "Why One?")).body();
    assertThat(opened.path("items")).hasSize(1);
    assertThat(opened.path("draft").path("mine").asBoolean()).isFalse();
    assertThat(wenna.get("/api/drafts/" + draft).body().path("comments").get(0).path("author").asString()).isEqualTo("Teodor Brask");
    assertThat(teodor.delete("/api/drafts/" + draft).status()).as("only its owner discards it").isEqualTo(404);
  }

  @Test
  void the_same_request_sent_twice_is_carried_out_once(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    rename(wenna, "f-2417", "Grey Pilgrim " + UUID.randomUUID());
    String request = UUID.randomUUID().toString();
    Browser.Answer first = putInForce(wenna, request);
    long head = app.bean(StructureStore.class).head();
    assertThat(first.status()).isEqualTo(200);
    assertThat(putInForce(wenna, request).body()).isEqualTo(first.body());
    assertThat(app.bean(StructureStore.class).head()).isEqualTo(head);
  }

  @Test
  void a_scheduled_draft_is_put_in_force_when_its_time_has_come_and_with_its_note(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    rename(wenna, "f-2417", "Later " + UUID.randomUUID());
    schedule(app, wenna);
    long head = app.bean(StructureStore.class).head();
    app.bean(DueDrafts.class).run();
    assertThat(app.bean(StructureStore.class).head()).as("its time has not come").isEqualTo(head);
    app.clock().goOn(Duration.ofHours(2));
    app.bean(DueDrafts.class).run();
    assertThat(app.bean(StructureStore.class).head()).isEqualTo(head + 1);
    assertThat(wenna.get("/api/journal").body().path("items").get(0).path("note").asString()).isEqualTo("as agreed");
  }

  @Test
  void a_scheduled_draft_that_cannot_be_put_in_force_stops_and_says_why(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    rename(wenna, "f-2417", "Mine " + UUID.randomUUID());
    long draft = idInHand(wenna);
    schedule(app, wenna);
    Browser teodor = app.signedIn("teodor.brask");
    rename(teodor, "f-2417", "Theirs " + UUID.randomUUID());
    assertThat(putInForce(teodor, UUID.randomUUID().toString()).status()).isEqualTo(200);
    long head = app.bean(StructureStore.class).head();
    app.clock().goOn(Duration.ofHours(2));
    app.bean(DueDrafts.class).run();
    assertThat(app.bean(StructureStore.class).head()).isEqualTo(head);
    assertThat(wenna.get("/api/drafts/" + draft).body().path("draft").path("stopped").asString()).contains("Teodor Brask changed");
  }

  private static void schedule(TestApplication app, Browser browser) {
    Instant at = app.clock().instant().plus(Duration.ofHours(1));
    long draft = idInHand(browser);
    JsonNode foreseen = browser.get("/api/drafts/" + draft + "/foreseen?at=" + at).body();
    Browser.Answer scheduled = browser.post("/api/drafts/" + draft + "/schedule", Map.of("version", foreseen.path("version").asInt(), "seen", foreseen.path("seen"),
        "at", at.toString(), "note", "as agreed", "acceptLockOuts", false));
    assertThat(scheduled.status()).as("%s", scheduled.body()).isEqualTo(200);
  }

  @Test
  void a_change_is_turned_back_by_a_draft_that_is_rehearsed_like_any_other(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode before = wenna.get("/api/places/lib-hand/access").body().path("lines");
    wenna.post("/api/draft/changes", Map.of("kind", "break", "place", "lib-hand", "start", "EMPTY", "keepers",
        List.of(Map.of("subject", Map.of("kind", "group", "id", "g-keepers"), "role", "r-keeper"))));
    long change = putInForce(wenna, UUID.randomUUID().toString()).body().path("change").asLong();
    JsonNode reversed = wenna.post("/api/journal/" + change + "/reversal", Map.of()).body();
    assertThat(reversed.path("left")).isEmpty();
    assertThat(wenna.get("/api/draft").body().path("name").asString()).startsWith("Undo change " + change);
    assertThat(wenna.get("/api/draft").body().path("items").valueStream()).allSatisfy(item -> assertThat(item.has("problem")).isFalse());
    assertThat(putInForce(wenna, UUID.randomUUID().toString()).status()).isEqualTo(200);
    assertThat(wenna.get("/api/places/lib-hand/access").body().path("lines")).isEqualTo(before);
    assertThat(wenna.post("/api/journal/1/reversal", Map.of()).status()).isEqualTo(422);
  }

  @Test
  void a_release_and_an_exception_are_turned_back_too(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Structure structure = app.bean(Snapshots.class).current().snapshot().structure();
    Place frozen = structure.places().values().stream().filter(place -> place.conditions().frozen()).findFirst().orElseThrow();
    Wall wall = structure.walls().values().iterator().next();
    wenna.post("/api/draft/changes", Map.of("kind", "release", "place", frozen.id(), "condition", "FROZEN"));
    wenna.post("/api/draft/changes", Map.of("kind", "addException", "wall", wall.id(), "subject", Map.of("kind", "person", "id", "p-mia")));
    long change = putInForce(wenna, UUID.randomUUID().toString()).body().path("change").asLong();
    Structure released = app.bean(Snapshots.class).current().snapshot().structure();
    assertThat(released.places().get(frozen.id()).conditions().frozen()).isFalse();
    assertThat(released.walls().get(wall.id()).exceptions()).hasSize(wall.exceptions().size() + 1);

    JsonNode reversed = wenna.post("/api/journal/" + change + "/reversal", Map.of()).body();
    assertThat(reversed.path("left")).isEmpty();
    assertThat(wenna.get("/api/draft").body().path("items").valueStream().map(item -> item.path("words").asString()))
        .containsExactlyInAnyOrder("Make it frozen again", "Take the exception of Mia Torrance out of the wall " + wall.name());
    assertThat(putInForce(wenna, UUID.randomUUID().toString()).status()).isEqualTo(200);
    Structure back = app.bean(Snapshots.class).current().snapshot().structure();
    assertThat(back.places().get(frozen.id())).isEqualTo(frozen);
    assertThat(back.walls().get(wall.id())).isEqualTo(wall);
  }
}
