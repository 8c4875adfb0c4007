package palegate.core.snapshot;

import java.util.Arrays;
import palegate.core.access.stages.PersonAtPlace;
import palegate.core.access.stages.Pipeline;
import palegate.core.collections.Interner;

/**
 * What one person's rights in every class hang on, as plain columns, class after class.
 *
 * <p>What un-narrowed entries give and take is found from the other end: the few subjects that the person matches lead
 * to the environments whose own entries name them, and each environment then takes over what the one it came of has.
 * Clearance, walls and oversight are worked out once a set of them. What is left for each class is a handful of reads.
 */
final class ClassColumns {
  private static final int TAKES = LinesBySubject.TAKES;

  private final Classes classes;
  private final Matching matching;
  private final int[] environments;
  private final int[] flags;
  private final int[] clearances;
  private final int[] walls;
  private final boolean[] inhabited;
  private final int[] overseerSets;
  private final Interner overseers = new Interner();
  /** By environment: the one it came of. */
  private final int[] origins;
  /** What environments add to those they came of. */
  private final LinesBySubject added;
  /** What entries narrowed to a type add in the classes of that type. */
  private final LinesBySubject narrowed;

  ClassColumns(Classes classes, Matching matching) {
    this.classes = classes;
    this.matching = matching;
    int count = classes.count();
    environments = new int[count];
    flags = new int[count];
    clearances = new int[count];
    walls = new int[count];
    inhabited = new boolean[count];
    overseerSets = new int[count];
    overseers.intern(new int[0]);
    LinesBySubject.Builder narrowedLines = new LinesBySubject.Builder();
    for (int number = 0; number < count; number++) {
      int[] row = classes.row(number);
      environments[number] = classes.book().environmentOf(number);
      flags[number] = row[0];
      clearances[number] = ClassRow.clearances(row, 0);
      walls[number] = ClassRow.walls(row, 0);
      inhabited[number] = classes.placesIn(number) > 0;
      int[] lines = classes.book().narrowedIn(number);
      for (int i = 1; i < lines.length; i++) {
        narrowedLines.add(number, lines[i], i > lines[0]);
      }
      int tail = ClassRow.withholdingsEnd(row, 0);
      overseerSets[number] = tail == row.length ? 0 : overseers.intern(Arrays.copyOfRange(row, tail, row.length));
    }
    origins = new int[classes.book().environments.count()];
    LinesBySubject.Builder addedLines = new LinesBySubject.Builder();
    for (int environment = 0; environment < origins.length; environment++) {
      origins[environment] = classes.book().environments.originOf(environment);
      for (int line : classes.book().environments.ownLines(environment, false)) {
        addedLines.add(environment, line, false);
      }
      for (int line : classes.book().environments.ownLines(environment, true)) {
        addedLines.add(environment, line, true);
      }
    }
    int subjects = matching.subjects.firstPerson + matching.room;
    added = addedLines.build(subjects);
    narrowed = narrowedLines.build(subjects);
  }

  /** One person's standing rights in every class, as masks; 0 for classes that no place is in. O(classes). */
  int[] rightsInEveryClass(SnapshotAt moment, int person) {
    int[] rights = new int[environments.length];
    if (!matching.isActive(person)) {
      return rights;
    }
    int[] subjects = matching.subjectsOf(person);
    int[] lists = listsInEveryEnvironment(subjects);
    int[] own = new int[rights.length];
    narrowed.addTo(own, subjects);
    boolean[] barred = barred(moment, person);
    Asked asked = new Asked(matching.isActiveOutsider(person), cleared(person), overseen(person));
    Answered answered = new Answered();
    for (int number = 0; number < rights.length; number++) {
      if (inhabited[number] && !barred[walls[number]]) {
        asked.ask(flags[number], clearances[number], overseerSets[number], lists[environments[number]] | own[number]);
        rights[number] = answered.standing(asked);
      }
    }
    return rights;
  }

  /** What un-narrowed entries give in the low bits, and what they take from bit 16 on. */
  private int[] listsInEveryEnvironment(int[] subjects) {
    int[] lists = new int[origins.length];
    added.addTo(lists, subjects);
    // An environment comes of one that was made before it.
    for (int environment = 0; environment < lists.length; environment++) {
      lists[environment] |= lists[origins[environment]];
    }
    return lists;
  }

  private boolean[] barred(SnapshotAt moment, int person) {
    boolean[] barred = new boolean[classes.book().wallSetCount()];
    for (int set = 1; set < barred.length; set++) {
      barred[set] = moment.isBarred(person, set);
    }
    return barred;
  }

  private int[] cleared(int person) {
    int[] cleared = new int[classes.clearances.count()];
    for (int set = 0; set < cleared.length; set++) {
      int[] lines = classes.clearances.lines(set);
      cleared[set] = matching.united(person, lines, 0, lines.length);
    }
    return cleared;
  }

  private boolean[] overseen(int person) {
    boolean[] overseen = new boolean[overseers.count()];
    for (int set = 1; set < overseen.length; set++) {
      overseen[set] = Arrays.stream(overseers.row(set)).anyMatch(subject -> matching.matches(person, subject));
    }
    return overseen;
  }

  /** Answers given before: one person meets the same few combinations of lists and guards in class after class. */
  private static final class Answered {
    private static final int SLOTS = 1 << 10;
    private static final long NONE = -1;

    private final long[] keys = new long[SLOTS];
    private final short[] answers = new short[SLOTS];

    Answered() {
      Arrays.fill(keys, NONE);
    }

    int standing(Asked asked) {
      long key = asked.key();
      int slot = (int) (key * 0x9E3779B97F4A7C15L >>> 54);
      if (keys[slot] != key) {
        answers[slot] = (short) Pipeline.standing(asked);
        keys[slot] = key;
      }
      return answers[slot];
    }
  }

  /** One active person in class after class from which no wall bars them. */
  private static final class Asked implements PersonAtPlace {
    private final boolean external;
    private final int[] clearedBySet;
    private final boolean[] overseenBySet;
    private int flags;
    private int clearances;
    private int overseers;
    private int lists;

    Asked(boolean external, int[] clearedBySet, boolean[] overseenBySet) {
      this.external = external;
      this.clearedBySet = clearedBySet;
      this.overseenBySet = overseenBySet;
    }

    void ask(int classFlags, int clearanceSet, int overseerSet, int givenAndTaken) {
      flags = classFlags;
      clearances = clearanceSet;
      overseers = overseerSet;
      lists = givenAndTaken;
    }

    /** All that the stages can ask of this person in a class, packed: the same key has the same answer. */
    long key() {
      return (long) lists & (1 << TAKES + 9) - 1 | (long) (flags & 0xFFF) << 25 | (guarded() ? (long) cleared() << 37 : 0)
          | (overseen() ? 1L << 46 : 0);
    }

    @Override
    public boolean active() {
      return true;
    }

    @Override
    public boolean external() {
      return external;
    }

    @Override
    public boolean barred() {
      return false;
    }

    @Override
    public int granted() {
      return lists & 511;
    }

    @Override
    public int withheld() {
      return lists >>> TAKES;
    }

    @Override
    public boolean guarded() {
      return (flags & ClassRow.GUARDED) != 0;
    }

    @Override
    public int cleared() {
      return clearedBySet[clearances];
    }

    @Override
    public int ceiling() {
      return flags & 511;
    }

    @Override
    public boolean reserveSharing() {
      return (flags & ClassRow.RESERVE_SHARING) != 0;
    }

    @Override
    public boolean noTakeaway() {
      return (flags & ClassRow.NO_TAKEAWAY) != 0;
    }

    @Override
    public boolean privateToAnother() {
      return false;
    }

    @Override
    public boolean frozen() {
      return false;
    }

    @Override
    public boolean checkedOutByAnother() {
      return false;
    }

    @Override
    public boolean overseen() {
      return overseenBySet[overseers];
    }
  }
}
