package palegate.server.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.ReadsTheDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** However a rehearsal is narrowed, its three lists tell the same story: that of each person at each place. */
@ExtendWith(InDemo.class)
@ReadsTheDemo
class NarrowingTest {
  private Browser wenna;
  private List<JsonNode> pairs;

  @BeforeEach
  void draftForStaffAndOutsiders(TestApplication app) {
    wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-hand", "subject", Map.of("kind", "group", "id", "g-surveyors"), "role", "r-preparer"));
    wenna.post("/api/draft/changes", Map.of("kind", "removeMember", "group", "g-surveyors", "memberKind", "person", "member", "p-128"));
    pairs = list("pairs", "");
    assertThat(pairs).as("somebody gains and somebody loses").isNotEmpty();
  }

  private List<JsonNode> list(String list, String query) {
    List<JsonNode> all = new ArrayList<>();
    int total = 1;
    while (all.size() < total) {
      Browser.Answer answer = wenna.get("/api/draft/rehearsal/" + list + "?limit=500&offset=" + all.size() + query);
      assertThat(answer.status()).as("%s%s: %s", list, query, answer.body()).isEqualTo(200);
      total = answer.body().path("total").asInt();
      answer.body().path("items").forEach(all::add);
      assertThat(answer.body().path("items").size() + (total == 0 ? 1 : 0)).as("%s%s: pages follow each other to the end", list, query).isPositive();
    }
    return all;
  }

  private static Set<String> rights(JsonNode pair, String side) {
    return pair.path(side).valueStream().map(JsonNode::asString).collect(Collectors.toSet());
  }

  private static Set<String> moved(JsonNode pair, boolean gained) {
    Set<String> moved = new TreeSet<>(rights(pair, gained ? "after" : "before"));
    moved.removeAll(rights(pair, gained ? "before" : "after"));
    return moved;
  }

  private static String person(JsonNode item) {
    return item.path("person").path("id").asString();
  }

  private static String place(JsonNode item) {
    return item.path("place").path("id").asString();
  }

  private void assertTheListsAgree(String query, Predicate<JsonNode> wanted) {
    List<JsonNode> expected = pairs.stream().filter(wanted).toList();
    assertThat(list("pairs", query)).as("pairs%s", query).containsExactlyElementsOf(expected);
    assertThat(list("people", query).stream().map(NarrowingTest::person)).as("people%s", query)
        .containsExactlyInAnyOrderElementsOf(expected.stream().map(NarrowingTest::person).collect(Collectors.toSet()));
    assertThat(list("places", query).stream().map(NarrowingTest::place)).as("places%s", query)
        .containsExactlyInAnyOrderElementsOf(expected.stream().map(NarrowingTest::place).collect(Collectors.toSet()));
  }

  @Test
  void to_gains_or_to_losses(TestApplication app) {
    assertTheListsAgree("&direction=GAINS", pair -> !moved(pair, true).isEmpty());
    assertTheListsAgree("&direction=LOSSES", pair -> !moved(pair, false).isEmpty());
    assertTheListsAgree("&direction=ALL", pair -> true);
  }

  @Test
  void to_people_from_outside(TestApplication app) {
    assertTheListsAgree("&outsidersOnly=true", pair -> pair.path("person").path("external").asBoolean());
    assertTheListsAgree("&direction=OUTSIDERS", pair -> pair.path("person").path("external").asBoolean() && !moved(pair, true).isEmpty());
    assertThat(list("people", "&outsidersOnly=true")).as("the draft gives outsiders something").isNotEmpty();
  }

  @Test
  void to_one_right(TestApplication app) {
    for (String right : List.of("read", "copy", "revise", "govern")) {
      assertTheListsAgree("&right=" + right, pair -> Stream.of(true, false).anyMatch(gained -> moved(pair, gained).contains(right)));
    }
  }

  @Test
  void to_the_people_of_a_group_before_or_after(TestApplication app) {
    String firm = wenna.get("/api/groups/g-surveyors").body().path("members").valueStream().filter(member -> member.path("kind").asString().equals("group"))
        .findFirst().orElseThrow().path("id").asString();
    Set<String> members = wenna.get("/api/groups/" + firm + "/people?limit=500").body().path("items").valueStream().map(NarrowingTest::person).collect(Collectors.toSet());
    assertThat(members).isNotEmpty();
    assertTheListsAgree("&group=" + firm, pair -> members.contains(person(pair)));
    Set<String> surveyors = wenna.get("/api/groups/g-surveyors/people?limit=500").body().path("items").valueStream().map(NarrowingTest::person).collect(Collectors.toSet());
    assertThat(surveyors).as("the draft has taken them out").doesNotContain("p-128");
    assertTheListsAgree("&group=g-surveyors", pair -> surveyors.contains(person(pair)) || person(pair).equals("p-128"));
  }

  @Test
  void to_all_of_it_at_once_and_to_what_nobody_knows(TestApplication app) {
    assertTheListsAgree("&outsidersOnly=true&right=add&direction=GAINS", pair -> pair.path("person").path("external").asBoolean() && moved(pair, true).contains("add"));
    assertThat(wenna.get("/api/draft/rehearsal/people?right=fly").status()).isEqualTo(404);
    assertThat(wenna.get("/api/draft/rehearsal/places?group=g-nobody").status()).isEqualTo(404);
  }
}
