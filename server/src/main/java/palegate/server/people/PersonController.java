package palegate.server.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.access.Entry;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.PersonLines;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.questions.ReachOf;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.EntryView;
import palegate.server.views.PersonView;
import palegate.server.views.SubjectView;

/** One person: where they belong and what that lets them do; and whom pasted lines name. */
@RestController
class PersonController {
  /** A group that the person is in directly, for a period; {@code current} tells whether it holds now. */
  record Belongs(String group, String name, @MayBeMissing Instant from, @MayBeMissing Instant until, boolean current) {}

  /** {@code groupsByPath} are the groups that the person is in through others; {@code own} are entries that name the person alone. */
  record PersonDetail(PersonView person, DraftedState.Drafted drafted, List<Belongs> groups, List<SubjectView> groupsByPath, List<SubjectView> units,
      List<EntryView> own, int documents, int places) {}

  /** A document that somebody owns, has checked out, or both; {@code type} is an id. */
  record OwnedView(String place, String path, @MayBeMissing String type, boolean owned, boolean checkedOut) {}

  record EntryLines(@NotNull(message = "Paste some lines.") @Size(max = 2_000_000, message = "At most two million letters at once.") String text) {}

  /** What one line names: {@code found} has one person, several, or none. */
  record LineView(int line, String text, String what, List<PersonView> found) {}

  private final DraftedState shown;

  PersonController(DraftedState shown) {
    this.shown = shown;
  }

  @GetMapping("/api/people/{id}")
  PersonDetail person(@PathVariable String id, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Structure structure = state.structure();
    Person person = structure.people().get(id);
    if (person == null) {
      throw Problem.notFound("person", id);
    }
    List<Belongs> direct = new ArrayList<>();
    for (Group group : structure.groups().values()) {
      for (Membership membership : group.members()) {
        if (membership.member().equals(new Membership.PersonMember(id))) {
          direct.add(new Belongs(group.id(), group.name(), membership.period().from(), membership.period().until(), membership.period().holdsAt(state.now())));
        }
      }
    }
    direct.sort(Comparator.comparing(Belongs::name));
    int number = state.after().personNumber(id);
    List<SubjectView> byPath = structure.groups().keySet().stream().map(Subject.OfGroup::new)
        .filter(group -> state.moment().matches(number, group) && direct.stream().noneMatch(belongs -> belongs.current() && belongs.group().equals(group.id())))
        .map(group -> SubjectView.of(group, state.moment())).sorted(Comparator.comparing(SubjectView::name)).toList();
    List<SubjectView> units = new ArrayList<>();
    for (String unit = person.unit(); unit != null; unit = structure.units().get(unit).parent()) {
      units.add(SubjectView.of(new Subject.OfUnit(unit), state.moment()));
    }
    ReachOf reach = ReachOf.person(state.moment(), number);
    return new PersonDetail(PersonView.of(person, structure), state.drafted(Structure::people, id), direct, byPath, units, own(state.after(), id),
        reach.documents(), reach.places());
  }

  /** What somebody owns or has checked out, in the order of the tree, of what the asker may know: to be handed over when they leave. O(places). */
  @GetMapping("/api/people/{id}/owned")
  Page<OwnedView> owned(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Snapshot snapshot = state.after();
    if (!state.structure().people().containsKey(id)) {
      throw Problem.notFound("person", id);
    }
    SortOrders<Integer> orders = SortOrders.<Integer>by("tree", snapshot.inTreeOrder()).or("place", Comparator.comparing(snapshot::pathText));
    return orders.page(part, snapshot.places().boxed().filter(place -> id.equals(snapshot.place(place).owner()) || id.equals(snapshot.place(place).conditions().checkedOutBy()))
        .filter(place -> part.takesAll() || part.takes(snapshot.pathText(place))), place -> {
          Place one = snapshot.place(place);
          return new OwnedView(one.id(), snapshot.pathText(place), one.type(), id.equals(one.owner()), id.equals(one.conditions().checkedOutBy()));
        });
  }

  private static List<EntryView> own(Snapshot snapshot, String person) {
    Subject subject = new Subject.OfPerson(person);
    return snapshot.structure().entries().filter(entry -> entry.subject().equals(subject)).sorted(Comparator.comparing(Entry::place))
        .map(entry -> EntryView.of(entry, snapshot.rightsOf(entry), snapshot.structure())).toList();
  }

  /** Whom each pasted line names, before anything is drafted. */
  @PostMapping("/api/people/matches")
  List<LineView> matches(@Valid @RequestBody EntryLines lines, Principal who) {
    Structure structure = shown.to(who.getName()).structure();
    Map<String, Person> people = structure.people();
    return PersonLines.find(people, lines.text()).stream().map(line -> view(line, structure)).toList();
  }

  private static LineView view(PersonLines.Line line, Structure structure) {
    List<Person> found = line instanceof PersonLines.Line.Match match ? List.of(match.person())
        : line instanceof PersonLines.Line.Again again ? List.of(again.person())
        : line instanceof PersonLines.Line.Several several ? several.people() : List.of();
    return new LineView(line.number(), line.text(), line.getClass().getSimpleName().toUpperCase(Locale.ROOT),
        found.stream().map(person -> PersonView.of(person, structure)).toList());
  }
}
