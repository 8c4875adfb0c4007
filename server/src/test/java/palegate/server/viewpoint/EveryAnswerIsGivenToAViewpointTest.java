package palegate.server.viewpoint;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
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
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;

/**
 * Section 9, what an asker may know: for every endpoint that there is and for duties of every kind, alone, in a scope, over, none, and
 * behind a wall, the answer is byte for byte that of an application whose structure never held what the asker may not know. What may
 * differ is said here: numbers of changes, and since when a place has stood alone.
 */
@Order(1)
class EveryAnswerIsGivenToAViewpointTest {
  private static final long SEED = 20_261_128;
  private static final Instant NOW = TestApplication.TODAY;
  /** Asked with each of some things known and unknown in the place of the words that begin with a dollar. */
  private static final Map<String, List<String>> QUESTIONS = new LinkedHashMap<>();
  /** What is not compared here, and why. */
  private static final Map<String, String> ELSEWHERE = new LinkedHashMap<>();

  static {
    ask("GET /api/types", "");
    ask("GET /api/findings", "?limit=200", "?accepted=true", "?rule=ends-soon");
    ask("GET /api/findings/one", "?key=break-nearly-same%20place:$place", "?key=no-keeper%20place:$place", "?key=ends-soon%20group:$group", "?key=entry-ended%20entry:h-acc-1");
    ask("GET /api/findings/follow-up", "?key=break-nearly-same%20place:$place", "?key=no-keeper%20place:$place", "?key=entry-ended%20entry:h-acc-1");
    elsewhere("keeps what is sent: FindingFollowUpTest", "POST /api/findings/assignment", "DELETE /api/findings/assignment", "POST /api/findings/comments");
    ask("GET /api/findings/settings", "");
    elsewhere("gives new things ids of their own: FindingsRoomTest", "GET /api/findings/mining", "POST /api/findings/mining", "DELETE /api/findings/mining");
    elsewhere("other changes led there: FindingsRoomTest", "GET /api/findings/since", "GET /api/findings/gone");
    elsewhere("keeps what is sent: FindingsRoomTest", "POST /api/findings/settings/limits", "POST /api/findings/settings/off/{rule}", "DELETE /api/findings/settings/off/{rule}", "POST /api/findings/acceptances", "DELETE /api/findings/acceptances");
    ask("GET /api/matrix/heads", "?rows=GROUPS", "?rows=NAMED_BELOW&across=DOCUMENTS&top=$place", "?subject=group:$group&subject=person:$person&across=TYPES");
    ask("POST /api/matrix/cells", " {\"rows\": [{\"kind\": \"group\", \"id\": \"$group\"}, {\"kind\": \"person\", \"id\": \"$person\"}], \"columns\": [\"$place\", \"lib-cas\"], \"types\": false}",
        " {\"rows\": [{\"kind\": \"group\", \"id\": \"$group\"}], \"columns\": [\"letter\", \"valuation\"], \"types\": true, \"container\": \"$place\"}");
    ask("GET /api/matrix/cell", "?rows=NAMED_BELOW&of=group:$group&column=$place", "?rows=GROUPS&across=TYPES&of=group:g-adjusters&column=letter&top=$place");
    ask("GET /api/matrix/found", "?rows=NAMED_BELOW&kind=OUTLIERS", "?rows=GROUPS&across=TYPES&kind=RIGHT&right=read&top=$place", "?kind=OUTSIDERS&rows=WITH_ACCESS_BELOW&across=DOCUMENTS&top=$place");
    ask("GET /api/matrix/file", "?rows=GROUPS&top=$place&format=CSV");
    ask("POST /api/matrix/ways", " {\"cells\": [{\"subject\": {\"kind\": \"group\", \"id\": \"$group\"}, \"place\": \"$place\"}], \"wish\": \"WITHHOLD\", \"rights\": [\"read\"]}");
    ask("GET /api/matrix/views", "");
    elsewhere("keeps what is sent: MatrixRoomTest", "POST /api/matrix/views", "DELETE /api/matrix/views/{id}");
    ask("GET /api/gatehouse/figures", "?ago=0");
    elsewhere("other changes led there, and what was seen is kept: GatehouseRoomTest", "GET /api/gatehouse", "POST /api/gatehouse/visit");
    ask("GET /api/types/{id}/lacking", "/api/types/$type/lacking");
    ask("GET /api/things", "?thing=place:$place&thing=place:f-2411&thing=place:lib-cas&thing=person:p-mia&thing=group:g-team-2411&thing=wall:wall-fraud&thing=role:r-reader&thing=duty:du-ola&thing=nothing");
    ask("GET /api/types/matrix/people", "?type=letter&kind=builtin&subject=staff", "?type=letter&kind=group&subject=g-adjusters&limit=2");
    ask("GET /api/types/matrix", "?container=$place");
    ask("GET /api/places/{id}/breaks", "/api/places/$place/breaks", "/api/places/$place/breaks?sameOnly=true&sort=more");
    ask("GET /api/places/{id}/access", "/api/places/$place/access");
    ask("GET /api/places/{id}/access/{entry}/people", "/api/places/$place/access/e-1/people?kind=grant", "/api/places/lib-cas/access/e-2/people?kind=grant");
    ask("GET /api/list-templates", "");
    ask("GET /api/repository", "");
    ask("GET /api/places/{id}/children", "/api/places/$place/children");
    ask("GET /api/places", "?text=a", "?text=2411", "?text=2502", "?text=fee");
    ask("GET /api/places/{id}", "/api/places/$place");
    ask("GET /api/places/{id}/documents", "/api/places/$place/documents", "/api/places/$place/documents?sort=-name&limit=3");
    ask("GET /api/places/{id}/people", "/api/places/$place/people", "/api/places/$place/people?right=govern&sort=-name");
    ask("GET /api/draft/rehearsal", "");
    ask("GET /api/draft/rehearsal/people", "");
    ask("GET /api/draft/rehearsal/places", "");
    ask("GET /api/draft/rehearsal/pairs", "");
    ask("GET /api/draft/rehearsal/lock-outs", "");
    ask("GET /api/draft/rehearsal/own-losses", "");
    ask("GET /api/draft/rehearsal/file", "?format=CSV");
    ask("GET /api/why", "?person=$person&place=$place");
    ask("GET /api/why/ways", "?person=$person&place=$place&right=read");
    ask("GET /api/approval-rules", "");
    ask("GET /api/session", "");
    ask("GET /api/duties", "");
    ask("GET /api/duties/preview", "?duty=ACCESS&place=$place", "?duty=PEOPLE&unit=u-fin", "?duty=AUDIT", "?duty=ACCESS");
    ask("GET /api/draft/rehearsal/duties", "");
    ask("GET /api/roles", "");
    ask("GET /api/roles/{id}/grants", "/api/roles/r-keeper/grants", "/api/roles/r-reader/grants?sort=-place");
    ask("GET /api/roles/completed", "?rights=read");
    ask("GET /api/drafts", "");
    ask("GET /api/drafts/{id}", "/api/drafts/999");
    ask("GET /api/drafts/{id}/foreseen", "/api/drafts/999/foreseen?at=2026-12-24T10:00:00Z");
    ask("GET /api/drafts/colleagues", "");
    ask("GET /api/draft", "");
    ask("GET /api/draft/changes/{id}/effect", "/api/draft/changes/999/effect");
    ask("GET /api/draft/in-force/{request}", "/api/draft/in-force/none");
    ask("GET /api/statements/pairs", "?about=PLACE&id=$place&limit=60", "?about=PERSON&id=$person&limit=60&sort=person");
    ask("GET /api/statements", "?kind=place&id=$place", "?kind=place&id=$place&grouping=person&now=yes", "?kind=place&id=$place&grouping=subject", "?kind=place&id=$place&grouping=role", "?kind=subject&id=person:$person", "?kind=subject&id=group:$group&grouping=none&limit=60",
        "?kind=lists&id=$place", "?kind=breaks", "?kind=walls", "?kind=outsiders", "?kind=clearances", "?kind=duties", "?kind=conditions", "?kind=roles", "?kind=groups", "?kind=openings&from=2026-01-01T00:00:00Z");
    ask("GET /api/statements/behind", "?kind=place&id=$place&line=0", "?kind=place&id=lib-cas&grouping=role&line=1");
    ask("GET /api/statements/file", "?kind=place&id=$place&format=CSV", "?kind=subject&id=person:$person&grouping=none&format=JSON", "?kind=everyone&id=$place&format=JSONL", "?kind=breaks&format=CSV");
    elsewhere("other changes led there: a file says the number of its change, and a history is another: StatementFilesTest", "POST /api/statements/verification");
    ask("GET /api/comparison", "?kind=group&id=$group&otherKind=group&otherId=g-adjusters", "?leftKind=group&left=$group&rightKind=person&right=$person");
    ask("GET /api/groups", "", "?text=team", "?sort=-people");
    ask("GET /api/groups/{id}", "/api/groups/$group");
    ask("GET /api/groups/{id}/people", "/api/groups/$group/people");
    ask("GET /api/groups/{id}/access", "/api/groups/$group/access");
    ask("GET /api/groups/{id}/beyond", "/api/groups/$group/beyond");
    ask("GET /api/people", "?limit=60", "?text=a&sort=-name");
    ask("GET /api/subjects", "?text=", "?text=a", "?text=team");
    ask("GET /api/people/{id}", "/api/people/$person");
    ask("GET /api/people/{id}/owned", "/api/people/$person/owned?limit=60", "/api/people/p-wenna/owned?sort=-place");
    ask("GET /api/units", "");
    ask("GET /api/organisation", "");
    ask("POST /api/places/{id}/outline", "/api/places/$place/outline {\"text\": \"New folder\"}");
    ask("POST /api/people/table", " {\"text\": \"name,unit\\nSomebody,Management\\nAnother,Isle Marrow office\\nA third,Nowhere\"}");
    ask("POST /api/people/matches", " {\"lines\": [\"Mia Torrance\", \"Oriel Fenn\", \"Ferris Oake\", \"hesper.vance\", \"Nobody\"]}");
    ask("POST /api/types/conversion", " {\"kind\": \"setType\", \"type\": \"valuation\", \"name\": \"Valuation\", \"guarded\": true, \"fields\": []}");
    ask("POST /api/draft/preview", " {\"changes\": [{\"kind\": \"addGrant\", \"place\": \"$place\", \"subject\": {\"kind\": \"group\", \"id\": \"$group\"}, \"role\": \"r-reader\", \"entry\": \"e-x\"}]}");
    ask("POST /api/draft/preview/people", " {\"changes\": [{\"kind\": \"break\", \"place\": \"$place\", \"start\": \"CARRY_OVER\"}]}");
    ask("POST /api/draft/changes", " {\"kind\": \"addGrant\", \"place\": \"$place\", \"subject\": {\"kind\": \"person\", \"id\": \"$person\"}, \"role\": \"r-reader\", \"entry\": \"e-x\"}");
    ask("POST /api/draft/changes/many", " {\"changes\": [{\"kind\": \"renamePlace\", \"place\": \"$place\", \"name\": \"Other\"}]}");
    String[] walls = {"wall-fraud", "wall-collision", "wall-brother", "wall-leaver", "wall-valuations", "wall-pilgrim", "none"};
    ask("GET /api/walls", "");
    ask("GET /api/walls/{id}", ofEach(walls, ""));
    ask("GET /api/walls/{id}/barred", ofEach(walls, "/barred?limit=60"));
    ask("GET /api/walls/{id}/admitted", ofEach(walls, "/admitted"));
    ask("GET /api/walls/{id}/covered", ofEach(walls, "/covered?sort=-place"));
    ask("GET /api/walls/{id}/contact", ofEach(walls, "/contact"));
    ask("GET /api/walls/{id}/contact/file", "/api/walls/wall-fraud/contact/file?format=CSV");
    elsewhere("other changes led there: WallContactTest", "GET /api/walls/{id}/contact/possible");
    ask("GET /api/walls/{id}/ties", ofEach(walls, "/ties"));
    ask("GET /api/walls/{id}/gaps", ofEach(walls, "/gaps"));
    ask("GET /api/walls/{id}/proofs", ofEach(walls, "/proofs"));
    ask("GET /api/walls/{id}/proofs/{number}/file", "/api/walls/wall-fraud/proofs/1/file?format=PDF");
    ask("POST /api/walls/coverage", " {\"places\": [\"$place\", \"lib-cas\"], \"name\": \"x\"}", " {\"labels\": {\"case\": [\"C-2411\", \"C-2502\", \"C-2406\"]}}");
    ask("POST /api/walls/description", " {\"change\": {\"kind\": \"setWall\", \"wall\": \"w-x\", \"name\": \"x\", \"state\": \"STANDING\", \"barrier\": \"screen\", \"sides\": [{\"subjects\": [{\"kind\": \"person\", \"id\": \"$person\"}], \"places\": [\"$place\"]}]}}");
    elsewhere("its certificate has a seed of its own, and what is dismissed is kept: WallsRoomTest", "POST /api/walls/{id}/proofs", "POST /api/walls/{id}/gaps/dismissals");
    ask("POST /api/walk/{person}", "/api/walk/$person {\"reason\": \"To see\"}", "/api/walk/p-hesper {\"reason\": \"To see\"}");
    ask("GET /api/walk/{person}", "/api/walk/$person", "/api/walk/$person?drafted=true");
    ask("GET /api/walk/{person}/places/{id}", "/api/walk/$person/places/$place?hidden=true", "/api/walk/$person/places/lib-cas?besidePerson=p-hesper");
    ask("GET /api/walk/{person}/places/{id}/children", "/api/walk/$person/places/$place/children?hidden=true&limit=40", "/api/walk/$person/places/root/children", "/api/walk/$person/places/lib-cas/children?besidePerson=p-hesper");
    ask("GET /api/walk/{person}/search", "/api/walk/$person/search?text=c-2&hidden=true&limit=40", "/api/walk/$person/search?text=fee");
    ask("GET /api/asking", "?text=can%20$person%20read%20$place", "?text=who%20can%20reach%20$place", "?text=what%20can%20$group%20read", "?text=who%20is%20behind%20Tern%20Rock%20inquiry", "?text=who%20can%20read%20C-24", "?text=what%20would%20it%20take%20for%20$person%20to%20read%20$place",
        "?text=what%20changed%20for%20$place", "?text=what%20can%20Tea%20C-2411%20reach");
    String asks = "\"outsidersOnly\": false, \"rule\": \"KEEPER\", \"named\": \"$person\", \"standIn\": \"p-wenna\", \"due\": \"2027-01-01T00:00:00Z\", \"needsComment\": false}";
    ask("POST /api/rounds/preview", " {\"name\": \"x\", \"kinds\": [\"GRANT\", \"OVERSIGHT\"], \"place\": \"$place\", " + asks, " {\"name\": \"x\", \"kinds\": [\"MEMBERSHIP\", \"CLEARANCE\", \"EXCEPTION\", \"DUTY\"], " + asks);
    ask("GET /api/rounds", "");
    ask("GET /api/rounds/{id}", "/api/rounds/1");
    ask("GET /api/rounds/{id}/items", "/api/rounds/1/items");
    ask("GET /api/rounds/{id}/changes", "/api/rounds/1/changes");
    elsewhere("what somebody is asked as a person, not by a duty: RoundsTest, RoundsAndWallsTest", "GET /api/reviews", "GET /api/reviews/{round}/items", "GET /api/reviews/{round}/file");
    elsewhere("keeps what is sent, in a round of its own: RoundsTest, RoundsAndWallsTest", "POST /api/rounds", "POST /api/rounds/{id}/delegation", "POST /api/rounds/{id}/reminders", "POST /api/rounds/{id}/closing", "POST /api/reviews/{round}/decisions", "POST /api/reviews/{round}/handing-in",
        "POST /api/reviews/{round}/return");
    elsewhere("other changes led there: KnownChangesTest", "GET /api/journal", "GET /api/journal/{number}", "POST /api/journal/{number}/reversal", "GET /api/journal/between");
    elsewhere("says numbers of changes only", "GET /api/updates");
    elsewhere("about one's own drafts by their numbers", "POST /api/draft/order", "DELETE /api/draft", "DELETE /api/draft/changes/{id}", "POST /api/draft/renewal", "POST /api/draft/in-force", "POST /api/drafts",
        "POST /api/drafts/{id}/in-hand", "POST /api/drafts/{id}/name", "DELETE /api/drafts/{id}", "POST /api/drafts/{id}/readers", "DELETE /api/drafts/{id}/readers/{login}",
        "POST /api/drafts/{id}/comments", "POST /api/drafts/{id}/approval", "POST /api/drafts/{id}/schedule", "DELETE /api/drafts/{id}/schedule");
    elsewhere("signing in and out, and what is one's own: SignInTest, InvitationsTest", "POST /api/invitations", "POST /api/invitations/redemption", "GET /api/mailbox", "POST /api/session/password", "GET /api/session/all",
        "DELETE /api/session/all", "DELETE /api/session/all/{id}", "POST /api/session", "DELETE /api/session");
    ask("GET /api/statements/kept", "");
    elsewhere("one's own files and recipes, made as may be known and given while it may be: PreparedFilesTest", "POST /api/statements/prepared", "GET /api/statements/prepared", "DELETE /api/statements/prepared/{id}", "GET /api/statements/prepared/{id}/file",
        "GET /api/statements/regular", "POST /api/statements/regular", "DELETE /api/statements/regular/{id}");
    elsewhere("other changes led there: a statement names the number of its change: PreparedFilesTest", "POST /api/statements/comparison");
    elsewhere("keeps what is sent", "POST /api/statements/kept", "DELETE /api/statements/kept/{id}", "POST /api/list-templates", "DELETE /api/list-templates/{id}");
    elsewhere("what somebody has as a person, not by a duty: LifeOfContentTest, PapersTest", "GET /api/places/{id}/content/about", "GET /api/places/{id}/content", "PUT /api/places/{id}/content");
    elsewhere("its own description", "GET /api/description", "GET /api/description.yaml");
    elsewhere("what somebody has as a person: PapersTest", "GET /api/papers", "GET /api/papers/places/{id}", "GET /api/papers/places/{id}/children", "GET /api/papers/search", "POST /api/papers/places/{id}/children",
        "POST /api/papers/places/{id}/description", "POST /api/papers/places/{id}/condition", "POST /api/papers/places/{id}/versions/{version}/restoration", "DELETE /api/papers/places/{id}");
  }

  private static void ask(String endpoint, String... questions) {
    QUESTIONS.put(endpoint, List.of(questions));
  }

  private static String[] ofEach(String[] walls, String asked) {
    return Stream.of(walls).map(wall -> "/api/walls/" + wall + asked).toArray(String[]::new);
  }

  private static void elsewhere(String why, String... endpoints) {
    Stream.of(endpoints).forEach(endpoint -> ELSEWHERE.put(endpoint, why));
  }

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
    TreeSet<String> named = new TreeSet<>(QUESTIONS.keySet());
    named.addAll(ELSEWHERE.keySet());
    assertThat(named).containsExactlyInAnyOrderElementsOf(endpoints);
  }

  @Test
  void what_an_asker_may_not_know_is_as_if_it_did_not_exist() {
    SoftAssertions all = new SoftAssertions();
    int told = 0;
    for (Who who : WHO) {
      Viewpoint viewpoint = Viewpoint.of(Asker.of(whole.bean(Snapshots.class).current().snapshot().at(NOW), who.person()));
      Structure known = viewpoint.snapshot().structure();
      if (known.repository().isEmpty()) {
        // Nothing of the console is theirs; what they may know as a person is asked elsewhere.
        assertClosed(all, who, viewpoint);
        Browser closed = whole.signedIn(who.login());
        Map<String, List<String>> some = Map.of("$place", List.of("lib-cas"), "$person", List.of("p-mia"), "$group", List.of("g-adjusters"), "$type", List.of("valuation"));
        QUESTIONS.forEach((endpoint, questions) -> questions(endpoint, questions, some).forEach(question ->
            all.assertThat(put(closed, endpoint, question).status()).as(who.login() + ": " + endpoint + " " + question).isLessThan(500)));
        continue;
      }
      cut.bean(Bundles.class).bringIn(known, "test", "Test", "What " + who.login() + " may know", NOW.minusSeconds(60));
      Browser one = whole.signedIn(who.login());
      Browser other = cut.signedIn(who.login());
      Random random = new Random(SEED);
      Map<String, List<String>> things = Map.of("$place", some(known.places().keySet(), structure.places().keySet(), random), "$person", some(known.people().keySet(), structure.people().keySet(), random),
          "$group", some(known.groups().keySet(), structure.groups().keySet(), random), "$type", List.of("valuation", "letter", "never-was"));
      for (Map.Entry<String, List<String>> endpoint : QUESTIONS.entrySet()) {
        for (String question : questions(endpoint.getKey(), endpoint.getValue(), things)) {
          Browser.Answer mine = put(one, endpoint.getKey(), question);
          Browser.Answer theirs = put(other, endpoint.getKey(), question);
          String because = who.login() + ": " + endpoint.getKey() + " " + question + " (seed " + SEED + ")";
          all.assertThat(mine.status()).as(because).isEqualTo(theirs.status()).isLessThan(500);
          all.assertThat(difference(told(mine), told(theirs))).as(because).isEmpty();
          all.assertThat(mine.headers().keySet()).as(because).isEqualTo(theirs.headers().keySet());
          told += mine.status() == 200 ? 1 : 0;
        }
      }
    }
    all.assertAll();
    assertThat(told).as("questions that were answered with something").isGreaterThan(600);
  }

  @Test
  void a_place_that_is_hidden_and_one_that_never_was_are_answered_alike() {
    SoftAssertions all = new SoftAssertions();
    for (Who who : WHO) {
      Structure known = Viewpoint.of(Asker.of(whole.bean(Snapshots.class).current().snapshot().at(NOW), who.person())).snapshot().structure();
      Browser one = whole.signedIn(who.login());
      List<String> unknown = new ArrayList<>(structure.places().keySet().stream().filter(place -> !known.places().containsKey(place) && (place.startsWith("f-") || place.startsWith("lib"))).sorted().toList());
      Collections.shuffle(unknown, new Random(SEED));
      unknown.stream().limit(3).forEach(hidden ->
          QUESTIONS.forEach((endpoint, questions) -> questions.stream().filter(question -> question.contains("$place")).forEach(question -> {
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
      QUESTIONS.keySet().stream().filter(endpoint -> endpoint.startsWith("GET") && !endpoint.contains("session") && !endpoint.contains("content") && !endpoint.contains("{"))
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
      for (int i = 0; i < 2 && !from.isEmpty(); i++) {
        some.add(from.remove(random.nextInt(from.size())));
      }
    }
    some.add("never-was");
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
  private static Browser.Answer put(Browser browser, String endpoint, String question) {
    String method = endpoint.substring(0, endpoint.indexOf(' '));
    int body = question.indexOf(" {");
    String path = body < 0 ? question : question.substring(0, body);
    String whole = path.startsWith("/api/") ? path : endpoint.substring(endpoint.indexOf(' ') + 1) + path;
    if (method.equals("GET")) {
      return browser.get(whole);
    }
    Browser.Answer answer = browser.post(whole, question.substring(body + 1));
    browser.delete("/api/draft");
    return answer;
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
        .replaceAll("\"(change|base|version|failedSince|id)\":\\d+", "\"$1\":0").replaceAll("\"since\":\\{[^}]*}", "\"since\":{}").replaceAll("(?i)(on |as of |of |\"|^|\\n)change\"?[ ,:]+\\d+", "$1change 0")
        .replaceAll("change-\\d+", "change-0").replaceAll("(?i)\"Change number\":\"\\d+\"", "").replaceAll("[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[0-9a-f-]{17}", "new");
  }
}
