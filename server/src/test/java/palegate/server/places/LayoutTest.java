package palegate.server.places;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

@ExtendWith(InDemo.class)
class LayoutTest {
  @Test
  void an_outline_becomes_places_one_below_the_other_and_is_shown_before_it_is_drafted(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode read = wenna.post("/api/places/root/outline", Map.of("text", "Insurers\n  Hull\n    policy.pdf = Policy\n  Cargo\nBrokers")).body();
    assertThat(read.path("items").valueStream().map(item -> item.path("kind").asString() + " " + item.path("depth").asInt()))
        .containsExactly("library 0", "folder 1", "document 2", "folder 1", "library 0");
    JsonNode draft = wenna.post("/api/draft/changes/many", Map.of("changes", read.path("changes"))).body();
    assertThat(draft.path("items")).hasSize(5);
    String library = read.path("changes").get(0).path("place").asString();
    assertThat(wenna.get("/api/places/" + library + "/children?drafted=true").body().valueStream().map(child -> child.path("name").asString())).containsExactly("Cargo", "Hull");
    JsonNode detail = wenna.get("/api/places/" + read.path("changes").get(2).path("place").asString()).body();
    assertThat(detail.path("made").asBoolean()).isTrue();
    assertThat(detail.path("path").valueStream().map(post -> post.path("name").asString())).containsExactly("Sallowpoint repository", "Insurers", "Hull", "policy.pdf");
  }

  @Test
  void every_fault_of_an_outline_is_named_with_its_line(TestApplication app) {
    JsonNode read = app.signedIn("wenna.carrow").post("/api/places/root/outline", Map.of("text", "paper.pdf\nBrokers\n  a.pdf = Scroll\n    below")).body();
    assertThat(read.path("faults").valueStream().map(fault -> fault.path("line").asInt())).containsExactlyInAnyOrder(1, 3, 4);
    assertThat(read.path("changes")).isEmpty();
  }

  @Test
  void moving_a_place_tells_what_its_people_gain_and_lose(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode totals = wenna.post("/api/draft/changes", Map.of("kind", "movePlace", "place", "lib-acc-2026-contracts", "parent", "lib-hand")).body().path("totals");
    assertThat(totals.path("peopleGaining").asInt()).as("all staff read the handbook").isPositive();
    assertThat(totals.path("peopleLosing").asInt()).as("accounts curate their own library").isPositive();
    assertThat(wenna.post("/api/draft/changes", Map.of("kind", "movePlace", "place", "lib-hand", "parent", "lib-acc")).status()).as("a library stands below the repository").isEqualTo(422);
  }

  @Test
  void the_register_lists_every_break_with_what_it_does_since_when_and_why(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    JsonNode breaks = oriel.get("/api/places/root/breaks").body();
    assertThat(breaks.path("total").asInt()).isEqualTo(oriel.get("/api/repository").body().path("breaksBelow").asInt());
    JsonNode tenders = find(breaks, "lib-ten");
    assertThat(tenders.path("since").path("author").asString()).isEqualTo("Wenna Carrow");
    assertThat(tenders.path("since").path("note").asString()).startsWith("Tenders are for management");
    JsonNode ebbWarden = find(oriel.get("/api/places/root/breaks?sameOnly=true").body(), "f-2513");
    assertThat(ebbWarden.path("sameAsParent").asBoolean()).as("nobody noticed that it says what its parent says").isTrue();
  }

  private static JsonNode find(JsonNode page, String place) {
    return page.path("items").valueStream().filter(one -> one.path("place").asString().equals(place)).findFirst().orElseGet(() -> page.path("none"));
  }

  @Test
  void content_is_for_people_with_rights_whatever_their_duties(TestApplication app) throws Exception {
    Browser wenna = app.signedIn("wenna.carrow");
    String letter = wenna.get("/api/places?text=Letter%2001").body().path("items").get(0).path("id").asString();
    assertThat(wenna.put("/api/places/" + letter + "/content", "text/plain", "Dear Sirs".getBytes()).status()).isEqualTo(204);
    assertThat(new String(wenna.get("/api/places/" + letter + "/content").bytes())).isEqualTo("Dear Sirs");
    assertThat(wenna.put("/api/places/" + letter + "/content", "application/pdf", "no pdf at all".getBytes()).status()).isEqualTo(422);
    assertThat(wenna.put("/api/places/" + letter + "/content", "text/plain", new byte[3_000_000]).status()).isIn(413, 422);
    assertThat(wenna.put("/api/places/" + letter + "/content", "text/html", "<b>".getBytes()).status()).isEqualTo(422);
    Browser oriel = app.signedIn("oriel.fenn");
    assertThat(oriel.get("/api/places/" + letter + "/content").status()).isEqualTo(403);
    assertThat(oriel.get("/api/places/" + letter + "/content/about").body().has("bytes")).as("not even its size").isFalse();
  }

  @Test
  void a_list_is_kept_under_a_name_and_gives_nobody_anything(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode kept = wenna.post("/api/list-templates", Map.of("name", "Case file", "lines", List.of(Map.of("subject", Map.of("kind", "group", "id", "g-keepers"),
        "subjectName", "Keepers", "role", "r-keeper")))).body();
    assertThat(kept.get(0).path("lines").get(0).path("role").asString()).isEqualTo("r-keeper");
    assertThat(wenna.post("/api/list-templates", Map.of("name", "Case file", "lines", List.of())).status()).isEqualTo(422);
    assertThat(wenna.delete("/api/list-templates/" + kept.get(0).path("id").asLong()).status()).isEqualTo(204);
    assertThat(wenna.get("/api/list-templates").body()).isEmpty();
    assertThat(wenna.get("/api/draft").body().path("items")).isEmpty();
  }
}
