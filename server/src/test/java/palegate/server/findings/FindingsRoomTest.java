package palegate.server.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.server.store.Instants;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** What needs a look, through duties: found, counted, mended by a draft, meant so for a while and on the facts that were seen. */
@ExtendWith(InDemo.class)
class FindingsRoomTest {
  @BeforeEach
  void forget(TestApplication app) {
    app.database().asOwner().sql("DELETE FROM finding_acceptances").update();
  }

  private static JsonNode all(Browser browser, String more) {
    return browser.get("/api/findings?limit=500" + more).body();
  }

  private static JsonNode one(Browser browser, String key) {
    return browser.get("/api/findings/one?key=" + URLEncoder.encode(key, StandardCharsets.UTF_8)).body();
  }

  private static String firstKey(Browser browser, String rule) {
    return all(browser, "&rule=" + rule).path("findings").path("items").get(0).path("key").asString();
  }

  @Test
  void the_gravest_come_first_and_each_rule_counts_what_its_list_has(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    JsonNode found = all(keeper, "");
    List<String> severities = found.path("findings").path("items").valueStream().map(row -> row.path("severity").asString()).toList();
    assertThat(severities).isSortedAccordingTo((a, b) -> List.of("GRAVE", "SERIOUS", "UNTIDY").indexOf(a) - List.of("GRAVE", "SERIOUS", "UNTIDY").indexOf(b));
    found.path("rules").forEach(rule -> assertThat(all(keeper, "&rule=" + rule.path("code").asString()).path("findings").path("total").asInt()).as(rule.path("code").asString()).isEqualTo(rule.path("found").asInt()));
    assertThat(found.path("rules").valueStream().mapToInt(rule -> rule.path("found").asInt()).sum()).isEqualTo(found.path("findings").path("total").asInt()).isGreaterThan(10);
    assertThat(all(keeper, "&text=appraisal").path("findings").path("total").asInt()).isBetween(1, found.path("findings").path("total").asInt() - 1);
  }

  @Test
  void a_fix_says_what_it_would_do_and_put_in_force_it_takes_the_finding_away(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    String key = firstKey(keeper, "entry-ended");
    JsonNode finding = one(keeper, key);
    assertThat(finding.path("matters").asString()).isNotBlank();
    JsonNode fix = finding.path("fixes").get(0);
    assertThat(fix.path("gaining").asInt() + fix.path("losing").asInt()).as("what ended is taken away without anybody noticing").isZero();
    assertThat(keeper.post("/api/draft/changes/many", Map.of("changes", fix.path("changes").valueStream().toList())).status()).isEqualTo(201);
    keeper.putInForce(false);
    assertThat(all(keeper, "").path("findings").path("items").valueStream().map(row -> row.path("key").asString())).doesNotContain(key);
    assertThat(keeper.get("/api/findings/one?key=" + URLEncoder.encode(key, StandardCharsets.UTF_8)).status()).isEqualTo(404);
  }

  @Test
  void the_first_fix_of_every_rule_goes_through_the_tray_takes_its_finding_away_and_can_be_undone(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    int tried = 0;
    for (JsonNode rule : all(keeper, "").path("rules")) {
      String code = rule.path("code").asString();
      JsonNode rows = all(keeper, "&rule=" + code).path("findings").path("items");
      if (rows.isEmpty()) {
        continue;
      }
      String key = rows.get(0).path("key").asString();
      JsonNode fixes = one(keeper, key).path("fixes");
      if (fixes.isEmpty()) {
        continue;
      }
      keeper.delete("/api/draft");
      Browser.Answer drafted = keeper.post("/api/draft/changes/many", Map.of("changes", fixes.get(0).path("changes").valueStream().toList()));
      assertThat(drafted.status()).as(key + ": " + new String(drafted.bytes(), StandardCharsets.UTF_8)).isEqualTo(201);
      Browser.Answer done = keeper.putInForce(true);
      if (done.status() == 409 && done.body().path("detail").asString().contains("approv")) {
        continue;
      }
      assertThat(done.status()).as(key + ": " + new String(done.bytes(), StandardCharsets.UTF_8)).isLessThan(300);
      assertThat(keys(keeper, code)).as(code).doesNotContain(key);
      long change = done.body().path("change").asLong();
      keeper.post("/api/journal/" + change + "/reversal", Map.of());
      assertThat(keeper.putInForce(true).status()).as("undoing " + key).isLessThan(300);
      assertThat(keys(keeper, code)).as(code + " is there again once its fix is undone").contains(key);
      tried++;
    }
    assertThat(tried).as("rules whose fixes were tried").isGreaterThan(7);
  }

  private static List<String> keys(Browser browser, String rule) {
    return all(browser, "&rule=" + rule).path("findings").path("items").valueStream().map(row -> row.path("key").asString()).toList();
  }

  @Test
  void what_is_meant_so_is_left_out_until_its_day_or_until_it_says_something_else(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    String key = firstKey(keeper, "type-cleared-for-nobody");
    String facts = one(keeper, key).path("facts").asString();
    String until = app.clock().instant().plusSeconds(86_400).toString();
    assertThat(keeper.post("/api/findings/acceptances", Map.of("key", key, "facts", "0".repeat(32), "reason", "As agreed", "until", until)).status()).as("other facts than were seen").isEqualTo(409);
    assertThat(keeper.post("/api/findings/acceptances", Map.of("key", key, "facts", facts, "reason", " ", "until", until)).status()).isEqualTo(422);
    assertThat(keeper.post("/api/findings/acceptances", Map.of("key", key, "facts", facts, "reason", "As agreed", "until", app.clock().instant().minusSeconds(1).toString())).body().path("faults").get(0).path("remedy").asString()).contains("still to come");
    assertThat(keeper.post("/api/findings/acceptances", Map.of("key", "no-such-rule place:root", "facts", facts, "reason", "As agreed", "until", until)).status()).isEqualTo(404);
    assertThat(keeper.post("/api/findings/acceptances", Map.of("key", key, "facts", facts, "reason", "As agreed", "until", until)).status()).isEqualTo(204);
    assertThat(all(keeper, "&rule=type-cleared-for-nobody").path("findings").path("total").asInt()).isZero();
    JsonNode meant = all(keeper, "&accepted=true").path("findings").path("items").get(0);
    assertThat(meant.path("accepted").path("reason").asString()).isEqualTo("As agreed");
    // Another document of the type: the finding says something new.
    app.database().asOwner().sql("UPDATE finding_acceptances SET facts = 'of-other-facts-0123456789abcdef0'").update();
    assertThat(all(keeper, "&rule=type-cleared-for-nobody").path("findings").path("total").asInt()).isEqualTo(1);
    app.database().asOwner().sql("UPDATE finding_acceptances SET facts = :facts").param("facts", facts).update();
    assertThat(all(keeper, "&rule=type-cleared-for-nobody").path("findings").path("total").asInt()).isZero();
    assertThat(keeper.delete("/api/findings/acceptances?key=" + URLEncoder.encode(key, StandardCharsets.UTF_8)).status()).isEqualTo(204);
    assertThat(all(keeper, "&rule=type-cleared-for-nobody").path("findings").path("total").asInt()).isEqualTo(1);
  }

  @Test
  void an_auditor_reads_and_accepts_nothing_and_whoever_has_no_duty_finds_nothing(TestApplication app) {
    Browser auditor = app.signedIn("oriel.fenn");
    String key = firstKey(auditor, "type-cleared-for-nobody");
    assertThat(auditor.post("/api/findings/acceptances", Map.of("key", key, "facts", one(auditor, key).path("facts").asString(), "reason", "x", "until", app.clock().instant().plusSeconds(60).toString())).status()).isEqualTo(403);
    assertThat(app.signedIn("mia.torrance").get("/api/findings").status()).isEqualTo(403);
  }

  @Test
  void of_one_library_only_that_is_said_which_can_be_said_of_a_part(TestApplication app) {
    JsonNode part = all(app.signedIn("ola.lindqvist"), "");
    assertThat(part.path("rules").valueStream().map(rule -> rule.path("code").asString())).contains("entry-ended", "ends-soon").doesNotContain("group-empty", "role-unused", "people-with-nothing");
  }

  @Test
  void a_rule_that_is_switched_off_finds_nothing_and_limits_say_what_is_worth_saying(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    String rule = all(keeper, "").path("rules").valueStream().filter(one -> one.path("found").asInt() > 0).findFirst().orElseThrow().path("code").asString();
    int before = all(keeper, "&rule=" + rule).path("findings").path("total").asInt();
    assertThat(keeper.post("/api/findings/settings/off/" + rule, Map.of("reason", " ")).status()).isEqualTo(422);
    assertThat(keeper.post("/api/findings/settings/off/no-such-rule", Map.of("reason", "x")).status()).isEqualTo(404);
    JsonNode off = keeper.post("/api/findings/settings/off/" + rule, Map.of("reason", "Known to the inspector")).body();
    assertThat(off.path("rules").valueStream().filter(one -> one.has("off")).map(one -> one.path("off").path("by").asString())).containsExactly("Wenna Carrow");
    assertThat(all(keeper, "&rule=" + rule).path("findings").path("total").asInt()).isZero();
    assertThat(all(app.signedIn("oriel.fenn"), "&rule=" + rule).path("findings").path("total").asInt()).as("for everybody").isZero();
    assertThat(app.signedIn("ola.lindqvist").delete("/api/findings/settings/off/" + rule).status()).as("who does not look after the system").isEqualTo(403);
    assertThat(keeper.delete("/api/findings/settings/off/" + rule).status()).isEqualTo(200);
    assertThat(all(keeper, "&rule=" + rule).path("findings").path("total").asInt()).isEqualTo(before);
    assertThat(keeper.post("/api/findings/settings/limits", Map.of("soonDays", 0, "checkedOutDays", 14, "nearlySamePeople", 3, "unusedDays", 180, "draftDays", 30)).status()).isEqualTo(422);
    assertThat(keeper.post("/api/findings/settings/limits", Map.of("soonDays", 14, "checkedOutDays", 14, "nearlySamePeople", 0, "unusedDays", 180, "draftDays", 30)).status()).isEqualTo(200);
    assertThat(keeper.post("/api/findings/settings/limits", Map.of("soonDays", 14, "checkedOutDays", 14, "nearlySamePeople", 0, "unusedDays", 6, "draftDays", 30)).status()).isEqualTo(422);
    int none = all(keeper, "&rule=break-nearly-same").path("findings").path("total").asInt();
    keeper.post("/api/findings/settings/limits", Map.of("soonDays", 14, "checkedOutDays", 14, "nearlySamePeople", 1000, "unusedDays", 180, "draftDays", 30));
    assertThat(all(keeper, "&rule=break-nearly-same").path("findings").path("total").asInt()).isGreaterThan(none);
    keeper.post("/api/findings/settings/limits", Map.of("soonDays", 14, "checkedOutDays", 14, "nearlySamePeople", 3, "unusedDays", 180, "draftDays", 30));
  }

  @Test
  void a_finding_knows_since_which_change_it_has_been_there(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    keeper.delete("/api/draft");
    keeper.post("/api/draft/changes", Map.of("kind", "setGroup", "name", "Nobody yet", "group", "g-nobody-yet"));
    long change = keeper.putInForce(true).body().path("change").asLong();
    JsonNode since = keeper.get("/api/findings/since?key=" + URLEncoder.encode("group-empty group:g-nobody-yet", StandardCharsets.UTF_8)).body();
    assertThat(since.path("change").path("number").asLong()).isEqualTo(change);
    assertThat(since.path("byDate").asBoolean()).isFalse();
    assertThat(keeper.get("/api/findings/since?key=no-such").status()).isEqualTo(404);
  }

  @Test
  void entries_that_can_go_are_drafted_together_and_nobody_gains_or_loses_anything(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    keeper.delete("/api/draft");
    JsonNode mined = mined(keeper);
    int fewer = mined.path("before").path("entries").asInt() - mined.path("after").path("entries").asInt();
    assertThat(fewer).isPositive();
    assertThat(mined.path("proposals").valueStream().mapToInt(one -> one.path("saves").asInt()).sum()).isEqualTo(fewer);
    List<JsonNode> changes = mined.path("proposals").valueStream().flatMap(one -> one.path("changes").valueStream()).toList();
    assertThat(keeper.post("/api/draft/changes/many", Map.of("changes", changes)).status()).isEqualTo(201);
    JsonNode totals = keeper.get("/api/draft").body().path("totals");
    assertThat(totals.path("peopleGaining").asInt() + totals.path("peopleLosing").asInt()).isZero();
    keeper.delete("/api/draft");
    for (String method : List.of("get", "post", "delete")) {
      Browser ola = app.signedIn("ola.lindqvist");
      assertThat((method.equals("get") ? ola.get("/api/findings/mining") : method.equals("post") ? ola.post("/api/findings/mining", Map.of()) : ola.delete("/api/findings/mining")).status()).as("who keeps one library: " + method).isEqualTo(403);
    }
  }

  /** Begins to look and waits for what is found, as the page does. */
  private static JsonNode mined(Browser keeper) {
    assertThat(keeper.post("/api/findings/mining", Map.of()).status()).isEqualTo(202);
    long until = System.nanoTime() + Duration.ofMinutes(2).toNanos();
    JsonNode now = keeper.get("/api/findings/mining").body();
    while (now.path("found").isMissingNode()) {
      assertThat(System.nanoTime()).as("it does not end: %s", now).isLessThan(until);
      LockSupport.parkNanos(20_000_000);
      now = keeper.get("/api/findings/mining").body();
    }
    return now.path("found");
  }

  @Test
  void looking_for_fewer_entries_is_begun_by_asking_and_begun_anew_when_it_was_called_off(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    keeper.delete("/api/draft");
    keeper.post("/api/draft/changes", Map.of("kind", "setGroup", "name", "Another state", "group", "g-another-state"));
    keeper.putInForce(true);
    assertThat(keeper.get("/api/findings/mining").body().isEmpty()).as("of a new state nothing was begun").isTrue();
    keeper.post("/api/findings/mining", Map.of());
    assertThat(keeper.delete("/api/findings/mining").status()).isEqualTo(204);
    assertThat(mined(keeper).path("cut").asBoolean()).isFalse();
    assertThat(mined(keeper).path("proposals")).as("asked again it is the same").isEqualTo(mined(keeper).path("proposals"));
  }

  @Test
  void what_went_is_told_with_the_change_by_which_it_came_and_the_one_by_which_it_went(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    keeper.delete("/api/draft");
    keeper.post("/api/draft/changes", Map.of("kind", "setGroup", "name", "Not for long", "group", "g-not-for-long"));
    long came = keeper.putInForce(true).body().path("change").asLong();
    keeper.post("/api/draft/changes", Map.of("kind", "removeGroup", "group", "g-not-for-long"));
    long went = keeper.putInForce(true).body().path("change").asLong();
    JsonNode gone = keeper.get("/api/findings/gone?days=7").body();
    JsonNode one = gone.path("gone").valueStream().filter(each -> each.path("text").asString().contains("Not for long")).findFirst().orElseThrow();
    assertThat(one.path("came").path("change").path("number").asLong()).isEqualTo(came);
    assertThat(one.path("went").path("number").asLong()).isEqualTo(went);
    assertThat(one.path("byDate").asBoolean()).isFalse();
    assertThat(keeper.get("/api/findings/gone?days=0").status()).isEqualTo(422);
    assertThat(app.signedIn("ola.lindqvist").get("/api/findings/gone?days=7").body().toString()).as("a group that she may not know").doesNotContain("Not for long");
  }

  @Test
  void ones_own_draft_that_was_forgotten_is_found_and_nobody_else_s(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    keeper.delete("/api/draft");
    keeper.post("/api/draft/changes", Map.of("kind", "setGroup", "name", "Some day", "group", "g-some-day"));
    assertThat(all(keeper, "&rule=draft-forgotten").path("findings").path("total").asInt()).as("begun today").isZero();
    app.database().asOwner().sql("UPDATE drafts SET begun_at = begun_at - INTERVAL 31 DAY WHERE owner = 'wenna.carrow'").update();
    JsonNode found = all(keeper, "&rule=draft-forgotten").path("findings").path("items");
    assertThat(found.size()).isEqualTo(1);
    assertThat(found.get(0).path("about").asString()).isEqualTo("draft");
    assertThat(one(keeper, found.get(0).path("key").asString()).path("dated").asBoolean()).as("the journal does not know of drafts").isFalse();
    assertThat(all(app.signedIn("oriel.fenn"), "&rule=draft-forgotten").path("findings").path("total").asInt()).isZero();
    keeper.delete("/api/draft");
    assertThat(all(keeper, "&rule=draft-forgotten").path("findings").path("total").asInt()).as("at once").isZero();
  }

  @Test
  void what_people_did_is_told_of_what_one_may_know_alone(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    Browser ola = app.signedIn("ola.lindqvist");
    List<String> hers = all(ola, "&rule=break-without-reason").path("findings").path("items").valueStream().map(row -> row.path("aboutId").asString()).toList();
    assertThat(all(keeper, "&rule=break-without-reason").path("findings").path("total").asInt()).isGreaterThan(hers.size());
    assertThat(hers).isNotEmpty().allMatch(place -> ola.get("/api/places/" + place).status() == 200);
    assertThat(all(keeper, "&rule=duty-unused").path("findings").path("total").asInt()).isPositive();
    for (String rule : List.of("duty-unused", "right-unused")) {
      assertThat(all(ola, "&rule=" + rule).path("findings").path("total").asInt()).as(rule + ": of a part it cannot be said").isZero();
    }
  }

  @Test
  void what_has_been_private_or_frozen_for_too_long_is_found_by_the_journal(TestApplication app) {
    List<String> texts = all(app.signedIn("wenna.carrow"), "&rule=condition-too-long").path("findings").path("items").valueStream().map(row -> row.path("text").asString()).toList();
    assertThat(texts).anyMatch(text -> text.contains("has been checked out by")).anyMatch(text -> text.contains("has been frozen for")).anyMatch(text -> text.contains("has been private for"));
  }

  @Test
  void a_right_that_nobody_uses_is_found_once_openings_have_been_recorded_for_long_enough(TestApplication app) {
    Browser keeper = app.signedIn("wenna.carrow");
    JdbcClient owner = app.database().asOwner();
    String opened = "INSERT INTO openings (person, place, life, made_at, how) SELECT 'p-mia', p.id, p.life, :at, 'open' FROM places p JOIN place_states s ON s.place = p.id AND s.live = 1 WHERE s.parent = 'f-2406-survey' LIMIT 1";
    owner.sql("DELETE FROM openings").update();
    app.clock().goOn(Duration.ofMinutes(2));
    assertThat(all(keeper, "&rule=right-unused").path("findings").path("total").asInt()).as("nothing is recorded").isZero();
    assertThat(owner.sql(opened).param("at", Instants.toDatabase(app.clock().instant().minus(Duration.ofDays(200)))).update()).isEqualTo(1);
    app.clock().goOn(Duration.ofMinutes(2));
    List<String> unused = all(keeper, "&rule=right-unused").path("findings").path("items").valueStream().map(row -> row.path("text").asString()).toList();
    assertThat(unused).as("nothing was opened lately").anyMatch(text -> text.startsWith("Nobody of Team C-2406 has opened anything at Casualties / C-2406 Brannock Star"));
    owner.sql(opened).param("at", Instants.toDatabase(app.clock().instant().minus(Duration.ofDays(3)))).update();
    app.clock().goOn(Duration.ofMinutes(2));
    assertThat(all(keeper, "&rule=right-unused").path("findings").path("items").valueStream().map(row -> row.path("text").asString())).noneMatch(text -> text.startsWith("Nobody of Team C-2406 has opened anything at Casualties / C-2406 Brannock Star")).hasSizeLessThan(unused.size());
    owner.sql("DELETE FROM openings").update();
  }
}
