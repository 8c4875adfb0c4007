package palegate.core.matrix;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.Set;
import palegate.core.people.Subject;
import palegate.core.snapshot.Joined;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** The subjects that a subject is wholly in, by memberships that hold and by the tree of units. */
final class Containing {
  private Containing() {}

  /** The subject itself first. O(groups and units above it). */
  static Set<Subject> of(SnapshotAt moment, Subject subject) {
    Snapshot snapshot = moment.snapshot();
    Set<Subject> all = new LinkedHashSet<>(Set.of(subject));
    Joined joined = moment.joined();
    Deque<String> groups = new ArrayDeque<>();
    if (subject instanceof Subject.OfGroup group) {
      joined.group(group.id()).forEach(in -> groups.add(in.group()));
    } else if (subject instanceof Subject.OfPerson person) {
      joined.person(person.id()).forEach(in -> groups.add(in.group()));
      int number = snapshot.personNumber(person.id());
      addUnitsAbove(snapshot, snapshot.person(number).unit(), all);
      for (Subject builtIn : Subject.BuiltIn.values()) {
        if (moment.matches(number, builtIn)) {
          all.add(builtIn);
        }
      }
    } else if (subject instanceof Subject.OfUnit unit) {
      addUnitsAbove(snapshot, snapshot.structure().units().get(unit.id()).parent(), all);
    }
    while (!groups.isEmpty()) {
      String group = groups.poll();
      if (all.add(new Subject.OfGroup(group))) {
        joined.group(group).forEach(in -> groups.add(in.group()));
      }
    }
    return all;
  }

  private static void addUnitsAbove(Snapshot snapshot, String from, Set<Subject> all) {
    for (String unit = from; unit != null; unit = snapshot.structure().units().get(unit).parent()) {
      all.add(new Subject.OfUnit(unit));
    }
  }
}
