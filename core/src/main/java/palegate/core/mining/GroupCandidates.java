package palegate.core.mining;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.GroupUses;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PeopleChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.structure.SubjectNames;

/** Groups that take the place of what is named one by one, and of each other. */
final class GroupCandidates {
  /** Given the same at one place. */
  private record Alike(String place, String role, Set<String> types, Period period) {}

  private final Mined state;
  /** The grants of a role at a place for the same documents and time: one is enough if its people are those of all. */
  private final List<List<Grant>> columns;
  private final Map<Subject, PersonSet> people = new HashMap<>();

  GroupCandidates(Mined state) {
    this.state = state;
    Map<Alike, List<Grant>> alike = new LinkedHashMap<>();
    state.currentGrants().forEach(grant -> alike.computeIfAbsent(new Alike(grant.place(), grant.role(), grant.types(), grant.period()), any -> new ArrayList<>()).add(grant));
    columns = alike.values().stream().filter(grants -> grants.size() > 1).toList();
  }

  private PersonSet people(Subject subject) {
    return people.computeIfAbsent(subject, state.moment()::matching);
  }

  private PersonSet people(List<Grant> grants) {
    return grants.stream().map(grant -> people(grant.subject())).reduce(PersonSet.NOBODY, PersonSet::or);
  }

  /** Groups and units that there are, in the place of several whose people they have: at each place the one that saves most, if it reaches nobody else. */
  List<Candidate> named() {
    Map<Integer, List<Subject>> subjectsOf = subjectsByPerson();
    List<Candidate> all = new ArrayList<>();
    for (List<Grant> grants : columns) {
      PersonSet reached = people(grants);
      Map<Subject, Integer> counts = new LinkedHashMap<>();
      reached.forEach(person -> subjectsOf.getOrDefault(person, List.of()).forEach(subject -> counts.merge(subject, 1, Integer::sum)));
      counts.entrySet().stream().filter(each -> each.getValue() > 1 && each.getValue() == people(each.getKey()).size()).map(Map.Entry::getKey)
          .map(subject -> covering(grants, subject)).filter(covered -> covered.grants().size() > 1)
          .max(Comparator.comparingInt((Covered covered) -> covered.grants().size()).thenComparing(covered -> covered.subject().toString(), Comparator.reverseOrder()))
          .ifPresent(covered -> all.add(new Candidate(Proposal.Kind.GROUP,
              "Name " + SubjectNames.of(covered.subject(), state.structure()) + " and not " + counted(covered.grants()) + " one by one, at " + state.path(grants.get(0).place()) + ".", replaced(covered.grants(), covered.subject()), covered.grants().size() - 1)));
    }
    all.sort(Comparator.comparingInt(Candidate::saves).reversed());
    return all;
  }

  private record Covered(Subject subject, List<Grant> grants) {}

  /** Those whose people are all in it. What names it already is taken off by itself, as doing nothing. */
  private Covered covering(List<Grant> grants, Subject subject) {
    return grants.stream().anyMatch(grant -> grant.subject().equals(subject)) ? new Covered(subject, List.of())
        : new Covered(subject, grants.stream().filter(grant -> people(grant.subject()).minus(people(subject)).isEmpty()).toList());
  }

  private static String counted(List<Grant> grants) {
    long persons = grants.stream().filter(grant -> grant.subject() instanceof Subject.OfPerson).count();
    return persons == grants.size() ? persons + " of its people" : grants.size() + " that are in it";
  }

  /** The groups and units of two or more in which each is. */
  private Map<Integer, List<Subject>> subjectsByPerson() {
    Map<Integer, List<Subject>> subjects = new HashMap<>();
    Stream.concat(state.structure().groups().keySet().stream().sorted().map(Subject.OfGroup::new), state.structure().units().keySet().stream().sorted().map(Subject.OfUnit::new))
        .filter(subject -> people(subject).size() > 1).forEach(subject -> people(subject).forEach(person -> subjects.computeIfAbsent(person, any -> new ArrayList<>()).add(subject)));
    return subjects;
  }

  /** People who are named together so often that a group of them says it with less. */
  List<Candidate> made() {
    List<List<Grant>> persons = columns.stream().map(grants -> grants.stream().filter(grant -> grant.subject() instanceof Subject.OfPerson).toList()).filter(grants -> grants.size() > 1).toList();
    List<PersonSet> named = persons.stream().map(this::people).toList();
    // What an earlier one takes is not there any more for the next.
    List<List<Grant>> left = new ArrayList<>(persons);
    List<Candidate> all = new ArrayList<>();
    for (GroupMiner.Mined mined : GroupMiner.of(named)) {
      Set<String> members = mined.people().stream().mapToObj(number -> state.snapshot().person(number).id()).collect(Collectors.toCollection(TreeSet::new));
      String id = state.ids().get();
      List<Change> changes = new ArrayList<>(List.of(new PeopleChange.SetGroup(id, name(members), "Named together at " + mined.columns().size() + " places.")));
      members.forEach(person -> changes.add(new MembershipChange.AddMember(id, new Membership(new Membership.PersonMember(person), Period.ALWAYS))));
      int saved = 0;
      for (int column : mined.columns()) {
        List<Grant> covered = left.get(column).stream().filter(grant -> members.contains(grant.subject().id())).toList();
        left.set(column, left.get(column).stream().filter(grant -> !members.contains(grant.subject().id())).toList());
        changes.addAll(replaced(covered, new Subject.OfGroup(id)));
        saved += covered.size() - 1;
      }
      all.add(new Candidate(Proposal.Kind.NEW_GROUP, "Make a group of " + listed(members) + ", who are named together at " + mined.columns().size() + " places.", changes, saved));
    }
    return all;
  }

  private String listed(Set<String> members) {
    List<String> names = members.stream().map(person -> state.structure().people().get(person).name()).sorted().toList();
    return names.size() <= 3 ? String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.get(names.size() - 1) : names.get(0) + ", " + names.get(1) + " and " + (names.size() - 2) + " more";
  }

  private String name(Set<String> members) {
    return Mined.free("Together: " + listed(members), "Together: " + members.size() + " people", state.structure().groups().values().stream().map(Group::name).collect(Collectors.toSet()));
  }

  private List<Change> replaced(List<Grant> grants, Subject subject) {
    List<Change> changes = new ArrayList<>(grants.stream().map(Mined::removal).toList());
    changes.add(new AccessChange.AddGrant(state.inPlaceOf(grants, subject, grants.get(0).role())));
    return changes;
  }

  /** Groups with the same people: one takes the place of the others. */
  List<Candidate> merged() {
    Map<PersonSet, Group> first = new LinkedHashMap<>();
    List<Candidate> all = new ArrayList<>();
    GroupUses.Register uses = new GroupUses.Register(state.structure(), state.now());
    state.structure().groups().values().stream().sorted(Comparator.comparing(Group::id)).forEach(group -> {
      PersonSet members = people(new Subject.OfGroup(group.id()));
      Group other = members.isEmpty() ? null : first.putIfAbsent(members, group);
      if (other != null) {
        GroupUses its = uses.of(group.id());
        its.handOver(other.id()).ifPresent(changes -> all.add(new Candidate(Proposal.Kind.MERGE, "Let “" + other.name() + "” take the place of “" + group.name() + "”, which has the same people.", changes, its.sharedWith(other.id()))));
      }
    });
    return all;
  }
}
