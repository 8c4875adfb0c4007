package palegate.server.duties;

import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.collections.PersonSet;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.ConsoleDifference;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.drafts.DraftedState;
import palegate.server.drafts.Drafts;
import palegate.server.session.Rooms;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.store.DutyHistory;
import palegate.server.viewpoint.Viewpoints;
import palegate.server.views.PersonView;
import palegate.server.views.SubjectView;

/** The register of duties: who administers what, since when, given by whom, and what they did with it. For holders of {@code system} and {@code audit}. */
@RestController
class DutiesController {
  private static final Duration LATELY = Duration.ofDays(90);
  private static final int HOLDERS_AT_MOST = 200;

  /** Somebody who holds a duty; {@code through} names the group or unit by which they do, and is missing where they hold it by name. */
  record DutyHolder(PersonView person, @MayBeMissing String through) {}

  /**
   * One duty as it is held.
   *
   * @param covers the path of the place that it covers, or the name of the unit; missing for all
   * @param since the change with which it was handed out; missing where only the draft has it
   * @param lately how many changes its holders have put in force with it in the last ninety days
   * @param lastUsed when its holders last did; missing for never since it was handed out
   */
  record DutyLine(String id, SubjectView subject, Duty duty, @MayBeMissing String place, @MayBeMissing String unit, @MayBeMissing String covers,
      @MayBeMissing String ceiling, @MayBeMissing String ceilingName, @MayBeMissing Instant from, @MayBeMissing Instant until, boolean current, List<DutyHolder> holders, int holdersInAll,
      @MayBeMissing DutyHistory.Since since, int lately, @MayBeMissing Instant lastUsed, DraftedState.Drafted drafted) {}

  /** What the console would hold for whoever had just this duty. {@code tops} are the libraries and folders that one begins with. */
  record ConsolePreview(int places, int documents, int people, int groups, List<String> tops, List<String> rooms) {}

  record ConsoleView(List<Duty> duties, int places, int people) {}

  record ShiftView(PersonView person, ConsoleView before, ConsoleView after) {}

  /** @param more how many besides are not listed */
  record ShiftsView(List<ShiftView> shifts, int more) {}

  private final DraftedState shown;
  private final Drafts drafts;
  private final DutyHistory history;
  private final Viewpoints viewpoints;
  private final Clock clock;

  DutiesController(DraftedState shown, Drafts drafts, DutyHistory history, Viewpoints viewpoints, Clock clock) {
    this.shown = shown;
    this.drafts = drafts;
    this.history = history;
    this.viewpoints = viewpoints;
    this.clock = clock;
  }

  /** Every duty, as the asker's draft would have it, by what it is and then by whom it is held. */
  @GetMapping("/api/duties")
  List<DutyLine> duties(Principal who) {
    refuseOthers(who);
    DraftedState.State state = shown.to(who.getName());
    Map<String, DutyHistory.Since> since = history.since();
    List<DutyHistory.Use> uses = history.uses();
    return state.structure().duties().values().stream().map(given -> line(state, given, since.get(given.id()), uses))
        .sorted(Comparator.comparing(DutyLine::duty).thenComparing(line -> line.subject().name()).thenComparing(DutyLine::id)).toList();
  }

  private DutyLine line(DraftedState.State state, DutyAssignment given, DutyHistory.Since since, List<DutyHistory.Use> uses) {
    Snapshot snapshot = state.after();
    Structure structure = state.structure();
    PersonSet holders = state.moment().matching(given.subject()).and(state.moment().active());
    Set<String> ids = holders.stream().mapToObj(person -> snapshot.person(person).id()).collect(Collectors.toSet());
    List<DutyHistory.Use> theirs = uses.stream().filter(use -> use.duty() == given.duty() && ids.contains(use.person()) && since != null && use.change() > since.change()).toList();
    String through = given.subject() instanceof Subject.OfPerson ? null : SubjectView.of(given.subject(), state.moment()).name();
    String covers = given.place() != null ? snapshot.pathText(snapshot.placeNumber(given.place())) : given.unit() != null ? structure.units().get(given.unit()).name() : null;
    return new DutyLine(given.id(), SubjectView.of(given.subject(), state.moment()), given.duty(), given.place(), given.unit(), covers, given.ceiling(),
        given.ceiling() == null ? null : structure.roles().get(given.ceiling()).name(), given.period().from(), given.period().until(), given.period().holdsAt(state.now()),
        snapshot.inOrder(holders.stream()).limit(HOLDERS_AT_MOST).mapToObj(snapshot::person).map(person -> new DutyHolder(PersonView.of(person, structure), through)).toList(), ids.size(),
        since, (int) theirs.stream().filter(use -> use.at().isAfter(state.now().minus(LATELY))).map(DutyHistory.Use::change).distinct().count(),
        theirs.isEmpty() ? null : theirs.get(theirs.size() - 1).at(), state.drafted(Structure::duties, given.id()));
  }

  /** What somebody with just this duty would see, of what the asker may know. */
  @GetMapping("/api/duties/preview")
  ConsolePreview preview(@RequestParam Duty duty, @RequestParam(required = false) String place, @RequestParam(required = false) String unit, Principal who) {
    refuseOthers(who);
    DutyAssignment given = new DutyAssignment("du-preview", new Subject.OfPerson("p-preview"), duty, place, unit, null, Period.ALWAYS);
    given.wrong().ifPresent(wrong -> {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-such-duty", "That duty cannot be given so", wrong.what() + " " + wrong.remedy());
    });
    Structure known = viewpoints.known(who.getName()).snapshot().structure();
    if (place != null && !known.places().containsKey(place)) {
      throw Problem.notFound("place", place);
    }
    if (unit != null && !known.units().containsKey(unit)) {
      throw Problem.notFound("unit", unit);
    }
    Viewpoint viewpoint = Viewpoint.of(Asker.holding(viewpoints.known(who.getName()).snapshot().at(clock.instant()), given));
    Snapshot snapshot = viewpoint.snapshot();
    int places = snapshot.structure().places().size();
    int documents = (int) snapshot.structure().places().values().stream().filter(Place::isDocument).count();
    List<String> tops = snapshot.structure().places().values().stream().filter(one -> one.kind() == PlaceKind.LIBRARY || one.id().equals(place)).map(one -> snapshot.pathText(snapshot.placeNumber(one.id()))).sorted().distinct().toList();
    return new ConsolePreview(places, documents, snapshot.structure().people().size(), snapshot.structure().groups().size(), tops, Rooms.of(Set.of(duty)));
  }

  /** Who would see and change what in the console, were the draft in hand put in force. */
  @GetMapping("/api/draft/rehearsal/duties")
  ShiftsView shifts(Principal who) {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    ConsoleDifference.Found found = ConsoleDifference.between(rehearsed.rehearsal().before(), rehearsed.rehearsal().after(), rehearsed.rehearsal().now().instant());
    Structure after = rehearsed.rehearsal().after().structure();
    Structure before = rehearsed.rehearsal().before().structure();
    return new ShiftsView(found.shifts().stream().map(shift -> new ShiftView(PersonView.of(shift.person(), after.people().containsKey(shift.person().id()) ? after : before),
        view(shift.before()), view(shift.after()))).toList(), found.more());
  }

  private static ConsoleView view(ConsoleDifference.Console console) {
    return new ConsoleView(console.duties().stream().sorted().toList(), console.places(), console.people());
  }

  private void refuseOthers(Principal who) {
    if (!viewpoints.asker(who.getName()).holdsAny(Duty.SYSTEM, Duty.AUDIT)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "not-allowed", "Not allowed", "Who holds which duty is for holders of the duties [system] and [audit].");
    }
  }
}
