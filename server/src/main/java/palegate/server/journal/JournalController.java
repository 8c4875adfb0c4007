package palegate.server.journal;

import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.changes.Change;
import palegate.core.duties.Duty;
import palegate.core.people.Group;
import palegate.core.reversal.Reversal;
import palegate.core.snapshot.Snapshot;
import palegate.core.separations.Separation;
import palegate.core.structure.Alteration;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.StructureStore;
import palegate.server.tray.StoredDrafts;
import palegate.server.viewpoint.KnownChanges;
import palegate.server.viewpoint.Things;
import palegate.server.viewpoint.Viewpoints;

/** Every change put in force, newest first unless turned round, and the exact content of each. */
@RestController
@RequestMapping("/api/journal")
class JournalController {
  /** One change; {@code origin} is draft, papers or import. */
  record JournalLine(long number, String author, Instant at, String note, String origin, @MayBeMissing Instant scheduledFor) {}

  /** Whoever agreed to it. */
  record ChangeApproval(String name, Instant at) {}

  /** One thing as it was and as it became; null where it did not exist. */
  record Altered(String kind, String id, String title, @MayBeMissing Map<String, String> before, @MayBeMissing Map<String, String> after) {}

  record ChangeDetail(JournalLine change, List<ChangeApproval> approvals, Page<Altered> altered) {}

  private final Accounts accounts;
  private final ChangeLog log;
  private final StructureStore structures;
  private final Viewpoints viewpoints;
  private final KnownChanges changes;
  private final StoredDrafts drafts;
  private final Clock clock;

  JournalController(ChangeLog log, StructureStore structures, Viewpoints viewpoints, KnownChanges changes, Accounts accounts, StoredDrafts drafts, Clock clock) {
    this.clock = clock;
    this.drafts = drafts;
    this.accounts = accounts;
    this.log = log;
    this.structures = structures;
    this.viewpoints = viewpoints;
    this.changes = changes;
  }

  /** Of so many things of one name the changes are found; more of the name finds those that are left out. */
  private static final int NAMED_AT_MOST = 500;

  /**
   * The changes, also those that touched something whose name contains the text.
   *
   * @param thing only those that touched this one, as {@code place:ID}, {@code person:ID} and so on; what is not known has none
   */
  @GetMapping
  Page<JournalLine> journal(@RequestParam(required = false) String thing, @ParameterObject PageRequest part, Principal who) {
    boolean newestFirst = part.order("-number").turned();
    Map<Long, KnownChanges.Known> known = changes.to(who.getName());
    Snapshot state = viewpoints.known(who.getName()).snapshot();
    ChangeLog.Wanted wanted = new ChangeLog.Wanted(part.text(), part.takesAll() ? List.of() : Things.named(state, part.text(), NAMED_AT_MOST), thing);
    if (known != null) {
      if (thing != null && !changes.knows(who.getName(), thing)) {
        return new Page<>(0, part.offset(), List.of());
      }
      // A note may say what is not to be known: it is looked through as it is told.
      Set<Long> touching = part.takesAll() && thing == null ? known.keySet() : log.numbers(wanted);
      Set<Long> ofThing = thing == null ? known.keySet() : log.numbers(new ChangeLog.Wanted("", List.of(), thing));
      List<ChangeLog.Logged> found = log.of(known.keySet(), newestFirst).stream().map(change -> KnownChanges.told(change, known)).filter(change -> ofThing.contains(change.number()))
          .filter(change -> part.takesAll() || part.takes(change.note(), change.authorName(), Long.toString(change.number())) || touches(change, wanted, touching, known)).toList();
      return new Page<>(found.size(), part.offset(), found.stream().skip(part.offset()).limit(part.limit()).map(JournalController::line).toList());
    }
    return new Page<>(log.count(wanted), part.offset(), log.page(wanted, newestFirst, part.offset(), part.limit()).stream().map(JournalController::line).toList());
  }

  /** Whether it was found by a thing of that name: one whose whole note may be known may have been found by that as well. */
  private static boolean touches(ChangeLog.Logged change, ChangeLog.Wanted wanted, Set<Long> found, Map<Long, KnownChanges.Known> known) {
    return !wanted.named().isEmpty() && found.contains(change.number()) && known.get(change.number()) == KnownChanges.Known.ALL;
  }

  @GetMapping("/{number}")
  ChangeDetail change(@PathVariable long number, @ParameterObject PageRequest part, Principal who) {
    Map<Long, KnownChanges.Known> known = changes.to(who.getName());
    ChangeLog.Logged logged = find(number, known);
    // Names are those of the time: after the change, so that what it made has one.
    Structure then = viewpoints.structureAsOf(who.getName(), number);
    Structure before = number == 1 ? Structure.EMPTY : viewpoints.structureAsOf(who.getName(), number - 1);
    AlteredWords words = new AlteredWords(new Names(then, before), accounts.holdsAny(who.getName(), Duty.WALLS, Duty.AUDIT));
    SortOrders<Alteration> altered = SortOrders.<Alteration>by("found", (a, b) -> 0)
        .or("what", Comparator.comparing(words::title)).or("kind", Comparator.comparing(Alteration::kind).thenComparing(words::title));
    // Whoever knows but a part of it need not know who looked at the rest.
    boolean whole = known == null || known.get(number) == KnownChanges.Known.ALL;
    return new ChangeDetail(line(logged), (whole ? log.approvals(number) : List.<ChangeLog.Approved>of()).stream().map(one -> new ChangeApproval(one.name(), one.at())).toList(), altered.page(part, (known == null ? structures.alteredBy(number) : knownOf(number, before, then, who.getName())).stream()
        .filter(thing -> part.takesAll() || part.takes(words.title(thing), thing.kind())), thing -> new Altered(thing.kind(), thing.id(), words.title(thing),
        thing.before() == null ? null : words.fields(thing.before()), thing.after() == null ? null : words.fields(thing.after()))));
  }

  private ChangeLog.Logged find(long number, Map<Long, KnownChanges.Known> known) {
    return log.find(number).filter(change -> known == null || known.containsKey(number)).map(change -> KnownChanges.told(change, known))
        .orElseThrow(() -> Problem.notFound("change", Long.toString(number)));
  }

  /** What a change altered of what may be known: of memberships, both ends of which are. */
  private List<Alteration> knownOf(long number, Structure before, Structure then, String account) {
    boolean duties = accounts.holdsAny(account, Duty.SYSTEM, Duty.AUDIT);
    return structures.alteredBy(number).stream().filter(altered -> duties || !altered.kind().equals("duty")).filter(altered -> isKnown(altered, altered.before(), before) && isKnown(altered, altered.after(), then)).toList();
  }

  /** Whether a part stands so in what is known; one that was not there, or is gone, hides nothing. */
  private static boolean isKnown(Alteration altered, Object part, Structure known) {
    if (part == null) {
      return true;
    }
    if (part instanceof Alteration.GroupMembership held) {
      return known.groups().containsKey(held.group()) && known.groups().get(held.group()).members().contains(held.membership());
    }
    if (part instanceof Group group) {
      return known.groups().containsKey(group.id());
    }
    return Stream.of(known.units(), known.people(), known.roles(), known.types(), known.places(), known.grants(), known.withholdings(), known.oversights(), known.walls(), known.approvals(),
        known.duties(), known.sharing(), known.passes(), known.shortlists(), known.separations()).anyMatch(parts -> part.equals(parts.get(altered.id())));
  }

  /** What became of a reversal: the draft that holds it, and what it leaves alone. */
  record Reversed(long draft, int changes, List<LeftAlone> left) {}

  record LeftAlone(String thing, String why) {}

  /** Makes a draft that turns a change back, and puts it in hand. */
  @PostMapping("/{number}/reversal")
  @ResponseStatus(HttpStatus.CREATED)
  Reversed reverse(@PathVariable long number, Principal who) {
    Map<Long, KnownChanges.Known> known = changes.to(who.getName());
    ChangeLog.Logged logged = find(number, known);
    if (number == 1) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "the-beginning", "The beginning cannot be turned back", "There was nothing before the first change.");
    }
    // Whoever knows a part of it takes back that part.
    Structure then = viewpoints.structureAsOf(who.getName(), number - 1);
    Structure after = viewpoints.structureAsOf(who.getName(), number);
    Snapshot newest = viewpoints.known(who.getName()).snapshot();
    Structure now = newest.structure();
    Reversal reversal = Reversal.of(StructureDifference.between(then, after), newest, clock.instant());
    List<LeftAlone> left = reversal.left().stream().map(one -> new LeftAlone(nameOf(one.thing(), now, after), one.why())).toList();
    List<Change> steps = reversal.changes();
    if (steps.isEmpty()) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "nothing-to-turn-back", "Nothing to turn back",
          "Everything that change " + number + " altered has been altered again since, or is so already.").with("left", left);
    }
    long draft = drafts.begin(who.getName(), "Undo change " + number + ": " + (logged.note().length() > 120 ? logged.note().substring(0, 120) : logged.note()), steps);
    return new Reversed(draft, steps.size(), left);
  }

  private static String nameOf(String thing, Structure now, Structure then) {
    String kind = thing.substring(0, thing.indexOf(':'));
    String id = thing.substring(thing.indexOf(':') + 1);
    Structure known = kind.equals("place") && !now.places().containsKey(id) ? then : now;
    return switch (kind) {
      case "place" -> known.places().containsKey(id) ? known.places().get(id).name() : id;
      case "group" -> known.groups().containsKey(id) ? known.groups().get(id).name() : id;
      case "person" -> known.people().containsKey(id) ? known.people().get(id).name() : id;
      case "role" -> known.roles().containsKey(id) ? known.roles().get(id).name() : id;
      case "type" -> known.types().containsKey(id) ? known.types().get(id).name() : id;
      case "approval" -> known.approvals().containsKey(id) ? known.approvals().get(id).name() : then.approvals().containsKey(id) ? then.approvals().get(id).name() : id;
      case "duty" -> known.duties().containsKey(id) ? known.duties().get(id).duty().word() : then.duties().containsKey(id) ? then.duties().get(id).duty().word() : id;
      case "unit" -> known.units().containsKey(id) ? known.units().get(id).name() : id;
      case "pass" -> Stream.of(known, then).map(structure -> structure.passes().get(id)).filter(Objects::nonNull).findFirst().map(pass -> "the pass to " + nameOf("place:" + pass.place(), now, then)).orElse(id);
      case "separation" -> Stream.of(known, then).map(structure -> structure.separations().get(id)).filter(Objects::nonNull).findFirst().map(Separation::name).orElse(id);
      case "wall" -> known.walls().containsKey(id) ? known.walls().get(id).name() : id;
      default -> id;
    };
  }

  private static JournalLine line(ChangeLog.Logged logged) {
    return new JournalLine(logged.number(), logged.authorName(), logged.at(), logged.note(), logged.origin(), logged.scheduledFor());
  }
}
