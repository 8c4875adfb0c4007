package palegate.server.lists;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.ReadsTheDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** Every list that can be long can be searched and put in order, forwards and backwards. */
@ExtendWith(InDemo.class)
@ReadsTheDemo
class EveryListTest {
  /** A list, an order of it, where its lines are, and what is in order then; {@code #} counts. ROLE is one that is granted. */
  private static final List<String> ORDERS = List.of(
      "/api/people, name, items, name",
      "/api/people, login, items, login",
      "/api/people, unit, items, unit",
      "/api/groups, name, items, name",
      "/api/groups, people, items, people",
      "/api/groups, outsiders, items, outsiders",
      "/api/groups, entries, items, entries",
      "/api/groups/g-adjusters/people, name, items, person.name",
      "/api/groups/g-adjusters/people, unit, items, person.unit",
      "/api/groups/g-adjusters/beyond, name, items, person.name",
      "/api/groups/g-surveyors/access, more, items, more",
      "/api/groups/g-surveyors/access, less, items, less",
      "/api/groups/g-surveyors/access, exactly, items, exactly",
      "/api/places/root/breaks, depth, items, depth",
      "/api/places/root/breaks, more, items, adds",
      "/api/places/root/breaks, less, items, removes",
      "/api/places/root/people, name, items, person.name",
      "/api/places/root/people, rights, items, rights#",
      "/api/roles/ROLE/grants, subject, items, subjectName",
      "/api/draft/rehearsal/people, name, items, person.name",
      "/api/draft/rehearsal/people, gains, items, placesGaining",
      "/api/draft/rehearsal/people, losses, items, placesLosing",
      "/api/draft/rehearsal/people, documents, items, documents",
      "/api/draft/rehearsal/places, gains, items, peopleGaining",
      "/api/draft/rehearsal/places, losses, items, peopleLosing",
      "/api/draft/rehearsal/pairs, person, items, person.name",
      "/api/statements/pairs?about=PLACE&id=root&documents=false, person, rows.items, person.name",
      "/api/journal, number, items, number",
      "/api/journal/1, what, altered.items, title",
      "/api/comparison?kind=person&one=p-mia&other=p-128, one, places.items, one#",
      "/api/comparison?kind=group&one=g-accounts&other=g-surveyors, other, places.items, other#");

  /** A list, a text, where its lines are, and what of a line is searched. */
  private static final List<String> TEXTS = List.of(
      "/api/people, carrow, items, login",
      "/api/groups, desk, items, name",
      "/api/groups/g-adjusters/people, a, items, person",
      "/api/groups/g-adjusters/beyond, a, items, person",
      "/api/groups/g-surveyors/access, casual, items, path",
      "/api/places/root/breaks, e, items, path",
      "/api/places/root/people, carrow, items, person",
      "/api/draft/rehearsal/people, mia, items, person",
      "/api/draft/rehearsal/places, accounts, items, path",
      "/api/draft/rehearsal/pairs, mia, items, both",
      "/api/journal, follows, items, journal",
      "/api/journal/1, a, altered.items, altered",
      "/api/comparison?kind=person&one=p-mia&other=p-128, a, places.items, path",
      "/api/statements/pairs?about=PLACE&id=root&documents=false, mia, rows.items, statement",
      "/api/statements/pairs?about=PERSON&id=p-mia, casual, rows.items, statement");

  private Browser wenna;

  @BeforeEach
  void withSomethingInTheDraft(TestApplication app) {
    wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/changes", Map.of("kind", "addMember", "group", "g-accounts", "memberKind", "person", "member", "p-mia"));
    wenna.post("/api/draft/changes", Map.of("kind", "removeMember", "group", "g-surveyors", "memberKind", "person", "member", "p-128"));
  }

  @Test
  void every_list_is_put_in_order_and_turned_round() {
    SoftAssertions all = new SoftAssertions();
    for (String line : ORDERS) {
      String[] of = line.split(", ");
      List<Comparable<Object>> up = values(of[0], of[1], of[2], of[3]);
      all.assertThat(up).as("%s has something to put in order", line).isNotEmpty();
      all.assertThat(up).as(line).isSortedAccordingTo((a, b) -> a.compareTo(b));
      all.assertThat(values(of[0], "-" + of[1], of[2], of[3])).as("%s, turned", line).hasSameSizeAs(up).isSortedAccordingTo((a, b) -> b.compareTo(a));
    }
    all.assertAll();
  }

  @Test
  void every_list_shows_only_what_contains_the_text() {
    SoftAssertions all = new SoftAssertions();
    for (String line : TEXTS) {
      String[] of = line.split(", ");
      List<String> found = lines(of[0], "limit=500&text=" + of[1].toUpperCase(Locale.ROOT), of[2], words(of[3]));
      List<String> whole = lines(of[0], "limit=500", of[2], words(of[3]));
      List<String> expected = whole.stream().filter(one -> one.toLowerCase(Locale.ROOT).contains(of[1])).toList();
      all.assertThat(found).as(line).isNotEmpty().allSatisfy(one -> assertThat(one).containsIgnoringCase(of[1]));
      all.assertThat(found.subList(0, expected.size())).as("%s, of the first %d", line, whole.size()).isEqualTo(expected);
      all.assertThat(lines(of[0], "text=nothing+is+called+that", of[2], words(of[3]))).as("%s, with a text that nothing has", line).isEmpty();
    }
    all.assertAll();
  }

  @Test
  void an_order_that_a_list_does_not_have_is_refused_with_those_it_has() {
    SoftAssertions all = new SoftAssertions();
    for (String list : List.of("/api/people", "/api/groups", "/api/groups/g-surveyors/access", "/api/places/root/breaks", "/api/places/root/people", "/api/journal", "/api/draft/rehearsal/people", "/api/draft/rehearsal/places", "/api/draft/rehearsal/pairs", "/api/draft/rehearsal/lock-outs", "/api/statements/pairs?about=PERSON&id=p-mia", "/api/comparison?kind=person&one=p-mia&other=p-128")) {
      Browser.Answer refused = wenna.get(list + (list.contains("?") ? "&" : "?") + "sort=colour");
      all.assertThat(refused.status()).as(list).isEqualTo(422);
      all.assertThat(refused.body().path("detail").asString()).as(list).contains("[colour]", "Choose one of");
    }
    all.assertAll();
  }

  private static Function<JsonNode, String> words(String kind) {
    return item -> switch (kind) {
      case "login" -> item.path("name").asString() + " " + item.path("login").asString("") + " " + item.path("email").asString("");
      case "person" -> item.path("person").path("name").asString() + " " + item.path("person").path("unit").asString("");
      case "both" -> item.path("person").path("name").asString() + " " + item.path("place").path("path").asString();
      case "statement" -> item.path("person").path("name").asString() + " " + item.path("path").asString();
      case "journal" -> item.path("note").asString() + " " + item.path("author").asString() + " " + item.path("number").asString();
      case "altered" -> item.path("title").asString() + " " + item.path("kind").asString();
      default -> (item.has(kind) ? item.path(kind) : item.path("place").path(kind)).asString();
    };
  }

  private List<String> lines(String list, String query, String items, Function<JsonNode, String> words) {
    return at(get(list, query), items).valueStream().map(words).toList();
  }

  private List<Comparable<Object>> values(String list, String sort, String items, String value) {
    return at(get(list, "limit=500&sort=" + sort), items).valueStream().map(item -> value(item, value)).toList();
  }

  @SuppressWarnings({"unchecked", "rawtypes"})
  private static Comparable<Object> value(JsonNode item, String path) {
    if (path.endsWith("#")) {
      return (Comparable) item.path(path.substring(0, path.length() - 1)).size();
    }
    JsonNode found = at(item, path);
    return (Comparable) (found.isNumber() ? found.asInt() : found.asString(""));
  }

  private JsonNode get(String list, String query) {
    String role = list.contains("ROLE")
        ? wenna.get("/api/roles").body().valueStream().filter(one -> one.path("grants").asInt() > 3).findFirst().orElseThrow().path("id").asString() : "";
    Browser.Answer answer = wenna.get(list.replace("ROLE", role) + (list.contains("?") ? "&" : "?") + query);
    assertThat(answer.status()).as("%s?%s: %s", list, query, answer.body()).isEqualTo(200);
    return answer.body();
  }

  private static JsonNode at(JsonNode node, String path) {
    JsonNode found = node;
    for (String part : path.split("\\.")) {
      found = found.path(part);
    }
    return found;
  }
}
