package palegate.core.snapshot;

import java.util.Arrays;
import palegate.core.access.stages.PersonAtPlace;
import palegate.core.access.stages.Pipeline;
import palegate.core.people.PersonSet;

/**
 * All classes of a moment laid out for asking about one thing after another: the rows one behind the other,
 * for each place where its row begins (from the place to all that decides there it is two steps through memory
 * instead of four), and what a person's rights in every class hang on as plain columns.
 *
 * <p>One person's rights in all classes: what un-narrowed entries give and take is worked out once an
 * environment, each from the one it came of; clearance, walls and oversight once a set of them. What is left
 * for each class is a handful of reads.
 */
final class ClassTable {
  private static final int TAKES = 16;

  private final int[] rows;
  private final int[] startOfPlace;
  private final int[] classOfPlace;
  private final int[] startOfClass;
  private final int[] environments;
  private final int[] overseerSets;
  private final int[][] narrowed;
  private final Interner overseers = new Interner();
  /** By environment: the one it came of. */
  private final int[] origins;
  /** By environment: where its own lines begin; the lines that give, then where those that take begin. */
  private final int[] firstGive;
  private final int[] firstTake;
  private final int[] lines;

  /** By person, then by set of walls: all that is asked of one person about walls lies in a cache line or two. */
  private final long[] barred;
  private final int barredStride;

  ClassTable(Classes classes, int places, PersonSet[] barredBySet, int people) {
    barredStride = Matching.words(barredBySet.length);
    barred = new long[barredStride * people];
    for (int set = 1; set < barredBySet.length; set++) {
      int word = set >> 6;
      long bit = 1L << set;
      barredBySet[set].forEach(person -> barred[person * barredStride + word] |= bit);
    }
    int count = classes.count();
    startOfClass = new int[count];
    environments = new int[count];
    overseerSets = new int[count];
    narrowed = new int[count][];
    overseers.intern(new int[0]);
    int size = 0;
    for (int number = 0; number < count; number++) {
      startOfClass[number] = size;
      size += classes.row(number).length;
    }
    rows = new int[size];
    for (int number = 0; number < count; number++) {
      int[] row = classes.row(number);
      System.arraycopy(row, 0, rows, startOfClass[number], row.length);
      environments[number] = classes.environmentOf(number);
      int[] lines = classes.narrowedIn(number);
      narrowed[number] = lines.length == 0 ? null : lines;
      int tail = ClassRow.withholdingsEnd(row, 0);
      overseerSets[number] = tail == row.length ? 0 : overseers.intern(Arrays.copyOfRange(row, tail, row.length));
    }
    startOfPlace = new int[places];
    classOfPlace = new int[places];
    for (int place = 0; place < places; place++) {
      classOfPlace[place] = classes.ofPlace.get(place);
      startOfPlace[place] = startOfClass[classOfPlace[place]];
    }
    int made = classes.environmentCount();
    origins = new int[made];
    firstGive = new int[made + 1];
    firstTake = new int[made];
    int[] all = new int[made * 2];
    int used = 0;
    for (int environment = 0; environment < made; environment++) {
      origins[environment] = classes.originOf(environment);
      firstGive[environment] = used;
      for (int takes = 0; takes <= 1; takes++) {
        firstTake[environment] = used;
        for (int line : classes.ownLines(environment, takes == 1)) {
          all = used == all.length ? Arrays.copyOf(all, used * 2) : all;
          all[used++] = line;
        }
      }
    }
    firstGive[made] = used;
    lines = Arrays.copyOf(all, used);
  }

  int[] rows() {
    return rows;
  }

  /** Whether the walls of a set bar a person. */
  boolean isBarred(int person, int wallSet) {
    return (barred[person * barredStride + (wallSet >> 6)] & 1L << wallSet) != 0;
  }

  int classOf(int place) {
    return classOfPlace[place];
  }

  int startOf(int place) {
    return startOfPlace[place];
  }

  /** One person's standing rights in every class, as masks; 0 for classes that no place is in. */
  int[] rightsInEveryClass(Moment moment, Classes classes, Matching matching, int person) {
    int[] rights = new int[startOfClass.length];
    if (!matching.isActive(person)) {
      return rights;
    }
    int[] lists = listsInEveryEnvironment(matching, person);
    Asked asked = new Asked(matching.isActiveOutsider(person), cleared(classes, matching, person), overseen(matching, person));
    for (int number = 0; number < rights.length; number++) {
      int at = startOfClass[number];
      if (classes.placesIn(number) > 0 && !moment.isBarred(person, ClassRow.walls(rows, at))) {
        int found = lists[environments[number]];
        int[] more = narrowed[number];
        if (more != null) {
          found |= matching.united(person, more, 1, 1 + more[0]) | matching.united(person, more, 1 + more[0], more.length) << TAKES;
        }
        asked.ask(rows[at], ClassRow.clearances(rows, at), overseerSets[number], found);
        rights[number] = Pipeline.standing(asked);
      }
    }
    return rights;
  }

  /** What un-narrowed entries give in the low bits, and what they take from bit 16 on. */
  private int[] listsInEveryEnvironment(Matching matching, int person) {
    int[] lists = new int[origins.length];
    for (int environment = 0; environment < lists.length; environment++) {
      int takes = firstTake[environment];
      int own = firstGive[environment + 1] == firstGive[environment] ? 0
          : matching.united(person, lines, firstGive[environment], takes)
              | matching.united(person, lines, takes, firstGive[environment + 1]) << TAKES;
      lists[environment] = lists[origins[environment]] | own;
    }
    return lists;
  }

  private static int[] cleared(Classes classes, Matching matching, int person) {
    int[] cleared = new int[classes.clearanceSetCount()];
    for (int set = 0; set < cleared.length; set++) {
      int[] clearances = classes.clearances(set);
      cleared[set] = matching.united(person, clearances, 0, clearances.length);
    }
    return cleared;
  }

  private boolean[] overseen(Matching matching, int person) {
    boolean[] overseen = new boolean[overseers.count()];
    for (int set = 1; set < overseen.length; set++) {
      overseen[set] = Arrays.stream(overseers.row(set)).anyMatch(subject -> matching.matches(person, subject));
    }
    return overseen;
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
