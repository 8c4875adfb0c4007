package palegate.core.snapshot;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.IntStream;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;

/**
 * Which classes of two moments that number people and subjects differently say the same of everybody who is in both. Two rows are alike
 * if their lines, clearances, walls and overseers are, subject for subject; a subject whose people differ makes a row
 * unlike any other. Told once for each pair of classes, it saves going through everybody at nearly all places.
 */
public final class ClassEquivalence {
  private static final int NONE = -1;

  private final SnapshotAt before;
  private final SnapshotAt after;
  /** For each subject after, its number before; -1 if it is new or names other people. */
  private final int[] subjects;
  private final int[] people;
  private final PersonSet come;
  private final PersonSet gone;
  private final boolean comparable;
  private final Map<Long, Boolean> clearances = new HashMap<>();
  private final Map<Long, Boolean> walls = new HashMap<>();

  private ClassEquivalence(SnapshotAt before, SnapshotAt after) {
    this.before = before;
    this.after = after;
    people = numbersBefore(before.snapshot(), after.snapshot());
    comparable = keepsState(before.snapshot(), after.snapshot(), people);
    come = PersonSet.of(IntStream.range(0, people.length).filter(person -> people[person] < 0).toArray());
    gone = PersonSet.of(IntStream.range(0, before.snapshot().personCount())
        .filter(person -> after.snapshot().personNumber(before.snapshot().person(person).id()) < 0).toArray());
    subjects = comparable ? before.matching().numbersOf(after.matching(), this::samePeople) : new int[0];
  }

  /** O(people + subjects × people / 64). */
  public static ClassEquivalence of(SnapshotAt before, SnapshotAt after) {
    return new ClassEquivalence(before, after);
  }

  /** Whether nobody who is in both has become active or not, or an outsider or not. */
  public boolean keepsEverybody() {
    return comparable;
  }

  /** The people whom only the moment after has, by their numbers there. */
  public PersonSet come() {
    return come;
  }

  /** The people whom only the moment before has, by their numbers there. */
  public PersonSet gone() {
    return gone;
  }

  private static int[] numbersBefore(Snapshot before, Snapshot after) {
    int[] numbers = new int[after.personCount()];
    for (int person = 0; person < numbers.length; person++) {
      numbers[person] = before.personNumber(after.person(person).id());
    }
    return numbers;
  }

  private static boolean keepsState(Snapshot before, Snapshot after, int[] people) {
    for (int person = 0; person < people.length; person++) {
      if (people[person] >= 0) {
        Person was = before.person(people[person]);
        Person is = after.person(person);
        if (was.active() != is.active() || was.external() != is.external()) {
          return false;
        }
      }
    }
    return true;
  }

  /** Whether everybody who is in both moments has the same in both classes. False may also mean that it has to be worked out. */
  public boolean alike(int classBefore, int classAfter) {
    if (!comparable) {
      return false;
    }
    int[] was = before.row(classBefore);
    int[] is = after.row(classAfter);
    return was.length == is.length && was[0] == is[0] && was[3] == is[3] && was[4] == is[4] && sameLists(was, is)
        && clearances.computeIfAbsent(key(was[1], is[1]), any -> sameLines(before.clearances(was[1]), after.clearances(is[1])))
        && walls.computeIfAbsent(key(was[2], is[2]), any -> samePeople(before.barredBySet(was[2]), after.barredBySet(is[2])));
  }

  private boolean sameLists(int[] was, int[] is) {
    int grants = ClassRow.grantsEnd(is, 0);
    int withholdings = ClassRow.withholdingsEnd(is, 0);
    return sameLines(Arrays.copyOfRange(was, ClassRow.HEADER, grants), Arrays.copyOfRange(is, ClassRow.HEADER, grants))
        && sameLines(Arrays.copyOfRange(was, grants, withholdings), Arrays.copyOfRange(is, grants, withholdings))
        && sameSubjects(Arrays.copyOfRange(was, withholdings, was.length), Arrays.copyOfRange(is, withholdings, is.length));
  }

  private boolean sameLines(int[] was, int[] is) {
    int[] translated = new int[is.length];
    for (int i = 0; i < is.length; i++) {
      int subject = numberBefore(ClassRow.subject(is[i]));
      if (subject == NONE) {
        return false;
      }
      translated[i] = ClassRow.line(ClassRow.rights(is[i]), subject);
    }
    int[] sorted = was.clone();
    Arrays.sort(sorted);
    Arrays.sort(translated);
    return Arrays.equals(sorted, translated);
  }

  private boolean sameSubjects(int[] was, int[] is) {
    int[] translated = Arrays.stream(is).map(this::numberBefore).sorted().toArray();
    return Arrays.equals(Arrays.stream(was).sorted().toArray(), translated);
  }

  private int numberBefore(int subject) {
    int firstPerson = after.matching().subjects.firstPerson;
    if (subject < firstPerson) {
      return subjects[subject];
    }
    int person = people[subject - firstPerson];
    return person < 0 ? NONE : before.matching().subjects.firstPerson + person;
  }

  /** Whether two sets hold the same of the people who are in both moments. */
  private boolean samePeople(PersonSet before, PersonSet after) {
    PersonSet was = before == null ? PersonSet.NOBODY : before;
    PersonSet is = after == null ? PersonSet.NOBODY : after;
    return was.size() - was.sizeOfAnd(gone) == is.size() - is.sizeOfAnd(come)
        && is.stream().allMatch(person -> people[person] < 0 || was.contains(people[person]));
  }

  private static long key(int was, int is) {
    return (long) was << 32 | is;
  }
}
