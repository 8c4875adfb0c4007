package palegate.server.duties;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Section 9: duties are handed out, held, used, bounded and taken back, through whatever door. */
@ExtendWith(InDemo.class)
class DutiesTest {
  private static Map<String, Object> duty(String person, String duty, String place, String ceiling) {
    Map<String, Object> change = new HashMap<>(Map.of("kind", "setDuty", "subject", Map.of("kind", "person", "id", person), "duty", duty));
    if (place != null) {
      change.put("place", place);
    }
    if (ceiling != null) {
      change.put("ceiling", ceiling);
    }
    return change;
  }

  private static Map<String, Object> grant(String place, String kind, String subject, String role) {
    return Map.of("kind", "addGrant", "place", place, "subject", Map.of("kind", kind, "id", subject), "role", role);
  }

  @Test
  void two_keepers_work_side_by_side_and_one_hears_nothing_of_what_a_wall_keeps_from_her(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    Browser hesper = app.signedIn("hesper.vance");
    assertThat(ola.post("/api/draft/changes", grant("f-2417", "group", "g-surveyors", "r-filer")).status()).isEqualTo(201);
    assertThat(hesper.post("/api/draft/changes", grant("lib-hand", "group", "g-personnel", "r-filer")).status()).isEqualTo(201);
    assertThat(ola.putInForce(true).status()).isEqualTo(200);
    assertThat(hesper.putInForce(true).status()).isEqualTo(200);
    for (String asked : List.of("/api/places?text=2411", "/api/places?text=Ottoline", "/api/places/lib-cas/children", "/api/places/root/breaks?limit=200", "/api/statements/pairs?about=PLACE&id=lib-cas&limit=200", "/api/groups",
        "/api/journal", "/api/journal/1?limit=200", "/api/approval-rules", "/api/types")) {
      assertThat(ola.get(asked).body().toString()).as(asked).doesNotContain("f-2411", "Lady Ottoline", "C-2411 Lady");
    }
    for (String asked : List.of("/api/places/lib-cas", "/api/places/lib-cas/access", "/api/places/root", "/api/why?person=p-mia&place=f-2406")) {
      assertThat(ola.get(asked).body().toString()).as(asked + ": of the wall that bars her she sees what bars others from hers, and no other side").doesNotContain("Cargo of Lady Ottoline", "C-2411");
    }
    assertThat(hesper.get("/api/places/lib-cas").status()).isEqualTo(404);
    assertThat(hesper.get("/api/places/lib-hand").status()).isEqualTo(200);
  }

  @Test
  void a_duty_ends_where_its_scope_ends_whatever_the_door(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    assertThat(ola.post("/api/draft/changes", grant("lib-acc", "group", "g-adjusters", "r-reader")).status()).as("a place that is not hers is not there").isEqualTo(422);
    assertThat(ola.post("/api/draft/changes", grant("root", "group", "g-adjusters", "r-reader")).problem()).as("what only leads to hers is not hers").isEqualTo("duty-missing");
    assertThat(ola.post("/api/draft/changes", Map.of("kind", "setRole", "role", "r-reader", "name", "Reader", "rights", List.of("find", "read", "copy"))).problem()).isEqualTo("duty-missing");
    assertThat(ola.post("/api/draft/changes", Map.of("kind", "setPerson", "person", "p-mia", "name", "Mia T.", "external", false, "active", true)).problem()).isEqualTo("duty-missing");
    assertThat(ola.post("/api/draft/changes", duty("p-ola", "SYSTEM", null, null)).problem()).isEqualTo("duty-missing");
    assertThat(ola.post("/api/draft/changes", Map.of("kind", "movePlace", "place", "f-2417", "parent", "lib-ves")).status()).isBetween(400, 499);
    Browser hesper = app.signedIn("hesper.vance");
    assertThat(hesper.post("/api/draft/changes", Map.of("kind", "setPerson", "person", "p-ola", "name", "Ola", "external", false, "active", false)).status()).as("somebody of another office").isBetween(400, 499);
  }

  @Test
  void nobody_gives_more_than_the_ceiling_of_their_duty(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    assertThat(ola.post("/api/draft/changes", grant("f-2417", "group", "g-adjusters", "r-keeper")).problem()).isEqualTo("duty-missing");
    assertThat(ola.post("/api/draft/changes", grant("f-2417", "group", "g-adjusters", "r-curator")).status()).isEqualTo(201);
    ola.delete("/api/draft");
    assertThat(ola.post("/api/draft/changes", Map.of("kind", "break", "place", "f-2417", "start", "EMPTY", "keepers", List.of(Map.of("subject", Map.of("kind", "person", "id", "p-ola"), "role", "r-keeper")), "entry", "b-1")).status())
        .as("nor names a keeper with more").isBetween(400, 499);
  }

  @Test
  void a_duty_taken_away_while_a_draft_lies_ready_stops_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser hesper = app.signedIn("hesper.vance");
    Browser.Answer drafted = hesper.post("/api/draft/changes", grant("lib-hand", "person", "p-hesper", "r-preparer"));
    assertThat(drafted.status()).as("%s", drafted.body()).isEqualTo(201);
    Map<String, Object> order = hesper.order(true);
    wenna.post("/api/draft/changes", Map.of("kind", "removeDuty", "assignment", "du-hesper-handbook"));
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    assertThat(hesper.post("/api/draft/in-force", order).status()).isBetween(400, 499);
    assertThat(hesper.get("/api/places/lib-hand").status()).as("and the place is gone from the console").isEqualTo(404);
    Map<String, Object> back = duty("p-hesper", "ACCESS", "lib-hand", null);
    back.put("assignment", "du-hesper-handbook");
    wenna.post("/api/draft/changes", back);
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    hesper.delete("/api/draft");
  }

  @Test
  void the_register_says_who_holds_what_through_what_and_what_they_did_with_it(TestApplication app) {
    JsonNode lines = app.signedIn("wenna.carrow").get("/api/duties").body();
    JsonNode keepers = lines.valueStream().filter(line -> line.path("id").asString().equals("du-keepers")).findFirst().orElseThrow();
    assertThat(keepers.path("holders").valueStream().map(holder -> holder.path("person").path("name").asString())).containsExactlyInAnyOrder("Wenna Carrow", "Teodor Brask");
    assertThat(keepers.path("holders").get(0).path("through").asString()).isEqualTo("Repository keepers");
    assertThat(keepers.path("lately").asInt()).isPositive();
    JsonNode ferris = lines.valueStream().filter(line -> line.path("id").asString().equals("du-ferris")).findFirst().orElseThrow();
    assertThat(ferris.has("lastUsed")).as("never used").isFalse();
    assertThat(app.signedIn("teodor.brask").get("/api/duties").status()).as("for system and audit only").isEqualTo(403);
  }

  @Test
  void handing_out_is_rehearsed_journalled_and_undone(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode preview = wenna.get("/api/duties/preview?duty=ACCESS&place=lib-ves").body();
    assertThat(preview.path("rooms").valueStream().map(JsonNode::asString)).contains("places", "statements").doesNotContain("duties");
    assertThat(preview.path("places").asInt()).isPositive();
    assertThat(wenna.post("/api/draft/changes", duty("p-mia", "ACCESS", "lib-ves", "r-reader")).status()).isEqualTo(201);
    JsonNode shifts = wenna.get("/api/draft/rehearsal/duties").body().path("shifts");
    assertThat(shifts).hasSize(1);
    assertThat(shifts.get(0).path("person").path("name").asString()).isEqualTo("Mia Torrance");
    assertThat(shifts.get(0).path("after").path("places").asInt()).isEqualTo(preview.path("places").asInt());
    long change = wenna.putInForce(true).body().path("change").asLong();
    Browser mia = app.signedIn("mia.torrance");
    assertThat(mia.get("/api/places/lib-ves").status()).isEqualTo(200);
    assertThat(wenna.get("/api/journal/" + change).body().toString()).contains("Mia Torrance", "gives at most");
    assertThat(wenna.post("/api/journal/" + change + "/reversal", Map.of()).status()).isEqualTo(201);
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    assertThat(mia.get("/api/places/lib-ves").status()).isEqualTo(403);
  }

  @Test
  void the_last_holder_of_system_cannot_be_removed_by_any_change(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    for (Map<String, Object> way : List.<Map<String, Object>>of(Map.of("kind", "removeDuty", "assignment", "du-wenna-system"),
        Map.of("kind", "setPerson", "person", "p-wenna", "name", "Wenna Carrow", "login", "wenna.carrow", "external", false, "active", false),
        Map.of("kind", "setDuty", "assignment", "du-wenna-system", "subject", Map.of("kind", "person", "id", "p-wenna"), "duty", "SYSTEM", "until", "2027-01-01T00:00:00Z"))) {
      assertThat(wenna.post("/api/draft/changes", way).problem()).as("%s", way).isEqualTo("last-system");
      wenna.delete("/api/draft");
    }
  }

  @Test
  void of_a_draft_that_is_shared_one_reads_what_is_about_what_one_may_know(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser hesper = app.signedIn("hesper.vance");
    assertThat(wenna.post("/api/draft/changes/many", Map.of("changes", List.of(grant("lib-hand", "group", "g-cargo", "r-reader"), grant("lib-acc", "group", "g-cargo", "r-reader")))).status()).isEqualTo(201);
    long draft = wenna.get("/api/draft").body().path("id").asLong();
    assertThat(wenna.post("/api/drafts/" + draft + "/readers", Map.of("login", "hesper.vance")).status()).isLessThan(300);
    JsonNode opened = hesper.get("/api/drafts/" + draft).body();
    assertThat(opened.path("items")).hasSize(1);
    assertThat(opened.toString()).contains("Staff handbook").doesNotContain("Accounts", "lib-acc");
    assertThat(hesper.get("/api/drafts").body().toString()).doesNotContain("\"changes\":2");
    wenna.delete("/api/draft");
  }

  @Test
  void wrong_duties_are_refused_with_what_would_be_right(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(wenna.post("/api/draft/changes", duty("p-mia", "ACCESS", null, null)).body().toString()).contains("covers a place");
    assertThat(wenna.post("/api/draft/changes", duty("p-mia", "AUDIT", "lib-cas", null)).body().toString()).contains("not limited to a place");
    assertThat(wenna.post("/api/draft/changes", duty("p-mia", "ACCESS", "nowhere", null)).body().toString()).contains("nowhere");
    assertThat(wenna.post("/api/draft/changes", duty("p-nobody", "AUDIT", null, null)).body().toString()).contains("p-nobody");
  }

  /** A name that is taken is refused only to whoever may know by what: to others it would say that there is something of that name. */
  @Test
  void a_taken_name_tells_nobody_of_what_they_may_not_know(TestApplication app) {
    Browser hesper = app.signedIn("hesper.vance");
    hesper.delete("/api/draft");
    List<String> known = hesper.get("/api/groups?limit=200").body().path("items").valueStream().map(group -> group.path("name").asString()).toList();
    List<String> all = app.signedIn("wenna.carrow").get("/api/groups?limit=200").body().path("items").valueStream().map(group -> group.path("name").asString()).toList();
    String hidden = all.stream().filter(name -> !known.contains(name)).findFirst().orElseThrow();
    Browser.Answer taken = hesper.post("/api/draft/changes", Map.of("kind", "setGroup", "name", hidden));
    Browser.Answer free = hesper.post("/api/draft/changes", Map.of("kind", "setGroup", "name", "A name that nobody has"));
    assertThat(taken.status()).isEqualTo(free.status()).isEqualTo(201);
    assertThat(hesper.post("/api/draft/changes", Map.of("kind", "setGroup", "name", known.get(0).toUpperCase(Locale.ROOT))).status()).as("what she knows is told").isEqualTo(422);
    assertThat(hesper.putInForce(false).status()).isEqualTo(200);
  }
}
