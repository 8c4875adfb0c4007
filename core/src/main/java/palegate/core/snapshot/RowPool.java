package palegate.core.snapshot;

/**
 * All class rows one after the other, and for each place where its row begins: from the place to all that
 * decides there it is two steps through memory instead of four.
 */
final class RowPool {
  private final int[] rows;
  private final int[] starts;

  RowPool(Classes classes, int places) {
    int[] startOfClass = new int[classes.count()];
    int size = 0;
    for (int number = 0; number < startOfClass.length; number++) {
      startOfClass[number] = size;
      size += classes.row(number).length;
    }
    rows = new int[size];
    for (int number = 0; number < startOfClass.length; number++) {
      int[] row = classes.row(number);
      System.arraycopy(row, 0, rows, startOfClass[number], row.length);
    }
    starts = new int[places];
    for (int place = 0; place < places; place++) {
      starts[place] = startOfClass[classes.ofPlace.get(place)];
    }
  }

  int[] rows() {
    return rows;
  }

  int startOf(int place) {
    return starts[place];
  }
}
