package palegate.core.snapshot;

import palegate.core.collections.PersonSet;

/**
 * All classes of a moment laid out for asking about one thing after another: the rows one behind the other, and for
 * each place where its row begins. From the place to all that decides there it is two steps through memory instead of
 * four.
 */
final class ClassTable {
  private final int[] rows;
  private final int[] startOfPlace;
  private final int[] classOfPlace;
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
    int[] startOfClass = new int[count];
    int size = 0;
    for (int number = 0; number < count; number++) {
      startOfClass[number] = size;
      size += classes.row(number).length;
    }
    rows = new int[size];
    for (int number = 0; number < count; number++) {
      int[] row = classes.row(number);
      System.arraycopy(row, 0, rows, startOfClass[number], row.length);
    }
    startOfPlace = new int[places];
    classOfPlace = new int[places];
    for (int place = 0; place < places; place++) {
      int number = classes.ofPlace.get(place);
      classOfPlace[place] = number;
      // The number of a place that has gone stays empty.
      startOfPlace[place] = number == Classes.NONE ? 0 : startOfClass[number];
    }
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
}
