package palegate.server.drafts;

import java.security.Principal;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.drafts.Difference;
import palegate.core.drafts.PlaceSet;
import palegate.core.drafts.Rehearsal;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.server.access.EntryView;
import palegate.server.people.PersonView;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;

/** The rehearsal of the signed-in person's draft: every number of the tray, opened to what it counts. */
@RestController
@RequestMapping("/api/draft/rehearsal")
class RehearsalController {
  /** What the draft would do at one instant; the first is now. */
  record At(Instant instant, Difference.Totals totals, Map<String, Long> gainedByRight, Map<String, Long> lostByRight) {}

  record RehearsalView(long change, List<At> instants, List<EntryView> withoutEffect) {}

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
        rehearsal.withoutEffect().stream().map(entry -> EntryView.of(entry, rehearsal.after().rightsOf(entry), rehearsal.after().structure())).toList());
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
      @RequestParam(required = false) String place, @RequestParam(defaultValue = "ALL") Direction direction,
      @RequestParam(defaultValue = "0") int offset, @RequestParam(defaultValue = "200") int limit, Principal who) {
    Rehearsal rehearsal = drafts.rehearse(who.getName()).rehearsal();
    Difference difference = at(rehearsal, instant);
    long total = filtered(difference, person, place, direction).count();
    return Page.of(total, filtered(difference, person, place, direction).map(pair -> new Pair(
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

  private static Stream<Difference.Pair> filtered(Difference difference, String person, String place, Direction direction) {
    return difference.pairs()
        .filter(pair -> person == null || pair.person().id().equals(person))
        .filter(pair -> place == null || pair.place().id().equals(place))
        .filter(pair -> direction.takes(!pair.gained().isEmpty(), !pair.lost().isEmpty(), pair.person().external()));
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
