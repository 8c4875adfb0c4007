package palegate.server.access;

import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.access.Trace;
import palegate.core.questions.Explanation;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.server.drafts.Drafts;
import palegate.server.people.PersonView;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;

/** Why a person has the rights they have at a place. */
@RestController
class WhyController {
  record Why(PersonView person, String place, String path, Instant at, boolean drafted, List<String> rights,
      List<Step> stages, List<Silent> silent) {}

  record Step(int number, String title, List<String> before, List<String> after, String reason, List<Acting> acting) {}

  record Acting(EntryView entry, boolean here, List<List<Link>> paths, boolean morePaths) {}

  record Link(String kind, String id, String name, @MayBeMissing Instant from, @MayBeMissing Instant until) {}

  record Silent(EntryView entry, String why) {}

  private final Drafts drafts;
  private final Clock clock;

  WhyController(Drafts drafts, Clock clock) {
    this.drafts = drafts;
    this.clock = clock;
  }

  /** The trace at this moment, of the state in force or of what the asker's draft would make of it. */
  @GetMapping("/api/why")
  Why why(@RequestParam String person, @RequestParam String place, @RequestParam(defaultValue = "false") boolean drafted, Principal who) {
    Snapshot snapshot = drafts.shown(who.getName(), drafted);
    int personNumber = snapshot.personNumber(person);
    int placeNumber = snapshot.placeNumber(place);
    if (personNumber < 0) {
      throw Problem.notFound("person", person);
    }
    if (placeNumber < 0) {
      throw Problem.notFound("place", place);
    }
    Trace trace = Explanation.of(snapshot, clock.instant(), personNumber, placeNumber);
    Structure structure = snapshot.structure();
    return new Why(PersonView.of(snapshot.person(personNumber), structure), place, snapshot.pathText(placeNumber), trace.instant(),
        drafted, trace.rights().words(), trace.stages().stream().map(step -> step(step, structure)).toList(),
        trace.silent().stream().map(silent -> new Silent(
            EntryView.of(silent.entry(), snapshot.rightsOf(silent.entry()), structure), silent.why().words())).toList());
  }

  private static Step step(Trace.Step step, Structure structure) {
    return new Step(step.number(), step.title(), step.before().words(), step.after().words(), step.reason(),
        step.acting().stream().map(acting -> new Acting(EntryView.of(acting.entry(), acting.rights(), structure), acting.here(),
            acting.paths().stream().map(path -> path.links().stream().map(link -> link(link, structure)).toList()).toList(),
            acting.morePaths())).toList());
  }

  private static Link link(Trace.Link link, Structure structure) {
    String name = link.kind().equals("unit") ? structure.units().get(link.id()).name() : structure.groups().get(link.id()).name();
    return new Link(link.kind(), link.id(), name, link.period().from(), link.period().until());
  }
}
