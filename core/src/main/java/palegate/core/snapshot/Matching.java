package palegate.core.snapshot;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.function.BiPredicate;
import java.util.function.IntPredicate;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;

/**
 * Who matches which subject at one instant (section 1): for each subject its people, and for each
 * person a row of bits by subject, so that one person is tested against many subjects in one stretch
 * of memory.
 */
final class Matching {
  final Subjects subjects;
  /** So many numbers for people there are, those to spare included. */
  final int room;
  final PersonSet active;
  final PersonSet external;
  private final PersonSet[] bySubject;
  private final long[] rows;
  private final int stride;

  private Matching(Subjects subjects, int room, PersonSet active, PersonSet external, PersonSet[] bySubject,
      long[] rows, int stride) {
    this.subjects = subjects;
    this.room = room;
    this.active = active;
    this.external = external;
    this.bySubject = bySubject;
    this.rows = rows;
    this.stride = stride;
  }

  /** O(people + units + memberships × nesting). */
  static Matching of(Snapshot snapshot, Instant instant) {
    Subjects subjects = snapshot.subjects();
    int room = snapshot.personRoom();
    long[] active = new long[words(room)];
    long[] external = new long[words(room)];
    PersonSet[] bySubject = new PersonSet[subjects.firstPerson];
    Arrays.fill(bySubject, PersonSet.NOBODY);
    long[][] units = new long[subjects.firstPerson][];
    for (int number = 0; number < snapshot.personCount(); number++) {
      Person person = snapshot.person(number);
      set(active, number, person.active());
      set(external, number, person.external());
      if (person.unit() != null) {
        int unit = subjects.unit(person.unit());
        units[unit] = units[unit] == null ? new long[words(room)] : units[unit];
        set(units[unit], number, true);
      }
    }
    for (Unit unit : snapshot.unitsLowerFirst()) {
      int number = subjects.unit(unit.id());
      long[] inside = units[number];
      bySubject[number] = inside == null ? PersonSet.NOBODY : PersonSet.copyOf(inside);
      if (unit.parent() != null && inside != null) {
        int parent = subjects.unit(unit.parent());
        units[parent] = units[parent] == null ? new long[words(room)] : units[parent];
        bySubject[number].addTo(units[parent]);
      }
    }
    PersonSet activePeople = PersonSet.copyOf(active);
    PersonSet externalPeople = PersonSet.copyOf(external);
    bySubject[Subjects.STAFF] = activePeople.minus(externalPeople);
    bySubject[Subjects.OUTSIDERS] = activePeople.and(externalPeople);
    long[] scratch = new long[words(room)];
    for (Group group : snapshot.groupsInnerFirst()) {
      bySubject[subjects.group(group.id())] = members(group, instant, snapshot, subjects, bySubject, scratch);
    }
    int stride = words(subjects.firstPerson + 1);
    Matching matching = new Matching(subjects, room, activePeople, externalPeople, bySubject, new long[stride * room], stride);
    for (int subject = 0; subject < bySubject.length; subject++) {
      matching.setColumn(subject, PersonSet.NOBODY, bySubject[subject]);
    }
    return matching;
  }

  /**
   * The same after some people have come, some units too, and some groups have come or gone or their memberships have
   * changed; looks only at those people, at those groups and at what holds them.
   */
  Matching with(Snapshot changed, Instant instant, Invalidation delta) {
    Set<String> groups = delta.groups;
    if (groups.isEmpty() && delta.peopleCome.isEmpty() && delta.units.isEmpty()) {
      return this;
    }
    PersonSet[] now = bySubject.clone();
    Subjects numbers = changed.subjects();
    List<Integer> newcomers = delta.peopleCome.stream().map(changed::personNumber).toList();
    Matching made = new Matching(numbers, room,
        active.or(those(newcomers, number -> changed.person(number).active())),
        external.or(those(newcomers, number -> changed.person(number).external())), now, rows.clone(), stride);
    newcomers.forEach(number -> made.addTo(now, number, changed));
    boolean[] altered = new boolean[now.length];
    long[] scratch = new long[words(room)];
    for (String id : groups) {
      if (!changed.structure().groups().containsKey(id)) {
        int number = subjects.group(id);
        made.setColumn(number, now[number], PersonSet.NOBODY);
        now[number] = PersonSet.NOBODY;
      }
    }
    for (Group group : changed.groupsInnerFirst()) {
      int number = numbers.group(group.id());
      if (groups.contains(group.id()) || holdsAltered(group, instant, altered, numbers)) {
        PersonSet members = members(group, instant, changed, numbers, now, scratch);
        if (!members.equals(now[number])) {
          made.setColumn(number, now[number], members);
          now[number] = members;
          altered[number] = true;
        }
      }
    }
    return made;
  }

  private static PersonSet those(List<Integer> people, IntPredicate which) {
    return PersonSet.of(people.stream().mapToInt(Integer::intValue).filter(which).toArray());
  }

  /** Adds somebody to staff or outsiders and to the units they are in. */
  private void addTo(PersonSet[] now, int number, Snapshot changed) {
    Person person = changed.person(number);
    if (person.active()) {
      addTo(now, person.external() ? Subjects.OUTSIDERS : Subjects.STAFF, number);
    }
    for (String unit = person.unit(); unit != null; unit = changed.structure().units().get(unit).parent()) {
      addTo(now, subjects.unit(unit), number);
    }
  }

  private void addTo(PersonSet[] now, int subject, int number) {
    now[subject] = now[subject].or(PersonSet.of(number));
    setColumn(subject, PersonSet.NOBODY, PersonSet.of(number));
  }

  private static boolean holdsAltered(Group group, Instant instant, boolean[] altered, Subjects subjects) {
    for (Membership membership : group.members()) {
      if (membership.member() instanceof Membership.GroupMember inner && altered[subjects.group(inner.id())]
          && membership.period().holdsAt(instant)) {
        return true;
      }
    }
    return false;
  }

  /**
   * For each subject of another matching, the built-in ones, groups and units, its number here; -1 if it is not here or
   * names other people.
   *
   * @param same whether a set of people here and one there hold the same people
   */
  int[] numbersOf(Matching other, BiPredicate<PersonSet, PersonSet> same) {
    int[] numbers = new int[other.subjects.firstPerson];
    for (int subject = 0; subject < numbers.length; subject++) {
      int here = subjects.numberOf(other.subjects, subject);
      numbers[subject] = here >= 0 && same.test(bySubject[here], other.bySubject[subject]) ? here : -1;
    }
    return numbers;
  }

  PersonSet activeStaff() {
    return bySubject[Subjects.STAFF];
  }

  PersonSet activeOutsiders() {
    return bySubject[Subjects.OUTSIDERS];
  }

  /** Everyone who matches, inactive people too. */
  PersonSet of(Subject subject) {
    return of(subjects.numberOf(subject));
  }

  PersonSet of(int subject) {
    return subject < subjects.firstPerson ? bySubject[subject] : PersonSet.of(subject - subjects.firstPerson);
  }

  /** O(1). */
  boolean matches(int person, int subject) {
    return subject < subjects.firstPerson
        ? (rows[person * stride + (subject >> 6)] & 1L << subject) != 0
        : subject - subjects.firstPerson == person;
  }

  /**
   * The union of the rights of those lines that name a person. Without a branch a line: which of them match
   * cannot be foreseen, and a wrong guess of the processor costs more than ten lines.
   */
  int united(int person, int[] lines, int from, int until) {
    int base = person * stride;
    int own = subjects.firstPerson + person;
    int rights = 0;
    for (int i = from; i < until; i++) {
      int line = lines[i];
      int subject = ClassRow.subject(line);
      int column = Math.min(subject, subjects.firstPerson);
      // The column after the last group and unit is always empty: it stands for other people.
      int named = (int) (rows[base + (column >> 6)] >>> column) & 1 | (subject == own ? 1 : 0);
      rights |= ClassRow.rights(line) & -named;
    }
    return rights;
  }

  /** The numbers of all subjects that a person matches, the person's own among them. */
  int[] subjectsOf(int person) {
    int[] found = new int[64];
    int count = 0;
    for (int word = 0; word < stride; word++) {
      for (long bits = rows[person * stride + word]; bits != 0; bits &= bits - 1) {
        found = count == found.length ? Arrays.copyOf(found, count * 2) : found;
        found[count++] = (word << 6) + Long.numberOfTrailingZeros(bits);
      }
    }
    int[] all = Arrays.copyOf(found, count + 1);
    all[count] = subjects.firstPerson + person;
    return all;
  }

  boolean isActive(int person) {
    return (rows[person * stride] & (1L << Subjects.STAFF | 1L << Subjects.OUTSIDERS)) != 0;
  }

  /** Whether an active person is an outsider. */
  boolean isActiveOutsider(int person) {
    return (rows[person * stride] & 1L << Subjects.OUTSIDERS) != 0;
  }

  boolean matches(int person, Subject subject) {
    return matches(person, subjects.numberOf(subject));
  }

  /** Everyone in any of some subjects. */
  PersonSet union(List<Subject> named) {
    long[] bits = new long[words(room)];
    named.forEach(subject -> of(subject).addTo(bits));
    return PersonSet.copyOf(bits);
  }

  /** Which subjects name somebody else than in another matching of the same people and subjects; null if all may. */
  boolean[] alteredSince(Matching other) {
    boolean[] altered = new boolean[bySubject.length];
    for (int subject = 0; subject < bySubject.length; subject++) {
      altered[subject] = bySubject[subject] != other.bySubject[subject] && !bySubject[subject].equals(other.bySubject[subject]);
    }
    return altered;
  }

  /** Everyone who is active, on staff, or named by some subject in one of two matchings and not in the other. */
  PersonSet alteredPeople(Matching other) {
    long[] bits = new long[words(room)];
    addDifference(bits, active, other.active);
    addDifference(bits, external, other.external);
    for (int subject = 0; subject < bySubject.length; subject++) {
      if (bySubject[subject] != other.bySubject[subject]) {
        addDifference(bits, bySubject[subject], other.bySubject[subject]);
      }
    }
    return PersonSet.copyOf(bits);
  }

  private static void addDifference(long[] bits, PersonSet one, PersonSet other) {
    one.minus(other).addTo(bits);
    other.minus(one).addTo(bits);
  }

  private void setColumn(int subject, PersonSet before, PersonSet after) {
    int word = subject >> 6;
    long bit = 1L << subject;
    before.forEach(person -> rows[person * stride + word] &= ~bit);
    after.forEach(person -> rows[person * stride + word] |= bit);
  }

  private static PersonSet members(Group group, Instant instant, Snapshot snapshot, Subjects subjects, PersonSet[] bySubject, long[] scratch) {
    Arrays.fill(scratch, 0);
    for (Membership membership : group.members()) {
      if (!membership.period().holdsAt(instant)) {
        continue;
      }
      if (membership.member() instanceof Membership.PersonMember person) {
        set(scratch, snapshot.personNumber(person.id()), true);
      } else {
        bySubject[subjects.group(membership.member().id())].addTo(scratch);
      }
    }
    return PersonSet.copyOf(scratch);
  }

  private static void set(long[] bits, int number, boolean value) {
    if (value) {
      bits[number >> 6] |= 1L << number;
    }
  }

  static int words(int bits) {
    return (bits + 63) / 64;
  }
}
