package palegate.server.approvals;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Approval cannot be walked around (access rules, sections 7 and 8). */
@ExtendWith(InDemo.class)
class ApprovalsTest {
  private static Browser.Answer draft(Browser browser, Map<String, Object> change) {
    Browser.Answer answer = browser.post("/api/draft/changes", change);
    assertThat(answer.status()).as("%s", answer.body()).isEqualTo(201);
    return answer;
  }

  private static Map<String, Object> grant(String place) {
    return Map.of("kind", "addGrant", "place", place, "subject", Map.of("kind", "person", "id", "p-mia"), "role", "r-keeper");
  }

  private static Map<String, Object> ruleFor(String place) {
    return Map.of("kind", "setApproval", "approval", "ap-test", "name", "Rights there", "places", List.of(place), "outsidersGain", false, "duty", "ACCESS");
  }

  private static void rule(Browser browser, Map<String, Object> rule) {
    draft(browser, rule);
    assertThat(browser.putInForce(false).status()).isEqualTo(200);
  }

  private static long shared(Browser owner, String with) {
    long draft = owner.get("/api/draft").body().path("id").asLong();
    owner.post("/api/drafts/" + draft + "/readers", Map.of("login", with));
    return draft;
  }

  private static Browser.Answer approve(Browser browser, long draft) {
    JsonNode opened = browser.get("/api/drafts/" + draft).body();
    return browser.post("/api/drafts/" + draft + "/approval", Map.of("version", opened.path("version").asInt(), "seen", opened.path("seen")));
  }

  @AfterEach
  void clear(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser teodor = app.signedIn("teodor.brask");
    for (Browser browser : List.of(wenna, teodor)) {
      browser.get("/api/drafts").body().valueStream().filter(draft -> draft.path("mine").asBoolean())
          .forEach(draft -> browser.delete("/api/drafts/" + draft.path("id").asLong()));
    }
    if (!wenna.get("/api/approval-rules").body().isEmpty()) {
      wenna.get("/api/approval-rules").body().valueStream().forEach(rule ->
          draft(wenna, Map.of("kind", "removeApproval", "approval", rule.path("id").asString())));
      approve(teodor, shared(wenna, "teodor.brask"));
      assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    }
  }

  @Test
  void a_rule_about_a_place_applies_when_rights_change_there_wherever_the_entry_stands(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    rule(wenna, ruleFor("f-2417"));
    draft(wenna, grant("lib-cas"));
    assertThat(wenna.get("/api/draft").body().path("approvalNeeded").get(0).asString()).contains("rights change in", "Grey Pilgrim", "duty access");
    assertThat(wenna.putInForce(false).problem()).as("a grant above it").isEqualTo("approval-missing");
    wenna.delete("/api/draft");
    draft(wenna, Map.of("kind", "setRole", "role", "r-keeper", "name", "Keeper", "rights", List.of("govern")));
    assertThat(wenna.putInForce(true).problem()).as("a role that is used above it").isEqualTo("approval-missing");
    wenna.delete("/api/draft");
    draft(wenna, Map.of("kind", "addMember", "group", "g-keepers", "memberKind", "person", "member", "p-mia"));
    assertThat(wenna.putInForce(false).problem()).as("a membership").isEqualTo("approval-missing");
    wenna.delete("/api/draft");
    draft(wenna, grant("lib-hand"));
    assertThat(wenna.putInForce(false).status()).as("elsewhere it does not apply").isEqualTo(200);
  }

  @Test
  void a_rule_is_not_taken_away_or_widened_without_what_it_asks_for_itself_and_the_journal_has_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser teodor = app.signedIn("teodor.brask");
    rule(wenna, ruleFor("lib-cas"));
    draft(wenna, Map.of("kind", "removeApproval", "approval", "ap-test"));
    assertThat(wenna.putInForce(false).problem()).isEqualTo("approval-missing");
    draft(wenna, grant("lib-cas"));
    assertThat(wenna.putInForce(false).problem()).as("taken away and used in one draft").isEqualTo("approval-missing");
    wenna.delete("/api/draft");
    draft(wenna, ruleFor("lib-hand"));
    assertThat(wenna.putInForce(false).problem()).as("made to look elsewhere").isEqualTo("approval-missing");
    long draft = shared(wenna, "teodor.brask");
    assertThat(approve(teodor, draft).status()).isEqualTo(200);
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    JsonNode journal = wenna.get("/api/journal").body().path("items").get(0);
    JsonNode altered = wenna.get("/api/journal/" + journal.path("number").asLong()).body().path("altered").path("items").get(0);
    assertThat(altered.path("kind").asString()).isEqualTo("approval");
    assertThat(wenna.get("/api/journal/" + journal.path("number").asLong()).body().path("approvals").get(0).path("name").asString()).as("who agreed stands in the journal").isEqualTo("Teodor Brask");
    assertThat(altered.path("before").path("rights change in").asString()).isEqualTo("Casualties");
    assertThat(altered.path("after").path("rights change in").asString()).isEqualTo("Staff handbook");
    JsonNode reversed = wenna.post("/api/journal/" + journal.path("number").asLong() + "/reversal", Map.of()).body();
    assertThat(reversed.path("changes").asInt()).isEqualTo(1);
    assertThat(wenna.putInForce(false).problem()).as("undone like everything else, by the same rule").isEqualTo("approval-missing");
  }

  @Test
  void whoever_approves_approves_what_they_saw_and_nothing_else(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser teodor = app.signedIn("teodor.brask");
    rule(wenna, ruleFor("lib-board"));
    String group = "g-" + UUID.randomUUID();
    draft(wenna, Map.of("kind", "setGroup", "group", group, "name", "Group " + group));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    draft(wenna, Map.of("kind", "addMember", "group", group, "memberKind", "person", "member", "p-mia"));
    draft(wenna, Map.of("kind", "addGrant", "place", "lib-board", "subject", Map.of("kind", "group", "id", group), "role", "r-reader"));
    long draft = shared(wenna, "teodor.brask");
    JsonNode opened = teodor.get("/api/drafts/" + draft).body();
    Map<String, Object> seen = Map.of("version", opened.path("version").asInt(), "seen", opened.path("seen"));
    assertThat(wenna.post("/api/drafts/" + draft + "/approval", seen).problem()).isEqualTo("own-draft");
    draft(wenna, Map.of("kind", "addMember", "group", group, "memberKind", "person", "member", "p-ola"));
    assertThat(teodor.post("/api/drafts/" + draft + "/approval", seen).problem()).as("it was edited").isEqualTo("draft-moved");
    assertThat(approve(teodor, draft).body().path("draft").path("approvedBy").get(0).asString()).isEqualTo("Teodor Brask");
    // A third change, of somebody else, makes the approved draft give more: the approval is not of that.
    wenna.post("/api/drafts", Map.of("name", "Meanwhile"));
    draft(wenna, Map.of("kind", "addMember", "group", group, "memberKind", "person", "member", "p-x10"));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    wenna.post("/api/drafts/" + draft + "/in-hand", Map.of());
    assertThat(wenna.get("/api/draft").body().path("approvedBy")).isEmpty();
    assertThat(wenna.post("/api/draft/renewal", Map.of()).status()).isEqualTo(200);
    assertThat(wenna.putInForce(false).problem()).isEqualTo("approval-missing");
    assertThat(approve(teodor, draft).status()).isEqualTo(200);
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
  }

  @Test
  void every_rule_that_applies_is_met_by_somebody_with_its_own_duty(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser teodor = app.signedIn("teodor.brask");
    draft(wenna, Map.of("kind", "setApproval", "approval", "ap-types", "name", "Types", "duties", List.of("TYPES"), "outsidersGain", false, "duty", "TYPES"));
    rule(wenna, ruleFor("lib-acc"));
    draft(wenna, grant("lib-acc"));
    draft(wenna, Map.of("kind", "setType", "name", "Postcard", "guarded", false, "libraries", List.of(), "fields", List.of()));
    long draft = shared(wenna, "teodor.brask");
    assertThat(approve(teodor, draft).status()).isEqualTo(200);
    Browser.Answer refused = wenna.putInForce(false);
    assertThat(refused.problem()).isEqualTo("approval-missing");
    assertThat(refused.body().path("missing")).singleElement().satisfies(missing -> assertThat(missing.asString()).contains("duty types"));
    assertThat(wenna.post("/api/drafts", Map.of("name", "Types for Teodor")).status()).isLessThan(300);
    draft(wenna, Map.of("kind", "setDuty", "subject", Map.of("kind", "person", "id", "p-teodor"), "duty", "TYPES"));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    assertThat(wenna.post("/api/drafts/" + draft + "/in-hand", Map.of()).status()).isLessThan(300);
    assertThat(wenna.putInForce(false).status()).as("one person may meet several").isEqualTo(200);
  }

  @Test
  void what_a_wall_hangs_on_is_not_changed_without_the_duty_for_walls(TestApplication app) {
    Browser teodor = app.signedIn("teodor.brask");
    draft(teodor, Map.of("kind", "setLabels", "place", "f-2502", "labels", Map.of("case", "C-0")));
    Browser.Answer refused = teodor.putInForce(false);
    assertThat(refused.problem()).isEqualTo("approval-missing");
    assertThat(refused.body().path("detail").asString()).contains("which walls cover", "duty walls");
  }
}
