package palegate.server.walls;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.WallChange;
import palegate.core.collections.PersonSet;
import palegate.core.duties.Duty;
import palegate.core.people.Person;
import palegate.core.questions.WallConflict;
import palegate.core.questions.WallCoverage;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.Barring;
import palegate.core.wallsatwork.WallNesting;
import palegate.core.wallsatwork.WallTies;
import palegate.server.changes.ChangeBody;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.PersonView;

/** Every wall, and of each both ends of it: whom it bars from what, whom it lets in, and who is tied to what lies inside. */
@RestController
@RequestMapping("/api/walls")
class WallsController {
  /**
   * A wall in the register.
   *
   * @param places in all its scopes, of every kind; {@code documents} are those among them
   * @param people how many active people it bars, or would if it stood; {@code pairs} of one of them and a place
   * @param endingSoon how many exceptions end within four weeks
   */
  record WallLine(String id, String name, String kind, Wall.State state, @MayBeMissing Instant from, @MayBeMissing Instant until, boolean bars, boolean barsYou, int places, int documents, int people, long pairs,
      int conflicts, int exceptions, int endingSoon, DraftedState.Drafted drafted) {}

  record CoveredPlace(String id, String kind, String path, @MayBeMissing String type) {}

  record TieView(WallTies.How how, PersonView person, String place, String path, @MayBeMissing Instant since) {}

  /** @param stranded how many covered documents nobody active can read any more, and somebody could without the wall */
  record TiesView(List<TieView> ties, int more, int stranded, List<NestingView> nesting) {}

  /** A group through which people come to be named by the wall; {@code people} by that alone. */
  record NestingView(WallNesting.As as, @MayBeMissing String side, String group, String groupName, String through, String throughName, int people) {}

  /** A scope that is being described, with the name of the wall or the side, which may be empty. */
  record ScopeAsked(@Size(max = 10_000, message = "Name at most 10,000 places.") List<String> places, @Size(max = 1_000, message = "Name at most 1,000 types.") List<String> types,
      @Size(max = 100, message = "Name at most 100 labels.") Map<String, List<String>> labels, @Size(max = 300, message = "A name has at most 300 characters.") String name) {}

  record WallAsked(@NotNull(message = "Send the wall as it is to be.") ChangeBody change) {}

  /**
   * What a wall would do, before it is in any draft. What is said first, if it is so: that it bars the author, keepers and overseers.
   *
   * @param people how many active people it bars; {@code losing} of them reach something now
   * @param documents how many documents anybody loses something on
   */
  record Description(List<WallView.Coverage> sides, boolean barsYou, List<PersonView> keepers, int moreKeepers, int people, int losing, int documents, long pairs, int conflicts, TiesView ties, List<String> faults) {}

  private static final int TIES_AT_MOST = 200;
  private static final int KEEPERS_AT_MOST = 12;
  private static final int DAYS_SOON = 28;

  private final WallsAtWork walls;
  private final Clock clock;

  WallsController(WallsAtWork walls, Clock clock) {
    this.walls = walls;
    this.clock = clock;
  }

  /** Every wall that may be known, as the asker's draft would have it: those that stand, then those planned, then those lifted, by name. O(walls × places). */
  @GetMapping
  List<WallLine> register(Principal who) {
    DraftedState.State state = walls.shownTo(who);
    Map<String, Long> conflicts = WallConflict.all(state.moment(), state.now()).stream().collect(Collectors.groupingBy(WallConflict::wall, Collectors.counting()));
    Instant soon = state.now().plusSeconds(DAYS_SOON * 86_400L);
    Map<String, WallsAtWork.Counted> counts = walls.counted(state);
    String asker = walls.asker(who).id();
    int you = asker == null ? -1 : state.after().personNumber(asker);
    return state.structure().walls().values().stream().map(wall -> {
      WallsAtWork.Counted count = counts.get(wall.id());
      return new WallLine(wall.id(), wall.name(), wall.barrier().kind(), wall.state(), wall.period().from(), wall.period().until(), wall.barsAt(state.now()), you >= 0 && count.named().contains(you),
          count.places(), count.documents(), count.people(), count.pairs(), conflicts.getOrDefault(wall.id(), 0L).intValue(), wall.exceptions().size(),
          (int) wall.exceptions().stream().filter(one -> one.until() != null && one.until().isAfter(state.now()) && one.until().isBefore(soon)).count(), state.drafted(Structure::walls, wall.id()));
    }).sorted(Comparator.comparing((WallLine line) -> line.state() == Wall.State.STANDING ? 0 : line.state() == Wall.State.PLANNED ? 1 : 2).thenComparing(WallLine::name).thenComparing(WallLine::id)).toList();
  }

  /** What its scopes cover, whatever it bars whom from. */
  private static BitSet covered(Snapshot snapshot, Wall wall) {
    BitSet covered = new BitSet();
    wall.barrier().scopes().forEach(scope -> covered.or(WallCoverage.covered(snapshot, scope)));
    return covered;
  }

  private boolean barsYou(List<Barring> barrings, SnapshotAt moment, Principal who) {
    String person = walls.asker(who).id();
    return person != null && WallTies.bars(barrings, moment.snapshot().personNumber(person));
  }

  @GetMapping("/{id}")
  WallView wall(@PathVariable String id, Principal who) {
    DraftedState.State state = walls.shownTo(who);
    Wall wall = WallsAtWork.find(state, id);
    return WallView.of(state, wall, barsYou(Barring.of(state.moment(), wall), state.moment(), who));
  }

  /** The places in scope, in the order of the tree. {@code side} counts the sides of a wall of sides, from 0. */
  @GetMapping("/{id}/covered")
  Page<CoveredPlace> covered(@PathVariable String id, @RequestParam(required = false) Integer side, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = walls.shownTo(who);
    Wall wall = WallsAtWork.find(state, id);
    Snapshot snapshot = state.after();
    List<Barrier.Side> sides = WallView.sides(wall);
    BitSet covered = side == null ? covered(snapshot, wall) : side < 0 || side >= sides.size() ? new BitSet() : WallCoverage.covered(snapshot, sides.get(side).scope());
    SortOrders<Integer> orders = SortOrders.<Integer>by("tree", snapshot.inTreeOrder()).or("place", Comparator.comparing(snapshot::pathText));
    return orders.page(part, covered.stream().boxed().filter(place -> part.takesAll() || part.takes(snapshot.pathText(place))), place -> {
      String type = snapshot.place(place).type();
      return new CoveredPlace(snapshot.place(place).id(), snapshot.place(place).kind().word(), snapshot.pathText(place), type == null ? null : snapshot.structure().types().get(type).name());
    });
  }

  /** Who is barred and yet owns something inside, has it checked out or oversees it; and what is left to nobody. */
  @GetMapping("/{id}/ties")
  TiesView ties(@PathVariable String id, Principal who) {
    return ties(worked(id, who));
  }

  private static TiesView ties(WallsAtWork.Worked worked) {
    WallTies found = WallTies.of(worked.standing());
    Snapshot snapshot = worked.standing().with().snapshot();
    return new TiesView(found.ties().stream().limit(TIES_AT_MOST).map(tie -> new TieView(tie.how(), PersonView.of(snapshot.structure().people().get(tie.person()), snapshot.structure()), tie.place(),
        snapshot.pathText(snapshot.placeNumber(tie.place())), tie.since())).toList(), Math.max(0, found.ties().size() - TIES_AT_MOST), found.stranded(),
        WallNesting.of(worked.standing().with(), worked.standing().wall()).stream().map(one -> new NestingView(one.as(), one.side(), one.group(), groupName(snapshot, one.group()), one.through(), groupName(snapshot, one.through()), one.people())).toList());
  }

  private static String groupName(Snapshot snapshot, String group) {
    return snapshot.structure().groups().get(group).name();
  }

  private WallsAtWork.Worked worked(String id, Principal who) {
    return walls.worked(id, who);
  }

  /** What a scope covers, while it is being described; one without any criterion covers nothing. */
  @PostMapping("/coverage")
  WallView.Coverage coverage(@Valid @RequestBody ScopeAsked asked, Principal who) {
    walls.refuseOthers(who, Duty.WALLS);
    Snapshot snapshot = walls.shownTo(who).after();
    Set<String> places = asked.places() == null ? Set.of() : asked.places().stream().filter(Objects::nonNull).collect(Collectors.toSet());
    Set<String> types = asked.types() == null ? Set.of() : asked.types().stream().filter(Objects::nonNull).collect(Collectors.toSet());
    Map<String, Set<String>> labels = new TreeMap<>();
    (asked.labels() == null ? Map.<String, List<String>>of() : asked.labels()).forEach((key, values) -> {
      Set<String> wanted = values == null ? Set.of() : values.stream().filter(Objects::nonNull).collect(Collectors.toSet());
      if (!wanted.isEmpty()) {
        labels.put(key, wanted);
      }
    });
    if (places.isEmpty() && types.isEmpty() && labels.isEmpty()) {
      return new WallView.Coverage(0, 0, List.of(), List.of(), List.of(), List.of());
    }
    return WallView.coverage(snapshot, new Scope(places, types, labels), asked.name() == null ? "" : asked.name());
  }

  /** What a wall would do were it put there so, on top of the asker's draft; nothing is kept. */
  @PostMapping("/description")
  Description describe(@Valid @RequestBody WallAsked asked, Principal who) {
    walls.refuseOthers(who, Duty.WALLS);
    Change change = asked.change().read();
    if (!(change instanceof WallChange.SetWall set)) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-wall", "That is no wall", "Send a change of the kind [setWall].");
    }
    DraftedState.State state = walls.shownTo(who);
    List<String> faults = DraftApplication.of(state.after(), List.of(change), clock.instant()).refusals().stream().map(refusal -> refusal.what() + " " + refusal.remedy()).toList();
    List<WallView.Coverage> sides = WallView.sides(set.changed()).stream().map(side -> WallView.coverage(state.after(), side.scope(), side.name().isEmpty() ? set.changed().name() : side.name())).toList();
    if (!faults.isEmpty()) {
      return new Description(sides, false, List.of(), 0, 0, 0, 0, 0, 0, new TiesView(List.of(), 0, 0, List.of()), faults);
    }
    WallsAtWork.Worked worked = walls.worked(state.after(), set.changed());
    List<Barring> barrings = worked.standing().barrings();
    Structure structure = worked.standing().with().snapshot().structure();
    List<RightsDifference.PersonShift> keepers = WallTies.keepers(worked.difference());
    return new Description(sides, barsYou(barrings, worked.standing().with(), who),
        keepers.stream().map(RightsDifference.PersonShift::person).sorted(Comparator.comparing(Person::name)).limit(KEEPERS_AT_MOST).map(person -> PersonView.of(person, structure)).toList(),
        Math.max(0, keepers.size() - KEEPERS_AT_MOST), Barring.people(barrings).size(), worked.difference().totals().peopleLosing(), worked.difference().totals().documents(), Barring.pairs(barrings),
        (int) WallConflict.all(worked.standing().with(), worked.standing().with().instant()).stream().filter(conflict -> conflict.wall().equals(set.wall())).count(), ties(worked), faults);
  }
}
