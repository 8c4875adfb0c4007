package palegate.server.types;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

@ExtendWith(InDemo.class)
class TypesRoomTest {
  private static Map<String, Object> field(String key, String kind, boolean required) {
    return Map.of("key", key, "label", key, "kind", kind, "required", required, "hidden", false);
  }

  @Test
  void a_type_outlives_the_draft_with_all_that_it_says(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/changes", Map.of("kind", "setType", "name", "Weather log", "shortName", "Log", "guarded", true, "libraries", List.of("lib-cas"),
        "fields", List.of(field("wind", "NUMBER", true), Map.of("key", "sea", "label", "Sea", "kind", "CHOICE", "choices", List.of("calm", "rough"), "required", false,
            "width", 12, "hidden", true, "help", "As seen from the bridge"))));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    app.restart();
    JsonNode type = app.signedIn("wenna.carrow").get("/api/types").body().valueStream().filter(one -> one.path("name").asString().equals("Weather log")).findFirst().orElseThrow();
    assertThat(type.path("shortName").asString()).isEqualTo("Log");
    assertThat(type.path("libraries").get(0).asString()).isEqualTo("lib-cas");
    assertThat(type.path("fields").get(1).path("help").asString()).isEqualTo("As seen from the bridge");
    assertThat(type.path("fields").get(1).path("hidden").asBoolean()).isTrue();
    assertThat(type.path("fields").get(1).path("width").asInt()).isEqualTo(12);
    Browser.Answer elsewhere = app.signedIn("wenna.carrow").post("/api/draft/changes", Map.of("kind", "addPlace", "placeKind", "document", "parent", "lib-acc",
        "name", "log.pdf", "type", type.path("id").asString()));
    assertThat(elsewhere.status()).isEqualTo(422);
    assertThat(elsewhere.body().path("detail").asString()).contains("Weather log is not used in Accounts");
  }

  @Test
  void guarding_a_type_shows_who_is_left_with_what_before_it_holds(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode totals = wenna.post("/api/draft/changes", Map.of("kind", "setType", "type", "letter", "name", "Letter", "guarded", true, "fields", List.of())).body().path("totals");
    assertThat(totals.path("peopleLosing").asInt()).isPositive();
    JsonNode cleared = wenna.post("/api/draft/changes", Map.of("kind", "addClearance", "type", "letter", "subject", Map.of("kind", "builtin", "id", "staff"),
        "role", "r-keeper")).body().path("totals");
    assertThat(cleared.path("peopleLosing").asInt()).isLessThan(totals.path("peopleLosing").asInt());
  }

  @Test
  void documents_that_lack_a_required_field_are_counted_and_listed(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    int lacking = wenna.get("/api/types/fee/lacking").body().path("total").asInt();
    assertThat(lacking).isPositive();
    wenna.post("/api/draft/changes", Map.of("kind", "setLabels", "place", wenna.get("/api/types/fee/lacking").body().path("items").get(0).path("place").asString(),
        "labels", Map.of("amount", "120.50 EUR")));
    assertThat(wenna.get("/api/types/fee/lacking").body().path("total").asInt()).isEqualTo(lacking - 1);
  }

  @Test
  void a_field_that_becomes_of_another_kind_converts_what_it_can_and_lists_what_it_cannot(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    List<String> letters = wenna.get("/api/places?text=Letter%200").body().path("items").valueStream().limit(3).map(found -> found.path("id").asString()).toList();
    wenna.post("/api/draft/changes", Map.of("kind", "setType", "type", "letter", "name", "Letter", "guarded", false, "fields", List.of(field("sent", "TEXT", false))));
    wenna.post("/api/draft/changes", Map.of("kind", "setLabels", "place", letters.get(0), "labels", Map.of("sent", "3/11/2026")));
    wenna.post("/api/draft/changes", Map.of("kind", "setLabels", "place", letters.get(1), "labels", Map.of("sent", "last week")));
    Map<String, Object> toDate = Map.of("kind", "setType", "type", "letter", "name", "Letter", "guarded", false, "fields", List.of(field("sent", "DATE", false)));
    JsonNode converted = wenna.post("/api/types/conversion", toDate).body();
    assertThat(converted.path("total").asInt()).isEqualTo(2);
    assertThat(converted.path("lost").asInt()).isEqualTo(1);
    assertThat(converted.path("items").get(0).has("after")).as("what cannot be converted comes first").isFalse();
    assertThat(converted.path("items").get(1).path("after").asString()).isEqualTo("2026-11-03");
    JsonNode one = wenna.post("/api/types/conversion?limit=1", toDate).body();
    assertThat(one.path("items")).hasSize(1);
    assertThat(one.path("lost").asInt()).as("counted though only a part is sent").isEqualTo(1);
    JsonNode turned = wenna.post("/api/types/conversion?sort=-after", toDate).body();
    assertThat(turned.path("items").get(0).path("after").asString()).isEqualTo("2026-11-03");
    JsonNode found = wenna.post("/api/types/conversion?text=last%20week", toDate).body();
    assertThat(found.path("items").valueStream().map(value -> value.path("before").asString())).containsExactly("last week");
    wenna.post("/api/draft/changes", Map.of("kind", "setType", "type", "letter", "name", "Letter", "guarded", false, "fields", List.of(field("sent", "DATE", false))));
    assertThat(wenna.get("/api/places/" + letters.get(0)).body().path("labels").path("sent").asString()).isEqualTo("2026-11-03");
    assertThat(wenna.get("/api/places/" + letters.get(1)).body().path("labels").path("sent").asString()).as("kept as it is").isEqualTo("last week");
  }

  @Test
  void the_matrix_of_types_agrees_with_what_a_document_put_there_gives(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    JsonNode matrix = oriel.get("/api/types/matrix?library=lib-acc").body();
    int accounts = indexOf(matrix.path("subjects"), "g-accounts");
    int fee = indexOf(matrix.path("types"), "fee");
    JsonNode cell = matrix.path("cells").get(accounts).get(fee);
    assertThat(cell.path("people").asInt()).isPositive();
    assertThat(cell.path("adds").asInt()).isEqualTo(cell.path("people").asInt());
    assertThat(matrix.path("cells").get(accounts).get(indexOf(matrix.path("types"), "appraisal")).path("adds").asInt()).as("nobody is cleared for appraisals").isZero();
    JsonNode everywhere = oriel.get("/api/types/matrix").body();
    assertThat(everywhere.path("named").asInt()).isEqualTo(everywhere.path("subjects").size()).isEqualTo(everywhere.path("cells").size());
    JsonNode first = oriel.get("/api/types/matrix?limit=2").body();
    assertThat(first.path("subjects")).hasSize(2);
    assertThat(first.path("named")).as("how many there are is said though not all are shown").isEqualTo(everywhere.path("named"));
    assertThat(oriel.get("/api/types/matrix?text=accoun").body().path("subjects").valueStream().map(subject -> subject.path("name").asString()))
        .isNotEmpty().allSatisfy(name -> assertThat(name).containsIgnoringCase("accoun"));
    List<String> byName = oriel.get("/api/types/matrix?sort=name").body().path("subjects").valueStream().map(subject -> subject.path("name").asString()).toList();
    assertThat(byName).hasSize(everywhere.path("named").asInt()).isSorted();
    List<Integer> outsiders = oriel.get("/api/types/matrix?sort=-outsiders").body().path("subjects").valueStream().map(subject -> subject.path("outsiders").asInt()).toList();
    assertThat(outsiders).isSortedAccordingTo((a, b) -> b - a);
    assertThat(oriel.get("/api/types/matrix?library=f-2406").status()).isEqualTo(404);
  }

  @Test
  void why_somebody_would_have_what_a_cell_says_is_answered_of_a_document_that_is_not_there_yet(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    for (String type : List.of("fee", "appraisal")) {
      JsonNode behind = oriel.get("/api/types/matrix/people?library=lib-acc&type=" + type + "&kind=builtin&subject=staff&limit=200").body().path("items");
      assertThat(behind).isNotEmpty();
      behind.forEach(one -> {
        JsonNode why = oriel.get("/api/why?place=lib-acc&type=" + type + "&person=" + one.path("person").path("id").asString()).body();
        assertThat(why.path("rights")).as("%s: %s", type, one).isEqualTo(one.path("rights"));
        assertThat(why.path("path").asString()).contains("New ");
      });
    }
    assertThat(oriel.get("/api/why?place=lib-acc&type=never-was&person=p-mia").status()).isEqualTo(404);
    Browser.Answer within = oriel.get("/api/why?place=d-fee-1&type=fee&person=p-mia");
    assertThat(within.status()).isIn(400, 404);
    assertThat(oriel.get("/api/places?text=New").body().toString()).as("nothing is kept of it").doesNotContain("\"id\":\"new\"");
  }

  private static int indexOf(JsonNode list, String id) {
    List<String> ids = list.valueStream().map(one -> one.path("id").asString()).toList();
    return ids.indexOf(id);
  }
}
