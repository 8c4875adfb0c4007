package palegate.core.snapshot;

/** One person's standing rights in every class. */
final class ClassMasks {
  private ClassMasks() {}

  static int[] of(Moment moment, int person) {
    int[] rights = new int[moment.classCount()];
    for (int number = 0; number < rights.length; number++) {
      if (moment.placesInClass(number) > 0) {
        rights[number] = moment.rightsInClass(person, number);
      }
    }
    return rights;
  }
}
