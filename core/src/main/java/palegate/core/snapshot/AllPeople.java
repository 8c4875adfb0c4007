package palegate.core.snapshot;

import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import palegate.core.collections.IdIndex;
import palegate.core.people.Person;
import palegate.core.structure.Structure;

/**
 * Everyone with a dense number: in byte order of ids, then those who have come since. Whoever comes gets one of some
 * numbers to spare, so that sets of people keep their length and nobody is numbered anew.
 */
final class AllPeople {
  /** At least so many may come before everybody is numbered anew: more than join at once in any week. */
  private static final int SPARE = 256;
  /** And one for so many who are there: to number everybody anew takes as long as there are many. */
  private static final int ONE_IN = 32;

  private final Person[] people;
  private final IdIndex inOrder;
  /** Those who have come, by id. */
  private final Map<String, Integer> come;
  /** So many numbers there are for people; a multiple of 64. */
  final int room;

  private AllPeople(Person[] people, IdIndex inOrder, Map<String, Integer> come, int room) {
    this.people = people;
    this.inOrder = inOrder;
    this.come = come;
    this.room = room;
  }

  static AllPeople of(Structure structure) {
    Person[] people = structure.people().values().toArray(Person[]::new);
    Arrays.sort(people, Comparator.comparing(Person::id));
    IdIndex index = new IdIndex(Arrays.stream(people).map(Person::id).toArray(String[]::new));
    return new AllPeople(people, index, Map.of(), (people.length + Math.max(SPARE, people.length / ONE_IN) + 63) / 64 * 64);
  }

  boolean hasRoomFor(Set<String> more) {
    return people.length + more.size() <= room;
  }

  /** The same numbers, and new ones for those who come. */
  AllPeople with(Set<String> more, Structure changed) {
    Person[] all = Arrays.copyOf(people, people.length + more.size());
    for (int number = 0; number < people.length; number++) {
      all[number] = changed.people().get(people[number].id());
    }
    if (more.isEmpty()) {
      return new AllPeople(all, inOrder, come, room);
    }
    Map<String, Integer> numbers = new HashMap<>(come);
    int next = people.length;
    for (String id : more.stream().sorted().toList()) {
      all[next] = changed.people().get(id);
      numbers.put(id, next++);
    }
    return new AllPeople(all, inOrder, numbers, room);
  }

  int count() {
    return people.length;
  }

  Person person(int number) {
    return people[number];
  }

  List<Person> asList() {
    return Arrays.asList(people);
  }

  /** The number of the person with this id, or -1. */
  int numberOf(String id) {
    int number = inOrder.numberOf(id);
    return number >= 0 ? number : come.getOrDefault(id, -1);
  }

  boolean isInOrder() {
    return come.isEmpty();
  }

  /** Whether everybody who is in both has the same number, and nobody else has it. */
  boolean numbersLike(AllPeople other) {
    return inOrder == other.inOrder && IntStream.range(people.length - come.size(), Math.min(people.length, other.people.length))
        .allMatch(number -> people[number].id().equals(other.people[number].id()));
  }
}
