package palegate.core.snapshot;

import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;

/**
 * Dense numbers for whatever an entry can name: the two built-in subjects, groups, units, some to spare for groups
 * and units that come later, then one number for each person. The built-in ones come first: whether a person is active and an outsider is
 * read off the first word of the person's row.
 */
final class Subjects {
  static final int STAFF = 0;
  static final int OUTSIDERS = 1;
  private static final int FIRST_GROUP = 2;
  /** So many groups and units may come before everybody is numbered anew. */
  private static final int SPARE = 62;

  private final Map<String, Integer> groups;
  private final Map<String, Integer> units;
  private final AllPeople people;
  private final BitSet unitNumbers;
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
    int firstUnit = FIRST_GROUP + groups.size();
    structure.units().keySet().stream().sorted().forEach(id -> units.put(id, firstUnit + units.size()));
    nextSpare = firstUnit + units.size();
    unitNumbers = new BitSet();
    unitNumbers.set(firstUnit, nextSpare);
    firstPerson = nextSpare + SPARE;
    ids = new String[firstPerson];
    groups.forEach((id, number) -> ids[number] = id);
    units.forEach((id, number) -> ids[number] = id);
  }

  private Subjects(Subjects basis, AllPeople people, Invalidation delta, Structure now) {
    this.people = people;
    firstPerson = basis.firstPerson;
    groups = new HashMap<>(basis.groups);
    units = new HashMap<>(basis.units);
    unitNumbers = (BitSet) basis.unitNumbers.clone();
    ids = basis.ids.clone();
    takeAway(groups, delta.groups, now.groups());
    takeAway(units, delta.units, now.units());
    int next = basis.nextSpare;
    for (String id : come(delta.groups, groups, now.groups())) {
      groups.put(id, next);
      ids[next++] = id;
    }
    for (String id : come(delta.units, units, now.units())) {
      units.put(id, next);
      unitNumbers.set(next);
      ids[next++] = id;
    }
    nextSpare = next;
  }

  private void takeAway(Map<String, Integer> known, Set<String> differing, Map<String, ?> now) {
    differing.stream().filter(id -> known.containsKey(id) && !now.containsKey(id)).forEach(id -> ids[known.remove(id)] = null);
  }

  private static List<String> come(Set<String> differing, Map<String, Integer> known, Map<String, ?> now) {
    return differing.stream().filter(id -> now.containsKey(id) && !known.containsKey(id)).sorted().toList();
  }

  /** Whether all groups and units that come can have a number. */
  boolean hasRoomFor(Invalidation delta, Structure now) {
    return come(delta.groups, groups, now.groups()).size() + come(delta.units, units, now.units()).size() <= firstPerson - nextSpare;
  }

  /** The same numbers after people have come and some groups and units have come or gone. */
  Subjects with(AllPeople people, Invalidation delta, Structure now) {
    boolean same = Stream.concat(delta.groups.stream().map(id -> groups.containsKey(id) == now.groups().containsKey(id)),
        delta.units.stream().map(id -> units.containsKey(id) == now.units().containsKey(id))).allMatch(kept -> kept);
    return same && people == this.people ? this : new Subjects(this, people, delta, now);
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
    Integer here = id == null ? null : other.unitNumbers.get(number) ? units.get(id) : groups.get(id);
    return here == null ? -1 : here;
  }

  int group(String id) {
    return groups.get(id);
  }

  int unit(String id) {
    return units.get(id);
  }
}
