package palegate.server.drafts;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.drafts.Difference;
import palegate.core.drafts.PlaceSet;
import palegate.core.drafts.Rehearsal;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.server.access.EntryView;
import palegate.server.exports.CsvFile;
import palegate.server.exports.Sheet;
import palegate.server.people.PersonView;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;

/** The rehearsal of the signed-in person's draft: every number of the tray, opened to what it counts. */
@RestController
@RequestMapping("/api/draft/rehearsal")
class RehearsalController {
  /** What the draft would do at one instant; the first is now. */
  record At(Instant instant, Difference.Totals totals, Map<String, Long> gainedByRight, Map<String, Long> lostByRight) {}

  /** Somebody whom the draft would put on two sides of a wall. */
  record OnTwoSides(PersonView person, String wall, List<String> sides) {}

  /** A wall whose scope would cover nothing, or everything. */
  record OddWall(String wall, String what) {}

  record RehearsalView(long change, List<At> instants, List<EntryView> withoutEffect, List<OnTwoSides> wallConflicts, List<OddWall> oddWalls) {}

  record PlaceName(String id, String path) {}

  record PersonShift(PersonView person, List<String> gained, List<String> lost, int placesGaining, int placesLosing, int documents) {}

  record PlaceShift(PlaceName place, String kind, List<String> gained, List<String> lost, int peopleGaining, int peopleLosing) {}

  record Pair(PersonView person, PlaceName place, String kind, List<String> before, List<String> after) {}

  private final Drafts drafts;

  RehearsalController(Drafts drafts) {
    this.drafts = drafts;
  }

  @GetMapping
  RehearsalView rehearsal(Principal who) {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    Rehearsal rehearsal = rehearsed.rehearsal();
    return new RehearsalView(rehearsed.change(),
        rehearsal.differences().stream().map(difference -> new At(difference.instant(), difference.totals(),
            words(difference.gainedByRight()), words(difference.lostByRight()))).toList(),
        rehearsal.withoutEffect().stream().map(entry -> EntryView.of(entry, rehearsal.after().rightsOf(entry), rehearsal.after().structure())).toList(),
        rehearsal.wallConflicts().stream().map(conflict -> new OnTwoSides(PersonView.of(rehearsal.after().structure().people().get(conflict.person()),
            rehearsal.after().structure()), rehearsal.after().structure().walls().get(conflict.wall()).name(), conflict.sides())).toList(),
        rehearsal.oddWalls().stream().map(odd -> new OddWall(rehearsal.after().structure().walls().get(odd.wall()).name(),
            odd.matchesNothing() ? "covers nothing" : "covers everything")).toList());
  }

  /** Who gains or loses, by name; {@code instant} counts the rehearsal's instants from 0, now. */
  @GetMapping("/people")
  Page<PersonShift> people(@RequestParam(defaultValue = "0") int instant, @RequestParam(defaultValue = "ALL") Direction direction,
      @RequestParam(defaultValue = "0") int offset, @RequestParam(defaultValue = "200") int limit, Principal who) {
    Rehearsal rehearsal = drafts.rehearse(who.getName()).rehearsal();
    List<Difference.PersonShift> shifts = at(rehearsal, instant).people().stream()
        .filter(shift -> direction.takes(!shift.gained().isEmpty(), !shift.lost().isEmpty(), shift.person().external()))
        .sorted(Comparator.comparing((Difference.PersonShift shift) -> shift.person().name()).thenComparing(shift -> shift.person().id()))
        .toList();
    return Page.of(shifts.size(), shifts.stream().map(shift -> new PersonShift(
        PersonView.of(shift.person(), rehearsal.after().structure()), shift.gained().words(), shift.lost().words(),
        shift.placesGaining(), shift.placesLosing(), shift.documents())), offset, limit);
  }

  /** Where anything changes. */
  @GetMapping("/places")
  Page<PlaceShift> places(@RequestParam(defaultValue = "0") int instant, @RequestParam(defaultValue = "false") boolean documentsOnly,
      @RequestParam(defaultValue = "0") int offset, @RequestParam(defaultValue = "200") int limit, Principal who) {
    List<Difference.PlaceShift> shifts = at(drafts.rehearse(who.getName()).rehearsal(), instant).places()
        .filter(shift -> !documentsOnly || shift.place().isDocument()).toList();
    return Page.of(shifts.size(), shifts.stream().map(shift -> new PlaceShift(new PlaceName(shift.place().id(), shift.path()),
        shift.place().kind().word(), shift.gained().words(), shift.lost().words(), shift.peopleGaining(), shift.peopleLosing())), offset, limit);
  }

  /** Each person at each place, before and after; of one person or one place if they are named. */
  @GetMapping("/pairs")
  Page<Pair> pairs(@RequestParam(defaultValue = "0") int instant, @RequestParam(required = false) String person,
      @RequestParam(required = false) String place, @RequestParam(required = false) String group, @RequestParam(required = false) String right,
      @RequestParam(defaultValue = "ALL") Direction direction, @RequestParam(defaultValue = "false") boolean outsidersOnly,
      @RequestParam(defaultValue = "0") int offset, @RequestParam(defaultValue = "200") int limit, Principal who) {
    Rehearsal rehearsal = drafts.rehearse(who.getName()).rehearsal();
    Difference difference = at(rehearsal, instant);
    Predicate<Difference.Pair> wanted = filter(rehearsal, difference, group, right, direction, outsidersOnly);
    long total = narrowed(difference, person, place).filter(wanted).count();
    return Page.of(total, narrowed(difference, person, place).filter(wanted).map(pair -> new Pair(
        PersonView.of(pair.person(), rehearsal.after().structure()), new PlaceName(pair.place().id(), pair.path()),
        pair.place().kind().word(), pair.before().words(), pair.after().words())), offset, limit);
  }

  /** The places that would be left with nobody active and on staff who governs them. */
  @GetMapping("/lock-outs")
  Page<PlaceName> lockOuts(@RequestParam(defaultValue = "0") int offset, @RequestParam(defaultValue = "200") int limit, Principal who) {
    Rehearsal rehearsal = drafts.rehearse(who.getName()).rehearsal();
    return named(rehearsal, rehearsal.lockOuts(), offset, limit);
  }

  /** The places where the author would lose govern. */
  @GetMapping("/own-losses")
  Page<PlaceName> ownLosses(@RequestParam(defaultValue = "0") int offset, @RequestParam(defaultValue = "200") int limit, Principal who) {
    Rehearsal rehearsal = drafts.rehearse(who.getName()).rehearsal();
    return named(rehearsal, rehearsal.authorLosesGovern(), offset, limit);
  }

  /** Which changes of rights a list is to show. */
  enum Direction {
    ALL, GAINS, LOSSES, OUTSIDERS;

    boolean takes(boolean gains, boolean loses, boolean outsider) {
      return switch (this) {
        case ALL -> true;
        case GAINS -> gains;
        case LOSSES -> loses;
        case OUTSIDERS -> gains && outsider;
      };
    }
  }

  /** One person, or one place, is found without going through all pairs. */
  private static Stream<Difference.Pair> narrowed(Difference difference, String person, String place) {
    Stream<Difference.Pair> pairs = place != null ? difference.pairsAt(place) : person != null ? difference.pairsOf(person) : difference.pairs();
    return pairs.filter(pair -> person == null || pair.person().id().equals(person));
  }

  private static Predicate<Difference.Pair> filter(Rehearsal rehearsal, Difference difference, String group, String right, Direction direction, boolean outsidersOnly) {
    Set<String> members = group == null ? null : members(rehearsal, difference.instant(), group);
    Right wanted = right == null ? null : Right.parse(right).orElseThrow(() -> Problem.notFound("right", right));
    return pair -> (members == null || members.contains(pair.person().id()))
        && (wanted == null || pair.gained().contains(wanted) || pair.lost().contains(wanted))
        && (!outsidersOnly || pair.person().external())
        && direction.takes(!pair.gained().isEmpty(), !pair.lost().isEmpty(), pair.person().external());
  }

  /** Everyone in a group before or after. */
  private static Set<String> members(Rehearsal rehearsal, Instant instant, String group) {
    Set<String> members = new HashSet<>();
    for (Snapshot snapshot : List.of(rehearsal.before(), rehearsal.after())) {
      if (snapshot.structure().groups().containsKey(group)) {
        snapshot.at(instant).matching(new Subject.OfGroup(group)).forEach(person -> members.add(snapshot.person(person).id()));
      }
    }
    if (!rehearsal.before().structure().groups().containsKey(group) && !rehearsal.after().structure().groups().containsKey(group)) {
      throw Problem.notFound("group", group);
    }
    return members;
  }

  /** Every person at every place that would change, as a file that can be checked line by line. */
  @GetMapping("/file")
  void file(@RequestParam(defaultValue = "0") int instant, Principal who, HttpServletResponse response) throws IOException {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    Difference difference = at(rehearsed.rehearsal(), instant);
    Map<String, String> facts = new LinkedHashMap<>();
    facts.put("What", "Rehearsal of the draft " + (rehearsed.draft() == null ? "" : rehearsed.draft().name()));
    facts.put("On change", Long.toString(rehearsed.change()));
    facts.put("At", difference.instant().toString());
    facts.put("People gaining", Integer.toString(difference.totals().peopleGaining()));
    facts.put("People losing", Integer.toString(difference.totals().peopleLosing()));
    List<Sheet.Column> columns = List.of(new Sheet.Column("person", "Person", 26), new Sheet.Column("standing", "Staff or outsider", 18),
        new Sheet.Column("place", "Place", 60), new Sheet.Column("before", "Before", 44), new Sheet.Column("after", "After", 44),
        new Sheet.Column("gained", "Gained", 30), new Sheet.Column("lost", "Lost", 30));
    Sheet sheet = new Sheet("pale-gate-rehearsal-on-change-" + rehearsed.change(), "Pale Gate rehearsal", facts, columns, difference.pairs().map(pair -> List.of(
        pair.person().name(), pair.person().external() ? "outsider" : "staff", pair.path(), pair.before().toString(), pair.after().toString(),
        pair.gained().toString(), pair.lost().toString())));
    response.setContentType("text/csv;charset=UTF-8");
    response.setHeader(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(sheet.name() + ".csv").build().toString());
    CsvFile.write(sheet, response.getOutputStream());
  }

  private static Page<PlaceName> named(Rehearsal rehearsal, PlaceSet places, int offset, int limit) {
    Snapshot after = rehearsal.after();
    return Page.of(places.size(), places.stream()
        .map(place -> new PlaceName(place.id(), after.pathText(after.placeNumber(place.id())))), offset, limit);
  }

  private static Difference at(Rehearsal rehearsal, int instant) {
    if (instant < 0 || instant >= rehearsal.differences().size()) {
      throw Problem.notFound("instant of the rehearsal", Integer.toString(instant));
    }
    return rehearsal.differences().get(instant);
  }

  private static Map<String, Long> words(Map<Right, Long> byRight) {
    return byRight.entrySet().stream().collect(Collectors.toMap(entry -> entry.getKey().word(), Map.Entry::getValue,
        (a, b) -> a, LinkedHashMap::new));
  }
}
