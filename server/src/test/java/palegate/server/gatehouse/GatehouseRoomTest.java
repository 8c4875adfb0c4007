package palegate.server.gatehouse;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** What is new since somebody last said that they had seen it, what ends soon, and figures over time. */
@ExtendWith(InDemo.class)
class GatehouseRoomTest {
  private static final Set<String> OF_ACTIVITY = Set.of("right-unused", "duty-unused", "break-without-reason", "draft-forgotten");

  @BeforeEach
  void forget(TestApplication app) {
    app.database().asOwner().sql("DELETE FROM gatehouse_visits").update();
  }

  private static JsonNode gate(Browser browser) {
    return browser.get("/api/gatehouse").body();
  }

  private static List<Long> numbers(JsonNode gate) {
    return gate.path("changes").valueStream().map(change -> change.path("number").asLong()).toList();
  }

  private static long change(TestApplication app, String place, String note) {
    Browser keeper = app.signedIn("wenna.carrow");
    keeper.delete("/api/draft");
    keeper.post("/api/draft/changes", Map.of("kind", "addGrant", "place", place, "subject", Map.of("kind", "group", "id", "g-surveyors"), "role", "r-reader", "note", note));
    return keeper.putInForce(true).body().path("change").asLong();
  }

  @Test
  void what_others_changed_is_new_until_it_is_said_to_be_seen_and_no_later_change_with_it(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    long first = change(app, "lib-acc", "One");
    JsonNode shown = gate(auditor);
    assertThat(numbers(shown)).contains(first);
    assertThat(numbers(gate(app.signedIn("wenna.carrow")))).as("one's own changes are not new to oneself").doesNotContain(first);
    long second = change(app, "lib-acc", "Two");
    assertThat(auditor.post("/api/gatehouse/visit", Map.of("change", shown.path("change").asLong(), "now", shown.path("now").asString())).status()).isEqualTo(204);
    assertThat(numbers(gate(auditor))).as("what came after what was shown stays new").contains(second).doesNotContain(first);
    // An older window says later what it had shown: nothing that was seen becomes new again.
    long third = change(app, "lib-acc", "Three");
    JsonNode newest = gate(auditor);
    auditor.post("/api/gatehouse/visit", Map.of("change", newest.path("change").asLong(), "now", newest.path("now").asString()));
    auditor.post("/api/gatehouse/visit", Map.of("change", shown.path("change").asLong(), "now", shown.path("now").asString()));
    assertThat(numbers(gate(auditor))).doesNotContain(first, second, third);
  }

  @Test
  void nobody_has_seen_what_is_still_to_come(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    long newest = gate(auditor).path("change").asLong();
    assertThat(auditor.post("/api/gatehouse/visit", Map.of("change", newest + 1, "now", app.clock().instant().toString())).status()).isEqualTo(422);
    assertThat(auditor.post("/api/gatehouse/visit", Map.of("change", newest, "now", app.clock().instant().plusSeconds(9).toString())).status()).isEqualTo(422);
    assertThat(auditor.post("/api/gatehouse/visit", Map.of("change", newest)).status()).isEqualTo(422);
  }

  @Test
  void changes_of_what_one_may_not_know_are_not_there(TestApplication app) {
    long hidden = change(app, "lib-acc", "Nothing of the keeper of Casualties");
    long known = change(app, "f-2417", "Something of hers");
    assertThat(numbers(gate(app.signedIn("ola.lindqvist")))).contains(known).doesNotContain(hidden);
    assertThat(app.signedIn("mia.torrance").get("/api/gatehouse").status()).as("without any duty").isEqualTo(403);
  }

  @Test
  void what_ends_within_a_week_is_listed_and_passes_with_its_date(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    JsonNode ends = gate(keeper).path("ends");
    assertThat(ends.valueStream().map(thing -> thing.path("at").asString()).toList()).isSorted().isNotEmpty();
    assertThat(ends.valueStream().map(thing -> thing.path("begins").asBoolean())).containsOnly(false);
  }

  @Test
  void figures_are_those_of_the_end_of_a_month(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    JsonNode now = keeper.get("/api/gatehouse/figures?ago=0").body();
    JsonNode yearAgo = keeper.get("/api/gatehouse/figures?ago=12").body();
    assertThat(now.path("there").asBoolean()).isTrue();
    assertThat(now.path("people").asInt()).isGreaterThan(now.path("outsiders").asInt());
    // What people did is not rebuilt for the past: such findings are not counted for any month.
    JsonNode found = keeper.get("/api/findings?limit=500").body();
    long ofStructure = found.path("findings").path("items").valueStream().filter(row -> !OF_ACTIVITY.contains(row.path("rule").asString()) && !row.path("text").asString().matches(".* has been (private|frozen) for .*")).count();
    assertThat(now.path("grave").asInt() + now.path("serious").asInt() + now.path("untidy").asInt()).isEqualTo((int) ofStructure + found.path("accepted").asInt());
    assertThat(yearAgo.path("change").asLong()).isLessThan(now.path("change").asLong());
    assertThat(yearAgo.path("entries").asInt()).isNotEqualTo(now.path("entries").asInt());
    assertThat(now.path("breaks").asInt()).isEqualTo(keeper.get("/api/places/root/breaks").body().path("total").asInt(-1));
    assertThat(keeper.get("/api/gatehouse/figures?ago=25").status()).isEqualTo(422);
    assertThat(keeper.get("/api/gatehouse/figures?ago=-1").status()).isEqualTo(422);
  }
}
