package palegate.core.snapshot;

import java.util.HashMap;
import java.util.Map;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;

/**
 * Dense numbers for whatever an entry can name: the two built-in subjects, groups, units, then one
 * number for each person. The built-in ones come first: whether a person is active and an outsider is
 * read off the first word of the person's row.
 */
final class Subjects {
  private final Map<String, Integer> groups = new HashMap<>();
  private final Map<String, Integer> units = new HashMap<>();
  private final IdIndex people;
  static final int STAFF = 0;
  static final int OUTSIDERS = 1;
  private static final int FIRST_GROUP = 2;

  /** The number of the subject that names person 0. */
  final int firstPerson;
  /** By number, of groups and units. */
  private final String[] ids;

  Subjects(Structure structure, IdIndex people) {
    this.people = people;
    structure.groups().keySet().stream().sorted().forEach(id -> groups.put(id, FIRST_GROUP + groups.size()));
    structure.units().keySet().stream().sorted().forEach(id -> units.put(id, FIRST_GROUP + groups.size() + units.size()));
    firstPerson = FIRST_GROUP + groups.size() + units.size();
    ids = new String[firstPerson];
    groups.forEach((id, number) -> ids[number] = id);
    units.forEach((id, number) -> ids[number] = id);
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
    return subject == Subject.BuiltIn.STAFF ? STAFF : OUTSIDERS;
  }

  /** The number here of a subject that another numbering has; -1 if there is none. Not for people. */
  int numberOf(Subjects other, int number) {
    if (number <= OUTSIDERS) {
      return number;
    }
    String id = other.ids[number];
    Integer here = number < other.firstUnit() ? groups.get(id) : units.get(id);
    return here == null ? -1 : here;
  }

  int group(String id) {
    return groups.get(id);
  }

  int unit(String id) {
    return units.get(id);
  }

  int firstUnit() {
    return FIRST_GROUP + groups.size();
  }
}
