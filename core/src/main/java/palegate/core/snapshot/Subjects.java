package palegate.core.snapshot;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import palegate.core.people.Group;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;

/**
 * Dense numbers for whatever an entry can name: the two built-in subjects, groups, units, some to spare for groups
 * that come later, then one number for each person. The built-in ones come first: whether a person is active and an outsider is
 * read off the first word of the person's row.
 */
final class Subjects {
  static final int STAFF = 0;
  static final int OUTSIDERS = 1;
  private static final int FIRST_GROUP = 2;
  /** So many groups may come before everybody is numbered anew. */
  private static final int SPARE = 62;

  private final Map<String, Integer> groups;
  private final Map<String, Integer> units;
  private final AllPeople people;
  private final int firstUnit;
  private final int firstSpare;
  private final int nextSpare;

  /** The number of the subject that names person 0. */
  final int firstPerson;
  /** By number, of groups and units; null where there is none. */
  private final String[] ids;

  Subjects(Structure structure, AllPeople people) {
    this.people = people;
    groups = new HashMap<>();
    units = new HashMap<>();
    structure.groups().keySet().stream().sorted().forEach(id -> groups.put(id, FIRST_GROUP + groups.size()));
    firstUnit = FIRST_GROUP + groups.size();
    structure.units().keySet().stream().sorted().forEach(id -> units.put(id, firstUnit + units.size()));
    firstSpare = firstUnit + units.size();
    nextSpare = firstSpare;
    firstPerson = firstSpare + SPARE;
    ids = new String[firstPerson];
    groups.forEach((id, number) -> ids[number] = id);
    units.forEach((id, number) -> ids[number] = id);
  }

  private Subjects(Subjects basis, AllPeople people, Set<String> gone, List<String> come) {
    this.people = people;
    units = basis.units;
    firstUnit = basis.firstUnit;
    firstSpare = basis.firstSpare;
    firstPerson = basis.firstPerson;
    groups = new HashMap<>(basis.groups);
    ids = basis.ids.clone();
    gone.forEach(id -> ids[groups.remove(id)] = null);
    int next = basis.nextSpare;
    for (String id : come) {
      groups.put(id, next);
      ids[next++] = id;
    }
    nextSpare = next;
  }

  /** Whether all groups that come among the altered ones can have a number. */
  boolean hasRoomFor(Set<String> altered, Map<String, Group> now) {
    return altered.stream().filter(id -> now.containsKey(id) && !groups.containsKey(id)).count() <= firstPerson - nextSpare;
  }

  /** The same numbers after people have come and some groups have come or gone; {@code altered} are those that differ in any way. */
  Subjects with(AllPeople people, Set<String> altered, Map<String, Group> now) {
    Set<String> gone = altered.stream().filter(id -> !now.containsKey(id)).collect(Collectors.toSet());
    List<String> come = altered.stream().filter(id -> now.containsKey(id) && !groups.containsKey(id)).sorted().toList();
    return gone.isEmpty() && come.isEmpty() && people == this.people ? this : new Subjects(this, people, gone, come);
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
    boolean unit = number >= other.firstUnit && number < other.firstSpare;
    Integer here = id == null ? null : unit ? units.get(id) : groups.get(id);
    return here == null ? -1 : here;
  }

  int group(String id) {
    return groups.get(id);
  }

  int unit(String id) {
    return units.get(id);
  }

  int firstUnit() {
    return firstUnit;
  }
}
