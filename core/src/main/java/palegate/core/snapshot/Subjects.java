package palegate.core.snapshot;

import java.util.HashMap;
import java.util.Map;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;

/**
 * Dense numbers for whatever an entry can name: groups, units, the two built-in subjects, then one
 * number for each person.
 */
final class Subjects {
  private final Map<String, Integer> groups = new HashMap<>();
  private final Map<String, Integer> units = new HashMap<>();
  private final IdIndex people;
  private final int staff;
  /** The number of the subject that names person 0. */
  final int firstPerson;

  Subjects(Structure structure, IdIndex people) {
    this.people = people;
    structure.groups().keySet().stream().sorted().forEach(id -> groups.put(id, groups.size()));
    structure.units().keySet().stream().sorted().forEach(id -> units.put(id, groups.size() + units.size()));
    staff = groups.size() + units.size();
    firstPerson = staff + 2;
  }

  int numberOf(Subject subject) {
    if (subject instanceof Subject.OfGroup group) {
      return groups.get(group.id());
    }
    if (subject instanceof Subject.OfUnit unit) {
      return units.get(unit.id());
    }
    if (subject instanceof Subject.OfPerson person) {
      return firstPerson + people.numberOf(person.id());
    }
    return subject == Subject.BuiltIn.STAFF ? staff : staff + 1;
  }

  int group(String id) {
    return groups.get(id);
  }

  int unit(String id) {
    return units.get(id);
  }

  int staff() {
    return staff;
  }

  int outsiders() {
    return staff + 1;
  }
}
