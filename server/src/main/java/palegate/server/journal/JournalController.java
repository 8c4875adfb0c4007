package palegate.server.journal;

import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.structure.Structure;
import palegate.server.session.Accounts;
import palegate.server.session.Duty;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.Snapshots;
import palegate.server.store.StructureStore;

/** Every change put in force, newest first, and the exact content of each. */
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

  JournalController(ChangeLog log, StructureStore structures, Snapshots snapshots, Accounts accounts) {
    this.accounts = accounts;
    this.log = log;
    this.structures = structures;
    this.snapshots = snapshots;
  }

  @GetMapping
  Page<JournalLine> journal(@RequestParam(defaultValue = "0") int offset, @RequestParam(defaultValue = "100") int limit) {
    long head = structures.head();
    int within = Math.max(1, Math.min(Page.LIMIT, limit));
    return new Page<>(head, offset, log.page(head - Math.max(0, offset), within).stream().map(JournalController::line).toList());
  }

  @GetMapping("/{number}")
  ChangeDetail change(@PathVariable long number, @RequestParam(defaultValue = "0") int offset, @RequestParam(defaultValue = "100") int limit, Principal who) {
    ChangeLog.Logged logged = log.find(number).orElseThrow(() -> Problem.notFound("change", Long.toString(number)));
    // Names are those of the time: after the change, so that what it made has one.
    Structure then = snapshots.asOf(number).snapshot().structure();
    AlteredWords words = new AlteredWords(then, accounts.holdsAny(who.getName(), Duty.WALLS, Duty.AUDIT));
    List<StructureStore.Altered> altered = structures.alteredBy(number);
    return new ChangeDetail(line(logged), Page.of(altered.size(), altered.stream().map(thing -> new Altered(thing.kind(), thing.id(), words.title(thing),
        thing.before() == null ? null : words.fields(thing.before()), thing.after() == null ? null : words.fields(thing.after()))), offset, limit));
  }

  private static JournalLine line(ChangeLog.Logged logged) {
    return new JournalLine(logged.number(), logged.authorName(), logged.at(), logged.note(), logged.origin());
  }
}
