package palegate.server.places;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

@ExtendWith(InDemo.class)
class PlacesTest {
  @Test
  void the_tree_tells_which_places_stand_alone_and_how_many_below_do(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    JsonNode libraries = auditor.get("/api/places/root/children").body();
    assertThat(libraries.valueStream().map(library -> library.path("name").asString()))
        .containsExactly("Accounts", "Board papers", "Casualties", "Charts & tides", "People files", "Shared with outsiders", "Staff handbook", "Tenders", "Vessels");
    assertThat(libraries.get(1).path("standsAlone").asBoolean()).isTrue();
    assertThat(libraries.get(2).path("breaksBelow").asInt()).isEqualTo(4);
  }

  @Test
  void the_access_list_names_the_source_and_counts_the_people_behind_each_line(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    JsonNode lines = auditor.get("/api/places/f-2417/access").body().path("lines");
    JsonNode surveyors = lines.valueStream().filter(line -> line.path("entry").path("subjectName").asString().equals("Surveyors")).findFirst().orElseThrow();
    assertThat(surveyors.path("own").asBoolean()).isFalse();
    assertThat(surveyors.path("entry").path("placeName").asString()).isEqualTo("Casualties");
    JsonNode behind = auditor.get("/api/places/f-2417/access/" + surveyors.path("entry").path("id").asString() + "/people").body();
    assertThat(behind.path("total").asInt()).isEqualTo(surveyors.path("people").asInt()).isEqualTo(7);
    assertThat(behind.path("items").valueStream().filter(person -> person.path("external").asBoolean()).count())
        .isEqualTo(surveyors.path("outsiders").asLong()).isEqualTo(3);
  }

  @Test
  void lines_of_the_draft_are_shown_beside_those_in_force(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/changes", Map.of("kind", "removeGrant", "place", "lib-cas", "entry", "e-102"));
    wenna.post("/api/draft/changes", Map.of("kind", "addWithholding", "place", "lib-cas", "subject", Map.of("kind", "builtin", "id", "staff"),
        "rights", new String[] {"copy"}));
    JsonNode lines = wenna.get("/api/places/lib-cas/access").body().path("lines");
    assertThat(lines.valueStream().filter(line -> line.path("drafted").asString().equals("REMOVED")).map(line -> line.path("entry").path("id").asString()))
        .containsExactly("e-102");
    assertThat(lines.valueStream().filter(line -> line.path("drafted").asString().equals("ADDED")).map(line -> line.path("entry").path("kind").asString()))
        .containsExactly("withholding");
    assertThat(app.signedIn("teodor.brask").get("/api/places/lib-cas/access").body().path("lines").valueStream()
        .map(line -> line.path("drafted").asString())).as("somebody else's draft is not shown").containsOnly("NO");
  }

  @Test
  void why_gives_the_stages_entries_and_the_chain_of_memberships(TestApplication app) {
    JsonNode why = app.signedIn("oriel.fenn").get("/api/why?person=p-mia&place=f-2406").body();
    assertThat(why.path("stages").valueStream().map(stage -> stage.path("number").asInt())).containsExactly(0, 1, 2, 3, 4, 5, 6, 7, 8, 9);
    assertThat(why.path("stages").get(2).path("acting").get(0).path("paths").get(0).get(0).path("name").asString()).isEqualTo("Team C-2406");
  }

  @Test
  void the_answer_follows_the_clock(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    assertThat(auditor.get("/api/why?person=p-mia&place=f-2406").body().path("rights")).isNotEmpty();
    app.clock().goOn(Duration.ofDays(3));
    try {
      JsonNode why = auditor.get("/api/why?person=p-mia&place=f-2406").body();
      assertThat(why.path("rights")).as("the membership of the case team has ended").isEmpty();
    } finally {
      app.clock().set(TestApplication.TODAY);
    }
  }

  @Test
  void what_does_not_exist_is_a_plain_problem_document(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    for (String path : new String[] {"/api/places/nowhere", "/api/places/nowhere/access", "/api/why?person=p-none&place=root", "/api/journal/9999", "/api/statements/pairs?about=PERSON&id=p-none"}) {
      Browser.Answer answer = auditor.get(path);
      assertThat(answer.status()).as(path).isEqualTo(404);
      assertThat(answer.header("content-type")).startsWith("application/problem+json");
      assertThat(answer.body().path("detail").asString()).contains("There is no");
    }
  }

  @Test
  void subjects_are_found_by_part_of_a_name_with_their_size(TestApplication app) {
    JsonNode found = app.signedIn("oriel.fenn").get("/api/subjects?text=surv").body().path("items");
    assertThat(found.valueStream().map(subject -> subject.path("name").asString())).containsExactly("Surveyors");
    assertThat(found.get(0).path("people").asInt()).isEqualTo(7);
  }

  @Test
  void a_walls_reason_is_for_those_who_may_see_it_and_the_answer_without_the_wall_for_all_who_ask_why(TestApplication app) {
    String question = "/api/why?person=p-mia&place=f-2607";
    JsonNode wenna = app.signedIn("wenna.carrow").get(question).body();
    assertThat(wenna.path("walled").asBoolean()).isTrue();
    assertThat(wenna.path("rights")).isEmpty();
    assertThat(wenna.path("withoutWalls").path("rights")).isNotEmpty();
    assertThat(wenna.path("stages").get(1).path("guards").get(0).path("reason").asString()).contains("brother");
    Browser teodor = app.signedIn("teodor.brask");
    assertThat(teodor.get(question).body().path("stages").get(1).path("guards").get(0).has("reason")).isFalse();
    // Walls come last among what a change altered.
    long altered = teodor.get("/api/journal/1?limit=1").body().path("altered").path("total").asLong();
    String end = "/api/journal/1?limit=50&offset=" + (altered - 20);
    assertThat(app.signedIn("oriel.fenn").get("/api/journal/1?limit=200&offset=1600").body().toString()).as("whom a wall bars does not hear of it, whatever their duty")
        .contains("Mia Torrance's brother").doesNotContain("Tern Rock inquiry", "lost on purpose");
    assertThat(app.signedIn("wenna.carrow").get("/api/journal/1?limit=200&offset=1600").body().toString()).contains("Tern Rock inquiry", "lost on purpose");
    assertThat(teodor.get(end).body().toString()).contains("Tern Rock inquiry").doesNotContain("lost on purpose");
  }

  @Test
  void ways_to_a_right_come_with_their_side_effects_and_go_into_the_draft_as_they_are(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode ways = wenna.get("/api/why/ways?person=p-mia&place=lib-acc&right=read").body().path("ways");
    JsonNode first = ways.valueStream().filter(way -> way.path("changes").size() == 1).findFirst().orElseThrow();
    assertThat(first.path("words").asString()).startsWith("give Mia Torrance the role");
    assertThat(first.path("otherPeople").asInt()).isZero();
    assertThat(wenna.post("/api/draft/changes", first.path("changes").get(0)).status()).isEqualTo(201);
    assertThat(wenna.get("/api/why?person=p-mia&place=lib-acc&drafted=true").body().path("rights").valueStream()
        .map(JsonNode::asString)).contains("read");
    assertThat(wenna.get("/api/why/ways?person=p-mia&place=lib-acc&right=fly").status()).isEqualTo(404);
  }

  @Test
  void what_limits_a_place_is_said_in_words_and_the_path_is_marked_where_a_wall_runs(TestApplication app) {
    assertThat(app.signedIn("oriel.fenn").get("/api/places/f-2502").status()).as("a wall bars the auditor").isEqualTo(404);
    JsonNode place = app.signedIn("wenna.carrow").get("/api/places/f-2502").body();
    assertThat(place.path("guards").valueStream().map(limit -> limit.path("sentence").asString())).anyMatch(words -> words.contains("Tern Rock inquiry"));
    assertThat(place.path("path").valueStream().map(post -> post.path("walled").asBoolean())).containsExactly(false, false, true);
    JsonNode fees = app.signedIn("wenna.carrow").get("/api/places/d-10004").body();
    assertThat(fees.path("guards").valueStream().map(limit -> limit.path("sentence").asString())).anyMatch(words -> words.startsWith("Checked out by Ola"));
  }

  @Test
  void a_link_says_where_it_leads_and_how_many_who_find_it_can_open_that(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode target = wenna.get("/api/places/l-hand").body().path("target");
    assertThat(target.path("name").asString()).isEqualTo("Staff handbook");
    int finding = target.path("people").asInt();
    int opening = target.path("opening").asInt();
    assertThat(finding).isEqualTo((int) wenna.get("/api/places/l-hand/people").body().path("total").asInt());
    JsonNode rows = wenna.get("/api/statements/pairs?about=PLACE&id=l-hand").body().path("rows").path("items");
    assertThat(rows.valueStream().filter(row -> row.path("comesFrom").asString().contains("leads to Staff handbook, which they can open")).count()).isEqualTo(opening);
    assertThat(rows.valueStream().filter(row -> row.path("comesFrom").asString().contains("which they cannot open")).count()).isEqualTo(finding - opening).isPositive();
  }
}
