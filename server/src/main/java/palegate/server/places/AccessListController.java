package palegate.server.places;

import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.access.Entry;
import palegate.core.collections.PersonSet;
import palegate.core.questions.AccessList;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;
import palegate.server.drafts.Drafts;
import palegate.server.lists.PageRequest;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.EntryView;
import palegate.server.views.PeopleOrder;
import palegate.server.views.PersonView;

/** The access list of a place, with what the asker's draft would add to it and remove from it. */
@RestController
class AccessListController {
  /** Whether the asker's draft touches a line. */
  enum Drafted { NO, ADDED, REMOVED }

  /** {@code state} says whether the line does anything now; {@code sameAs} names the line that makes it idle, if one does by itself. */
  record AccessLine(EntryView entry, boolean own, AccessList.State state, int people, int outsiders, Drafted drafted, @MayBeMissing String sameAs) {}

  /** {@code people} and {@code outsiders} count who can do anything at the place. */
  record AccessListView(long change, boolean standsAlone, boolean standsAloneDrafted, int people, int outsiders, List<AccessLine> lines) {}

  private final Drafts drafts;
  private final Clock clock;

  AccessListController(Drafts drafts, Clock clock) {
    this.drafts = drafts;
    this.clock = clock;
  }

  @GetMapping("/api/places/{id}/access")
  AccessListView accessList(@PathVariable String id, Principal who) {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    Snapshot before = rehearsed.rehearsal().before();
    Snapshot after = rehearsed.rehearsal().after();
    Instant now = clock.instant();
    int number = before.placeNumber(id);
    int numberAfter = after.placeNumber(id);
    if (number < 0) {
      // Only the draft has the place: everything at it is drafted.
      AccessList made = AccessList.of(after, now, PlacesController.number(after, id));
      PersonSet people = after.at(now).holders(numberAfter).anyone();
      return new AccessListView(rehearsed.change(), false, made.place().standsAlone(), people.size(), people.sizeOfAnd(after.at(now).activeOutsiders()),
          made.lines().stream().map(line -> view(line, after, line.own() ? Drafted.ADDED : Drafted.NO)).sorted((a, b) -> Boolean.compare(b.own(), a.own())).toList());
    }
    AccessList inForce = AccessList.of(before, now, number);
    AccessList drafted = numberAfter < 0 ? new AccessList(inForce.place(), List.of()) : AccessList.of(after, now, numberAfter);
    Set<String> kept = keys(drafted);
    Set<String> known = keys(inForce);
    List<AccessLine> lines = new ArrayList<>();
    inForce.lines().forEach(line -> lines.add(view(line, before, kept.contains(key(line)) ? Drafted.NO : Drafted.REMOVED)));
    drafted.lines().stream().filter(line -> !known.contains(key(line)))
        .forEach(line -> lines.add(view(line, after, Drafted.ADDED)));
    lines.sort((a, b) -> Boolean.compare(b.own(), a.own()));
    PersonSet people = before.at(now).holders(number).anyone();
    return new AccessListView(rehearsed.change(), inForce.place().standsAlone(), drafted.place().standsAlone(),
        people.size(), people.sizeOfAnd(before.at(now).activeOutsiders()), lines);
  }

  /** The active people behind one line, by any chain of memberships. */
  @GetMapping("/api/places/{id}/access/{entry}/people")
  Page<PersonView> peopleBehind(@PathVariable String id, @PathVariable String entry, @RequestParam(defaultValue = "grant") String kind,
      @ParameterObject PageRequest part, Principal who) {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    Snapshot snapshot = entryOf(rehearsed.rehearsal().before(), entry, kind) != null
        ? rehearsed.rehearsal().before() : rehearsed.rehearsal().after();
    Entry found = entryOf(snapshot, entry, kind);
    if (found == null) {
      throw Problem.notFound(kind, entry);
    }
    SnapshotAt moment = snapshot.at(clock.instant());
    return PeopleOrder.listing(snapshot.structure()).page(part, AccessList.peopleBehind(moment, found).stream().mapToObj(snapshot::person)
        .filter(person -> part.takes(person.name())), person -> PersonView.of(person, snapshot.structure()));
  }

  private static Entry entryOf(Snapshot snapshot, String id, String kind) {
    return kind.equals("grant") ? snapshot.structure().grants().get(id) : snapshot.structure().withholdings().get(id);
  }

  private static Set<String> keys(AccessList list) {
    return list.lines().stream().map(AccessListController::key).collect(Collectors.toCollection(HashSet::new));
  }

  private static String key(AccessList.Line line) {
    return line.entry().getClass().getSimpleName() + " " + line.entry().id();
  }

  private static AccessLine view(AccessList.Line line, Snapshot snapshot, Drafted drafted) {
    return new AccessLine(EntryView.of(line.entry(), line.rights(), snapshot.structure()), line.own(), line.state(),
        line.people(), line.outsiders(), drafted, line.sameAs() == null ? null : SubjectNames.of(line.sameAs().subject(), snapshot.structure())
            + (line.sameAs().place().equals(line.entry().place()) ? "" : " at " + snapshot.structure().places().get(line.sameAs().place()).name()));
  }
}
