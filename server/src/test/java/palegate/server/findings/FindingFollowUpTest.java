package palegate.server.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Findings are assigned and talked about; none is assigned to somebody who may not know of it, and nobody reads what was not said to them. */
@ExtendWith(InDemo.class)
class FindingFollowUpTest {
  private Browser all;
  private Browser library;
  /** One that whoever administers the library has too, and one that only who administers everything has. */
  private String shared;
  private String whole;

  @BeforeEach
  void begin(TestApplication app) {
    app.database().asOwner().sql("DELETE FROM finding_assignments").update();
    app.database().asOwner().sql("DELETE FROM finding_comments").update();
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

  private static JsonNode followUp(Browser browser, String key) {
    return browser.get("/api/findings/follow-up?key=" + encoded(key)).body();
  }

  private static boolean isAssigned(Browser browser, String key) {
    return !followUp(browser, key).path("assignment").path("at").asString("").isEmpty();
  }

  /** @param seen to whom it is seen to be assigned; null for nobody */
  private static Browser.Answer assign(Browser browser, String key, String seen, String login) {
    return browser.post("/api/findings/assignment", seen == null ? Map.of("key", key, "login", login) : Map.of("key", key, "login", login, "seen", seen));
  }

  private static int takeBack(Browser browser, String key, String seen) {
    return browser.delete("/api/findings/assignment?key=" + encoded(key) + "&seen=" + seen).status();
  }

  private static Browser.Answer comment(Browser browser, String key, String text) {
    return browser.post("/api/findings/comments", Map.of("key", key, "text", text));
  }

  private static String assigneeInList(Browser browser, String key) {
    return browser.get("/api/findings?limit=500").body().path("findings").path("items").valueStream().filter(row -> row.path("key").asString().equals(key)).findFirst().orElseThrow().path("assignee").asString("");
  }

  @Test
  void one_is_taken_on_by_whoever_has_it_and_is_among_theirs_then() {
    assertThat(isAssigned(library, shared)).isFalse();
    Browser.Answer taken = assign(library, shared, null, "ola.lindqvist");
    assertThat(taken.status()).isEqualTo(200);
    assertThat(taken.body().path("assignment").path("mine").asBoolean()).isTrue();
    assertThat(keys(library, "&mine=true")).containsExactly(shared);
    assertThat(library.get("/api/findings?limit=1").body().path("mine").asInt()).isEqualTo(1);
    assertThat(all.get("/api/findings?limit=1").body().path("mine").asInt()).isZero();
    assertThat(assigneeInList(all, shared)).isEqualTo("Ola Lindqvist");
    assertThat(keys(all, "&mine=true")).isEmpty();
  }

  @Test
  void who_administers_everything_assigns_it_to_somebody_who_has_it_too() {
    assertThat(assign(all, shared, null, "ola.lindqvist").status()).isEqualTo(200);
    JsonNode assignment = followUp(library, shared).path("assignment");
    assertThat(assignment.path("mine").asBoolean()).isTrue();
    assertThat(assignment.path("by").asString()).isEqualTo("Wenna Carrow");
    assertThat(keys(library, "&mine=true")).containsExactly(shared);
    assertThat(assign(all, shared, "ola.lindqvist", "wenna.carrow").status()).as("and takes it on themselves").isEqualTo(200);
    assertThat(keys(library, "&mine=true")).isEmpty();
  }

  /** Section 8's rule, for this too: what is altered is what was seen, or nothing is. */
  @Test
  void what_is_assigned_otherwise_than_was_seen_stays_as_it_is() {
    assign(all, shared, null, "ola.lindqvist");
    Browser.Answer late = assign(all, shared, null, "wenna.carrow");
    assertThat(late.status()).as("taken for nobody's").isEqualTo(409);
    assertThat(late.problem()).isEqualTo("assignment-moved");
    assertThat(assign(all, shared, "teodor.brask", "wenna.carrow").status()).as("taken for another one's").isEqualTo(409);
    assertThat(assign(all, whole, "ola.lindqvist", "wenna.carrow").status()).as("nobody's by now").isEqualTo(409);
    assertThat(assigneeInList(all, shared)).isEqualTo("Ola Lindqvist");
    assertThat(isAssigned(all, whole)).isFalse();
    assertThat(takeBack(all, shared, "wenna.carrow")).as("that was another one").isEqualTo(404);
    assertThat(takeBack(library, shared, "ola.lindqvist")).as("gives it back").isEqualTo(204);
    assertThat(takeBack(library, shared, "ola.lindqvist")).as("once").isEqualTo(404);
  }

  @Test
  void of_many_who_take_it_on_at_once_one_does() {
    List<Integer> answers = IntStream.range(0, 12).parallel().mapToObj(i -> assign(i % 2 == 0 ? all : library, shared, null, i % 2 == 0 ? "wenna.carrow" : "ola.lindqvist").status()).toList();
    assertThat(answers).containsOnlyOnce(200);
    assertThat(answers.stream().filter(status -> status != 200)).containsOnly(409);
  }

  /** Section 9: whether they lack the account, the room, the place or are not active is not told apart. */
  @Test
  void it_is_assigned_to_nobody_who_may_not_know_of_it_and_all_reasons_read_alike(TestApplication app) {
    app.database().asOwner().sql("UPDATE person_states SET active = 0 WHERE person = 'p-teodor' AND live = 1").update();
    try {
      List<String> answers = List.of("nobody.at.all", "mia.torrance", "ola.lindqvist", "teodor.brask").stream().map(login -> {
        Browser.Answer answer = assign(all, whole, null, login);
        assertThat(answer.status()).as(login).isEqualTo(422);
        return answer.body().path("faults").get(0).path("what").asString();
      }).toList();
      assertThat(answers).containsOnly(answers.get(0));
      assertThat(isAssigned(all, whole)).isFalse();
    } finally {
      app.database().asOwner().sql("UPDATE person_states SET active = 1 WHERE person = 'p-teodor' AND live = 1").update();
    }
    assertThat(assign(all, whole, null, "teodor.brask").status()).as("otherwise it is").isEqualTo(200);
  }

  @Test
  void who_administers_a_part_assigns_to_nobody_else_and_takes_from_nobody() {
    assertThat(assign(library, shared, null, "wenna.carrow").status()).isEqualTo(403);
    assertThat(assign(library, whole, null, "ola.lindqvist").status()).as("not even knows of it").isEqualTo(404);
    assign(all, shared, null, "wenna.carrow");
    assertThat(assign(library, shared, null, "ola.lindqvist").status()).as("somebody has it").isEqualTo(409);
    assertThat(assign(library, shared, "wenna.carrow", "ola.lindqvist").status()).as("a guess that is right").isEqualTo(403);
    assertThat(assign(library, shared, "teodor.brask", "ola.lindqvist").status()).as("and one that is not").isEqualTo(403);
    JsonNode assignment = followUp(library, shared).path("assignment");
    assertThat(assignment.path("at").asString()).as("that it is assigned").isNotEmpty();
    assertThat(assignment.path("name").asString("") + assignment.path("login").asString("") + assignment.path("by").asString("")).as("to whom, is not said").isEmpty();
    assertThat(assigneeInList(library, shared)).isEmpty();
    assertThat(takeBack(library, shared, "wenna.carrow")).isEqualTo(404);
    assertThat(followUp(all, shared).path("assignment").path("mine").asBoolean()).isTrue();
  }

  @Test
  void that_the_assignee_is_gone_is_said(TestApplication app) {
    assign(all, shared, null, "ola.lindqvist");
    assertThat(followUp(all, shared).path("assignment").path("gone").asBoolean()).isFalse();
    app.database().asOwner().sql("UPDATE person_states SET active = 0 WHERE person = 'p-ola' AND live = 1").update();
    try {
      assertThat(followUp(all, shared).path("assignment").path("gone").asBoolean()).isTrue();
    } finally {
      app.database().asOwner().sql("UPDATE person_states SET active = 1 WHERE person = 'p-ola' AND live = 1").update();
    }
  }

  @Test
  void what_was_said_is_read_by_who_administers_everything_and_by_who_said_it() {
    assertThat(comment(all, shared, "The firm behind the wall asked for it.").status()).isEqualTo(200);
    assertThat(comment(library, shared, "Ended with the survey.").status()).isEqualTo(200);
    assertThat(followUp(library, shared).path("comments").valueStream().map(one -> one.path("text").asString())).containsExactly("Ended with the survey.");
    assertThat(followUp(all, shared).path("comments").valueStream().map(one -> one.path("by").asString())).containsExactly("Wenna Carrow", "Ola Lindqvist");
    assertThat(comment(library, whole, "x").status()).as("not even knows of it").isEqualTo(404);
  }

  @Test
  void an_auditor_says_something_and_takes_nothing_on(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    assertThat(comment(auditor, whole, "Since the last audit.").status()).isEqualTo(200);
    assertThat(assign(auditor, whole, null, "oriel.fenn").status()).isEqualTo(403);
    assertThat(takeBack(auditor, whole, "oriel.fenn")).isEqualTo(403);
    Browser nobody = app.signedIn("mia.torrance");
    assertThat(nobody.get("/api/findings/follow-up?key=" + encoded(whole)).status()).isEqualTo(403);
    assertThat(comment(nobody, whole, "x").status()).isEqualTo(403);
  }

  @Test
  void what_is_said_is_bounded(TestApplication app) {
    assertThat(comment(all, shared, "x".repeat(1_001)).status()).isEqualTo(422);
    assertThat(comment(all, shared, "  ").status()).isEqualTo(422);
    assertThat(comment(all, shared, "Ærø, 北海, \uD83D\uDEA2").status()).as("of another script").isEqualTo(200);
    for (int i = 0; i < 99; i++) {
      app.database().asOwner().sql("INSERT INTO finding_comments (finding_key, author, made_at, text) VALUES (:key, 'wenna.carrow', NOW(6), 'again')").param("key", shared).update();
    }
    Browser.Answer more = comment(all, shared, "one more");
    assertThat(more.status()).isEqualTo(409);
    assertThat(more.problem()).isEqualTo("said-enough");
    assertThat(followUp(all, shared).path("comments").size()).isEqualTo(100);
  }
}
