package palegate.server.access;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.access.Trace;
import palegate.core.changes.ChangeJson;
import palegate.core.duties.Duty;
import palegate.core.questions.Explanation;
import palegate.core.questions.NewDocuments;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.viewpoint.Authority;
import palegate.core.ways.WaysTo;
import palegate.server.changes.ChangeBody;
import palegate.server.changes.NewIds;
import palegate.server.drafts.Drafts;
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.store.History;
import palegate.server.viewpoint.Viewpoints;
import palegate.server.views.EntryView;
import palegate.server.views.PersonView;

/** Why a person has the rights they have at a place, and what it would take to give or take one. */
@RestController
class WhyController {
  /** {@code rights} are rights now; {@code standing} leaves the document's conditions out. */
  record Why(PersonView person, String place, String path, Instant at, boolean drafted, List<String> rights, List<String> standing,
      boolean walled, List<Step> stages, @MayBeMissing WithoutWalls withoutWalls, List<Silent> silent) {}

  /** {@code after}: as it would be with the changes. */
  record Beforehand(@NotBlank(message = "Name a person.") String person, @NotBlank(message = "Name a place.") String place, boolean after,
      @NotEmpty(message = "Send at least one change.") @Size(max = 500, message = "At most 500 changes at once.") List<ChangeBody> changes) {}

  record Step(int number, String title, List<String> before, List<String> after, String reason, List<Acting> acting, List<Guard> guards) {}

  record Acting(EntryView entry, boolean here, List<List<Link>> paths, boolean morePaths) {}

  record Guard(String kind, @MayBeMissing String id, String words, @MayBeMissing String reason, List<List<Link>> paths, boolean morePaths) {}

  record Link(String kind, String id, String name, @MayBeMissing Instant from, @MayBeMissing Instant until) {}

  /** What would hold with no wall at all. */
  record WithoutWalls(List<String> rights, List<Step> stages) {}

  record Silent(EntryView entry, String why) {}

  /** What it would take; {@code impossible} says why nothing would do. */
  record Ways(boolean already, List<Way> ways, @MayBeMissing String impossible) {}

  /** One way and its side effects. {@code changes} can go into the draft as they are; empty if another duty is needed for it. */
  record Way(String words, int otherPeople, int documents, long otherPairs, int lockOuts, List<ChangeBody> changes) {}

  private final Drafts drafts;
  private final Accounts accounts;
  private final History history;
  private final Viewpoints viewpoints;
  private final Clock clock;

  WhyController(Drafts drafts, Accounts accounts, History history, Viewpoints viewpoints, Clock clock) {
    this.drafts = drafts;
    this.history = history;
    this.viewpoints = viewpoints;
    this.accounts = accounts;
    this.clock = clock;
  }

  /**
   * The trace at this moment, of the state in force or of what the asker's draft would make of it; or as it was at an earlier one. With a type it is that of a
   * document of the type which is not there yet, put into the place.
   */
  @GetMapping("/api/why")
  Why why(@RequestParam String person, @RequestParam String place, @RequestParam(required = false) String type, @RequestParam(defaultValue = "false") boolean drafted,
      @RequestParam(required = false) Instant at, Principal who) {
    Instant now = clock.instant();
    boolean earlier = at != null && at.isBefore(now);
    Snapshot snapshot = earlier ? viewpoints.known(who.getName(), history.at(at)).snapshot() : drafts.shown(who.getName(), drafted);
    return why(snapshot, earlier ? at : now, person, place, type, drafted && !earlier, who.getName());
  }

  /** The same of changes that are not in the draft yet, on top of it: as it is without them, or as it would be. Nothing is kept. */
  @PostMapping("/api/draft/preview/why")
  Why preview(@Valid @RequestBody Beforehand asked, Principal who) {
    Drafts.Previewed previewed = drafts.preview(who.getName(), ChangeBody.read(asked.changes()));
    return why(asked.after() ? previewed.whole().after() : previewed.drafted(), clock.instant(), asked.person(), asked.place(), null, true, who.getName());
  }

  private Why why(Snapshot known, Instant instant, String person, String place, String type, boolean drafted, String account) {
    int container = number(known.placeNumber(place), "place", place);
    NewDocuments.Imagined asked = type == null ? new NewDocuments.Imagined(known, container) : imagined(known, container, type);
    Snapshot snapshot = asked.snapshot();
    int personNumber = number(snapshot.personNumber(person), "person", person);
    Explanation.WallReasons reasons = accounts.holdsAny(account, Duty.WALLS, Duty.AUDIT)
        ? Explanation.WallReasons.SHOWN : Explanation.WallReasons.HIDDEN;
    Trace trace = Explanation.of(snapshot, instant, personNumber, asked.place(), reasons);
    Structure structure = snapshot.structure();
    return new Why(PersonView.of(snapshot.person(personNumber), structure), place, snapshot.pathText(asked.place()), trace.instant(),
        drafted, trace.rights().words(), trace.standing().words(), trace.withoutWalls() != null, steps(trace.stages(), structure),
        trace.withoutWalls() == null ? null
            : new WithoutWalls(trace.withoutWalls().rights().words(), steps(trace.withoutWalls().stages(), structure)),
        trace.silent().stream().map(silent -> new Silent(
            EntryView.of(silent.entry(), snapshot.rightsOf(silent.entry()), structure), silent.why().words())).toList());
  }

  private static NewDocuments.Imagined imagined(Snapshot snapshot, int container, String type) {
    DocumentType known = snapshot.structure().types().get(type);
    if (known == null) {
      throw Problem.notFound("type", type);
    }
    if (!snapshot.place(container).kind().isContainer()) {
      throw Problem.of(HttpStatus.BAD_REQUEST, "not-a-container", "Nothing can be put in here", "A new document goes into the repository, a library or a folder; ["
          + snapshot.place(container).name() + "] is none of them. Leave the type out to ask about it as it is.");
    }
    return NewDocuments.in(snapshot, container, known);
  }

  /** Ways to give a right that the person lacks, or to take one that they have; of the state in force. */
  @GetMapping("/api/why/ways")
  Ways ways(@RequestParam String person, @RequestParam String place, @RequestParam String right, Principal who) {
    Snapshot snapshot = drafts.shown(who.getName(), false);
    int personNumber = number(snapshot.personNumber(person), "person", person);
    int placeNumber = number(snapshot.placeNumber(place), "place", place);
    Right wanted = Right.parse(right).orElseThrow(() -> Problem.notFound("right", right));
    Instant now = clock.instant();
    boolean has = snapshot.at(now).rightsNow(personNumber, placeNumber).contains(wanted);
    WaysTo.Answer answer = WaysTo.find(snapshot, now, has ? WaysTo.Direction.TAKE : WaysTo.Direction.GIVE, wanted, personNumber, placeNumber);
    return new Ways(answer.already(), answer.ways().stream().map(way -> way(way, who.getName())).toList(), answer.impossible());
  }

  /** The changes of a way go into the draft only if the asker has the duties that they take. */
  private Way way(WaysTo.Way way, String account) {
    boolean mayDraft = way.changes().stream().allMatch(change -> Authority.mayDraft(accounts.asker(account), change));
    return new Way(way.words(), way.otherPeople(), way.documents(), way.otherPairs(), way.lockOuts(),
        mayDraft ? way.changes().stream().map(change -> ChangeBody.of(ChangeJson.anew(change, NewIds::of))).toList() : List.of());
  }

  private static int number(int number, String noun, String id) {
    if (number < 0) {
      throw Problem.notFound(noun, id);
    }
    return number;
  }

  private static List<Step> steps(List<Trace.Step> steps, Structure structure) {
    return steps.stream().map(step -> new Step(step.number(), step.title(), step.before().words(), step.after().words(), step.reason(),
        step.acting().stream().map(acting -> new Acting(EntryView.of(acting.entry(), acting.rights(), structure), acting.here(),
            paths(acting.paths(), structure), acting.morePaths())).toList(),
        step.guards().stream().map(guard -> new Guard(guard.kind(), guard.id(), guard.words(), guard.reason(),
            paths(guard.paths(), structure), guard.morePaths())).toList())).toList();
  }

  private static List<List<Link>> paths(List<Trace.MembershipPath> paths, Structure structure) {
    return paths.stream().map(path -> path.links().stream().map(link -> link(link, structure)).toList()).toList();
  }

  private static Link link(Trace.Link link, Structure structure) {
    String name = link.kind().equals("unit") ? structure.units().get(link.id()).name() : structure.groups().get(link.id()).name();
    return new Link(link.kind(), link.id(), name, link.period().from(), link.period().until());
  }
}
