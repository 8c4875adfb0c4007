package palegate.server.places;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/**
 * A running server goes on from one state to the next without numbering everything anew. Whatever it answers after places have
 * moved, gone and come must be what a server answers that has just read the same from the database.
 */
@Order(4)
@ExtendWith(InDemo.class)
class MovedPlacesTest {
  private static final String CASE = "f-2406";

  private static Browser.Answer draft(Browser browser, Map<String, Object> change) {
    Browser.Answer answer = browser.post("/api/draft/changes", change);
    assertThat(answer.status()).as("%s", answer.body()).isLessThan(300);
    return answer;
  }

  private static long putInForce(Browser browser, String request) {
    Map<String, Object> order = browser.order(true);
    order.put("request", request);
    Browser.Answer answer = browser.post("/api/draft/in-force", order);
    assertThat(answer.status()).as("%s", answer.body()).isEqualTo(200);
    return answer.body().path("change").asLong();
  }

  /** What an auditor sees: the tree, the breaks, who is where, what a person reaches, everyone everywhere. */
  private static Map<String, String> seenBy(Browser auditor) {
    Map<String, String> seen = new LinkedHashMap<>();
    addBelow(auditor, "root", seen);
    for (String path : List.of("/api/repository", "/api/places/root/breaks?limit=200", "/api/places/" + CASE, "/api/places/" + CASE + "/access", "/api/places/" + CASE + "/people",
        "/api/places?text=brannock", "/api/statements/pairs?about=PLACE&id=root&limit=200&documents=true", "/api/statements/pairs?about=PERSON&id=p-teodor&limit=200&documents=true",
        "/api/people?limit=200", "/api/types", "/api/units?limit=200")) {
      Browser.Answer answer = auditor.get(path);
      assertThat(answer.status()).as(path).isEqualTo(200);
      seen.put(path, answer.body().toString());
    }
    return seen;
  }

  private static void addBelow(Browser auditor, String place, Map<String, String> seen) {
    String path = "/api/places/" + place + "/children";
    JsonNode children = auditor.get(path).body();
    seen.put(path, children.toString());
    children.valueStream().filter(child -> !child.path("kind").asString().equals("document")).map(child -> child.path("id").asString()).toList()
        .forEach(child -> addBelow(auditor, child, seen));
  }

  private static List<String> documentsBelow(Browser browser, String place) {
    List<String> found = new ArrayList<>();
    browser.get("/api/places/" + place + "/children").body().valueStream().forEach(child -> {
      if (child.path("kind").asString().equals("document")) {
        found.add(child.path("id").asString());
      } else {
        found.addAll(documentsBelow(browser, child.path("id").asString()));
      }
    });
    return found;
  }

  @Test
  void a_server_that_went_on_answers_what_one_answers_that_has_just_begun(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    List<String> documents = documentsBelow(wenna, "lib-acc");
    draft(wenna, Map.of("kind", "movePlace", "place", CASE, "parent", "lib-acc"));
    draft(wenna, Map.of("kind", "removePlace", "place", documents.get(0)));
    JsonNode made = draft(wenna, Map.of("kind", "addPlace", "placeKind", "folder", "parent", CASE, "name", "Closed")).body();
    String folder = made.path("items").get(2).path("aboutId").asString();
    draft(wenna, Map.of("kind", "movePlace", "place", documents.get(1), "parent", folder));
    draft(wenna, Map.of("kind", "setUnit", "name", "Archive"));
    draft(wenna, Map.of("kind", "setType", "name", "Closing note", "guarded", true, "libraries", List.of(), "fields", List.of()));
    draft(wenna, Map.of("kind", "setPerson", "name", "Aaron Late", "external", false, "active", true));
    putInForce(wenna, "moved");
    // A second change is made from a state that is no longer numbered in order.
    draft(wenna, Map.of("kind", "movePlace", "place", folder, "parent", "lib-hand"));
    draft(wenna, Map.of("kind", "renamePlace", "place", CASE, "name", "C-2406 Brannock Star, closed"));
    putInForce(wenna, "moved again");

    Map<String, String> went = seenBy(app.signedIn("oriel.fenn"));
    app.restart();
    Map<String, String> began = seenBy(app.signedIn("oriel.fenn"));
    assertThat(went.keySet()).containsExactlyElementsOf(began.keySet());
    began.forEach((path, answer) -> assertThat(went.get(path)).as(path).isEqualTo(answer));
  }

  /** Everyone with their rights at every place, as lines of a file. */
  private static List<String> everyoneEverywhere(Browser auditor) {
    String file = new String(auditor.get("/api/statements/file?kind=place&grouping=none&id=root&documents=true&format=CSV").bytes(), StandardCharsets.UTF_8);
    return file.lines().skip(1).filter(line -> !line.startsWith("Pale Gate statement")).sorted().toList();
  }

  @Test
  void what_was_moved_and_taken_away_comes_back_when_it_is_undone(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser oriel = app.signedIn("oriel.fenn");
    List<String> before = everyoneEverywhere(oriel);
    List<String> documents = documentsBelow(wenna, "lib-ten");
    draft(wenna, Map.of("kind", "movePlace", "place", "f-2417", "parent", "lib-ten"));
    draft(wenna, Map.of("kind", "removePlace", "place", documents.get(0)));
    draft(wenna, Map.of("kind", "removePlace", "place", documents.get(1)));
    long change = putInForce(wenna, "to be undone");
    List<String> between = everyoneEverywhere(oriel);
    assertThat(between).isNotEqualTo(before);

    assertThat(wenna.post("/api/journal/" + change + "/reversal", Map.of()).status()).isLessThan(300);
    JsonNode totals = wenna.get("/api/draft").body().path("totals");
    assertThat(totals.path("documents").asInt()).as("documents that change back").isGreaterThan(2);
    putInForce(wenna, "undone");
    assertThat(everyoneEverywhere(oriel)).isEqualTo(before);
    assertThat(documentsBelow(wenna, "lib-ten")).containsExactlyElementsOf(documents);
    app.restart();
    assertThat(everyoneEverywhere(app.signedIn("oriel.fenn"))).isEqualTo(before);
  }
}
