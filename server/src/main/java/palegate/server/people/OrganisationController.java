package palegate.server.people;

import java.security.Principal;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.questions.NestedGroups;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.server.drafts.DraftedState;
import palegate.server.shell.MayBeMissing;
import palegate.server.views.SubjectView;

/** Units as a tree, and the sketch of the organisation: what lies inside what, and how big it is. */
@RestController
class OrganisationController {
  /** {@code people} counts active people in the unit and below, {@code own} those who sit in it directly. */
  record UnitLine(String id, String name, @MayBeMissing String parent, int people, int outsiders, int own, DraftedState.Drafted drafted) {}

  /**
   * A group in the sketch.
   *
   * @param inside the groups that are members of it now
   * @param twoHatted how many of its people are directly in another group that neither holds this one nor lies in it
   */
  record GroupShape(String id, String name, int people, int outsiders, int twoHatted, List<String> inside) {}

  record Sketch(List<UnitLine> units, List<GroupShape> groups) {}

  private final DraftedState shown;

  OrganisationController(DraftedState shown) {
    this.shown = shown;
  }

  /** All units, by name. */
  @GetMapping("/api/units")
  List<UnitLine> units(Principal who) {
    return units(shown.to(who.getName()));
  }

  @GetMapping("/api/organisation")
  Sketch sketch(Principal who) {
    DraftedState.State state = shown.to(who.getName());
    NestedGroups nested = new NestedGroups(state.moment());
    return new Sketch(units(state), state.structure().groups().values().stream().sorted(Comparator.comparing(Group::name).thenComparing(Group::id))
        .map(group -> shape(state, group, nested)).toList());
  }

  private static List<UnitLine> units(DraftedState.State state) {
    Map<String, Long> own = state.structure().people().values().stream().filter(person -> person.active() && person.unit() != null)
        .collect(Collectors.groupingBy(Person::unit, Collectors.counting()));
    return state.structure().units().values().stream().sorted(Comparator.comparing(Unit::name).thenComparing(Unit::id)).map(unit -> {
      SubjectView counts = SubjectView.of(new Subject.OfUnit(unit.id()), state.moment());
      return new UnitLine(unit.id(), unit.name(), unit.parent(), counts.people(), counts.outsiders(), own.getOrDefault(unit.id(), 0L).intValue(),
          state.drafted(Structure::units, unit.id()));
    }).toList();
  }

  private static GroupShape shape(DraftedState.State state, Group group, NestedGroups nested) {
    SnapshotAt moment = state.moment();
    PersonSet people = moment.matching(new Subject.OfGroup(group.id())).and(moment.active());
    List<String> inside = group.members().stream().filter(member -> member.member() instanceof Membership.GroupMember && member.period().holdsAt(state.now()))
        .map(member -> member.member().id()).distinct().toList();
    return new GroupShape(group.id(), group.name(), people.size(), people.sizeOfAnd(moment.activeOutsiders()), nested.withAnotherHat(group.id(), people), inside);
  }
}
