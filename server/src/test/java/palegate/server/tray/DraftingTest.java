package palegate.server.tray;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.server.inforce.PuttingInForce;
import palegate.server.store.StructureStore;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

@ExtendWith(InDemo.class)
class DraftingTest {
  private static Map<String, Object> grant(String place, String person, String role) {
    return Map.of("kind", "addGrant", "place", place, "subject", Map.of("kind", "person", "id", person), "role", role);
  }

  private static Browser.Answer putInForce(Browser browser, boolean acceptLockOuts) {
    return browser.putInForce(acceptLockOuts);
  }

  private static Map<String, Object> withNote(Browser browser, String note) {
    Map<String, Object> order = browser.order(false);
    order.put("note", note);
    return order;
  }

  private static long head(TestApplication app) {
    return app.bean(StructureStore.class).head();
  }

  @Nested
  class Rehearsing {
    @Test
    void nothing_is_changed_by_drafting_and_the_tray_counts_what_would_be(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      JsonNode before = wenna.get("/api/places/lib-acc/access").body();
      Browser.Answer added = wenna.post("/api/draft/changes", grant("lib-acc", "p-mia", "r-reader"));
      assertThat(added.status()).isEqualTo(201);
      JsonNode totals = added.body().path("totals");
      assertThat(totals.path("peopleGaining").asInt()).isEqualTo(1);
      assertThat(totals.path("documents").asInt()).as("contracts of two years; fee notes are guarded, and Mia is not cleared").isEqualTo(16);
      assertThat(wenna.get("/api/places/lib-acc/people").body().path("total").asInt())
          .isEqualTo(before.path("people").asInt());
      assertThat(wenna.get("/api/places/lib-acc/people?drafted=true").body().path("total").asInt())
          .isEqualTo(before.path("people").asInt() + 1);
    }

    @Test
    void every_number_of_the_tray_opens_to_a_list_of_that_length(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      wenna.post("/api/draft/changes", Map.of("kind", "removeGrant", "place", "lib-cas", "entry", "e-101"));
      JsonNode totals = wenna.post("/api/draft/changes", grant("lib-cas", "p-x10", "r-reader")).body().path("totals");
      assertThat(total(wenna, "people?direction=GAINS")).isEqualTo(totals.path("peopleGaining").asLong());
      assertThat(total(wenna, "people?direction=LOSSES")).isEqualTo(totals.path("peopleLosing").asLong());
      assertThat(total(wenna, "people?direction=OUTSIDERS")).isEqualTo(totals.path("outsidersGaining").asLong());
      assertThat(total(wenna, "places")).isEqualTo(totals.path("places").asLong());
      assertThat(total(wenna, "places?documentsOnly=true")).isEqualTo(totals.path("documents").asLong());
      assertThat(total(wenna, "pairs?direction=GAINS")).isEqualTo(totals.path("pairsGaining").asLong());
      assertThat(total(wenna, "pairs?direction=LOSSES")).isEqualTo(totals.path("pairsLosing").asLong());
    }

    @Test
    void long_lists_are_paged_from_the_engine(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      wenna.post("/api/draft/changes", Map.of("kind", "removeGrant", "place", "lib-cas", "entry", "e-101"));
      long total = total(wenna, "pairs");
      assertThat(total).isGreaterThan(1_000);
      JsonNode page = wenna.get("/api/draft/rehearsal/pairs?offset=" + (total - 5) + "&limit=100").body();
      assertThat(page.path("items")).hasSize(5);
    }

    private long total(Browser browser, String list) {
      return browser.get("/api/draft/rehearsal/" + list).body().path("total").asLong();
    }
  }

  @Nested
  class Refusing {
    @Test
    void a_break_that_leaves_nobody_to_govern_is_refused_and_says_who_could_be_named(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      Browser.Answer refused = wenna.post("/api/draft/changes", Map.of("kind", "break", "place", "f-2417", "start", "EMPTY"));
      assertThat(refused.status()).isEqualTo(422);
      assertThat(refused.problem()).isEqualTo("break-without-keeper");
      assertThat(refused.body().path("candidates").valueStream().map(person -> person.path("name").asString()))
          .containsExactlyInAnyOrder("Wenna Carrow", "Teodor Brask");
      assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
    }

    @Test
    void naming_who_governs_lets_it_into_the_draft(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      assertThat(wenna.post("/api/draft/changes", Map.of("kind", "break", "place", "f-2417", "start", "EMPTY", "keepers",
          List.of(Map.of("subject", Map.of("kind", "group", "id", "g-keepers"), "role", "r-keeper")))).status()).isEqualTo(201);
    }

    @Test
    void every_fault_of_a_change_is_listed_at_once(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      Browser.Answer shape = wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "", "role", ""));
      assertThat(shape.status()).isEqualTo(422);
      assertThat(shape.body().path("faults").valueStream().map(fault -> fault.path("place").asString()))
          .containsExactlyInAnyOrder("place", "role", "subject");
      Browser.Answer meaning = wenna.post("/api/draft/changes", grant("f-2417", "p-nobody", "r-nothing"));
      assertThat(meaning.status()).isEqualTo(422);
      assertThat(meaning.body().path("faults")).hasSize(2);
      Map<String, Object> both = new HashMap<>(grant("f-2417", "p-nobody", "r-nothing"));
      both.put("note", "x".repeat(4_001));
      assertThat(whats(wenna.post("/api/draft/changes", both))).as("how it is written, and what it means").hasSize(3)
          .anyMatch(what -> what.contains("4001 characters")).anyMatch(what -> what.contains("[p-nobody]")).anyMatch(what -> what.contains("[r-nothing]"));
      Browser.Answer many = wenna.post("/api/draft/changes/many", Map.of("changes", List.of(grant("f-2417", "p-ola", "r-reader"), Map.of("kind", "seize"), both, grant("f-none", "p-ola", "r-reader"))));
      assertThat(many.body().path("faults").valueStream().map(fault -> fault.path("place").asString())).as("each with the change that it is of").contains("change 2, kind", "change 3, note", "change 3", "change 4").doesNotContain("change 1");
      assertThat(whats(many)).hasSize(5).anyMatch(what -> what.contains("[f-none]"));
      assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
      assertThat(wenna.post("/api/draft/changes", "{\"kind\":\"addGrant\",").status()).isEqualTo(400);
      assertThat(wenna.post("/api/draft/changes", "{\"kind\":\"seize\"}").status()).isEqualTo(422);
      assertThat(wenna.post("/api/draft/changes", "{\"kind\":\"rejoin\",\"place\":\"f-2406\",\"below\":false,\"colour\":1}").body().path("faults").get(0).path("what").asString())
          .isEqualTo("The key [colour] is not known here.");
    }

    private static List<String> whats(Browser.Answer refused) {
      assertThat(refused.status()).isEqualTo(422);
      return refused.body().path("faults").valueStream().map(fault -> fault.path("what").asString()).toList();
    }

    @Test
    void what_is_no_change_at_all_is_refused_like_any_other_fault(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      for (String body : List.of("{\"changes\":[null]}", "{\"changes\":[7, \"addGrant\", [], {}]}", "{\"changes\":[{\"kind\":null}]}", "{\"changes\":[]}", "{}")) {
        assertThat(wenna.post("/api/draft/changes/many", body).status()).as(body).isEqualTo(422);
        assertThat(wenna.post("/api/draft/preview", body.replaceFirst("\\{", body.equals("{}") ? "{\"place\":\"f-2417\"" : "{\"place\":\"f-2417\",")).status()).as("preview of %s", body).isEqualTo(422);
      }
      for (String body : List.of("null", "7", "[]", "\"addGrant\"", "{}")) {
        assertThat(wenna.post("/api/draft/changes", body).status()).as(body).isIn(400, 422);
        assertThat(wenna.post("/api/types/conversion", body).status()).as("conversion of %s", body).isIn(400, 422);
      }
      assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
    }

    @Test
    void places_left_without_a_keeper_must_be_meant(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      wenna.post("/api/draft/changes", Map.of("kind", "removeGrant", "place", "lib-people", "entry", keeperOf(wenna, "lib-people")));
      Browser.Answer refused = putInForce(wenna, false);
      assertThat(refused.status()).isEqualTo(409);
      assertThat(refused.problem()).isEqualTo("lock-outs");
      assertThat(wenna.get("/api/draft").body().path("items")).hasSize(1);
    }

    private String keeperOf(Browser browser, String place) {
      return browser.get("/api/places/" + place + "/access").body().path("lines").valueStream()
          .filter(line -> line.path("entry").path("role").asString("").equals("Keeper"))
          .map(line -> line.path("entry").path("id").asString()).findFirst().orElseThrow();
    }

    @Test
    void a_note_is_asked_for(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      wenna.post("/api/draft/changes", grant("lib-board", "p-mia", "r-reader"));
      Browser.Answer refused = wenna.post("/api/draft/in-force", withNote(wenna, "  "));
      assertThat(refused.status()).isEqualTo(422);
    }
  }

  @Nested
  class PuttingInForce {
    @Test
    void makes_the_next_change_empties_the_draft_and_holds_at_the_next_request(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      long before = head(app);
      wenna.post("/api/draft/changes", grant("lib-ten", "p-mia", "r-reader"));
      Browser.Answer done = putInForce(wenna, false);
      assertThat(done.status()).isEqualTo(200);
      assertThat(done.body().path("change").asLong()).isEqualTo(before + 1);
      assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
      assertThat(app.signedIn("oriel.fenn").get("/api/why?person=p-mia&place=lib-ten").body().path("rights").valueStream().map(JsonNode::asString))
          .containsExactly("find", "read");
    }

    @Test
    void twice_is_once_the_second_request_finds_nothing(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      wenna.post("/api/draft/changes", grant("lib-ten", "p-ola", "r-reader"));
      Map<String, Object> body = wenna.order(false);
      assertThat(wenna.post("/api/draft/in-force", body).status()).isEqualTo(200);
      long after = head(app);
      assertThat(wenna.post("/api/draft/in-force", body).problem()).isEqualTo("no-draft");
      assertThat(head(app)).isEqualTo(after);
    }

    @Test
    void a_draft_edited_since_it_was_looked_at_is_not_put_in_force(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      wenna.post("/api/draft/changes", grant("lib-ten", "p-106", "r-reader"));
      Map<String, Object> seen = wenna.order(false);
      wenna.post("/api/draft/changes", grant("lib-ten", "p-107", "r-reader"));
      assertThat(wenna.post("/api/draft/in-force", seen).problem()).isEqualTo("draft-moved");
    }

    @Test
    void of_two_drafts_that_touch_the_same_place_the_second_is_told_and_kept(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      Browser teodor = app.signedIn("teodor.brask");
      wenna.post("/api/draft/changes", grant("lib-out", "p-mia", "r-reader"));
      teodor.post("/api/draft/changes", grant("lib-out", "p-ola", "r-reader"));
      assertThat(putInForce(wenna, false).status()).isEqualTo(200);
      JsonNode tray = teodor.get("/api/draft").body();
      assertThat(tray.path("clashes")).hasSize(1);
      Browser.Answer clash = putInForce(teodor, false);
      assertThat(clash.status()).isEqualTo(409);
      assertThat(clash.problem()).isEqualTo("clash");
      assertThat(clash.body().path("clashes").get(0).path("author").asString()).isEqualTo("Wenna Carrow");
      assertThat(clash.body().path("detail").asString()).contains("Shared with outsiders");
      assertThat(teodor.get("/api/draft").body().path("items")).hasSize(1);
      assertThat(teodor.post("/api/draft/renewal", Map.of()).body().path("clashes")).isEmpty();
      assertThat(putInForce(teodor, false).status()).isEqualTo(200);
    }

    @Test
    void drafts_that_touch_different_places_both_go_in(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      Browser teodor = app.signedIn("teodor.brask");
      wenna.post("/api/draft/changes", grant("out-0", "p-mia", "r-reader"));
      teodor.post("/api/draft/changes", grant("out-1", "p-ola", "r-reader"));
      assertThat(putInForce(wenna, false).status()).isEqualTo(200);
      assertThat(putInForce(teodor, false).status()).isEqualTo(200);
    }

    @Test
    void a_change_that_the_database_refuses_half_way_leaves_nothing_behind(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      wenna.post("/api/draft/changes", grant("out-2", "p-mia", "r-reader"));
      long before = head(app);
      JdbcClient jdbc = app.database().asOwner();
      jdbc.sql("ALTER TABLE grants ADD CONSTRAINT fail_here CHECK (place <> 'out-2' OR subject_person IS NULL)").update();
      try {
        assertThat(putInForce(wenna, false).status()).isEqualTo(500);
      } finally {
        jdbc.sql("ALTER TABLE grants DROP CONSTRAINT fail_here").update();
      }
      assertThat(head(app)).isEqualTo(before);
      assertThat(jdbc.sql("SELECT COUNT(*) FROM changes WHERE number > :n").param("n", before).query(Integer.class).single()).isZero();
      assertThat(wenna.get("/api/draft").body().path("items")).hasSize(1);
      assertThat(putInForce(wenna, false).status()).isEqualTo(200);
    }
  }

  @Nested
  class Lasting {
    @Test
    void a_draft_and_a_session_survive_a_restart(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      wenna.post("/api/draft/changes", grant("lib-board", "p-mia", "r-reader"));
      app.restart();
      assertThat(wenna.get("/api/draft").body().path("items")).hasSize(1);
    }

    @Test
    void single_changes_can_be_taken_out(TestApplication app) {
      Browser wenna = app.signedIn("wenna.carrow");
      wenna.post("/api/draft/changes", grant("lib-board", "p-mia", "r-reader"));
      JsonNode items = wenna.post("/api/draft/changes", grant("lib-board", "p-ola", "r-reader")).body().path("items");
      JsonNode left = wenna.delete("/api/draft/changes/" + items.get(0).path("id").asLong()).body().path("items");
      assertThat(left).hasSize(1);
      assertThat(left.get(0).path("words").asString()).contains("Ola Lindqvist");
      assertThat(wenna.delete("/api/draft/changes/999999").status()).isEqualTo(404);
    }
  }

  @Test
  void the_database_itself_refuses_what_would_be_nonsense(TestApplication app) {
    JdbcClient jdbc = app.database().asOwner();
    assertThatThrownBy(() -> jdbc.sql("INSERT INTO grants (id, began, place, role) VALUES ('x', 1, 'root', 'r-reader')").update())
        .hasMessageContaining("grant_names_one_subject");
    assertThatThrownBy(() -> jdbc.sql("INSERT INTO grants (id, began, place, role, subject_builtin) VALUES ('e-100', 2, 'root', 'r-reader', 'staff')").update())
        .hasMessageContaining("one_live_grant");
    assertThatThrownBy(() -> jdbc.sql("UPDATE head SET id = 2").update()).hasMessageContaining("one_head");
    assertThatThrownBy(() -> jdbc.sql("UPDATE place_states SET target = 'root' WHERE kind = 'folder'").update())
        .hasMessageContaining("a_link_and_only_a_link_has_a_target");
  }
}
