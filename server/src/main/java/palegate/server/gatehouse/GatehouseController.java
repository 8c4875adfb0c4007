package palegate.server.gatehouse;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.gatehouse.DatedThing;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;
import palegate.server.session.MadeReady;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.ChangeLog;
import palegate.server.store.GatehouseVisits;
import palegate.server.store.WallRecords;
import palegate.server.viewpoint.KnownChanges;
import palegate.server.viewpoint.Viewpoints;

/** What is new since somebody last said that they had seen it, and what ends within a week; as far as they may know it. */
@RestController
@RequestMapping("/api/gatehouse")
class GatehouseController implements MadeReady {
  record NewChange(long number, String author, Instant at, String note) {}

  /** @param leaks pairs that it did not keep apart; @param changes how many there have been since, of anything */
  record LastProof(String wall, String name, Instant at, long leaks, long changes) {}

  /**
   * What stands at the gatehouse.
   *
   * @param change up to which it is new
   * @param now up to when
   * @param since from when; a week ago for whoever has never said that they had seen anything
   * @param changes by others, newest first
   * @param more how many beyond those; at least, if {@code orMore}
   * @param passed what has begun or ended by its date since, the last first
   * @param ends what ends within a week from now, the next first
   */
  record GatehouseView(long change, Instant now, Instant since, List<NewChange> changes, int more, boolean orMore, List<DatedThing> passed, int morePassed, List<DatedThing> ends, int moreEnds, List<LastProof> proofs) {}

  record SeenUpTo(@Min(value = 0, message = "The number of a change is not below 0.") long change, @NotNull(message = "Say up to when.") Instant now) {}

  private static final Duration AT_FIRST = Duration.ofDays(7);
  private static final Duration SOON = Duration.ofDays(7);
  private static final int LISTED = 8;
  private static final int READ_AT_MOST = 1_000;

  private final Viewpoints viewpoints;
  private final KnownChanges known;
  private final ChangeLog log;
  private final WallRecords walls;
  private final GatehouseVisits visits;
  private final MonthFigures figures;
  private final Clock clock;

  GatehouseController(Viewpoints viewpoints, KnownChanges known, ChangeLog log, WallRecords walls, GatehouseVisits visits, MonthFigures figures, Clock clock) {
    this.viewpoints = viewpoints;
    this.known = known;
    this.log = log;
    this.walls = walls;
    this.visits = visits;
    this.figures = figures;
    this.clock = clock;
  }

  @Override
  public String room() {
    return "gatehouse";
  }

  @Override
  public List<Object> makeReady(String account) {
    return List.of(gatehouse(account), figures.of(0, account));
  }

  @GetMapping
  GatehouseView gatehouse(Principal who) {
    return gatehouse(who.getName());
  }

  private GatehouseView gatehouse(String account) {
    Instant now = clock.instant();
    var state = viewpoints.known(account);
    Structure structure = state.snapshot().structure();
    GatehouseVisits.Visit seen = visits.last(account).orElseGet(() -> new GatehouseVisits.Visit(log.inForceAt(now.minus(AT_FIRST)), now.minus(AT_FIRST)));
    Map<Long, KnownChanges.Known> mayKnow = known.to(account);
    List<ChangeLog.Logged> read = mayKnow == null ? log.byOthersSince(seen.change(), account, READ_AT_MOST) : knownSince(seen.change(), account, mayKnow);
    List<NewChange> changes = read.stream().map(change -> new NewChange(change.number(), change.authorName(), change.at(), change.note())).toList();
    List<DatedThing> passed = DatedThing.between(structure, seen.upTo(), now).stream().sorted((one, other) -> other.at().compareTo(one.at())).toList();
    List<DatedThing> ends = DatedThing.between(structure, now, now.plus(SOON)).stream().filter(thing -> !thing.begins()).toList();
    List<LastProof> proofs = walls.lastProofs(account).stream().filter(proof -> Optional.ofNullable(structure.walls().get(proof.wall())).map(Wall::state).filter(kept -> kept != Wall.State.LIFTED).isPresent())
        .map(proof -> new LastProof(proof.wall(), structure.walls().get(proof.wall()).name(), proof.at(), proof.leaks(), Math.max(0, state.change() - proof.change()))).toList();
    return new GatehouseView(state.change(), now, seen.upTo(), changes.stream().limit(LISTED).toList(), Math.max(0, changes.size() - LISTED), read.size() == READ_AT_MOST,
        passed.stream().limit(LISTED).toList(), Math.max(0, passed.size() - LISTED), ends.stream().limit(LISTED).toList(), Math.max(0, ends.size() - LISTED), proofs);
  }

  private List<ChangeLog.Logged> knownSince(long seen, String account, Map<Long, KnownChanges.Known> mayKnow) {
    return ChangesByOthers.newest(mayKnow.keySet(), seen, account, READ_AT_MOST, numbers -> log.of(numbers, true)).stream().map(change -> KnownChanges.told(change, mayKnow)).toList();
  }

  /** Says that all of what was shown has been seen: up to that change and that instant, and not what came since. */
  @PostMapping("/visit")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void visit(@Valid @RequestBody SeenUpTo seen, Principal who) {
    new Written().instant("now", seen.now()).refuse("It was not noted.");
    if (seen.change() > viewpoints.known(who.getName()).change() || seen.now().isAfter(clock.instant())) {
      throw Problem.faults("It was not noted.", List.of(new Problem.Fault("now", "Nobody has seen what is still to come.", "Send what the gatehouse showed.")));
    }
    visits.keep(who.getName(), new GatehouseVisits.Visit(seen.change(), seen.now()));
  }

  /**
   * The figures of the end of a month, or of now for this one.
   *
   * @param ago how many months ago; at most 24
   */
  @GetMapping("/figures")
  MonthFigures.Month month(@RequestParam int ago, Principal who) {
    if (ago < 0 || ago > MonthFigures.MONTHS) {
      throw Problem.faults("There is no such figure.", List.of(new Problem.Fault("ago", "It is not one of the last 24 months.", "Ask for 0 to 24 months ago.")));
    }
    return figures.of(ago, who.getName());
  }
}
