package palegate.server.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Findings are given to somebody and talked about; nobody is given what they may not know, and nobody reads what was not said to them. */
@ExtendWith(InDemo.class)
class FindingCareTest {
  private Browser all;
  private Browser library;
  /** One that whoever administers the library has too, and one that only who administers everything has. */
  private String shared;
  private String whole;

  @BeforeEach
  void begin(TestApplication app) {
    app.database().asOwner().sql("DELETE FROM finding_carers").update();
    app.database().asOwner().sql("DELETE FROM finding_remarks").update();
    all = app.signedIn("wenna.carrow");
    library = app.signedIn("ola.lindqvist");
    shared = keys(library, "").get(0);
    whole = keys(all, "&rule=group-empty").get(0);
    assertThat(keys(all, "")).contains(shared, whole);
    assertThat(keys(library, "")).doesNotContain(whole);
  }

  private static List<String> keys(Browser browser, String more) {
    return browser.get("/api/findings?limit=500" + more).body().path("findings").path("items").valueStream().map(row -> row.path("key").asString()).toList();
  }

  private static String encoded(String text) {
    return URLEncoder.encode(text, StandardCharsets.UTF_8);
  }

  private static JsonNode care(Browser browser, String key) {
    return browser.get("/api/findings/carers?key=" + encoded(key)).body();
  }

  private static Browser.Answer give(Browser browser, String key, String login) {
    return browser.post("/api/findings/carers", Map.of("key", key, "login", login));
  }

  private static Browser.Answer say(Browser browser, String key, String text) {
    return browser.post("/api/findings/remarks", Map.of("key", key, "text", text));
  }

  private static String carerInList(Browser browser, String key) {
    return browser.get("/api/findings?limit=500").body().path("findings").path("items").valueStream().filter(row -> row.path("key").asString().equals(key)).findFirst().orElseThrow().path("carer").asString("");
  }

  @Test
  void one_is_taken_up_by_whoever_has_it_and_is_among_theirs_then() {
    assertThat(care(library, shared).path("carer").isMissingNode() || care(library, shared).path("carer").isNull()).isTrue();
    Browser.Answer taken = give(library, shared, "ola.lindqvist");
    assertThat(taken.status()).isEqualTo(200);
    assertThat(taken.body().path("carer").path("mine").asBoolean()).isTrue();
    assertThat(keys(library, "&mine=true")).containsExactly(shared);
    assertThat(library.get("/api/findings?limit=1").body().path("mine").asInt()).isEqualTo(1);
    assertThat(all.get("/api/findings?limit=1").body().path("mine").asInt()).isZero();
    assertThat(carerInList(all, shared)).isEqualTo("Ola Lindqvist");
    assertThat(keys(all, "&mine=true")).isEmpty();
  }

  @Test
  void who_administers_everything_gives_it_to_somebody_who_has_it_too() {
    assertThat(give(all, shared, "ola.lindqvist").status()).isEqualTo(200);
    JsonNode carer = care(library, shared).path("carer");
    assertThat(carer.path("mine").asBoolean()).isTrue();
    assertThat(carer.path("by").asString()).isEqualTo("Wenna Carrow");
    assertThat(keys(library, "&mine=true")).containsExactly(shared);
    assertThat(give(all, shared, "wenna.carrow").status()).as("and takes it back upon themselves").isEqualTo(200);
    assertThat(keys(library, "&mine=true")).isEmpty();
  }

  /** Section 9: whether they lack the account, the room, the place or are not active is not told apart. */
  @Test
  void nobody_is_given_what_they_may_not_know_and_all_reasons_read_alike(TestApplication app) {
    List<String> refused = List.of("nobody.at.all", "mia.torrance", "ola.lindqvist");
    List<String> answers = refused.stream().map(login -> {
      Browser.Answer answer = give(all, whole, login);
      assertThat(answer.status()).as(login).isEqualTo(422);
      return answer.body().path("faults").get(0).path("what").asString();
    }).toList();
    assertThat(answers).containsOnly(answers.get(0));
    assertThat(care(all, whole).path("carer").path("at").isMissingNode()).isTrue();
    assertThat(app.database().asOwner().sql("SELECT COUNT(*) FROM finding_carers").query(Integer.class).single()).isZero();
  }

  @Test
  void who_administers_a_part_gives_to_nobody_else_and_takes_from_nobody(TestApplication app) {
    assertThat(give(library, shared, "wenna.carrow").status()).isEqualTo(403);
    assertThat(give(library, whole, "ola.lindqvist").status()).as("not even knows of it").isEqualTo(404);
    give(all, shared, "wenna.carrow");
    assertThat(give(library, shared, "ola.lindqvist").status()).isEqualTo(403);
    JsonNode carer = care(library, shared).path("carer");
    assertThat(carer.path("name").asString("")).as("somebody sees to it; who, is not said").isEmpty();
    assertThat(carer.path("login").asString("")).isEmpty();
    assertThat(carer.path("mine").asBoolean()).isFalse();
    assertThat(carerInList(library, shared)).isEmpty();
    assertThat(library.delete("/api/findings/carers?key=" + encoded(shared) + "&login=wenna.carrow").status()).isEqualTo(404);
    assertThat(care(all, shared).path("carer").path("mine").asBoolean()).isTrue();
  }

  @Test
  void it_is_taken_from_whom_it_was_seen_with_and_from_nobody_who_came_after() {
    give(all, shared, "ola.lindqvist");
    assertThat(all.delete("/api/findings/carers?key=" + encoded(shared) + "&login=wenna.carrow").status()).as("that was another one").isEqualTo(404);
    assertThat(library.delete("/api/findings/carers?key=" + encoded(shared) + "&login=ola.lindqvist").status()).as("gives it back").isEqualTo(204);
    assertThat(library.delete("/api/findings/carers?key=" + encoded(shared) + "&login=ola.lindqvist").status()).as("once").isEqualTo(404);
    assertThat(keys(library, "&mine=true")).isEmpty();
  }

  @Test
  void what_was_said_is_read_by_who_administers_everything_and_by_who_said_it() {
    assertThat(say(all, shared, "The firm behind the wall asked for it.").status()).isEqualTo(200);
    assertThat(say(library, shared, "Ended with the survey.").status()).isEqualTo(200);
    assertThat(care(library, shared).path("remarks").valueStream().map(one -> one.path("text").asString())).containsExactly("Ended with the survey.");
    assertThat(care(all, shared).path("remarks").valueStream().map(one -> one.path("by").asString())).containsExactly("Wenna Carrow", "Ola Lindqvist");
    assertThat(say(library, whole, "x").status()).as("not even knows of it").isEqualTo(404);
  }

  @Test
  void an_auditor_says_something_and_takes_nothing_up(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    assertThat(say(auditor, whole, "Since the last audit.").status()).isEqualTo(200);
    assertThat(give(auditor, whole, "oriel.fenn").status()).isEqualTo(403);
    assertThat(auditor.delete("/api/findings/carers?key=" + encoded(whole) + "&login=oriel.fenn").status()).isEqualTo(403);
    Browser nobody = app.signedIn("mia.torrance");
    assertThat(nobody.get("/api/findings/carers?key=" + encoded(whole)).status()).isEqualTo(403);
    assertThat(say(nobody, whole, "x").status()).isEqualTo(403);
  }

  @Test
  void what_is_said_is_bounded_and_well_formed(TestApplication app) {
    assertThat(say(all, shared, "x".repeat(1_001)).status()).isEqualTo(422);
    assertThat(say(all, shared, "  ").status()).isEqualTo(422);
    for (int i = 0; i < 100; i++) {
      app.database().asOwner().sql("INSERT INTO finding_remarks (finding_key, written_by, written_at, remark) VALUES (:key, 'wenna.carrow', NOW(6), 'again')").param("key", shared).update();
    }
    Browser.Answer more = say(all, shared, "one more");
    assertThat(more.status()).isEqualTo(409);
    assertThat(more.problem()).isEqualTo("said-enough");
  }

  @Test
  void who_is_not_active_any_more_is_given_nothing(TestApplication app) {
    app.database().asOwner().sql("UPDATE person_states SET active = 0 WHERE person = 'p-ola' AND live = 1").update();
    try {
      assertThat(give(all, shared, "ola.lindqvist").status()).isEqualTo(422);
    } finally {
      app.database().asOwner().sql("UPDATE person_states SET active = 1 WHERE person = 'p-ola' AND live = 1").update();
    }
  }
}
