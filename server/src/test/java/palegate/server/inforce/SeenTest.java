package palegate.server.inforce;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.jdbc.core.simple.JdbcClient;
import palegate.server.store.StructureStore;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** What holds is what was seen (access rules, section 8): putting in force, approving and scheduling name the rehearsal that was shown. */
@ExtendWith(InDemo.class)
class SeenTest {
  private static final Map<String, Object> MIA = Map.of("kind", "person", "id", "p-mia");

  private static void draft(Browser browser, Map<String, Object> change) {
    Browser.Answer answer = browser.post("/api/draft/changes", change);
    assertThat(answer.status()).as("%s", answer.body()).isEqualTo(201);
  }

  private static Map<String, Object> grantTo(String group, String place) {
    return Map.of("kind", "addGrant", "place", place, "subject", Map.of("kind", "group", "id", group), "role", "r-reader");
  }

  private static Map<String, Object> join(String group, String person) {
    return Map.of("kind", "addMember", "group", group, "memberKind", "person", "member", person);
  }

  private static String newGroup(Browser browser) {
    String group = "g-" + UUID.randomUUID();
    draft(browser, Map.of("kind", "setGroup", "group", group, "name", "Group " + group));
    assertThat(browser.putInForce(false).status()).isEqualTo(200);
    return group;
  }

  private static String outsider(TestApplication app) {
    return app.bean(palegate.server.store.Snapshots.class).current().snapshot().people().stream()
        .filter(person -> person.external() && person.active()).findFirst().orElseThrow().id();
  }

  private static long head(TestApplication app) {
    return app.bean(StructureStore.class).head();
  }

  @AfterEach
  void clear(TestApplication app) {
    for (String login : List.of("wenna.carrow", "teodor.brask")) {
      app.signedIn(login).discardDrafts();
    }
  }

  @Test
  void a_draft_that_would_give_more_than_was_seen_is_not_put_in_force_and_the_old_is_shown_against_the_new(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser teodor = app.signedIn("teodor.brask");
    String group = newGroup(wenna);
    draft(wenna, grantTo(group, "lib-board"));
    Map<String, Object> seen = wenna.order(false);
    draft(teodor, join(group, outsider(app)));
    assertThat(teodor.putInForce(false).status()).isEqualTo(200);
    long head = head(app);

    Browser.Answer refused = wenna.post("/api/draft/in-force", seen);

    assertThat(refused.status()).isEqualTo(409);
    assertThat(refused.problem()).isEqualTo("difference-moved");
    assertThat(refused.body().path("totalsSeen").path("outsidersGaining").asInt()).isZero();
    assertThat(refused.body().path("totalsNow").path("outsidersGaining").asInt()).isEqualTo(1);
    assertThat(refused.body().path("people")).singleElement().satisfies(person -> {
      assertThat(person.path("outsider").asBoolean()).isTrue();
      assertThat(person.path("now").path("placesGaining").asInt()).isPositive();
      assertThat(person.has("seen")).isFalse();
    });
    assertThat(head(app)).as("nothing happened").isEqualTo(head);
    assertThat(wenna.putInForce(false).status()).as("what is seen now may hold").isEqualTo(200);
  }

  @Test
  void a_change_elsewhere_that_makes_no_difference_to_the_draft_is_no_reason_to_refuse_it(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser teodor = app.signedIn("teodor.brask");
    String group = newGroup(wenna);
    draft(wenna, join(group, "p-mia"));
    Map<String, Object> seen = wenna.order(false);
    draft(teodor, Map.of("kind", "renamePlace", "place", "f-2417", "name", "Grey Pilgrim " + UUID.randomUUID()));
    assertThat(teodor.putInForce(false).status()).isEqualTo(200);
    assertThat(wenna.post("/api/draft/in-force", seen).status()).isEqualTo(200);
  }

  @Test
  void an_instant_that_has_passed_since_it_was_shown_makes_it_another_difference(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Instant soon = app.clock().instant().plus(Duration.ofMinutes(30));
    draft(wenna, Map.of("kind", "addGrant", "place", "lib-people", "subject", MIA, "role", "r-reader", "from", soon.toString()));
    Map<String, Object> seen = wenna.order(false);
    app.clock().goOn(Duration.ofHours(1));
    assertThat(wenna.post("/api/draft/in-force", seen).problem()).isEqualTo("difference-moved");
    JsonNode tray = wenna.get("/api/draft").body();
    assertThat(tray.path("totals").path("peopleGaining").asInt()).as("the tray has gone on with the clock").isEqualTo(1);
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
  }

  @Test
  void a_digest_of_something_else_is_refused_and_so_is_none(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    draft(wenna, Map.of("kind", "addGrant", "place", "lib-ten", "subject", MIA, "role", "r-reader"));
    Map<String, Object> order = wenna.order(false);
    order.put("seen", Map.of("change", 999_999, "digest", "0".repeat(64), "at", app.clock().instant().toString()));
    assertThat(wenna.post("/api/draft/in-force", order).problem()).isEqualTo("difference-moved");
    order.remove("seen");
    assertThat(wenna.post("/api/draft/in-force", order).status()).isEqualTo(422);
    order.put("seen", Map.of("change", 1, "digest", "short", "at", app.clock().instant().toString()));
    assertThat(wenna.post("/api/draft/in-force", order).status()).isEqualTo(422);
  }

  @Test
  void accepted_lock_outs_are_those_that_were_shown(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser teodor = app.signedIn("teodor.brask");
    draft(wenna, Map.of("kind", "break", "place", "f-2423", "start", "CARRY_OVER"));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    JsonNode lines = wenna.get("/api/places/f-2423/access").body().path("lines");
    List<String> keepers = lines.valueStream().filter(line -> line.path("entry").path("role").asString("").equals("Keeper")).map(line -> line.path("entry").path("id").asString()).toList();
    draft(wenna, Map.of("kind", "addGrant", "place", "f-2423", "subject", Map.of("kind", "person", "id", "p-teodor"), "role", "r-keeper", "entry", "e-own"));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    // Wenna takes the keepers away while Teodor still governs: nothing is locked.
    keepers.forEach(keeper -> draft(wenna, Map.of("kind", "removeGrant", "place", "f-2423", "entry", keeper)));
    JsonNode tray = wenna.get("/api/draft").body();
    assertThat(tray.path("lockOuts").asInt()).isZero();
    Map<String, Object> seen = wenna.order(true);
    // Meanwhile Teodor is made inactive: the very same draft would now lock the place.
    JsonNode person = teodor.get("/api/people/p-teodor").body();
    assertThat(person).isNotNull();
    draft(teodor, Map.of("kind", "setPerson", "person", "p-teodor", "name", "Teodor Brask", "login", "teodor.brask", "external", false, "active", false));
    assertThat(teodor.putInForce(false).status()).isEqualTo(200);
    assertThat(wenna.post("/api/draft/in-force", seen).problem()).isEqualTo("difference-moved");
    wenna.delete("/api/draft");
    draft(wenna, Map.of("kind", "setPerson", "person", "p-teodor", "name", "Teodor Brask", "login", "teodor.brask", "external", false, "active", true));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
  }

  private static JsonNode foreseen(Browser browser, long draft, Instant at) {
    return browser.get("/api/drafts/" + draft + "/foreseen?at=" + at).body();
  }

  private static Browser.Answer schedule(Browser browser, long draft, Instant at, JsonNode foreseen) {
    return browser.post("/api/drafts/" + draft + "/schedule", Map.of("version", foreseen.path("version").asInt(), "seen", foreseen.path("seen"),
        "at", at.toString(), "note", "as agreed", "acceptLockOuts", false));
  }

  @Test
  void a_scheduled_draft_stops_if_it_would_do_something_else_than_when_it_was_scheduled(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser teodor = app.signedIn("teodor.brask");
    String group = newGroup(wenna);
    draft(wenna, grantTo(group, "lib-board"));
    long draft = wenna.get("/api/draft").body().path("id").asLong();
    Instant at = app.clock().instant().plus(Duration.ofHours(1));
    assertThat(schedule(wenna, draft, at, foreseen(wenna, draft, at)).status()).isEqualTo(200);
    draft(teodor, join(group, outsider(app)));
    assertThat(teodor.putInForce(false).status()).isEqualTo(200);
    long head = head(app);
    app.clock().goOn(Duration.ofHours(2));
    app.bean(DueDrafts.class).run();
    assertThat(head(app)).isEqualTo(head);
    assertThat(wenna.get("/api/drafts/" + draft).body().path("draft").path("stopped").asString()).contains("Something was changed elsewhere");
  }

  @Test
  void what_begins_by_date_before_its_hour_is_part_of_what_was_shown_when_it_was_scheduled(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Instant begins = app.clock().instant().plus(Duration.ofMinutes(10));
    Instant at = app.clock().instant().plus(Duration.ofHours(1));
    String group = newGroup(wenna);
    draft(wenna, Map.of("kind", "addMember", "group", group, "memberKind", "person", "member", "p-mia", "from", begins.toString()));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    draft(wenna, grantTo(group, "lib-board"));
    long draft = wenna.get("/api/draft").body().path("id").asLong();
    JsonNode seen = foreseen(wenna, draft, at);
    assertThat(wenna.get("/api/draft").body().path("totals").path("peopleGaining").asInt()).as("now nobody is in it").isZero();
    assertThat(seen.path("totals").path("peopleGaining").asInt()).as("at its hour Mia is").isEqualTo(1);
    assertThat(schedule(wenna, draft, at, seen).status()).isEqualTo(200);
    long head = head(app);
    app.clock().set(at.plusSeconds(3));
    app.bean(DueDrafts.class).run();
    assertThat(head(app)).isEqualTo(head + 1);
  }

  @Test
  void one_scheduled_draft_that_fails_does_not_keep_the_others_waiting_and_says_so_to_its_author(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Instant at = app.clock().instant().plus(Duration.ofHours(1));
    draft(wenna, Map.of("kind", "addGrant", "place", "lib-ten", "subject", MIA, "role", "r-reader"));
    long poison = wenna.get("/api/draft").body().path("id").asLong();
    assertThat(schedule(wenna, poison, at, foreseen(wenna, poison, at)).status()).isEqualTo(200);
    wenna.post("/api/drafts", Map.of("name", "The next"));
    draft(wenna, Map.of("kind", "renamePlace", "place", "f-2417", "name", "Behind the poison " + UUID.randomUUID()));
    long next = wenna.get("/api/draft").body().path("id").asLong();
    assertThat(schedule(wenna, next, at, foreseen(wenna, next, at)).status()).isEqualTo(200);
    JdbcClient jdbc = app.database().asOwner();
    jdbc.sql("ALTER TABLE grants ADD CONSTRAINT fail_here CHECK (place <> 'lib-ten' OR subject_person IS NULL OR ended IS NOT NULL OR began < 3)").update();
    long head = head(app);
    try {
      app.clock().goOn(Duration.ofHours(2));
      app.bean(DueDrafts.class).run();
    } finally {
      jdbc.sql("ALTER TABLE grants DROP CONSTRAINT fail_here").update();
    }
    assertThat(head(app)).as("the other one is in force").isEqualTo(head + 1);
    JsonNode stopped = wenna.get("/api/drafts/" + poison).body().path("draft");
    assertThat(stopped.path("stopped").asString()).contains("could not put it in force").doesNotContain("does not answer");
    assertThat(stopped.has("dueAt")).as("it is not tried again for ever").isFalse();
  }
}
