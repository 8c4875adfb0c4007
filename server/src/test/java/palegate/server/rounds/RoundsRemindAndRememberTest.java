package palegate.server.rounds;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.access.Grant;
import palegate.core.people.Subject;
import palegate.core.rounds.LastUse;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.server.store.Openings;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.OwnDatabase;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** A round writes by itself before it is due and when it is overdue, once each; and what was decided in the round before is said. */
@ExtendWith(InDemo.class)
@OwnDatabase
class RoundsRemindAndRememberTest {
  private static final Instant DUE = TestApplication.TODAY.plus(Duration.ofDays(30));

  private static long begin(Browser wenna, String name, Integer remindDays) {
    Map<String, Object> asked = new HashMap<>(Map.of("name", name, "kinds", List.of("GRANT"), "place", "lib-cas", "outsidersOnly", false, "rule", "NAMED", "named", "p-ola", "due", DUE.toString(), "needsComment", false));
    if (remindDays != null) {
      asked.put("remindDays", remindDays);
    }
    Browser.Answer begun = wenna.post("/api/rounds", asked);
    assertThat(begun.status()).as("%s", begun.body()).isEqualTo(201);
    return begun.body().path("id").asLong();
  }

  /** Signed in anew: sessions end while the clock goes on. */
  private static List<String> letters(TestApplication app, String name) {
    List<String> found = new ArrayList<>();
    app.signedIn("wenna.carrow").get("/api/mailbox").body().forEach(letter -> {
      if (letter.path("subject").asString().equals("Your review: " + name)) {
        found.add(letter.path("text").asString());
      }
    });
    return found;
  }

  @Test
  void reminders_go_out_once_before_and_once_when_overdue_over_all_instances(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    RoundReminders reminders = app.bean(RoundReminders.class);
    begin(wenna, "Silent", null);
    long reminding = begin(wenna, "Reminding", 7);
    assertThat(wenna.get("/api/rounds/" + reminding).body().path("remindDays").asInt()).isEqualTo(7);
    Instant before = app.clock().instant();
    try {
      reminders.run();
      assertThat(letters(app, "Reminding")).as("too soon").isEmpty();
      app.clock().set(DUE.minus(Duration.ofDays(7)).plusSeconds(1));
      // Two instances come to it at once.
      CompletableFuture<Void> other = CompletableFuture.runAsync(reminders::run);
      reminders.run();
      other.join();
      reminders.run();
      assertThat(letters(app, "Reminding")).singleElement().asString().doesNotContain("has passed").contains("wait");
      app.clock().set(DUE.plusSeconds(1));
      reminders.run();
      reminders.run();
      assertThat(letters(app, "Reminding")).hasSize(2).anySatisfy(letter -> assertThat(letter).contains("The day on which it was due has passed."));
      assertThat(letters(app, "Silent")).isEmpty();
      assertThat(app.signedIn("wenna.carrow").get("/api/rounds/" + reminding).body().path("trail").valueStream().map(line -> line.path("what").asString())).contains("reminded 1 reviewer, by itself", "reminded 1 reviewer, by itself, as it is overdue");
    } finally {
      app.clock().set(before);
    }
    assertThat(wenna.post("/api/rounds", Map.of("name", "x", "kinds", List.of("GRANT"), "place", "lib-cas", "outsidersOnly", false, "rule", "NAMED", "named", "p-ola", "due", DUE.toString(), "remindDays", 91, "needsComment", false)).status()).isEqualTo(422);
  }

  @Test
  void what_was_decided_in_the_round_before_stands_beside_each_item_and_is_counted(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser ola = app.signedIn("ola.lindqvist");
    long first = begin(wenna, "Spring", null);
    List<Integer> numbers = items(ola, first).stream().map(item -> item.path("number").asInt()).toList();
    assertThat(items(ola, first)).noneMatch(item -> item.path("since").asString().contains("Decided before"));
    ola.post("/api/reviews/" + first + "/decisions", Map.of("numbers", numbers, "decision", "KEEP"));
    long open = begin(wenna, "Meanwhile", null);
    assertThat(items(ola, open)).as("a round that is not closed has decided nothing yet").noneMatch(item -> item.path("since").asString().contains("Decided before"));
    assertThat(ola.post("/api/reviews/" + first + "/handing-in", Map.of()).status()).isEqualTo(204);
    String seen = wenna.get("/api/rounds/" + first).body().path("seen").asString();
    assertThat(wenna.post("/api/rounds/" + first + "/closing", Map.of("note", "Seen", "seen", seen)).status()).isEqualTo(204);

    long second = begin(wenna, "Autumn", null);
    List<JsonNode> items = items(ola, second);
    assertThat(items).allMatch(item -> item.path("since").asString().contains("Decided before, 24 Nov 2026: keep"));
    JsonNode beside = wenna.get("/api/rounds/" + second).body().path("beside");
    assertThat(List.of(beside.path("alike").asInt(), beside.path("otherwise").asInt(), beside.path("first").asInt())).containsExactly(0, 0, wenna.get("/api/rounds/" + second).body().path("items").asInt() - items.size());
    ola.post("/api/reviews/" + second + "/decisions", Map.of("numbers", List.of(items.get(0).path("number").asInt()), "decision", "REMOVE"));
    ola.post("/api/reviews/" + second + "/decisions", Map.of("numbers", List.of(items.get(1).path("number").asInt(), items.get(2).path("number").asInt()), "decision", "KEEP"));
    JsonNode after = wenna.get("/api/rounds/" + second).body().path("beside");
    assertThat(List.of(after.path("alike").asInt(), after.path("otherwise").asInt())).containsExactly(2, 1);
  }

  @Test
  void each_item_says_when_it_was_last_of_use_and_what_one_reviewer_decided_can_be_carried_out_by_itself(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    Browser ola = app.signedIn("ola.lindqvist");
    long round = begin(wenna, "Used", null);
    SnapshotAt moment = app.bean(Snapshots.class).current().snapshot().at(TestApplication.TODAY);
    Snapshot snapshot = moment.snapshot();
    Grant grant = snapshot.structure().grants().values().stream().filter(one -> one.subject() instanceof Subject.OfGroup && one.period().holdsAt(TestApplication.TODAY) && !moment.matching(one.subject()).isEmpty() && moment.matching(one.subject()).size() <= LastUse.PEOPLE_AT_MOST
        && snapshot.path(snapshot.placeNumber(one.place())).contains(snapshot.placeNumber("lib-cas")) && snapshot.below(snapshot.placeNumber(one.place())).anyMatch(snapshot::isDocument)).min(Comparator.comparing(Grant::id)).orElseThrow();
    String somebody = snapshot.person(moment.matching(grant.subject()).stream().findFirst().orElseThrow()).id();
    String group = snapshot.structure().groups().get(grant.subject().id()).name();
    String below = snapshot.place(snapshot.below(snapshot.placeNumber(grant.place())).filter(snapshot::isDocument).findFirst().orElseThrow()).id();
    Openings openings = app.bean(Openings.class);
    openings.add("p-wenna", snapshot.structure().places().keySet().iterator().next(), Openings.How.OPEN, Instant.parse("2026-01-05T00:00:00Z"));
    assertThat(wenna.get("/api/rounds/" + round + "/items?limit=500").body().path("items").valueStream().filter(item -> item.path("sentence").asString().contains(group)))
        .isNotEmpty().allMatch(item -> item.path("since").asString().contains("Not used since 5 Jan 2026"));
    openings.add(somebody, below, Openings.How.REFUSED, Instant.parse("2026-04-09T00:00:00Z"));
    openings.add(somebody, below, Openings.How.COPY, Instant.parse("2026-03-05T00:00:00Z"));
    assertThat(wenna.get("/api/rounds/" + round + "/items?limit=500").body().path("items").valueStream().filter(item -> item.path("sentence").asString().contains(group)).map(item -> item.path("since").asString()))
        .as("refused is not used").anyMatch(since -> since.contains("Last used 5 Mar 2026")).noneMatch(since -> since.contains("9 Apr 2026"));

    List<JsonNode> items = items(ola, round);
    ola.post("/api/reviews/" + round + "/decisions", Map.of("numbers", items.stream().map(item -> item.path("number").asInt()).toList(), "decision", "KEEP"));
    ola.post("/api/reviews/" + round + "/decisions", Map.of("numbers", List.of(items.get(0).path("number").asInt()), "decision", "REMOVE"));
    assertThat(ola.post("/api/reviews/" + round + "/handing-in", Map.of()).status()).isEqualTo(204);
    assertThat(wenna.get("/api/rounds/" + round + "/changes?reviewer=p-ola").body()).isEqualTo(wenna.get("/api/rounds/" + round + "/changes").body());
    assertThat(wenna.get("/api/rounds/" + round + "/changes?reviewer=p-ola").body().path("changes")).hasSize(1);
    assertThat(wenna.get("/api/rounds/" + round + "/changes?reviewer=p-mia").body().path("changes")).isEmpty();
    assertThat(wenna.get("/api/rounds/" + round).body().path("reviewers").valueStream().filter(one -> one.path("person").asString("").equals("p-ola")).map(one -> one.path("toDo").asInt())).containsExactly(1);
  }

  private static List<JsonNode> items(Browser reviewer, long round) {
    List<JsonNode> items = new ArrayList<>();
    reviewer.get("/api/reviews/" + round + "/items?limit=500").body().path("items").path("items").forEach(items::add);
    return items;
  }
}
