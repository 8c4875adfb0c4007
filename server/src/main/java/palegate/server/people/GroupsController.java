package palegate.server.people;

import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.access.Entry;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.questions.Beyond;
import palegate.core.matrix.Matrix;
import palegate.core.questions.MembershipPaths;
import palegate.core.questions.NestedGroups;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.server.drafts.DraftedState;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.PeopleOrder;
import palegate.server.views.PersonView;
import palegate.server.views.SubjectView;

/** Groups: who is in them and how, what they are in, and what that gives. */
@RestController
@RequestMapping("/api/groups")
class GroupsController {
  /** A group in the list; {@code direct} counts members of its own, {@code people} all active people in it. */
  record GroupLine(String id, String name, @MayBeMissing String description, int direct, int people, int outsiders, int entries, DraftedState.Drafted drafted) {}

  /** A member of its own, for a period; {@code people} and {@code outsiders} count those behind it. */
  record Member(String kind, String id, String name, boolean external, boolean active, @MayBeMissing Instant from, @MayBeMissing Instant until, boolean current,
      int people, int outsiders, DraftedState.Drafted drafted) {}

  record GroupDetail(GroupLine group, List<Member> members, List<Member> gone, List<SubjectView> parents) {}

  /** Somebody in the group, with the names of the groups on the shortest way from them to it. */
  record InGroup(PersonView person, List<String> path) {}

  /** A place where the group has something by its own entries or by those of groups that it is in. */
  record Has(String place, String path, boolean document, List<String> rights, List<String> withheld, String origin, int people, int exactly, int more, int less) {}

  record Besides(PersonView person, int documents, int without) {}

  private static final Comparator<GroupLine> BY_NAME = Comparator.comparing(GroupLine::name).thenComparing(GroupLine::id);
  private static final SortOrders<GroupLine> GROUPS = SortOrders.by("name", BY_NAME).or("people", Comparator.comparing(GroupLine::people))
      .or("outsiders", Comparator.comparing(GroupLine::outsiders)).or("entries", Comparator.comparing(GroupLine::entries));
  /** In tree order as they are found. */
  private static final SortOrders<Has> PLACES = SortOrders.<Has>by("place", (a, b) -> 0).or("rights", Comparator.comparing((Has has) -> has.rights().size()))
      .or("exactly", Comparator.comparing(Has::exactly)).or("more", Comparator.comparing(Has::more)).or("less", Comparator.comparing(Has::less));

  private final DraftedState shown;

  GroupsController(DraftedState shown) {
    this.shown = shown;
  }

  /** All groups whose name contains the text. */
  @GetMapping
  Page<GroupLine> groups(@ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Map<Subject, Long> entries = new HashMap<>();
    state.structure().entries().forEach(entry -> entries.merge(entry.subject(), 1L, Long::sum));
    return GROUPS.page(part, state.structure().groups().values().stream().filter(group -> part.takes(group.name()))
        .map(group -> line(state, group, entries.getOrDefault(new Subject.OfGroup(group.id()), 0L).intValue())), line -> line);
  }

  private static GroupLine line(DraftedState.State state, Group group, int entries) {
    SubjectView counts = SubjectView.of(new Subject.OfGroup(group.id()), state.moment());
    return new GroupLine(group.id(), group.name(), group.description(), group.members().size(), counts.people(), counts.outsiders(), entries,
        state.drafted(Structure::groups, group.id()));
  }

  @GetMapping("/{id}")
  GroupDetail group(@PathVariable String id, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    Group group = known(state, id);
    Group before = state.before().structure().groups().get(id);
    List<Membership> had = before == null ? List.of() : before.members();
    int entries = (int) state.structure().entries().filter(entry -> entry.subject().equals(new Subject.OfGroup(id))).count();
    return new GroupDetail(line(state, group, entries),
        group.members().stream().map(member -> member(state, member, had.contains(member) ? DraftedState.Drafted.NO : DraftedState.Drafted.MADE)).sorted(order()).toList(),
        had.stream().filter(member -> !group.members().contains(member)).map(member -> member(state, member, DraftedState.Drafted.CHANGED)).sorted(order()).toList(),
        state.moment().joined().group(id).stream().map(in -> SubjectView.of(new Subject.OfGroup(in.group()), state.moment()))
            .sorted(Comparator.comparing(SubjectView::name)).toList());
  }

  private static Comparator<Member> order() {
    return Comparator.comparing(Member::kind).thenComparing(Member::name);
  }

  private static Member member(DraftedState.State state, Membership membership, DraftedState.Drafted drafted) {
    String id = membership.member().id();
    boolean current = membership.period().holdsAt(state.now());
    if (membership.member() instanceof Membership.PersonMember) {
      Person person = state.structure().people().get(id);
      return new Member("person", id, person.name(), person.external(), person.active(), membership.period().from(), membership.period().until(), current,
          person.active() ? 1 : 0, person.active() && person.external() ? 1 : 0, drafted);
    }
    SubjectView inner = SubjectView.of(new Subject.OfGroup(id), state.moment());
    return new Member("group", id, inner.name(), false, true, membership.period().from(), membership.period().until(), current, inner.people(), inner.outsiders(), drafted);
  }

  /** Everyone active in the group, each with the shortest way by which they are in it. */
  @GetMapping("/{id}/people")
  Page<InGroup> people(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    known(state, id);
    SnapshotAt moment = state.moment();
    Subject subject = new Subject.OfGroup(id);
    PersonSet people = moment.matching(subject).and(moment.active());
    MembershipPaths paths = new MembershipPaths(moment);
    return PeopleOrder.listing(state.structure()).page(part, people.stream().mapToObj(state.after()::person)
        .filter(person -> part.takes(person.name(), PeopleOrder.unit(person, state.structure()))), person -> new InGroup(PersonView.of(person, state.structure()),
        paths.find(person, subject).paths().stream().findFirst().map(path -> path.links().stream()
            .map(link -> state.structure().groups().get(link.id()).name()).toList()).orElse(List.of())));
  }

  /** Where the group has access. */
  @GetMapping("/{id}/access")
  Page<Has> access(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    known(state, id);
    Subject subject = new Subject.OfGroup(id);
    Set<Subject> naming = new HashSet<>(new NestedGroups(state.moment()).subjectsOf(id));
    int[] places = state.structure().entries().filter(entry -> naming.contains(entry.subject())).map(Entry::place).distinct()
        .mapToInt(state.after()::placeNumber).boxed().sorted(state.after().inTreeOrder()).mapToInt(Integer::intValue).toArray();
    Matrix matrix = Matrix.of(state.moment(), state.now(), List.of(subject), places);
    List<Has> rows = new ArrayList<>();
    for (int column = 0; column < places.length; column++) {
      Matrix.Cell cell = matrix.cell(0, column);
      rows.add(new Has(state.after().place(places[column]).id(), state.after().pathText(places[column]), state.after().isDocument(places[column]), cell.rights().words(), cell.withheld().words(),
          cell.from() == Matrix.From.NOTHING ? "NONE" : cell.from().name(), cell.people(), cell.exactly(), cell.more(), cell.less()));
    }
    return PLACES.page(part, rows.stream().filter(has -> part.takes(has.path())), has -> has);
  }

  /** What the group's people have that does not come from the group. */
  @GetMapping("/{id}/beyond")
  Page<Besides> beyond(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    known(state, id);
    Beyond beyond = Beyond.of(state.after(), state.now(), id);
    return PeopleOrder.listing(state.structure()).page(part, beyond.people().stream()
        .filter(person -> part.takes(person.name(), PeopleOrder.unit(person, state.structure()))), person -> {
      Beyond.Of of = beyond.of(person);
      return new Besides(PersonView.of(person, state.structure()), of.documents(), of.without());
    });
  }

  private static Group known(DraftedState.State state, String id) {
    Group group = state.structure().groups().get(id);
    if (group == null) {
      throw Problem.notFound("group", id);
    }
    return group;
  }
}
