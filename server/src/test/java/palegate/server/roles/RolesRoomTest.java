package palegate.server.roles;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.ReadsTheDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

@ExtendWith(InDemo.class)
@ReadsTheDemo
class RolesRoomTest {
  private static JsonNode role(Browser browser, String id) {
    return browser.get("/api/roles").body().valueStream().filter(role -> role.path("id").asString().equals(id)).findFirst().orElseThrow();
  }

  @Test
  void what_the_chosen_rights_need_is_added_and_said(TestApplication app) {
    JsonNode completed = app.signedIn("wenna.carrow").get("/api/roles/completed?rights=copy&rights=add").body();
    assertThat(completed.path("rights").valueStream().map(JsonNode::asString)).containsExactly("find", "read", "copy", "add");
    assertThat(completed.path("added").valueStream().map(JsonNode::asString)).containsExactly("find", "read");
  }

  @Test
  void a_changed_role_is_rehearsed_wherever_it_is_used(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode reader = role(wenna, "r-reader");
    assertThat(reader.path("grants").asInt()).isEqualTo(wenna.get("/api/roles/r-reader/grants").body().path("total").asInt()).isPositive();
    JsonNode totals = wenna.post("/api/draft/changes", Map.of("kind", "setRole", "role", "r-reader", "name", "Reader", "rights", List.of("find"))).body().path("totals");
    assertThat(totals.path("peopleLosing").asInt()).isPositive();
    assertThat(totals.path("documents").asInt()).isGreaterThan(100);
    assertThat(role(wenna, "r-reader").path("drafted").asString()).isEqualTo("CHANGED");
    assertThat(role(wenna, "r-reader").path("sameAs").get(0).asString()).as("now it is what Onlooker is").isEqualTo("Onlooker");
  }

  @Test
  void a_role_that_is_used_is_not_removed_and_it_is_said_where(TestApplication app) {
    Browser.Answer refused = app.signedIn("wenna.carrow").post("/api/draft/changes", Map.of("kind", "removeRole", "role", "r-reader"));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().path("detail").asString()).contains("[Reader] is still used: a grant at");
  }
}
