package palegate.core.rehearsal;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.structure.Structure;

/** Which subjects single people match at an instant, upwards from the person (section 1). Made in one look at the memberships; an answer takes what is above the person. */
final class SubjectsOfPerson {
  private record In(String group, Period period) {}

  private final Structure structure;
  private final Map<String, List<In>> ofPerson = new HashMap<>();
  private final Map<String, List<In>> ofGroup = new HashMap<>();

  /** @param people the only ones who will be asked about */
  SubjectsOfPerson(Structure structure, Set<String> people) {
    this.structure = structure;
    for (Group group : structure.groups().values()) {
      for (Membership member : group.members()) {
        boolean person = member.member() instanceof Membership.PersonMember;
        if (!person || people.contains(member.member().id())) {
          (person ? ofPerson : ofGroup).computeIfAbsent(member.member().id(), any -> new ArrayList<>()).add(new In(group.id(), member.period()));
        }
      }
    }
  }

  /** Every subject that the person matches; of somebody who is not there, none. */
  Set<Subject> at(String id, Instant instant) {
    Person person = structure.people().get(id);
    if (person == null) {
      return Set.of();
    }
    Set<Subject> found = new HashSet<>();
    found.add(new Subject.OfPerson(id));
    if (person.active()) {
      found.add(person.external() ? Subject.BuiltIn.OUTSIDERS : Subject.BuiltIn.STAFF);
    }
    Set<String> units = new HashSet<>();
    for (Unit unit = unit(person.unit()); unit != null && units.add(unit.id()); unit = unit(unit.parent())) {
      found.add(new Subject.OfUnit(unit.id()));
    }
    Deque<In> open = new ArrayDeque<>(ofPerson.getOrDefault(id, List.of()));
    while (!open.isEmpty()) {
      In in = open.pop();
      if (in.period().holdsAt(instant) && found.add(new Subject.OfGroup(in.group()))) {
        ofGroup.getOrDefault(in.group(), List.of()).forEach(open::push);
      }
    }
    return found;
  }

  /** Adds the instants after one at which any membership above the person begins or ends. */
  void addBoundaries(String id, Instant after, NavigableSet<Instant> into) {
    Set<String> groups = new HashSet<>();
    Deque<In> open = new ArrayDeque<>(ofPerson.getOrDefault(id, List.of()));
    while (!open.isEmpty()) {
      In in = open.pop();
      add(in.period(), after, into);
      if (groups.add(in.group())) {
        ofGroup.getOrDefault(in.group(), List.of()).forEach(open::push);
      }
    }
  }

  static void add(Period period, Instant after, NavigableSet<Instant> into) {
    Stream.of(period.from(), period.until()).filter(end -> end != null && end.isAfter(after)).forEach(into::add);
  }

  private Unit unit(String id) {
    return id == null ? null : structure.units().get(id);
  }
}
