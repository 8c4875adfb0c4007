package palegate.core.snapshot;

import palegate.core.access.stages.PersonAtPlace;
import palegate.core.access.stages.Pipeline;

/**
 * One person's standing rights in every class. What un-narrowed entries give and take is worked out once an
 * environment, each from the one it came of, so that the cost grows with what entries add and not with how
 * many reach; what is narrowed to types, and the guards, are then looked at class by class.
 */
final class ClassMasks {
  private ClassMasks() {}

  static int[] of(Moment moment, Classes classes, Matching matching, int person) {
    int[] rights = new int[classes.count()];
    if (!matching.isActive(person)) {
      return rights;
    }
    int[] lists = classes.listsInEveryEnvironment(person);
    Asked asked = new Asked(matching, person);
    for (int number = 0; number < rights.length; number++) {
      if (classes.placesIn(number) > 0) {
        int[] row = classes.row(number);
        asked.ask(row, lists[classes.environmentOf(number)], classes.narrowedIn(number), classes.clearances(ClassRow.clearances(row, 0)));
        rights[number] = moment.isBarred(person, ClassRow.walls(row, 0)) ? 0 : Pipeline.standing(asked);
      }
    }
    return rights;
  }

  /** One person in class after class. Whoever is barred is not asked about. */
  private static final class Asked implements PersonAtPlace {
    private final Matching matching;
    private final int person;
    private final boolean external;
    private int[] row;
    private int[] clearances;
    private int granted;
    private int withheld;

    Asked(Matching matching, int person) {
      this.matching = matching;
      this.person = person;
      external = matching.isActiveOutsider(person);
    }

    /** {@code lists} is what un-narrowed entries give and take; {@code narrowed} are the lines of the others. */
    void ask(int[] ofClass, int lists, int[] narrowed, int[] clearanceLines) {
      row = ofClass;
      clearances = clearanceLines;
      granted = lists & 511;
      withheld = lists >>> 16;
      if (narrowed.length > 0) {
        granted |= matching.united(person, narrowed, 1, 1 + narrowed[0]);
        withheld |= matching.united(person, narrowed, 1 + narrowed[0], narrowed.length);
      }
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
      return granted;
    }

    @Override
    public int withheld() {
      return withheld;
    }

    @Override
    public boolean guarded() {
      return ClassRow.has(row, 0, ClassRow.GUARDED);
    }

    @Override
    public int cleared() {
      return matching.united(person, clearances, 0, clearances.length);
    }

    @Override
    public int ceiling() {
      return ClassRow.ceiling(row, 0);
    }

    @Override
    public boolean reserveSharing() {
      return ClassRow.has(row, 0, ClassRow.RESERVE_SHARING);
    }

    @Override
    public boolean noTakeaway() {
      return ClassRow.has(row, 0, ClassRow.NO_TAKEAWAY);
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
      for (int i = ClassRow.withholdingsEnd(row, 0); i < row.length; i++) {
        if (matching.matches(person, row[i])) {
          return true;
        }
      }
      return false;
    }
  }
}
