package palegate.server.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Section 9: of what was changed one hears what is about what one may know, and of the rest nothing. */
@ExtendWith(InDemo.class)
class KnownChangesTest {
  private static long changed(Browser author, Map<String, Object> change, String note) {
    assertThat(author.post("/api/draft/changes", change).status()).isEqualTo(201);
    Map<String, Object> order = author.order(true);
    order.put("note", note);
    return author.post("/api/draft/in-force", order).body().path("change").asLong();
  }

  private static Map<String, Object> grant(String place) {
    return Map.of("kind", "addGrant", "place", place, "subject", Map.of("kind", "group", "id", "g-surveyors"), "role", "r-filer");
  }

  @Test
  void a_change_about_something_else_is_not_there_in_any_way(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser hesper = app.signedIn("hesper.vance");
    long hers = changed(wenna, grant("lib-hand"), "About the handbook");
    long other = changed(wenna, grant("lib-acc"), "About the secret ledger");
    JsonNode journal = hesper.get("/api/journal?limit=200").body();
    assertThat(journal.toString()).contains("About the handbook").doesNotContain("secret ledger");
    assertThat(journal.path("items").valueStream().map(line -> line.path("number").asLong())).contains(hers).doesNotContain(other);
    assertThat(journal.path("total").asInt()).as("the total is of what she may know").isEqualTo(journal.path("items").size());
    assertThat(hesper.get("/api/journal?text=ledger").body().path("total").asInt()).as("nor is it found").isZero();
    Browser.Answer is = hesper.get("/api/journal/" + other);
    Browser.Answer never = hesper.get("/api/journal/99999");
    assertThat(is.status()).isEqualTo(404);
    assertThat(is.body().toString().replace(Long.toString(other), "99999")).isEqualTo(never.body().toString());
    assertThat(hesper.post("/api/journal/" + other + "/reversal", Map.of()).status()).isEqualTo(404);
  }

  @Test
  void of_a_change_about_both_one_hears_ones_part_and_not_its_note(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser hesper = app.signedIn("hesper.vance");
    assertThat(wenna.post("/api/draft/changes/many", Map.of("changes", List.of(
        Map.of("kind", "addGrant", "place", "lib-hand", "subject", Map.of("kind", "group", "id", "g-cargo"), "role", "r-filer"),
        Map.of("kind", "addGrant", "place", "lib-board", "subject", Map.of("kind", "group", "id", "g-cargo"), "role", "r-reader")))).status()).isEqualTo(201);
    Map<String, Object> order = wenna.order(true);
    order.put("note", "Handbook, and the merger papers");
    long both = wenna.post("/api/draft/in-force", order).body().path("change").asLong();
    JsonNode detail = hesper.get("/api/journal/" + both).body();
    assertThat(detail.path("altered").path("total").asInt()).isEqualTo(1);
    assertThat(detail.toString()).contains("Staff handbook").doesNotContain("merger", "Board papers", "lib-board");
    assertThat(hesper.get("/api/journal?text=merger").body().path("total").asInt()).isZero();
    assertThat(hesper.post("/api/journal/" + both + "/reversal", Map.of()).body().path("changes").asInt()).as("and takes back that part").isEqualTo(1);
    hesper.discardDrafts();
  }

  @Test
  void who_hands_out_duties_to_whom_is_for_those_who_may_know_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    long given = changed(wenna, Map.of("kind", "setDuty", "subject", Map.of("kind", "person", "id", "p-mia"), "duty", "ACCESS", "place", "lib-hand"), "Mia helps out");
    assertThat(app.signedIn("hesper.vance").get("/api/journal/" + given).status()).isEqualTo(404);
    assertThat(app.signedIn("teodor.brask").get("/api/journal/" + given).status()).as("access everywhere is not system").isEqualTo(404);
    assertThat(app.signedIn("oriel.fenn").get("/api/journal/" + given).status()).isEqualTo(200);
  }

  @Test
  void between_two_days_one_sees_what_one_may_know_of_both(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser ola = app.signedIn("ola.lindqvist");
    String asked = "/api/journal/between?from=2026-11-01T00:00:00Z&limit=200";
    app.clock().goOn(Duration.ofMinutes(1));
    long before = ola.get(asked).body().path("altered").path("total").asLong();
    changed(wenna, grant("f-2411"), "Behind her wall");
    app.clock().goOn(Duration.ofMinutes(1));
    assertThat(ola.get(asked).body().path("altered").path("total").asLong()).isEqualTo(before);
    assertThat(ola.get(asked).body().toString()).doesNotContain("f-2411", "Ottoline");
  }

  @Test
  void put_together_by_change_one_hears_what_one_may_know_and_of_the_rest_nothing(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser ola = app.signedIn("ola.lindqvist");
    String span = "?from=" + app.clock().instant() + "&limit=200";
    app.clock().goOn(Duration.ofMinutes(1));
    long seen = changed(wenna, Map.of("kind", "addGrant", "place", "lib-cas", "subject", Map.of("kind", "person", "id", "p-hesper"), "role", "r-filer"), "Hesper files casualties");
    app.clock().goOn(Duration.ofMinutes(1));
    long hidden = changed(wenna, Map.of("kind", "addGrant", "place", "f-2411", "subject", Map.of("kind", "group", "id", "g-surveyors"), "role", "r-keeper"), "Behind her wall, by name");
    app.clock().goOn(Duration.ofMinutes(1));
    JsonNode all = wenna.get("/api/journal/between/causes" + span).body();
    assertThat(all.path("items").valueStream().map(one -> one.path("cause").path("change").asLong())).contains(seen, hidden);
    JsonNode hers = ola.get("/api/journal/between/causes" + span).body();
    assertThat(hers.path("items").valueStream().map(one -> one.path("cause").path("change").asLong())).contains(seen).doesNotContain(hidden);
    assertThat(hers.toString()).contains("Hesper files casualties").doesNotContain("Behind her wall");
    assertThat(hers.path("items").get(0).path("people").asInt()).isEqualTo(1);
    for (String what : List.of("/people" + span + "&change=" + hidden, "/places" + span + "&person=p-hesper&change=" + hidden)) {
      assertThat(ola.get("/api/journal/between/causes" + what).body()).as(what).isEqualTo(ola.get("/api/journal/between/causes" + what.replace("change=" + hidden, "change=99999")).body());
    }
    JsonNode places = ola.get("/api/journal/between/causes/places" + span + "&person=p-hesper&change=" + seen).body();
    assertThat(places.path("total").asInt()).isEqualTo(ola.get("/api/journal/between/causes/people" + span + "&change=" + seen).body().path("items").get(0).path("places").asInt()).isPositive();
    assertThat(places.toString()).doesNotContain("f-2411", "Ottoline");
    assertThat(ola.get("/api/journal/between/causes" + span + "&below=f-2411").body()).as("below a place that is hidden, as below one that is not there").isEqualTo(ola.get("/api/journal/between/causes" + span + "&below=never-was").body());
    assertThat(wenna.get("/api/journal/between/causes" + span + "&outsiders=true").body().path("items").valueStream().map(one -> one.path("cause").path("change").asLong())).doesNotContain(seen);
    assertThat(wenna.get("/api/journal/between/causes" + span + "&below=lib-hand").body().path("total").asInt()).isZero();
    assertThat(wenna.get("/api/journal/between" + span + "&below=f-2411").body().path("altered").path("items").valueStream().map(one -> one.path("path").asString())).isNotEmpty().allSatisfy(path -> assertThat(path).contains("C-2411"));
  }
}
