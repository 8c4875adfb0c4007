package palegate.server.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.ReadsTheDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

@ExtendWith(InDemo.class)
@ReadsTheDemo
class PreviewTest {
  private static Map<String, Object> breaking(String place, Map<String, Object> more) {
    Map<String, Object> change = new HashMap<>(Map.of("kind", "break", "place", place));
    change.putAll(more);
    return Map.of("place", place, "changes", List.of(change));
  }

  private static Set<String> names(JsonNode page) {
    return page.path("items").valueStream().map(one -> one.path("person").path("name").asString()).collect(Collectors.toSet());
  }

  @Test
  void a_break_that_carries_over_changes_nobody_and_says_so_before_it_is_drafted(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode preview = wenna.post("/api/draft/preview", breaking("lib-cas", Map.of("start", "CARRY_OVER"))).body();
    assertThat(preview.path("peopleAltered").asInt()).isZero();
    assertThat(preview.path("lockOuts").asInt()).isZero();
    assertThat(preview.path("peopleBefore").asInt()).isPositive().isEqualTo(preview.path("peopleAfter").asInt());
    assertThat(preview.path("own").path("before")).isEqualTo(preview.path("own").path("after"));
    assertThat(wenna.post("/api/draft/preview/people", breaking("lib-cas", Map.of("start", "CARRY_OVER"))).body().path("total").asInt()).isZero();
  }

  @Test
  void an_empty_break_says_first_who_is_locked_out_and_lists_everyone_it_alters(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Map<String, Object> empty = breaking("lib-acc", Map.of("start", "EMPTY"));
    JsonNode preview = wenna.post("/api/draft/preview", empty).body();
    JsonNode people = wenna.post("/api/draft/preview/people?limit=500", empty).body();
    assertThat(preview.path("lockOuts").asInt()).isPositive();
    assertThat(preview.path("own").path("before").valueStream().map(JsonNode::asString)).contains("govern");
    assertThat(preview.path("own").path("after").valueStream().map(JsonNode::asString)).doesNotContain("govern");
    assertThat(people.path("total").asInt()).isPositive().isEqualTo(preview.path("peopleAltered").asInt()).isEqualTo(people.path("items").size());
    assertThat(names(people)).contains("Wenna Carrow");
    people.path("items").forEach(one -> assertThat(one.path("before")).as(one.toString()).isNotEqualTo(one.path("after")));
  }

  @Test
  void those_altered_are_looked_for_put_in_order_and_read_in_parts(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Map<String, Object> empty = breaking("lib-acc", Map.of("start", "EMPTY"));
    JsonNode all = wenna.post("/api/draft/preview/people", empty).body();
    assertThat(names(wenna.post("/api/draft/preview/people?text=CARROW", empty).body())).containsExactly("Wenna Carrow");
    JsonNode turned = wenna.post("/api/draft/preview/people?sort=-name", empty).body();
    int last = all.path("items").size() - 1;
    assertThat(turned.path("items").get(0).path("person").path("name")).isEqualTo(all.path("items").get(last).path("person").path("name"));
    JsonNode second = wenna.post("/api/draft/preview/people?offset=1&limit=1", empty).body();
    assertThat(second.path("items")).hasSize(1);
    assertThat(second.path("items").get(0)).isEqualTo(all.path("items").get(1));
    JsonNode most = wenna.post("/api/draft/preview/people?sort=-before", empty).body();
    List<Integer> counts = most.path("items").valueStream().map(one -> one.path("before").size()).toList();
    assertThat(counts).isSortedAccordingTo((a, b) -> b - a);
    assertThat(wenna.post("/api/draft/preview/people?sort=height", empty).status()).isEqualTo(422);
  }

  @Test
  void a_keeper_who_is_named_takes_the_lock_out_away(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    String person = wenna.get("/api/people?text=wenna").body().path("items").get(0).path("id").asString();
    JsonNode preview = wenna.post("/api/draft/preview", breaking("lib-acc", Map.of("start", "EMPTY",
        "keepers", List.of(Map.of("subject", Map.of("kind", "person", "id", person), "role", "r-keeper"))))).body();
    assertThat(preview.path("lockOuts").asInt()).isZero();
    assertThat(preview.path("own").path("after").valueStream().map(JsonNode::asString)).contains("govern");
  }

  private static Map<String, Object> why(JsonNode one, boolean after, Map<String, Object> asked) {
    Map<String, Object> question = new HashMap<>(asked);
    question.putAll(Map.of("person", one.path("person").path("id").asString(), "after", after));
    return question;
  }

  @Test
  void why_beforehand_says_what_the_list_of_those_altered_says_before_and_after(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Map<String, Object> empty = breaking("lib-acc", Map.of("start", "EMPTY"));
    for (JsonNode one : wenna.post("/api/draft/preview/people?limit=500", empty).body().path("items")) {
      for (boolean after : new boolean[] {false, true}) {
        JsonNode said = wenna.post("/api/draft/preview/why", why(one, after, empty)).body();
        assertThat(said.path("rights")).as("%s, after %s", one, after).isEqualTo(one.path(after ? "after" : "before"));
        assertThat(said.path("stages")).isNotEmpty();
      }
    }
    assertThat(wenna.post("/api/draft/preview/why", Map.of("person", "p-mia", "place", "lib-acc", "after", true, "changes", List.of())).status()).isEqualTo(422);
    assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
  }

  @Test
  void what_is_asked_beforehand_leaves_the_draft_alone(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/preview", breaking("lib-acc", Map.of("start", "EMPTY")));
    wenna.post("/api/draft/preview/people", breaking("lib-acc", Map.of("start", "EMPTY")));
    assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
  }

  @Test
  void whoever_only_reads_is_told_nothing_beforehand(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    assertThat(oriel.post("/api/draft/preview", breaking("lib-acc", Map.of("start", "EMPTY"))).status()).isEqualTo(403);
    assertThat(oriel.post("/api/draft/preview/people", breaking("lib-acc", Map.of("start", "EMPTY"))).status()).isEqualTo(403);
    Map<String, Object> why = new HashMap<>(breaking("lib-acc", Map.of("start", "EMPTY")));
    why.put("person", "p-mia");
    assertThat(oriel.post("/api/draft/preview/why", why).status()).isEqualTo(403);
  }
}
