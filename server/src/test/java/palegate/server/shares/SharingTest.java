package palegate.server.shares;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.roles.Right;
import palegate.core.snapshot.SnapshotAt;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Section 11: people let others in up to their own rights, passes open for whom they are for, and taking back ends it at once – by whatever way it is tried. */
@ExtendWith(InDemo.class)
class SharingTest {
  /** A letter of the case that Mia works on, as everybody of its team. */
  private static final String LETTER = "d-10018";
  private static final String OTHER = "d-10019";
  private static final String NEVER = "0".repeat(64);

  /** Whom Mia works with she may name: Linnet Sayle is among the adjusters here, and still has nothing in a case that stands alone. */
  @BeforeEach
  void mia_works_with_linnet(TestApplication app) {
    if (app.bean(Snapshots.class).current().snapshot().structure().groups().get("g-adjusters").members().stream().noneMatch(one -> one.member().id().equals("p-113"))) {
      inForce(app.signedIn("wenna.carrow"), Map.of("kind", "addMember", "group", "g-adjusters", "member", "p-113", "memberKind", "person"));
    }
  }

  private static Map<String, Object> person(String id) {
    return Map.of("kind", "person", "id", id);
  }

  private static Map<String, Object> asked(String role, Instant until, Object... subjects) {
    Map<String, Object> asked = new HashMap<>(Map.of("subjects", List.of(subjects), "role", role));
    if (until != null) {
      asked.put("until", until.toString());
    }
    return asked;
  }

  private static Instant days(TestApplication app, int days) {
    return app.clock().instant().plus(Duration.ofDays(days));
  }

  private static JsonNode tried(Browser who, String place, Map<String, Object> asked) {
    Browser.Answer answer = who.post("/api/papers/places/" + place + "/sharing", asked);
    assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
    return answer.body();
  }

  private static Browser.Answer share(Browser who, String place, Map<String, Object> asked, String seen) {
    return who.post("/api/papers/places/" + place + "/shares", Map.of("share", asked, "tell", false, "seen", seen));
  }

  private static Browser.Answer share(Browser who, String place, Map<String, Object> asked) {
    return share(who, place, asked, tried(who, place, asked).path("digest").asString());
  }

  private static String pass(Browser who, String place, Map<String, Object> asked, Integer uses) {
    Map<String, Object> order = new HashMap<>(Map.of("pass", asked, "tell", false, "seen", tried(who, place, asked).path("digest").asString()));
    if (uses != null) {
      order.put("uses", uses);
    }
    Browser.Answer answer = who.post("/api/papers/places/" + place + "/passes", order);
    assertThat(answer.status()).as("%s", answer.body()).isEqualTo(201);
    return answer.body().path("id").asString();
  }

  private static boolean reads(TestApplication app, String person, String place) {
    SnapshotAt now = app.bean(Snapshots.class).current().snapshot().at(app.clock().instant());
    return now.rightsNow(now.snapshot().personNumber(person), now.snapshot().placeNumber(place)).contains(Right.READ);
  }

  private static JsonNode mine(Browser who, String place) {
    return who.get("/api/papers/shares").body().path("items").valueStream().filter(one -> one.path("place").asString().equals(place)).findFirst().orElse(null);
  }

  private static Browser.Answer takeBack(Browser who, String id) {
    Browser.Answer rehearsed = who.get("/api/papers/shares/" + id + "/taking-back");
    return rehearsed.status() == 200 ? who.post("/api/papers/shares/" + id + "/taking-back", Map.of("seen", rehearsed.body().path("digest").asString())) : rehearsed;
  }

  private static void inForce(Browser who, Map<String, Object> change) {
    assertThat(who.post("/api/draft/changes", change).status()).isLessThan(300);
    assertThat(who.putInForce(true).status()).isLessThan(300);
  }

  @Test
  void what_is_shared_lets_in_until_its_end_stands_in_the_register_and_is_taken_back_at_once(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    JsonNode offered = mia.get("/api/papers/places/" + LETTER + "/sharing").body();
    assertThat(offered.has("why")).isFalse();
    assertThat(offered.path("daysAtMost").asInt()).isEqualTo(56);
    assertThat(offered.path("proposed")).hasSize(3);
    assertThat(offered.path("roles").toString()).as("nothing above what the library lets share").contains("r-preparer").doesNotContain("r-curator");
    Map<String, Object> asked = asked("r-reader", days(app, 20), person("p-hesper"), person("p-113"));
    assertThat(tried(mia, LETTER, asked).path("gaining").asInt()).isPositive();
    assertThat(reads(app, "p-113", LETTER)).isFalse();
    assertThat(share(mia, LETTER, asked, NEVER).status()).as("what was not seen").isEqualTo(409);
    assertThat(reads(app, "p-113", LETTER)).isFalse();
    assertThat(share(mia, LETTER, asked).status()).isEqualTo(204);
    assertThat(reads(app, "p-113", LETTER)).isTrue();
    assertThat(share(mia, LETTER, asked).body().path("type").asString()).as("a second time it gives nothing").endsWith(":gives-nothing");
    Browser wenna = app.signedIn("wenna.carrow");
    assertThat(wenna.get("/api/shares?show=SHARES&place=" + LETTER).body().path("items").toString()).contains("Mia Torrance", "Linnet Sayle");
    assertThat(wenna.get("/api/shares?maker=p-mia").body().path("items").valueStream().map(one -> one.path("maker").path("id").asString())).as("what she answers for").isNotEmpty().containsOnly("p-mia");
    assertThat(wenna.get("/api/shares?maker=never-was").body().path("total").asInt()).isZero();
    assertThat(wenna.get("/api/places/" + LETTER + "/access").body().toString()).contains("\"sharedBy\":\"Mia Torrance\"");
    assertThat(wenna.get("/api/journal?limit=3").body().toString()).contains("Shared", "Mia Torrance");
    String one = mine(mia, LETTER).path("id").asString();
    assertThat(takeBack(app.signedIn("hesper.vance"), one)).as("nobody else’s to take back").returns(404, Browser.Answer::status);
    mia.get("/api/papers/shares").body().path("items").valueStream().filter(item -> item.path("place").asString().equals(LETTER)).map(item -> item.path("id").asString()).toList()
        .forEach(id -> assertThat(takeBack(mia, id).status()).isEqualTo(204));
    assertThat(reads(app, "p-113", LETTER)).isFalse();
    assertThat(mine(mia, LETTER)).isNull();
  }

  @Test
  void nobody_shares_more_than_they_have_nor_where_they_may_not_nor_longer_nor_with_whom_the_place_does_not_allow(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    assertThat(tried(mia, OTHER, asked("r-keeper", days(app, 5), person("p-113"))).path("obstacles").toString()).contains("at most", "share govern");
    for (Map<String, Object> wrong : List.of(asked("r-keeper", days(app, 5), person("p-113")), asked("r-reader", days(app, 57), person("p-113")), asked("r-reader", null, person("p-113")))) {
      Browser.Answer refused = share(mia, OTHER, wrong);
      assertThat(refused.status()).as("%s", wrong).isEqualTo(422);
      assertThat(refused.body().path("faults")).isNotEmpty();
    }
    assertThat(share(mia, "lib-charts", asked("r-reader", days(app, 5), person("p-113"))).status()).as("where she may only read").isEqualTo(422);
    assertThat(mia.post("/api/papers/places/f-2411/sharing", asked("r-reader", days(app, 5), person("p-113")))).as("behind a wall").returns(404, Browser.Answer::status)
        .satisfies(hidden -> assertThat(hidden.body().toString().replace("f-2411", "ID")).isEqualTo(mia.post("/api/papers/places/f-9999/sharing", asked("r-reader", days(app, 5), person("p-113"))).body().toString().replace("f-9999", "ID")));
    assertThat(mia.post("/api/papers/places/" + OTHER + "/sharing", asked("r-reader", days(app, 5), person("p-nobody"))).status()).as("whom she does not know").isEqualTo(404);
    assertThat(mia.post("/api/papers/places/" + OTHER + "/shares", Map.of()).status()).isEqualTo(400);
    JsonNode all = mia.get("/api/papers/recipients?text=").body();
    assertThat(all.path("items")).hasSize(30);
    assertThat(all.path("total").asInt()).as("a list that is cut says how long it is").isGreaterThan(30);
    Map<String, Object> odd = new HashMap<>(asked("r-reader", days(app, 5), person("p-113")));
    odd.put("note", "a\u0000b");
    assertThat(mia.post("/api/papers/places/" + OTHER + "/sharing", odd).status()).as("what cannot be kept is refused for what it is").isEqualTo(422);
    odd.put("note", "Why");
    odd.put("until", "+12000-01-01T00:00:00Z");
    assertThat(mia.post("/api/papers/places/" + OTHER + "/sharing", odd).body().path("faults").toString()).contains("12000");
    assertThat(reads(app, "p-113", OTHER)).isFalse();
  }

  @Test
  void no_draft_is_a_way_round_the_limits_of_sharing(TestApplication app) {
    Map<String, Object> forged = Map.of("kind", "addShare", "place", OTHER, "subject", person("p-113"), "role", "r-keeper", "sharedBy", "p-ola", "entry", "e-forged");
    assertThat(app.signedIn("mia.torrance").post("/api/draft/changes", forged).status()).as("without a duty there is no draft").isEqualTo(403);
    Browser ola = app.signedIn("ola.lindqvist");
    assertThat(ola.post("/api/draft/changes", forged).status()).as("above the ceiling of her duty").isEqualTo(403);
    assertThat(ola.post("/api/draft/changes", Map.of("kind", "openPass", "pass", "pa-fee", "person", "p-ola")).body().path("type").asString()).as("a pass is opened at its address").endsWith(":duty-missing");
    assertThat(ola.post("/api/draft/changes", Map.of("kind", "setSharing", "place", "root", "who", "SHARERS", "outsiders", true)).status()).as("outside her library").isEqualTo(403);
    ola.discardDrafts();
    Browser mia = app.signedIn("mia.torrance");
    Map<String, Object> week = asked("r-reader", days(app, 5), person("p-113"));
    assertThat(share(mia, OTHER, week, tried(mia, OTHER, week).path("digest").asString()).status()).isEqualTo(204);
    String id = mine(mia, OTHER).path("id").asString();
    assertThat(ola.post("/api/draft/changes", Map.of("kind", "takeBackShare", "place", OTHER, "entry", id)).status()).isLessThan(300);
    assertThat(ola.post("/api/draft/changes", Map.of("kind", "addShare", "place", OTHER, "subject", person("p-113"), "role", "r-reader", "until", days(app, 200), "sharedBy", "p-mia", "entry", id)).body().toString())
        .as("for longer, in Mia’s name, in the place of what she shares").contains("somebody else’s name");
    ola.discardDrafts();
    assertThat(mia.post("/api/papers/shares/" + id + "/taking-back", Map.of("seen", mia.get("/api/papers/shares/" + id + "/taking-back").body().path("digest").asString())).status()).isEqualTo(204);
  }

  @Test
  void what_is_confirmed_is_what_was_shown(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    Map<String, Object> surveyors = asked("r-preparer", days(app, 5), Map.of("kind", "group", "id", "g-surveyors"));
    String seen = tried(mia, OTHER, surveyors).path("digest").asString();
    inForce(app.signedIn("wenna.carrow"), Map.of("kind", "addMember", "group", "g-surveyors", "member", "p-113", "memberKind", "person"));
    assertThat(share(mia, OTHER, surveyors, seen).status()).as("somebody more would be let in by now").isEqualTo(409);
    assertThat(mine(mia, OTHER)).isNull();
    inForce(app.signedIn("wenna.carrow"), Map.of("kind", "removeMember", "group", "g-surveyors", "member", "p-113", "memberKind", "person"));
  }

  @Test
  void a_pass_opens_for_whom_it_is_for_as_long_as_its_maker_could_share(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    Browser hesper = app.signedIn("hesper.vance");
    Browser linnet = app.signedIn("linnet.sayle");
    String place = "d-10020";
    String id = pass(mia, place, asked("r-reader", days(app, 30), person("p-hesper"), person("p-113")), 1);
    assertThat(reads(app, "p-113", place)).as("a pass gives nothing until it is opened").isFalse();
    Browser.Answer stranger = app.signedIn("ferris.oake").get("/api/papers/passes/" + id);
    assertThat(stranger.status()).isEqualTo(404);
    assertThat(stranger.body().toString().replace(id, "ID")).isEqualTo(app.signedIn("ferris.oake").get("/api/papers/passes/pa-never").body().toString().replace("pa-never", "ID"));
    JsonNode offered = linnet.get("/api/papers/passes/" + id).body();
    assertThat(offered.path("maker").asString()).isEqualTo("Mia Torrance");
    assertThat(offered.has("placeId")).as("where it stands is told once one is in").isFalse();
    assertThat(linnet.post("/api/papers/passes/" + id + "/opening", Map.of()).body().path("place").asString()).isEqualTo(place);
    assertThat(linnet.post("/api/papers/passes/" + id + "/opening", Map.of()).status()).as("again: they are in").isEqualTo(200);
    assertThat(reads(app, "p-113", place)).isTrue();
    assertThat(hesper.post("/api/papers/passes/" + id + "/opening", Map.of()).body().path("detail").asString()).contains("as many people as it was made for");
    Browser wenna = app.signedIn("wenna.carrow");
    String entry = wenna.get("/api/places/" + place + "/access").body().path("lines").valueStream().map(line -> line.path("entry")).filter(one -> one.path("pass").asBoolean()).findFirst().orElseThrow().path("id").asString();
    inForce(wenna, Map.of("kind", "removeGrant", "place", place, "entry", entry));
    assertThat(reads(app, "p-113", place)).isFalse();
    assertThat(linnet.post("/api/papers/passes/" + id + "/opening", Map.of()).status()).as("what a keeper took away does not come back by the same address").isEqualTo(409);
    String other = pass(mia, place, asked("r-reader", days(app, 30), person("p-hesper"), person("p-113")), null);
    Instant now = app.clock().instant();
    app.clock().set(now.plus(Duration.ofDays(4)));
    assertThat(app.signedIn("linnet.sayle").post("/api/papers/passes/" + other + "/opening", Map.of()).body().path("detail").asString()).as("her time in the team is over").contains("could not share this any more");
    app.clock().set(now);
    assertThat(app.signedIn("linnet.sayle").post("/api/papers/passes/" + other + "/opening", Map.of()).status()).isEqualTo(200);
    assertThat(takeBack(app.signedIn("mia.torrance"), other).status()).isEqualTo(204);
    assertThat(reads(app, "p-113", place)).as("taking a pass back ends what was opened through it").isFalse();
    assertThat(app.signedIn("linnet.sayle").get("/api/papers/passes/" + other).status()).isEqualTo(404);
  }

  @Test
  void a_wall_ends_a_share_and_hides_a_pass_with_the_next_request(TestApplication app) {
    Browser mia = app.signedIn("mia.torrance");
    String place = "d-10022";
    Browser linnet = app.signedIn("linnet.sayle");
    assertThat(share(mia, place, asked("r-reader", days(app, 10), person("p-113"))).status()).isEqualTo(204);
    String id = pass(mia, place, asked("r-preparer", days(app, 10), person("p-113")), null);
    assertThat(linnet.get("/api/papers/passes/" + id).status()).isEqualTo(200);
    inForce(app.signedIn("wenna.carrow"), Map.of("kind", "setWall", "wall", "w-share", "name", "Letters", "state", "STANDING", "barrier", "screen",
        "sides", List.of(Map.of("subjects", List.of(person("p-113"), person("p-mia")), "places", List.of(place)))));
    assertThat(reads(app, "p-113", place)).isFalse();
    assertThat(linnet.get("/api/papers/passes/" + id).status()).isEqualTo(404);
    assertThat(linnet.post("/api/papers/passes/" + id + "/opening", Map.of()).status()).isEqualTo(404);
    assertThat(mine(mia, place)).as("nor does its maker, whom it bars too, hear of it").isNull();
    assertThat(mia.get("/api/papers/shares/" + id + "/taking-back").status()).isEqualTo(404);
    assertThat(app.signedIn("wenna.carrow").get("/api/walls/w-share/ties").body().toString()).as("those kept out who share and who hold a pass").contains("SHARES", "SHARED_WITH", "HAS_PASS");
    inForce(app.signedIn("wenna.carrow"), Map.of("kind", "removeWall", "wall", "w-share"));
  }

  @Test
  void a_draft_that_brings_somebody_to_hold_together_what_is_kept_apart_says_so_and_waits_for_a_second_person(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    List<Map<String, Object>> sides = List.of(Map.of("roles", List.of("r-preparer"), "types", List.of("fee")), Map.of("roles", List.of("r-keeper"), "types", List.of("fee")));
    inForce(wenna, Map.of("kind", "setSeparation", "separation", "se-fees", "name", "Fee notes", "within", "PLACE", "needsApproval", true, "sides", sides));
    assertThat(wenna.post("/api/draft/changes", Map.of("kind", "setSeparation", "separation", "se-fees", "name", "Fee notes", "within", "PLACE", "needsApproval", false, "sides", sides)).status()).isLessThan(300);
    assertThat(wenna.putInForce(true).body().path("type").asString()).as("that it asks no longer is itself for a second person").endsWith(":approval-missing");
    wenna.discardDrafts();
    assertThat(wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-cas", "subject", person("p-teodor"), "role", "r-preparer", "entry", "e-both")).status()).isLessThan(300);
    JsonNode rehearsed = wenna.get("/api/draft/rehearsal").body();
    assertThat(rehearsed.path("separationsBroken").toString()).contains("Teodor Brask", "Fee notes");
    assertThat(wenna.putInForce(true).body().path("type").asString()).endsWith(":approval-missing");
    wenna.discardDrafts();
    assertThat(wenna.get("/api/separations").body().path(0).path("broken").asInt()).isPositive();
  }
}
