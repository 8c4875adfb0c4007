package palegate.server.rehearsal;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.people.Person;
import palegate.core.rehearsal.FoundPairs;
import palegate.core.rehearsal.PlaceSet;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.exports.CsvFile;
import palegate.exports.Sheet;
import palegate.server.drafts.Drafts;
import palegate.server.lists.PageRequest;
import palegate.server.lists.PairOrder;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.EntryView;
import palegate.server.views.PeopleOrder;
import palegate.server.views.PersonView;

/** The rehearsal of the signed-in person's draft: every number of the tray, opened to what it counts. */
@RestController
@RequestMapping("/api/draft/rehearsal")
class RehearsalController {
  /** What the draft would do at one instant; the first is now. */
  record At(Instant instant, RightsDifference.Totals totals, Map<String, Long> gainedByRight, Map<String, Long> lostByRight) {}

  /** Somebody whom the draft would put on two sides of a wall. */
  record OnTwoSides(PersonView person, String wall, List<String> sides) {}

  /** A wall whose scope would cover nothing, or everything. */
  record OddWall(String wall, String what) {}

  /** Somebody whom the draft would bring to hold together what a separation keeps apart; {@code place} is the path of the first place where. */
  record HeldTogether(PersonView person, String separation, @MayBeMissing String place, int places) {}

  /** @param separationsInAll how many people, of whom the first are listed */
  record RehearsalView(long change, List<At> instants, List<EntryView> withoutEffect, List<OnTwoSides> wallConflicts, List<OddWall> oddWalls, List<HeldTogether> separationsBroken, int separationsInAll) {}

  private static final int TOGETHER_AT_MOST = 20;

  record PlaceName(String id, String path) {}

  record PersonShift(PersonView person, List<String> gained, List<String> lost, int placesGaining, int placesLosing, int documents) {}

  record PlaceShift(PlaceName place, String kind, List<String> gained, List<String> lost, int peopleGaining, int peopleLosing) {}

  record Pair(PersonView person, PlaceName place, String kind, List<String> before, List<String> after) {}

  private final Drafts drafts;
  private final RehearsalLists lists;

  RehearsalController(Drafts drafts, RehearsalLists lists) {
    this.drafts = drafts;
    this.lists = lists;
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
            odd.matchesNothing() ? "covers nothing" : "covers everything")).toList(),
        rehearsal.separationsBroken().stream().limit(TOGETHER_AT_MOST).map(one -> new HeldTogether(PersonView.of(rehearsal.after().structure().people().get(one.person()), rehearsal.after().structure()),
            rehearsal.after().structure().separations().get(one.separation()).name(), one.place() == null ? null : rehearsal.after().pathText(rehearsal.after().placeNumber(one.place())), one.places())).toList(),
        rehearsal.separationsBroken().size());
  }

  private static final Comparator<RightsDifference.PersonShift> BY_NAME = Comparator.comparing(RightsDifference.PersonShift::person, PeopleOrder.BY_NAME);
  private static final SortOrders<RightsDifference.PersonShift> PEOPLE = SortOrders.by("name", BY_NAME)
      .or("gains", Comparator.comparing(RightsDifference.PersonShift::placesGaining).thenComparing(BY_NAME))
      .or("losses", Comparator.comparing(RightsDifference.PersonShift::placesLosing).thenComparing(BY_NAME))
      .or("documents", Comparator.comparing(RightsDifference.PersonShift::documents).thenComparing(BY_NAME));
  /** Who gains or loses; {@code instant} counts the rehearsal's instants from 0, now. */
  @GetMapping("/people")
  Page<PersonShift> people(@RequestParam(defaultValue = "0") int instant, @ParameterObject Narrowing narrowing, @ParameterObject PageRequest part, Principal who) {
    Rehearsal rehearsal = drafts.rehearse(who.getName()).rehearsal();
    RightsDifference difference = at(rehearsal, instant);
    Predicate<Person> wanted = narrowing.people(rehearsal, difference.instant());
    return PEOPLE.page(part, difference.people().stream().filter(shift -> part.takes(shift.person().name()) && wanted.test(shift.person())
            && narrowing.takes(shift.gained(), shift.lost(), shift.person().external())), shift -> new PersonShift(
            PersonView.of(shift.person(), rehearsal.after().structure()), shift.gained().words(), shift.lost().words(),
            shift.placesGaining(), shift.placesLosing(), shift.documents()));
  }

  /** Where anything changes. What is narrowed to people is narrowed to the places where something changes for them. */
  @GetMapping("/places")
  Page<PlaceShift> places(@RequestParam(defaultValue = "0") int instant, @RequestParam(defaultValue = "false") boolean documentsOnly,
      @ParameterObject Narrowing narrowing, @ParameterObject PageRequest part, Principal who) {
    Rehearsal rehearsal = drafts.rehearse(who.getName()).rehearsal();
    RightsDifference difference = at(rehearsal, instant);
    return Page.of(lists.places(rehearsal, difference, narrowing, documentsOnly, part), part.offset(), part.limit(), shift -> new PlaceShift(
        new PlaceName(shift.place().id(), difference.path(shift.place())), shift.place().kind().word(), shift.gained().words(), shift.lost().words(),
        shift.peopleGaining(), shift.peopleLosing()));
  }

  /** Each person at each place, before and after; of one person or one place if they are named. By place or by person. */
  @GetMapping("/pairs")
  Page<Pair> pairs(@RequestParam(defaultValue = "0") int instant, @RequestParam(required = false) String person,
      @RequestParam(required = false) String place, @ParameterObject Narrowing narrowing, @ParameterObject PageRequest part, Principal who) {
    Rehearsal rehearsal = drafts.rehearse(who.getName()).rehearsal();
    RightsDifference difference = at(rehearsal, instant);
    PageRequest.Order order = part.order("place", "person");
    FoundPairs found = lists.pairs(rehearsal, difference, narrowing, person, place, part.text());
    return Page.of(found.count(), found.from(PairOrder.of(order), order.turned(), part.offset()), part.offset(), part.limit(), pair -> new Pair(
        PersonView.of(pair.person(), rehearsal.after().structure()), new PlaceName(pair.place().id(), pair.path()),
        pair.place().kind().word(), pair.before().words(), pair.after().words()));
  }

  /** The places that would be left with nobody active and on staff who governs them. */
  @GetMapping("/lock-outs")
  Page<PlaceName> lockOuts(@ParameterObject PageRequest part, Principal who) {
    Rehearsal rehearsal = drafts.rehearse(who.getName()).rehearsal();
    return named(rehearsal, rehearsal.lockOuts(), part);
  }

  /** The places where the author would lose govern. */
  @GetMapping("/own-losses")
  Page<PlaceName> ownLosses(@ParameterObject PageRequest part, Principal who) {
    Rehearsal rehearsal = drafts.rehearse(who.getName()).rehearsal();
    return named(rehearsal, rehearsal.authorLosesGovern(), part);
  }

  /** Every person at every place that would change, as a file that can be checked line by line. */
  @GetMapping("/file")
  void file(@RequestParam(defaultValue = "0") int instant, Principal who, HttpServletResponse response) throws IOException {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    RightsDifference difference = at(rehearsed.rehearsal(), instant);
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

  private static Page<PlaceName> named(Rehearsal rehearsal, PlaceSet places, PageRequest part) {
    Snapshot after = rehearsal.after();
    SortOrders<PlaceName> listing = SortOrders.<PlaceName>by("tree", (a, b) -> 0).or("place", Comparator.comparing(PlaceName::path));
    return listing.page(part, places.stream().map(place -> new PlaceName(place.id(), after.pathText(after.placeNumber(place.id()))))
        .filter(place -> part.takes(place.path())), place -> place);
  }

  private static RightsDifference at(Rehearsal rehearsal, int instant) {
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
