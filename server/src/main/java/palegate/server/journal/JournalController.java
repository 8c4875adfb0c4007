package palegate.server.journal;

import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.changes.Change;
import palegate.core.duties.Duty;
import palegate.core.reversal.Reversal;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.Snapshots;
import palegate.server.store.StructureStore;
import palegate.server.tray.StoredDrafts;

/** Every change put in force, newest first unless turned round, and the exact content of each. */
@RestController
@RequestMapping("/api/journal")
class JournalController {
  /** One change; {@code origin} is draft or import. */
  record JournalLine(long number, String author, Instant at, String note, String origin) {}

  /** One thing as it was and as it became; null where it did not exist. */
  record Altered(String kind, String id, String title, @MayBeMissing Map<String, String> before, @MayBeMissing Map<String, String> after) {}

  record ChangeDetail(JournalLine change, Page<Altered> altered) {}

  private final Accounts accounts;
  private final ChangeLog log;
  private final StructureStore structures;
  private final Snapshots snapshots;
  private final StoredDrafts drafts;
  private final Clock clock;

  JournalController(ChangeLog log, StructureStore structures, Snapshots snapshots, Accounts accounts, StoredDrafts drafts, Clock clock) {
    this.clock = clock;
    this.drafts = drafts;
    this.accounts = accounts;
    this.log = log;
    this.structures = structures;
    this.snapshots = snapshots;
  }

  @GetMapping
  Page<JournalLine> journal(@ParameterObject PageRequest part) {
    boolean newestFirst = part.order("-number").turned();
    return new Page<>(log.count(part.text()), part.offset(), log.page(part.text(), newestFirst, part.offset(), part.limit()).stream().map(JournalController::line).toList());
  }

  @GetMapping("/{number}")
  ChangeDetail change(@PathVariable long number, @ParameterObject PageRequest part, Principal who) {
    ChangeLog.Logged logged = log.find(number).orElseThrow(() -> Problem.notFound("change", Long.toString(number)));
    // Names are those of the time: after the change, so that what it made has one.
    Structure then = snapshots.structureAsOf(number);
    AlteredWords words = new AlteredWords(then, accounts.holdsAny(who.getName(), Duty.WALLS, Duty.AUDIT));
    SortOrders<StructureStore.Altered> altered = SortOrders.<StructureStore.Altered>by("found", (a, b) -> 0)
        .or("what", Comparator.comparing(words::title)).or("kind", Comparator.comparing(StructureStore.Altered::kind).thenComparing(words::title));
    return new ChangeDetail(line(logged), altered.page(part, structures.alteredBy(number).stream()
        .filter(thing -> part.takesAll() || part.takes(words.title(thing), thing.kind())), thing -> new Altered(thing.kind(), thing.id(), words.title(thing),
        thing.before() == null ? null : words.fields(thing.before()), thing.after() == null ? null : words.fields(thing.after()))));
  }

  /** What became of a reversal: the draft that holds it, and what it leaves alone. */
  record Reversed(long draft, int changes, List<LeftAlone> left) {}

  record LeftAlone(String thing, String why) {}

  /** Makes a draft that turns a change back, and puts it in hand. */
  @PostMapping("/{number}/reversal")
  @ResponseStatus(HttpStatus.CREATED)
  Reversed reverse(@PathVariable long number, Principal who) {
    ChangeLog.Logged logged = log.find(number).orElseThrow(() -> Problem.notFound("change", Long.toString(number)));
    if (number == 1) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "the-beginning", "The beginning cannot be turned back", "There was nothing before the first change.");
    }
    Structure then = snapshots.structureAsOf(number - 1);
    Structure after = snapshots.structureAsOf(number);
    Snapshot newest = snapshots.current().snapshot();
    Structure now = newest.structure();
    Reversal reversal = Reversal.of(StructureDifference.between(then, after), newest, clock.instant());
    List<LeftAlone> left = reversal.left().stream().map(one -> new LeftAlone(nameOf(one.thing(), now, after), one.why())).toList();
    List<Change> changes = reversal.changes();
    if (changes.isEmpty()) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "nothing-to-turn-back", "Nothing to turn back",
          "Everything that change " + number + " altered has been altered again since, or is so already.").with("left", left);
    }
    long draft = drafts.begin(who.getName(), "Undo change " + number + ": " + (logged.note().length() > 120 ? logged.note().substring(0, 120) : logged.note()), changes);
    return new Reversed(draft, changes.size(), left);
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
      case "wall" -> known.walls().containsKey(id) ? known.walls().get(id).name() : id;
      default -> id;
    };
  }

  private static JournalLine line(ChangeLog.Logged logged) {
    return new JournalLine(logged.number(), logged.authorName(), logged.at(), logged.note(), logged.origin());
  }
}
