package palegate.server.viewpoint;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.bundle.Bundles;
import palegate.server.session.Accounts;
import palegate.server.store.FindingSettings;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.Often;
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;
import tools.jackson.databind.JsonNode;

/**
 * Section 9, what an asker may know: for every endpoint that there is and for duties of every kind, alone, in a scope, over, none, and
 * behind a wall, the answer is byte for byte that of an application whose structure never held what the asker may not know. What may
 * differ is said here: numbers of changes, and since when a place has stood alone.
 */
@Order(1)
class EveryAnswerIsGivenToAViewpointTest {
  private static final long SEED = Long.getLong("palegate.seed", 20_261_130);
  private static final Instant NOW = TestApplication.TODAY;
  /** Who asks, with what. */
  private record Who(String login, String person, DutyAssignment... duties) {}

  private static final List<Who> WHO = List.of(
      new Who("teodor.brask", "p-teodor"), new Who("oriel.fenn", "p-oriel"), new Who("ola.lindqvist", "p-ola"), new Who("hesper.vance", "p-hesper"),
      new Who("ferris.oake", "p-106"), new Who("linnet.sayle", "p-113"), new Who("mia.torrance", "p-mia"),
      new Who("types", "p-107", alone("p-107", Duty.TYPES, null, null, Period.ALWAYS)), new Who("system", "p-108", alone("p-108", Duty.SYSTEM, null, null, Period.ALWAYS)),
      new Who("oversight", "p-109", alone("p-109", Duty.OVERSIGHT, "lib-acc", null, Period.ALWAYS)), new Who("people", "p-110", alone("p-110", Duty.PEOPLE, null, null, Period.ALWAYS)),
      new Who("unit", "p-111", alone("p-111", Duty.PEOPLE, null, "u-fin", Period.ALWAYS)), new Who("access", "p-112", alone("p-112", Duty.ACCESS, "f-2411", null, Period.ALWAYS)),
      new Who("over", "p-114", alone("p-114", Duty.ACCESS, "root", null, new Period(null, NOW.minusSeconds(1)))),
      new Who("grouped", "p-115", new DutyAssignment("du-t-group", new Subject.OfUnit("u-fin"), Duty.ACCESS, "lib-acc", null, "r-reader", Period.ALWAYS)));

  private static DutyAssignment alone(String person, Duty duty, String place, String unit, Period period) {
    return new DutyAssignment("du-t-" + person, new Subject.OfPerson(person), duty, place, unit, null, period);
  }

  private static TestDatabase database;
  private static TestDatabase otherDatabase;
  private static TestApplication whole;
  private static TestApplication cut;
  private static Structure structure;

  @BeforeAll
  static void begin() {
    database = TestDatabase.startFor(EveryAnswerIsGivenToAViewpointTest.class);
    otherDatabase = TestDatabase.startFor(Other.class);
    whole = TestApplication.start(database);
    cut = TestApplication.start(otherDatabase);
    Structure demo = whole.bean(Snapshots.class).current().snapshot().structure();
    List<DutyAssignment> duties = new ArrayList<>(demo.duties().values());
    WHO.forEach(who -> duties.addAll(List.of(who.duties())));
    structure = demo.administeredBy(duties);
    whole.bean(Bundles.class).bringIn(structure, "test", "Test", "Duties of every kind", NOW.minusSeconds(60));
    for (TestApplication app : List.of(whole, cut)) {
      // Since when something has been there, and what people did, differs: FindingsRoomTest asks those rules.
      Stream.of("right-unused", "duty-unused", "break-without-reason", "draft-forgotten", "condition-too-long").forEach(rule -> app.bean(FindingSettings.class).switchOff(rule, "Asked elsewhere.", "wenna.carrow", "Wenna Carrow", NOW));
      WHO.stream().filter(who -> who.duties().length > 0).forEach(who -> app.bean(Accounts.class).add(
          new Accounts.Account(who.login(), who.login(), app.bean(PasswordEncoder.class).encode("pale-gate-demo"), who.person())));
    }
  }

  /** Names a second schema. */
  private static final class Other {}

  @AfterAll
  static void end() {
    whole.close();
    cut.close();
    database.close();
    otherDatabase.close();
  }

  @Test
  void every_endpoint_is_asked_or_said_to_be_asked_elsewhere() {
    TreeSet<String> endpoints = new TreeSet<>();
    whole.bean(RequestMappingHandlerMapping.class).getHandlerMethods().keySet().forEach(info -> info.getPatternValues().stream().filter(path -> path.startsWith("/api/"))
        .forEach(path -> info.getMethodsCondition().getMethods().forEach(method -> endpoints.add(method + " " + path))));
    TreeSet<String> named = new TreeSet<>(ViewpointQuestions.QUESTIONS.keySet());
    named.addAll(ViewpointQuestions.OF_DRAFTS.keySet());
    named.addAll(ViewpointQuestions.ELSEWHERE.keySet());
    assertThat(named).containsExactlyInAnyOrderElementsOf(endpoints);
  }

  @Test
  void what_an_asker_may_not_know_is_as_if_it_did_not_exist() {
    SoftAssertions all = new SoftAssertions();
    int told = 0;
    // What no asker was ever answered compares refusals with refusals.
    TreeSet<String> unanswered = new TreeSet<>(ViewpointQuestions.QUESTIONS.keySet());
    unanswered.addAll(ViewpointQuestions.OF_DRAFTS.keySet());
    for (Who who : WHO) {
      Viewpoint viewpoint = Viewpoint.of(Asker.of(whole.bean(Snapshots.class).current().snapshot().at(NOW), who.person()));
      Structure known = viewpoint.snapshot().structure();
      if (known.repository().isEmpty()) {
        // Nothing of the console is theirs; what they may know as a person is asked elsewhere.
        assertClosed(all, who, viewpoint);
        Browser closed = whole.signedIn(who.login());
        Map<String, List<String>> some = Map.of("$place", List.of("lib-cas"), "$person", List.of("p-mia"), "$group", List.of("g-adjusters"), "$type", List.of("valuation"));
        ViewpointQuestions.QUESTIONS.forEach((endpoint, questions) -> questions(endpoint, questions, some).forEach(question ->
            all.assertThat(put(closed, endpoint, question).status()).as(who.login() + ": " + endpoint + " " + question).isLessThan(500)));
        continue;
      }
      cut.bean(Bundles.class).bringIn(known, "test", "Test", "What " + who.login() + " may know", NOW.minusSeconds(60));
      Browser one = whole.signedIn(who.login());
      Browser other = cut.signedIn(who.login());
      // Each asks about other things, so that all together ask about most.
      Random random = new Random(SEED + who.login().hashCode());
      Map<String, List<String>> things = Map.of("$place", some(known.places().keySet(), structure.places().keySet(), random), "$person", some(known.people().keySet(), structure.people().keySet(), random),
          "$group", some(known.groups().keySet(), structure.groups().keySet(), random), "$type", List.of("valuation", "letter", "never-was"),
          "$entry", some(entries(known), entries(structure), random), "$finding", some(findings(one), findings(whole.signedIn("wenna.carrow")), random));
      Compared compared = new Compared(all, who, one, other, unanswered);
      ViewpointQuestions.QUESTIONS.forEach((endpoint, templates) -> questions(endpoint, templates, things).forEach(question -> compared.ask(endpoint, question, question)));
      compared.drafts(known, random);
      told += compared.told;
    }
    all.assertAll();
    assertThat(unanswered).as("endpoints that nobody was answered anything at").isEmpty();
    assertThat(told).as("questions that were answered with something").isGreaterThan(600);
  }

  /** One asker's answers in both applications, one question after another. */
  private static final class Compared {
    private final SoftAssertions all;
    private final Who who;
    private final Browser one;
    private final Browser other;
    private final Collection<String> unanswered;
    private int told;

    Compared(SoftAssertions all, Who who, Browser one, Browser other, Collection<String> unanswered) {
      this.all = all;
      this.who = who;
      this.one = one;
      this.other = other;
      this.unanswered = unanswered;
    }

    boolean ask(String endpoint, String question, String questionOfOther) {
      Browser.Answer mine = put(one, endpoint, question);
      Browser.Answer theirs = put(other, endpoint, questionOfOther);
      String because = who.login() + ": " + endpoint + " " + question + " (seed " + SEED + ")";
      all.assertThat(mine.status()).as(because).isEqualTo(theirs.status()).isLessThan(500);
      all.assertThat(difference(mine, theirs)).as(because).isEmpty();
      all.assertThat(headers(mine)).as(because).isEqualTo(headers(theirs));
      told += mine.status() == 200 ? 1 : 0;
      if (mine.status() < 300) {
        unanswered.remove(endpoint);
      }
      return mine.status() < 300;
    }

    /** Two drafts that hold what this asker may draft of some changes, and what is said of them and through them. */
    void drafts(Structure known, Random random) {
      List<String> places = new ArrayList<>(new TreeSet<>(known.places().keySet()));
      List<String> people = new ArrayList<>(new TreeSet<>(known.people().keySet()));
      boolean both = true;
      for (int draft = 0; draft < 2 && both; draft++) {
        int number = draft;
        List<Browser> sides = List.of(one, other);
        both = sides.stream().map(side -> side.post("/api/drafts", "{\"name\": \"Draft " + number + "\"}").status()).allMatch(status -> status == 201);
        for (int i = 0; i < 3 && both; i++) {
          String place = places.get(random.nextInt(places.size()));
          String person = people.get(random.nextInt(people.size()));
          List.of("{\"kind\": \"addGrant\", \"place\": \"%s\", \"subject\": {\"kind\": \"person\", \"id\": \"%s\"}, \"role\": \"r-reader\", \"entry\": \"e-x%d%d\"}".formatted(place, person, draft, i),
              "{\"kind\": \"break\", \"place\": \"%s\", \"start\": \"EMPTY\"}".formatted(place),
              "{\"kind\": \"addMember\", \"group\": \"g-adjusters\", \"memberKind\": \"person\", \"member\": \"%s\"}".formatted(person)).forEach(change -> {
                List<Integer> statuses = sides.stream().map(side -> side.post("/api/draft/changes", change).status()).toList();
                all.assertThat(statuses.get(0)).as(who.login() + " drafts " + change).isEqualTo(statuses.get(1));
              });
        }
      }
      if (both) {
        ViewpointQuestions.OF_DRAFTS.forEach((endpoint, questions) -> questions.forEach(question -> ask(endpoint, ofDraft(question, one), ofDraft(question, other))));
        ViewpointQuestions.QUESTIONS.forEach((endpoint, questions) -> questions.stream().filter(question -> endpoint.startsWith("GET /api/draft") || DRAWN_WITH_THE_DRAFT.contains(endpoint))
            .map(question -> question.replace("$place", places.get(places.size() / 2)).replace("$group", "g-adjusters").replace("$person", people.get(people.size() / 2)))
            .forEach(question -> ask(endpoint, question, question)));
      }
      for (Browser side : List.of(one, other)) {
        side.get("/api/drafts").body().valueStream().forEach(draft -> side.delete("/api/drafts/" + draft.path("id").asString()));
      }
    }

    /** A connection ends after a hundred answers, whatever they are. */
    private static TreeSet<String> headers(Browser.Answer answer) {
      TreeSet<String> headers = new TreeSet<>(answer.headers().keySet());
      headers.remove("connection");
      return headers;
    }

    private static String ofDraft(String question, Browser side) {
      List<String> drafts = side.get("/api/drafts").body().valueStream().map(draft -> draft.path("id").asString()).sorted().toList();
      JsonNode items = side.get("/api/draft").body().path("items");
      return question.replace("$draft", drafts.get(0)).replace("$other", drafts.get(drafts.size() - 1)).replace("$item", items.isEmpty() ? "0" : items.get(0).path("id").asString());
    }
  }

  /** What a draft in hand shows through. */
  private static final Set<String> DRAWN_WITH_THE_DRAFT = Set.of("GET /api/drafts", "GET /api/places/{id}", "GET /api/places/{id}/access", "GET /api/places/{id}/people", "GET /api/places/{id}/children", "GET /api/people/{id}",
      "GET /api/groups/{id}/people", "GET /api/repository", "GET /api/matrix/heads", "GET /api/walk/{person}");

  private static List<String> entries(Structure structure) {
    return structure.grants().values().stream().map(grant -> grant.place() + "/access/" + grant.id()).toList();
  }

  private static List<String> findings(Browser asker) {
    return asker.get("/api/findings?limit=500").body().path("findings").path("items").valueStream().map(one -> one.path("key").asString().replace(" ", "%20")).toList();
  }

  @Test
  void a_place_that_is_hidden_and_one_that_never_was_are_answered_alike() {
    SoftAssertions all = new SoftAssertions();
    for (Who who : WHO) {
      Structure known = Viewpoint.of(Asker.of(whole.bean(Snapshots.class).current().snapshot().at(NOW), who.person())).snapshot().structure();
      Browser one = whole.signedIn(who.login());
      List<String> unknown = new ArrayList<>(structure.places().keySet().stream().filter(place -> !known.places().containsKey(place) && (place.startsWith("f-") || place.startsWith("lib"))).sorted().toList());
      Collections.shuffle(unknown, new Random(SEED));
      unknown.stream().limit(Often.times(3, 1)).forEach(hidden ->
          ViewpointQuestions.QUESTIONS.forEach((endpoint, questions) -> questions.stream().filter(question -> question.contains("$place")).forEach(question -> {
            String asked = question.replace("$person", who.person()).replace("$group", "g-adjusters");
            Browser.Answer is = put(one, endpoint, asked.replace("$place", hidden));
            Browser.Answer never = put(one, endpoint, asked.replace("$place", "never-was"));
            all.assertThat(is.status()).as(who.login() + ": " + endpoint + " " + hidden).isEqualTo(never.status());
            all.assertThat(difference(told(is).replace(hidden, "never-was"), told(never))).as(who.login() + ": " + endpoint + " " + hidden).isEmpty();
          })));
    }
    all.assertAll();
  }

  private static void assertClosed(SoftAssertions all, Who who, Viewpoint viewpoint) {
    Browser browser = whole.signedIn(who.login());
    if (viewpoint.asker().held().isEmpty()) {
      ViewpointQuestions.QUESTIONS.keySet().stream().filter(endpoint -> endpoint.startsWith("GET") && !endpoint.contains("session") && !endpoint.contains("content") && !endpoint.contains("{"))
          .forEach(endpoint -> all.assertThat(browser.get(endpoint.substring(4)).status()).as(who.login() + ": " + endpoint).isEqualTo(403));
    } else {
      all.assertThat(browser.get("/api/places?text=a").body().path("total").asInt(0)).as(who.login()).isZero();
      all.assertThat(browser.get("/api/places/lib-cas").status()).as(who.login()).isEqualTo(404);
      for (Person person : structure.people().values()) {
        if (!viewpoint.snapshot().structure().people().containsKey(person.id())) {
          all.assertThat(browser.get("/api/people/" + person.id()).status()).as(who.login()).isEqualTo(404);
        }
      }
    }
  }

  private static List<String> some(Collection<String> known, Collection<String> all, Random random) {
    List<String> some = new ArrayList<>();
    List<String> there = new ArrayList<>(new TreeSet<>(known));
    List<String> hidden = new ArrayList<>(new TreeSet<>(all));
    hidden.removeAll(there);
    for (List<String> from : List.of(there, hidden)) {
      if (!from.isEmpty()) {
        some.add(from.get(random.nextInt(from.size())));
      }
    }
    // That what is hidden is answered like what never was is asked by itself.
    if (hidden.isEmpty() || Often.times(3, 2) == 3) {
      some.add("never-was");
    }
    return some;
  }

  /** A question with two things is asked with each of either, beside two of the other: every one of them, not every pair. */
  private static List<String> questions(String endpoint, List<String> templates, Map<String, List<String>> things) {
    return templates.stream().flatMap(question -> {
      List<String> held = things.keySet().stream().filter(question::contains).sorted().toList();
      if (held.isEmpty()) {
        return Stream.of(question);
      }
      int most = held.stream().mapToInt(thing -> things.get(thing).size()).max().orElseThrow();
      return IntStream.range(0, held.size() == 1 ? most : 2 * most).mapToObj(turn -> {
        String asked = question;
        for (int i = 0; i < held.size(); i++) {
          List<String> ids = things.get(held.get(i));
          asked = asked.replace(held.get(i), ids.get((turn + i * (turn / most + endpoint.length())) % ids.size()));
        }
        return asked;
      }).distinct();
    }).toList();
  }

  /** A question is the path, or what comes after the endpoint's own; after a blank, what is posted. */
  static Browser.Answer put(Browser browser, String endpoint, String question) {
    String method = endpoint.substring(0, endpoint.indexOf(' '));
    int body = question.indexOf(" {");
    String path = body < 0 ? question : question.substring(0, body);
    String whole = path.startsWith("/api/") ? path : endpoint.substring(endpoint.indexOf(' ') + 1) + path;
    if (method.equals("GET")) {
      return browser.get(whole);
    }
    Browser.Answer answer = browser.post(whole, question.substring(body + 1));
    if (answer.status() < 400 && endpoint.contains("draft")) {
      browser.delete("/api/draft");
    }
    return answer;
  }

  /** As they are, or but for what may differ. */
  private static String difference(Browser.Answer one, Browser.Answer other) {
    return Arrays.equals(one.bytes(), other.bytes()) ? "" : difference(told(one), told(other));
  }

  /** Where two answers part, with some of what stands around it; empty if they are the same. */
  private static String difference(String one, String other) {
    if (one.equals(other)) {
      return "";
    }
    int at = 0;
    while (at < Math.min(one.length(), other.length()) && one.charAt(at) == other.charAt(at)) {
      at++;
    }
    int from = Math.max(0, at - 60);
    return "«" + one.substring(from, Math.min(one.length(), at + 120)) + "» and not «" + other.substring(from, Math.min(other.length(), at + 120)) + "»";
  }

  /** What was said, but for numbers of changes, instants at which a session or a draft was begun, and since when a place has stood alone. */
  private static String told(Browser.Answer answer) {
    return new String(answer.bytes(), StandardCharsets.UTF_8)
        .replaceAll("\"(change|base|version|failedSince|id)\":\\d+", "\"$1\":0").replaceAll("\"since\":\\{[^}]*}", "\"since\":{}").replaceAll("(?i)(on |as of |of |Z, |\"|^|\\n)change\"?[ ,:]+\\d+", "$1change 0")
        .replaceAll("change-\\d+", "change-0").replaceAll("(?i)\"Change number\":\"\\d+\"", "").replaceAll("[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[0-9a-f-]{17}", "new");
  }
}
