package palegate.core.viewpoint;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.duties.Duty;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.structure.Structure;

/**
 * The people, groups and units that an asker may know (section 9): those of the units that they administer; whoever an entry names at
 * a place that their duties cover, with everybody in it; without such duties, those with whom they share a group. What only a guard
 * names – a wall, a clearance, a duty – is known by its name, and with those of its people who are known otherwise.
 */
final class KnownPeople {
  final Set<String> people = new HashSet<>();
  final Set<String> groups = new HashSet<>();
  final Set<String> units = new HashSet<>();
  private final Structure structure;
  /** Subjects that stand in many entries are looked at once. */
  private final Set<Subject> added = new HashSet<>();
  private final Set<Subject> named = new HashSet<>();
  private Map<String, List<String>> unitsBelow;
  private Map<String, List<Person>> inUnit;

  KnownPeople(Structure structure) {
    this.structure = structure;
  }

  /** Whether an asker may know everybody there is. */
  static boolean all(Asker asker, boolean everyPlace) {
    return everyPlace || asker.administersEverybody() || asker.holdsAny(Duty.AUDIT, Duty.WALLS);
  }

  /** A subject and everybody who is or was or will be in it. */
  void add(Subject subject) {
    if (!added.add(subject)) {
      return;
    }
    if (subject instanceof Subject.OfPerson) {
      person(subject.id());
    } else if (subject instanceof Subject.OfGroup) {
      group(subject.id(), true);
    } else if (subject instanceof Subject.OfUnit) {
      unitAndBelow(subject.id());
    } else {
      structure.people().values().stream().filter(person -> person.external() == (subject == Subject.BuiltIn.OUTSIDERS)).forEach(person -> people.add(person.id()));
    }
  }

  /** A subject by its name alone. */
  void name(Subject subject) {
    if (!named.add(subject)) {
      return;
    }
    if (subject instanceof Subject.OfPerson) {
      person(subject.id());
    } else if (subject instanceof Subject.OfGroup) {
      group(subject.id(), false);
    } else if (subject instanceof Subject.OfUnit) {
      unit(subject.id());
    }
  }

  void person(String id) {
    if (id != null && structure.people().containsKey(id)) {
      people.add(id);
    }
  }

  void unit(String id) {
    for (String at = id; at != null && structure.units().containsKey(at) && units.add(at); at = structure.units().get(at).parent()) {
      // Units are known with those above them, by name.
    }
  }

  void unitAndBelow(String top) {
    unit(top);
    indexUnits();
    Deque<String> open = new ArrayDeque<>(List.of(top));
    while (!open.isEmpty()) {
      String unit = open.poll();
      units.add(unit);
      inUnit.getOrDefault(unit, List.of()).forEach(person -> people.add(person.id()));
      open.addAll(unitsBelow.getOrDefault(unit, List.of()));
    }
  }

  /** A group and those nested in it; with all their people, or only by name. */
  private void group(String top, boolean everybody) {
    Set<String> seen = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(List.of(top));
    while (!open.isEmpty()) {
      Group group = structure.groups().get(open.poll());
      if (group != null && seen.add(group.id())) {
        groups.add(group.id());
        for (Membership member : group.members()) {
          if (member.member() instanceof Membership.GroupMember) {
            open.add(member.member().id());
          } else if (everybody) {
            people.add(member.member().id());
          }
        }
      }
    }
  }

  /** The groups that some people are in, and those around them at any depth. O(memberships). */
  void groupsAround(Set<String> some) {
    Map<String, List<String>> around = new HashMap<>();
    Deque<String> open = new ArrayDeque<>();
    Set<String> seen = new HashSet<>();
    structure.groups().values().forEach(group -> group.members().forEach(member -> {
      if (member.member() instanceof Membership.GroupMember) {
        around.computeIfAbsent(member.member().id(), any -> new ArrayList<>()).add(group.id());
      } else if (some.contains(member.member().id()) && seen.add(group.id())) {
        open.add(group.id());
      }
    }));
    while (!open.isEmpty()) {
      around.getOrDefault(open.poll(), List.of()).stream().filter(seen::add).forEach(open::add);
    }
    groups.addAll(seen);
  }

  /** The units of everybody who is known. */
  void addTheirUnits() {
    people.forEach(id -> unit(structure.people().get(id).unit()));
  }

  /** A group with those of its members who are known. */
  Group known(Group group) {
    List<Membership> members = group.members().stream()
        .filter(member -> member.member() instanceof Membership.PersonMember ? people.contains(member.member().id()) : groups.contains(member.member().id())).toList();
    return members.size() == group.members().size() ? group : group.with(members);
  }

  private void indexUnits() {
    if (unitsBelow == null) {
      unitsBelow = new HashMap<>();
      inUnit = new HashMap<>();
      for (Unit unit : structure.units().values()) {
        unitsBelow.computeIfAbsent(unit.parent(), any -> new ArrayList<>()).add(unit.id());
      }
      structure.people().values().forEach(person -> inUnit.computeIfAbsent(person.unit(), any -> new ArrayList<>()).add(person));
    }
  }
}
