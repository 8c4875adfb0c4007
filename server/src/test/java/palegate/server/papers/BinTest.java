package palegate.server.papers;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.types.FieldFaults;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** What somebody deleted is theirs to put back for thirty days, as far as their rights, and walls, let them now (access rules, sections 7 and 9). */
@ExtendWith(InDemo.class)
class BinTest {
  private static final String HOME = "f-2417";

  /** A folder that no wall is drawn around, where she may add and delete from now on. */
  private static String home(TestApplication app) {
    SnapshotAt now = app.bean(Snapshots.class).current().snapshot().at(app.clock().instant());
    if (!now.rightsNow(now.snapshot().personNumber("p-ola"), now.snapshot().placeNumber(HOME)).contains(Right.DELETE)) {
      inForce(app.signedIn("wenna.carrow"), Map.of("kind", "addGrant", "place", HOME, "subject", Map.of("kind", "person", "id", "p-ola"), "role", "r-keeper", "entry", "e-home"));
    }
    return HOME;
  }

  private static String made(TestApplication app, Browser who, String name) {
    String id = who.post("/api/papers/places/" + home(app) + "/children", Map.of("name", name, "folder", false)).body().path("id").asString();
    assertThat(who.put("/api/places/" + id + "/content", "text/plain", ("What " + name + " says.").getBytes(StandardCharsets.UTF_8)).status()).isEqualTo(204);
    return id;
  }

  private static JsonNode inBin(Browser who, String name) {
    return who.get("/api/papers/bin").body().path("items").valueStream().filter(one -> one.path("name").asString().equals(name)).findFirst().orElse(null);
  }

  private static int putBack(Browser who, JsonNode one) {
    return who.post("/api/papers/bin/" + one.path("change").asLong() + "/return", Map.of()).status();
  }

  private static void inForce(Browser who, Map<String, Object> change) {
    assertThat(who.post("/api/draft/changes", change).status()).isLessThan(300);
    assertThat(who.putInForce(true).status()).isLessThan(300);
  }

  @Test
  void what_was_deleted_comes_back_with_its_content_its_versions_and_its_fields_and_only_once(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    String id = made(app, ola, "Bent shaft");
    ola.put("/api/places/" + id + "/content", "text/plain", "The shaft was bent.".getBytes(StandardCharsets.UTF_8));
    ola.post("/api/papers/places/" + id + "/description", Map.of("name", "Bent shaft", "labels", Map.of("sheet", "7")));
    assertThat(inBin(ola, "Bent shaft")).isNull();
    assertThat(ola.delete("/api/papers/places/" + id).status()).isEqualTo(204);
    JsonNode one = inBin(ola, "Bent shaft");
    assertThat(one.path("where").asString()).isNotBlank();
    assertThat(one.has("why")).isFalse();
    assertThat(ola.get("/api/papers/search?text=shaft").body().path("total").asInt()).isZero();
    assertThat(inBin(app.signedIn("mia.torrance"), "Bent shaft")).as("it is the deleter's alone").isNull();
    assertThat(putBack(app.signedIn("mia.torrance"), one)).isEqualTo(404);
    assertThat(putBack(ola, one)).isEqualTo(204);
    JsonNode back = ola.get("/api/papers/places/" + id).body();
    assertThat(back.path("versions")).hasSize(2);
    assertThat(back.path("others").path("sheet").asString()).isEqualTo("7");
    assertThat(new String(ola.get("/api/places/" + id + "/content").bytes(), StandardCharsets.UTF_8)).isEqualTo("The shaft was bent.");
    assertThat(inBin(ola, "Bent shaft")).isNull();
    assertThat(putBack(ola, one)).as("a second press").isEqualTo(404);
    assertThat(app.signedIn("wenna.carrow").get("/api/journal?limit=3").body().toString()).contains("Put back from the bin", "Ola Lindqvist");
  }

  @Test
  void what_was_private_comes_back_private(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    String id = made(app, ola, "Own notes");
    assertThat(ola.post("/api/papers/places/" + id + "/condition", Map.of("condition", "PRIVATE", "on", true)).status()).isEqualTo(204);
    assertThat(ola.delete("/api/papers/places/" + id).status()).isEqualTo(204);
    assertThat(putBack(ola, inBin(ola, "Own notes"))).isEqualTo(204);
    assertThat(ola.get("/api/papers/places/" + id).body().path("paper").path("conditions").toString()).contains("private");
    SnapshotAt now = app.bean(Snapshots.class).current().snapshot().at(app.clock().instant());
    assertThat(now.rightsNow(now.snapshot().personNumber("p-mia"), now.snapshot().placeNumber(id)).contains(Right.FIND)).isFalse();
  }

  @Test
  void after_thirty_days_it_is_no_longer_the_deleter_s_to_put_back(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    String id = made(app, ola, "Old list");
    ola.delete("/api/papers/places/" + id);
    JsonNode one = inBin(ola, "Old list");
    app.clock().set(app.clock().instant().plus(Duration.ofDays(30)).plusSeconds(1));
    Browser later = app.signedIn("ola.lindqvist");
    assertThat(inBin(later, "Old list")).isNull();
    assertThat(putBack(later, one)).isEqualTo(404);
  }

  @Test
  void whom_a_wall_keeps_from_it_by_now_is_not_told_that_it_was_there_nor_brings_it_back(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    Browser wenna = app.signedIn("wenna.carrow");
    String id = made(app, ola, "Walled off");
    ola.post("/api/papers/places/" + id + "/description", Map.of("name", "Walled off", "labels", Map.of("matter", "M-1")));
    ola.delete("/api/papers/places/" + id);
    JsonNode one = inBin(ola, "Walled off");
    assertThat(one).isNotNull();
    // It asks for a label that nothing else here has: Ola still finds the folder.
    inForce(wenna, Map.of("kind", "setWall", "wall", "w-bin", "name", "Matter one", "state", "STANDING", "barrier", "screen",
        "sides", List.of(Map.of("subjects", List.of(Map.of("kind", "person", "id", "p-ola")), "labels", Map.of("matter", List.of("M-1"))))));
    assertThat(ola.get("/api/papers/places/" + home(app)).status()).isEqualTo(200);
    assertThat(inBin(ola, "Walled off")).isNull();
    Browser.Answer refused = ola.post("/api/papers/bin/" + one.path("change").asLong() + "/return", Map.of());
    assertThat(refused.status()).isEqualTo(404);
    assertThat(refused.body().toString().replace(one.path("change").asString(), "N")).as("as of a change that deleted nothing")
        .isEqualTo(ola.post("/api/papers/bin/1/return", Map.of()).body().toString().replace("[1]", "[N]").replace("/1/", "/N/"));
  }

  @Test
  void who_may_no_longer_add_there_is_told_so_and_does_not_put_it_back(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    String id = made(app, ola, "Too late");
    ola.delete("/api/papers/places/" + id);
    inForce(app.signedIn("wenna.carrow"), Map.of("kind", "addWithholding", "place", home(app), "subject", Map.of("kind", "person", "id", "p-ola"), "rights", List.of("add"), "entry", "e-bin"));
    JsonNode one = inBin(ola, "Too late");
    assertThat(one.path("why").asString()).startsWith("You may not add this there.");
    assertThat(putBack(ola, one)).isEqualTo(403);
    assertThat(app.bean(Snapshots.class).current().snapshot().placeNumber(id)).isNegative();
  }

  @Test
  void what_lacks_what_its_type_requires_comes_back_as_it_was(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Snapshot before = app.bean(Snapshots.class).current().snapshot();
    List<Place> lack = before.places().mapToObj(before::place).filter(place -> place.isDocument() && place.type() != null && place.conditions().equals(Conditions.NONE)
        && !FieldFaults.of(before.structure().types().get(place.type()), place.labels(), Optional::of).isEmpty()).toList();
    // Of what walls, clearances or approvals hang on, nothing is deleted by right alone.
    Place lacking = lack.stream().filter(place -> wenna.delete("/api/papers/places/" + place.id()).status() == 204).findFirst().orElseThrow();
    assertThat(wenna.post("/api/papers/bin/" + inBin(wenna, lacking.name()).path("change").asLong() + "/return", Map.of())).as("%s", lacking).returns(204, Browser.Answer::status);
    assertThat(app.bean(Snapshots.class).current().snapshot().structure().places().get(lacking.id())).isEqualTo(lacking);
  }

  @Test
  void what_something_else_stands_in_the_way_of_is_refused_and_stays_in_the_bin(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    String folder = wenna.post("/api/papers/places/" + HOME + "/children", Map.of("name", "Drawings", "folder", true)).body().path("id").asString();
    assertThat(wenna.delete("/api/papers/places/" + folder).status()).isEqualTo(204);
    Browser.Answer second = wenna.post("/api/papers/places/" + HOME + "/children", Map.of("name", "Drawings", "folder", true));
    assertThat(second.status()).isEqualTo(201);
    JsonNode one = inBin(wenna, "Drawings");
    int status = putBack(wenna, one);
    boolean back = app.bean(Snapshots.class).current().snapshot().placeNumber(folder) >= 0;
    assertThat(status).as("it says whether it was put back").isEqualTo(back ? 204 : 409);
    assertThat(inBin(wenna, "Drawings") == null).isEqualTo(back);
  }

  @Test
  void an_appointment_an_entry_or_a_pass_that_went_with_it_is_not_given_again_by_the_right_to_add(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser ola = app.signedIn("ola.lindqvist");
    home(app);
    for (Map<String, Object> given : List.<Map<String, Object>>of(
        Map.of("kind", "addGrant", "subject", Map.of("kind", "person", "id", "p-mia"), "role", "r-keeper", "entry", "e-own"),
        Map.of("kind", "addOversight", "subject", Map.of("kind", "person", "id", "p-mia"), "entry", "o-own", "note", "To look after it"),
        Map.of("kind", "setSharing", "who", "NOBODY"),
        Map.of("kind", "setPass", "pass", "pa-bin", "role", "r-reader", "audience", List.of(Map.of("kind", "person", "id", "p-mia")), "maker", "p-wenna"))) {
      String id = made(app, ola, "Handed on");
      Map<String, Object> change = new HashMap<>(given);
      change.put("place", id);
      inForce(wenna, change);
      assertThat(ola.delete("/api/papers/places/" + id).status()).as("%s", given).isEqualTo(204);
      JsonNode one = inBin(ola, "Handed on");
      assertThat(one.path("why").asString()).as("%s", given).startsWith("It had an access list of its own, or said who shares it.");
      assertThat(putBack(ola, one)).as("%s", given).isEqualTo(403);
      assertThat(app.bean(Snapshots.class).current().snapshot().placeNumber(id)).isNegative();
    }
  }

  @Test
  void what_is_more_than_is_listed_is_counted(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    int before = wenna.get("/api/papers/bin").body().path("items").size();
    for (int i = 0; i < 203 - before; i++) {
      wenna.delete("/api/papers/places/" + wenna.post("/api/papers/places/" + HOME + "/children", Map.of("name", "Many " + i, "folder", false)).body().path("id").asString());
    }
    JsonNode bin = wenna.get("/api/papers/bin").body();
    assertThat(bin.path("items")).hasSize(200);
    assertThat(bin.path("more").asInt()).isEqualTo(3);
  }
}
