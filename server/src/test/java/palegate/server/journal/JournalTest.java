package palegate.server.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

@ExtendWith(InDemo.class)
class JournalTest {
  @Test
  void every_change_stands_there_with_author_time_and_note_newest_first(TestApplication app) {
    JsonNode journal = app.signedIn("oriel.fenn").get("/api/journal").body();
    assertThat(journal.path("items").get(0).path("number").asLong()).isEqualTo(journal.path("total").asLong());
    JsonNode fifth = journal.path("items").valueStream().filter(line -> line.path("number").asInt() == 5).findFirst().orElseThrow();
    assertThat(fifth.path("author").asString()).isEqualTo("Teodor Brask");
    assertThat(fifth.path("note").asString()).isEqualTo("Trainees do not take valuations away.");
  }

  @Test
  void the_exact_content_before_and_after_is_kept(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/changes", Map.of("kind", "rejoin", "place", "lib-board", "below", false));
    Map<String, Object> order = wenna.order(false);
    order.put("note", "Nothing secret in there any more");
    wenna.post("/api/draft/in-force", order);
    long number = wenna.get("/api/journal").body().path("total").asLong();
    JsonNode altered = wenna.get("/api/journal/" + number).body().path("altered").path("items");
    JsonNode place = altered.valueStream().filter(thing -> thing.path("kind").asString().equals("place")).findFirst().orElseThrow();
    assertThat(place.path("before").path("access").asString()).isEqualTo("stands alone");
    assertThat(place.path("after").path("access").asString()).isEqualTo("follows");
    assertThat(altered.valueStream().filter(thing -> thing.path("kind").asString().equals("grant"))).hasSize(2).allSatisfy(grant -> {
      assertThat(grant.has("after")).isFalse();
      assertThat(grant.path("before").path("place").asString()).isEqualTo("Board papers");
    });
  }

  @Test
  void between_two_days_everyone_who_gained_or_lost_is_listed_with_the_change_that_did_it(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    Instant from = TestApplication.TODAY.minus(Duration.ofDays(500));
    JsonNode between = oriel.get("/api/journal/between?from=" + from + "&until=" + TestApplication.TODAY.minus(Duration.ofDays(300))).body();
    assertThat(between.path("changes").asInt()).isEqualTo(1);
    assertThat(between.path("totals").path("peopleGaining").asInt()).isPositive();
    assertThat(between.path("altered").path("items").valueStream()).allSatisfy(pair -> {
      assertThat(pair.path("path").asString()).startsWith("Tenders");
      assertThat(pair.path("causes").get(0).path("change").asInt()).isEqualTo(2);
    });
    assertThat(oriel.get("/api/journal/between?from=" + TestApplication.TODAY + "&until=" + from).status()).isEqualTo(422);
    assertThat(oriel.get("/api/journal/between?from=" + from).body().path("until").asString()).as("left out, the span ends now").isEqualTo(TestApplication.TODAY.toString());
    assertThat(oriel.get("/api/journal/between?from=2001-01-01T00:00:00Z&until=" + from).problem()).isEqualTo("before-the-beginning");
  }

  @Test
  void why_can_be_asked_as_it_was(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    String manager = oriel.get("/api/groups/g-management/people").body().path("items").get(0).path("person").path("id").asString();
    Instant earlier = TestApplication.TODAY.minus(Duration.ofDays(500));
    JsonNode now = oriel.get("/api/why?person=" + manager + "&place=lib-ten").body();
    JsonNode then = oriel.get("/api/why?person=" + manager + "&place=lib-ten&at=" + earlier).body();
    assertThat(now.path("rights")).isNotEqualTo(then.path("rights"));
    assertThat(then.path("at").asString()).isEqualTo(earlier.toString());
  }

  @Test
  void a_statement_can_be_made_as_of_an_earlier_day_and_says_which_change_held_then(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    Instant earlier = TestApplication.TODAY.minus(Duration.ofDays(500));
    JsonNode now = oriel.get("/api/statements/pairs?about=PLACE&id=lib-ten&documents=false").body();
    JsonNode then = oriel.get("/api/statements/pairs?about=PLACE&id=lib-ten&documents=false&at=" + earlier).body();
    assertThat(then.path("change").asInt()).isEqualTo(1);
    assertThat(then.path("at").asString()).isEqualTo(earlier.toString());
    assertThat(then.path("counts").path("people")).isNotEqualTo(now.path("counts").path("people"));
    assertThat(oriel.get("/api/statements/file?kind=place&grouping=none&id=lib-ten&documents=false&format=CSV&at=" + earlier).header("content-disposition"))
        .contains("-change-1.csv");
    assertThat(oriel.get("/api/statements/pairs?about=PLACE&id=lib-ten&at=2001-01-01T00:00:00Z").problem()).isEqualTo("before-the-beginning");
  }

  @Test
  void one_thing_has_its_own_trail_and_a_change_is_found_by_the_name_of_what_it_touched(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    assertThat(oriel.get("/api/journal?thing=place:lib-ten").body().path("items").valueStream().map(line -> line.path("number").asInt())).containsExactly(2, 1);
    assertThat(oriel.get("/api/journal?thing=place:nothing").body().path("total").asInt()).isZero();
    assertThat(oriel.get("/api/journal?text=halcyon%20reach").body().path("items").valueStream().map(line -> line.path("number").asInt())).as("by its note").contains(6);
    assertThat(oriel.get("/api/journal?text=trainee").body().path("items").valueStream().map(line -> line.path("number").asInt())).contains(5);
    assertThat(app.signedIn("wenna.carrow").get("/api/journal?text=tenders&thing=place:lib-board").body().path("items").valueStream().map(line -> line.path("number").asInt())).as("both at once").containsExactly(1);
    Browser ola = app.signedIn("ola.lindqvist");
    assertThat(ola.get("/api/journal?thing=place:f-2411").body()).as("what a wall hides has no trail").isEqualTo(ola.get("/api/journal?thing=place:f-9999").body());
    assertThat(ola.get("/api/journal?text=ottoline").body().path("total").asInt()).isZero();
  }

  @Test
  void a_statement_about_a_day_ahead_shows_that_day_and_says_so(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    Instant ahead = TestApplication.TODAY.plus(Duration.ofDays(200));
    JsonNode now = oriel.get("/api/statements/pairs?about=PLACE&id=lib-acc").body();
    JsonNode then = oriel.get("/api/statements/pairs?about=PLACE&id=lib-acc&at=" + ahead).body();
    assertThat(then.path("ahead").asBoolean()).isTrue();
    assertThat(now.path("ahead").asBoolean()).isFalse();
    assertThat(then.path("counts").path("rows").asInt()).as("what firms were given has ended by then").isLessThan(now.path("counts").path("rows").asInt());
    String file = oriel.get("/api/statements/file?kind=place&grouping=none&id=lib-acc&format=JSON&at=" + ahead).body().toString();
    assertThat(file).contains("ahead");
  }
}
