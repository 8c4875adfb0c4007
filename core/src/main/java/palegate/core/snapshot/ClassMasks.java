package palegate.core.snapshot;

import palegate.core.people.PersonSet;

/**
 * One person's standing rights in every class. What the lists give and take is worked out once an
 * environment, each from the one it was made from, so that the cost grows with what entries add and
 * not with how many reach.
 */
final class ClassMasks {
  private ClassMasks() {}

  static int[] of(Classes classes, Matching matching, PersonSet[] barred, int person) {
    int[] rights = new int[classes.count()];
    if (!matching.active.contains(person)) {
      return rights;
    }
    for (int number = 0; number < rights.length; number++) {
      if (classes.placesIn(number) > 0) {
        int[] row = classes.row(number);
        int[] clearances = ClassRow.has(row, ClassRow.GUARDED) ? classes.clearances(ClassRow.clearances(row)) : row;
        rights[number] = palegate.core.access.stages.Pipeline.standing(
            new ClassAnswers.One(matching, person, row, clearances, barred[ClassRow.walls(row)], null, null));
      }
    }
    return rights;
  }
}
