package palegate.server.people;

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
class PeopleRoomTest {
  private static Browser.Answer draft(Browser browser, Map<String, Object> change) {
    return browser.post("/api/draft/changes", change);
  }

  @Test
  void a_group_that_only_the_draft_has_is_there_to_be_filled_and_is_marked(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    draft(wenna, Map.of("kind", "setGroup", "name", "Night watch"));
    JsonNode line = wenna.get("/api/groups?text=night").body().path("items").get(0);
    assertThat(line.path("drafted").asString()).isEqualTo("MADE");
    String id = line.path("id").asString();
    assertThat(draft(wenna, Map.of("kind", "addMember", "group", id, "memberKind", "person", "member", "p-mia")).status()).isEqualTo(201);
    JsonNode group = wenna.get("/api/groups/" + id).body();
    assertThat(group.path("members").get(0).path("name").asString()).isEqualTo("Mia Torrance");
    assertThat(group.path("group").path("people").asInt()).isEqualTo(1);
    assertThat(wenna.get("/api/subjects?text=night").body().path("items").get(0).path("name").asString()).isEqualTo("Night watch");
    assertThat(app.signedIn("oriel.fenn").get("/api/groups?text=night").body().path("total").asInt()).as("nobody else sees a draft").isZero();
  }

  @Test
  void a_cycle_of_groups_is_refused_with_the_cycle(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode outer = wenna.get("/api/groups?text=").body().path("items").valueStream()
        .filter(group -> wenna.get("/api/groups/" + group.path("id").asString()).body().path("members").valueStream().anyMatch(member -> member.path("kind").asString().equals("group")))
        .findFirst().orElseThrow();
    JsonNode inner = wenna.get("/api/groups/" + outer.path("id").asString()).body().path("members").valueStream()
        .filter(member -> member.path("kind").asString().equals("group")).findFirst().orElseThrow();
    Browser.Answer refused = draft(wenna, Map.of("kind", "addMember", "group", inner.path("id").asString(), "memberKind", "group", "member", outer.path("id").asString()));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().path("detail").asString()).contains("cycle", inner.path("name").asString() + " → " + outer.path("name").asString());
    List<String> cycle = refused.body().path("faults").get(0).path("cycle").valueStream().map(JsonNode::asString).toList();
    assertThat(cycle).startsWith(inner.path("name").asString(), outer.path("name").asString()).endsWith(inner.path("name").asString());
  }

  @Test
  void a_cycle_of_units_is_refused_in_the_names_of_the_units(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode below = wenna.get("/api/units").body().valueStream().filter(unit -> unit.has("parent")).findFirst().orElseThrow();
    JsonNode above = wenna.get("/api/units").body().valueStream().filter(unit -> unit.path("id").equals(below.path("parent"))).findFirst().orElseThrow();
    Browser.Answer refused = draft(wenna, Map.of("kind", "setUnit", "unit", above.path("id").asString(), "name", above.path("name").asString(), "parent", below.path("id").asString()));
    assertThat(refused.status()).isEqualTo(422);
    assertThat(refused.body().path("faults").get(0).path("cycle").valueStream().map(JsonNode::asString))
        .containsExactly(above.path("name").asString(), below.path("name").asString(), above.path("name").asString());
    assertThat(refused.body().path("faults").get(0).path("remedy").asString()).isEqualTo("Choose a unit that is not below this one.");
  }

  @Test
  void pasted_lines_are_matched_before_anything_is_drafted(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode lines = wenna.post("/api/people/matches", Map.of("text", "Mia Torrance\nmia.torrance@sallowpoint.example, first office\nNobody Atall\n\nWENNA.CARROW")).body();
    assertThat(lines.valueStream().map(line -> line.path("what").asString())).containsExactly("MATCH", "AGAIN", "MISS", "MATCH");
    assertThat(lines.get(3).path("line").asInt()).isEqualTo(5);
    assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
  }

  @Test
  void everybody_in_a_group_is_listed_with_the_way_by_which_they_are_in_it(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    JsonNode all = oriel.get("/api/groups/g-adjusters/people").body();
    assertThat(all.path("total").asInt()).isEqualTo(oriel.get("/api/groups/g-adjusters").body().path("group").path("people").asInt()).isPositive();
    assertThat(all.path("items").valueStream()).allSatisfy(person -> assertThat(person.path("path")).isNotEmpty());
    JsonNode has = oriel.get("/api/groups/g-adjusters/access").body();
    assertThat(has.path("items").valueStream().map(row -> row.path("path").asString())).contains("Casualties");
    JsonNode beyond = oriel.get("/api/groups/g-adjusters/beyond").body();
    assertThat(beyond.path("items").valueStream()).allSatisfy(of -> assertThat(of.path("without").asInt()).isLessThanOrEqualTo(of.path("documents").asInt()));
  }

  @Test
  void two_people_side_by_side_differ_where_one_of_them_may_do_what_the_other_may_not(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    JsonNode compared = oriel.get("/api/comparison?kind=person&one=p-mia&other=p-wenna").body();
    assertThat(compared.path("places").path("total").asInt()).isPositive();
    assertThat(compared.path("places").path("items").valueStream()).allSatisfy(place -> assertThat(place.path("one")).isNotEqualTo(place.path("other")));
    assertThat(oriel.get("/api/comparison?kind=person&one=p-mia&other=p-mia").body().path("places").path("total").asInt()).isZero();
    assertThat(oriel.get("/api/comparison?kind=person&one=p-mia&other=p-none").status()).isEqualTo(404);
  }

  @Test
  void whoever_leaves_becomes_inactive_and_loses_everything_and_stays_in_the_journal(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode person = wenna.get("/api/people/p-mia").body().path("person");
    JsonNode totals = draft(wenna, Map.of("kind", "setPerson", "person", "p-mia", "name", person.path("name").asString(), "external", false, "active", false)).body().path("totals");
    assertThat(totals.path("peopleLosing").asInt()).isEqualTo(1);
    assertThat(totals.path("peopleGaining").asInt()).isZero();
    assertThat(wenna.get("/api/people?standing=INACTIVE").body().path("items").valueStream().map(one -> one.path("id").asString())).contains("p-mia");
  }

  @Test
  void a_change_without_its_duty_is_refused_by_name(TestApplication app) {
    Browser teodor = app.signedIn("teodor.brask");
    Browser.Answer refused = draft(teodor, Map.of("kind", "setType", "name", "Memo", "guarded", false, "fields", List.of()));
    assertThat(refused.status()).isEqualTo(403);
    assertThat(refused.problem()).isEqualTo("duty-missing");
    assertThat(refused.body().path("detail").asString()).contains("[types]");
    assertThat(app.signedIn("oriel.fenn").post("/api/draft/changes", Map.of("kind", "setGroup", "name", "X")).status()).isEqualTo(403);
  }

  @Test
  void the_sketch_tells_sizes_outsiders_and_who_wears_two_hats(TestApplication app) {
    JsonNode sketch = app.signedIn("oriel.fenn").get("/api/organisation").body();
    assertThat(sketch.path("groups").valueStream().mapToInt(group -> group.path("twoHatted").asInt()).sum()).isPositive();
    assertThat(sketch.path("groups").valueStream()).anySatisfy(group -> assertThat(group.path("inside")).isNotEmpty());
    assertThat(sketch.path("units").valueStream()).anySatisfy(unit -> assertThat(unit.path("parent").asString("")).isNotEmpty());
  }

  @Test
  void two_groups_side_by_side_count_whom_they_share_and_whom_only_one_of_them_has(TestApplication app) {
    JsonNode beside = app.signedIn("oriel.fenn").get("/api/comparison?kind=group&one=g-adjusters&other=g-surveyors").body();
    int both = beside.path("both").path("people").asInt();
    assertThat(beside.path("onlyOne").path("people").asInt() + both).isEqualTo(beside.path("one").path("people").asInt());
    assertThat(beside.path("onlyOther").path("people").asInt() + both).isEqualTo(beside.path("other").path("people").asInt());
    for (String side : List.of("onlyOne", "both", "onlyOther")) {
      assertThat(beside.path(side).path("first").size()).as("all of so few are named: %s", side).isEqualTo(beside.path(side).path("people").asInt());
    }
    assertThat(beside.path("places").path("total").asInt()).isPositive();
  }
}
