package palegate.server.viewpoint;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** What is asked of each endpoint through a viewpoint, or where else it is. */
final class ViewpointQuestions {
  /** Asked with each of some things known and unknown in the place of the words that begin with a dollar. */
  static final Map<String, List<String>> QUESTIONS = new LinkedHashMap<>();
  /** Asked again, and these alone, while two drafts hold the same changes in both applications. */
  static final Map<String, List<String>> OF_DRAFTS = new LinkedHashMap<>();
  /** What is not compared here, and why. */
  static final Map<String, String> ELSEWHERE = new LinkedHashMap<>();

  static {
    ask("GET /api/types", "");
    ask("GET /api/findings", "?limit=200", "?accepted=true", "?rule=ends-soon");
    ask("GET /api/findings/one", "?key=$finding", "?key=no-keeper%20place:$place");
    ask("GET /api/findings/follow-up", "?key=$finding", "?key=no-keeper%20place:$place");
    elsewhere("keeps what is sent: FindingFollowUpTest", "POST /api/findings/assignment", "DELETE /api/findings/assignment", "POST /api/findings/comments");
    ask("GET /api/findings/settings", "");
    elsewhere("gives new things ids of their own: FindingsRoomTest", "GET /api/findings/mining", "POST /api/findings/mining", "DELETE /api/findings/mining");
    elsewhere("other changes led there: FindingsRoomTest", "GET /api/findings/since", "GET /api/findings/gone");
    elsewhere("keeps what is sent: FindingsRoomTest", "POST /api/findings/settings/limits", "POST /api/findings/settings/off/{rule}", "DELETE /api/findings/settings/off/{rule}", "POST /api/findings/acceptances", "DELETE /api/findings/acceptances");
    ask("GET /api/matrix/heads", "?rows=GROUPS", "?rows=NAMED_BELOW&across=DOCUMENTS&top=$place", "?subject=group:$group&subject=person:$person&across=TYPES");
    ask("POST /api/matrix/cells", " {\"rows\": [{\"kind\": \"group\", \"id\": \"$group\"}, {\"kind\": \"person\", \"id\": \"$person\"}], \"columns\": [\"$place\", \"lib-cas\"], \"types\": false}",
        " {\"rows\": [{\"kind\": \"group\", \"id\": \"$group\"}], \"columns\": [\"letter\", \"valuation\"], \"types\": true, \"container\": \"$place\"}");
    ask("GET /api/matrix/cell", "?rows=NAMED_BELOW&of=group:$group&column=$place", "?rows=GROUPS&across=TYPES&of=group:g-adjusters&column=letter&top=$place", "?rows=GROUPS&of=group:g-adjusters&column=lib-cas");
    ask("GET /api/matrix/found", "?rows=NAMED_BELOW&kind=OUTLIERS", "?rows=GROUPS&across=TYPES&kind=RIGHT&right=read&top=$place", "?kind=OUTSIDERS&rows=WITH_ACCESS_BELOW&across=DOCUMENTS&top=$place");
    ask("GET /api/matrix/file", "?rows=GROUPS&top=$place&format=CSV", "?rows=GROUPS&top=lib-cas&format=JSON");
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
    ask("GET /api/places/{id}/access/{entry}/people", "/api/places/$entry/people?kind=grant");
    ask("GET /api/list-templates", "");
    ask("GET /api/repository", "");
    ask("GET /api/places/{id}/children", "/api/places/$place/children");
    ask("GET /api/places", "?text=a", "?text=2411", "?text=2502", "?text=fee");
    ask("GET /api/places/{id}", "/api/places/$place");
    ask("GET /api/places/{id}/removal", "/api/places/$place/removal");
    ask("GET /api/places/{id}/documents", "/api/places/$place/documents", "/api/places/$place/documents?sort=-name&limit=3");
    ask("GET /api/places/{id}/people", "/api/places/$place/people", "/api/places/$place/people?right=govern&sort=-name");
    ask("GET /api/draft/rehearsal", "");
    ask("GET /api/draft/rehearsal/people", "");
    ask("GET /api/draft/rehearsal/places", "");
    ask("GET /api/draft/rehearsal/pairs", "");
    ask("GET /api/draft/rehearsal/lock-outs", "");
    ask("GET /api/draft/rehearsal/own-losses", "");
    ask("GET /api/draft/rehearsal/file", "?format=CSV");
    ask("GET /api/why", "?person=$person&place=$place", "?person=$person&place=$place&type=$type");
    ask("POST /api/draft/preview/why", " {\"person\": \"$person\", \"place\": \"$place\", \"after\": true, \"changes\": [{\"kind\": \"break\", \"place\": \"$place\", \"start\": \"CARRY_OVER\"}]}");
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
    askOfDraft("GET /api/drafts/{id}", "/api/drafts/$draft");
    askOfDraft("GET /api/drafts/{id}/foreseen", "/api/drafts/$draft/foreseen?at=2026-12-24T10:00:00Z");
    askOfDraft("GET /api/drafts/{id}/beside/{other}", "/api/drafts/$draft/beside/$other", "/api/drafts/$other/beside/$draft?sort=-more");
    askOfDraft("GET /api/drafts/{id}/beside/{other}/pairs", "/api/drafts/$draft/beside/$other/pairs", "/api/drafts/$draft/beside/$other/pairs?text=a&sort=person");
    ask("GET /api/drafts/colleagues", "");
    ask("GET /api/draft", "");
    askOfDraft("GET /api/draft/changes/{id}/effect", "/api/draft/changes/$item/effect");
    elsewhere("tells the number of a change to whoever made it: SeenTest", "GET /api/draft/in-force/{request}");
    ask("GET /api/statements/pairs", "?about=PLACE&id=$place&limit=60", "?about=PERSON&id=$person&limit=60&sort=person");
    ask("GET /api/statements", "?kind=place&id=$place", "?kind=place&id=$place&grouping=person&now=yes", "?kind=place&id=$place&grouping=subject", "?kind=place&id=$place&grouping=role", "?kind=subject&id=person:$person", "?kind=subject&id=group:$group&grouping=none&limit=60",
        "?kind=lists&id=$place", "?kind=breaks", "?kind=walls", "?kind=outsiders", "?kind=clearances", "?kind=duties", "?kind=shares", "?kind=shares&id=$place", "?kind=conditions", "?kind=roles", "?kind=groups", "?kind=openings&from=2026-01-01T00:00:00Z");
    ask("GET /api/statements/behind", "?kind=place&id=$place&line=0", "?kind=place&id=lib-cas&grouping=role&line=1");
    ask("GET /api/statements/file", "?kind=place&id=$place&format=CSV", "?kind=subject&id=person:$person&grouping=none&format=JSON", "?kind=everyone&id=$place&format=JSONL", "?kind=breaks&format=CSV");
    elsewhere("other changes led there: a file says the number of its change, and a history is another: StatementFilesTest", "POST /api/statements/verification");
    ask("GET /api/comparison", "?kind=group&one=$group&other=g-adjusters", "?kind=person&one=$person&other=p-mia");
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
    ask("POST /api/people/matches", " {\"text\": \"Mia Torrance\\nOriel Fenn\\nFerris Oake\\nhesper.vance\\nNobody\"}");
    ask("POST /api/types/conversion", " {\"kind\": \"setType\", \"type\": \"valuation\", \"name\": \"Valuation\", \"guarded\": true, \"fields\": []}");
    ask("POST /api/draft/preview", " {\"place\": \"$place\", \"changes\": [{\"kind\": \"addGrant\", \"place\": \"$place\", \"subject\": {\"kind\": \"group\", \"id\": \"$group\"}, \"role\": \"r-reader\", \"entry\": \"e-x\"}]}");
    ask("POST /api/draft/preview/people", " {\"place\": \"$place\", \"changes\": [{\"kind\": \"break\", \"place\": \"$place\", \"start\": \"CARRY_OVER\"}]}");
    ask("POST /api/draft/changes", " {\"kind\": \"addGrant\", \"place\": \"$place\", \"subject\": {\"kind\": \"person\", \"id\": \"$person\"}, \"role\": \"r-reader\", \"entry\": \"e-x\"}");
    ask("POST /api/draft/changes/many", " {\"changes\": [{\"kind\": \"renamePlace\", \"place\": \"$place\", \"name\": \"Other\"}]}");
    String[] walls = {"wall-fraud", "wall-collision", "wall-brother", "wall-leaver", "wall-valuations", "wall-pilgrim", "none"};
    ask("GET /api/walls", "");
    ask("GET /api/walls/{id}", ofEach(walls, ""));
    ask("GET /api/walls/{id}/barred", ofEach(walls, "/barred?limit=60"));
    ask("GET /api/walls/{id}/admitted", ofEach(walls, "/admitted"));
    ask("GET /api/walls/{id}/barred/{person}", ofEach(walls, "/barred/$person"));
    ask("GET /api/walls/{id}/admitted/{person}", ofEach(walls, "/admitted/$person"));
    ask("GET /api/walls/{id}/covered", ofEach(walls, "/covered?sort=-place"));
    ask("GET /api/walls/{id}/contact", ofEach(walls, "/contact"));
    ask("GET /api/walls/{id}/contact/file", "/api/walls/wall-fraud/contact/file?format=CSV");
    elsewhere("other changes led there: WallContactTest, WallChangesTest", "GET /api/walls/{id}/contact/possible", "GET /api/walls/{id}/changes");
    ask("GET /api/walls/{id}/ties", ofEach(walls, "/ties"));
    ask("GET /api/walls/{id}/gaps", ofEach(walls, "/gaps"));
    ask("GET /api/draft/wall-watch", "");
    ask("GET /api/walls/{id}/notices", ofEach(walls, "/notices"));
    elsewhere("keeps what is sent: WallNoticesTest", "POST /api/walls/{id}/notices", "POST /api/walls/{id}/notices/{number}/reminders", "POST /api/notices/{number}/acknowledgement");
    elsewhere("what somebody was told as a person, not by a duty: WallNoticesTest", "GET /api/notices");
    ask("GET /api/walls/{id}/proofs", ofEach(walls, "/proofs"));
    ask("GET /api/walls/{id}/proofs/under-way", ofEach(walls, "/proofs/under-way"));
    elsewhere("calls off one's own: WallsRoomTest", "DELETE /api/walls/{id}/proofs/under-way");
    elsewhere("its author's alone: WallsRoomTest", "GET /api/walls/{id}/proofs/{number}/file");
    ask("POST /api/walls/coverage", " {\"places\": [\"$place\", \"lib-cas\"], \"name\": \"x\"}", " {\"labels\": {\"case\": [\"C-2411\", \"C-2502\", \"C-2406\"]}}");
    ask("POST /api/walls/description", " {\"change\": {\"kind\": \"setWall\", \"wall\": \"w-x\", \"name\": \"x\", \"state\": \"STANDING\", \"barrier\": \"screen\", \"sides\": [{\"subjects\": [{\"kind\": \"person\", \"id\": \"$person\"}], \"places\": [\"$place\"]}]}}");
    elsewhere("its certificate has a seed of its own, and what is dismissed is kept: WallsRoomTest", "POST /api/walls/{id}/proofs", "POST /api/walls/{id}/gaps/dismissals");
    ask("POST /api/walk/{person}", "/api/walk/$person {\"reason\": \"To see\"}", "/api/walk/p-hesper {\"reason\": \"To see\"}");
    ask("GET /api/walk-settings", "");
    elsewhere("keeps what is sent: WalkRoomTest", "PUT /api/walk-settings");
    ask("GET /api/walk/{person}", "/api/walk/$person", "/api/walk/$person?drafted=true");
    ask("GET /api/walk/{person}/places/{id}", "/api/walk/$person/places/$place?hidden=true", "/api/walk/$person/places/lib-cas?besidePerson=p-hesper");
    ask("GET /api/walk/{person}/places/{id}/children", "/api/walk/$person/places/$place/children?hidden=true&limit=40", "/api/walk/$person/places/root/children", "/api/walk/$person/places/lib-cas/children?besidePerson=p-hesper");
    ask("GET /api/walk/{person}/search", "/api/walk/$person/search?text=c-2&hidden=true&limit=40", "/api/walk/$person/search?text=fee");
    ask("GET /api/asking/completions", "?text=can%20m", "?text=who%20can%20read%20c-2", "?text=what%20can%20te", "?text=who%20is%20behind%20the%20wall%20t", "?text=what%20changed%20for%20fe");
    ask("GET /api/asking", "?text=can%20$person%20read%20$place", "?text=who%20can%20reach%20$place", "?text=what%20can%20$group%20read", "?text=who%20is%20behind%20Tern%20Rock%20inquiry", "?text=who%20can%20read%20C-24", "?text=what%20would%20it%20take%20for%20$person%20to%20read%20$place",
        "?text=what%20changed%20for%20$place", "?text=what%20can%20Tea%20C-2411%20reach");
    String asks = "\"outsidersOnly\": false, \"rule\": \"KEEPER\", \"named\": \"$person\", \"standIn\": \"p-wenna\", \"due\": \"2027-01-01T00:00:00Z\", \"needsComment\": false}";
    ask("POST /api/rounds/preview", " {\"name\": \"x\", \"kinds\": [\"GRANT\", \"OVERSIGHT\"], \"place\": \"$place\", " + asks, " {\"name\": \"x\", \"kinds\": [\"MEMBERSHIP\", \"CLEARANCE\", \"EXCEPTION\", \"DUTY\"], " + asks,
        " {\"name\": \"x\", \"kinds\": [\"ACCESS\"], \"place\": \"$place\", " + asks);
    ask("GET /api/rounds", "");
    elsewhere("what was asked and decided is in no bundle: RoundsTest, RoundsAndWallsTest", "GET /api/rounds/{id}", "GET /api/rounds/{id}/items", "GET /api/rounds/{id}/changes");
    elsewhere("what somebody is asked as a person, not by a duty: RoundsTest, RoundsAndWallsTest", "GET /api/reviews", "GET /api/reviews/{round}/items", "GET /api/reviews/{round}/file");
    elsewhere("keeps what is sent, in a round of its own: RoundsTest, RoundsAndWallsTest", "POST /api/rounds", "POST /api/rounds/{id}/delegation", "POST /api/rounds/{id}/reminders", "POST /api/rounds/{id}/closing", "POST /api/reviews/{round}/decisions", "POST /api/reviews/{round}/handing-in",
        "POST /api/reviews/{round}/return");
    elsewhere("what is put into documents is in no bundle: ContentPutsTest", "GET /api/journal/contents");
    elsewhere("other changes led there: KnownChangesTest", "GET /api/journal", "GET /api/journal/{number}", "POST /api/journal/{number}/reversal", "GET /api/journal/between", "GET /api/journal/between/causes", "GET /api/journal/between/causes/people", "GET /api/journal/between/causes/places");
    elsewhere("says numbers of changes only", "GET /api/updates");
    elsewhere("about one's own drafts by their numbers", "POST /api/draft/order", "DELETE /api/draft", "DELETE /api/draft/changes/{id}", "POST /api/draft/renewal", "POST /api/draft/in-force", "POST /api/drafts",
        "POST /api/drafts/{id}/in-hand", "POST /api/drafts/{id}/name", "DELETE /api/drafts/{id}", "POST /api/drafts/{id}/readers", "DELETE /api/drafts/{id}/readers/{login}",
        "POST /api/drafts/{id}/comments", "POST /api/drafts/{id}/approval", "POST /api/drafts/{id}/schedule", "DELETE /api/drafts/{id}/schedule");
    elsewhere("signing in and out, and what is one's own: SignInTest, InvitationsTest", "POST /api/invitations", "POST /api/invitations/redemption", "GET /api/mailbox", "POST /api/session/password", "GET /api/session/all",
        "DELETE /api/session/all", "DELETE /api/session/all/{id}", "POST /api/session", "DELETE /api/session");
    ask("GET /api/shares", "", "?show=OUTSIDERS&sort=-until", "?place=$place&text=c-2", "?show=PASSES&sort=maker", "?maker=$person");
    ask("GET /api/shortlists", "");
    ask("GET /api/shortlists/proposals", "?person=$person", "?person=p-mia");
    ask("GET /api/separations", "");
    ask("GET /api/separations/{id}/people", "/api/separations/se-fees/people", "/api/separations/none/people");
    elsewhere("what somebody has as a person, not by a duty: SharingTest", "GET /api/papers/places/{id}/sharing", "POST /api/papers/places/{id}/sharing", "POST /api/papers/places/{id}/shares", "POST /api/papers/places/{id}/passes", "GET /api/papers/recipients",
        "GET /api/papers/shares", "GET /api/papers/shares/{id}/taking-back", "POST /api/papers/shares/{id}/taking-back", "GET /api/papers/passes/{id}", "POST /api/papers/passes/{id}/opening");
    ask("GET /api/statements/kept", "");
    elsewhere("one's own files and recipes, made as may be known and given while it may be: PreparedFilesTest", "POST /api/statements/prepared", "GET /api/statements/prepared", "DELETE /api/statements/prepared/{id}", "GET /api/statements/prepared/{id}/file",
        "GET /api/statements/regular", "POST /api/statements/regular", "DELETE /api/statements/regular/{id}");
    elsewhere("other changes led there: a statement names the number of its change: PreparedFilesTest", "POST /api/statements/comparison");
    elsewhere("keeps what is sent", "POST /api/statements/kept", "DELETE /api/statements/kept/{id}", "POST /api/list-templates", "DELETE /api/list-templates/{id}");
    elsewhere("what somebody has as a person, not by a duty: LifeOfContentTest, PapersTest", "GET /api/places/{id}/content/about", "GET /api/places/{id}/content", "PUT /api/places/{id}/content");
    elsewhere("its own description", "GET /api/description", "GET /api/description.yaml");
    elsewhere("what somebody has as a person: PapersTest", "GET /api/papers", "GET /api/papers/places/{id}", "GET /api/papers/places/{id}/why", "GET /api/papers/places/{id}/children", "GET /api/papers/search", "GET /api/papers/bin", "POST /api/papers/bin/{change}/return", "POST /api/papers/places/{id}/children",
        "POST /api/papers/places/{id}/description", "POST /api/papers/places/{id}/condition", "POST /api/papers/places/{id}/versions/{version}/restoration", "DELETE /api/papers/places/{id}");
  }

  private static void askOfDraft(String endpoint, String... questions) {
    OF_DRAFTS.put(endpoint, List.of(questions));
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

  private ViewpointQuestions() {}
}
