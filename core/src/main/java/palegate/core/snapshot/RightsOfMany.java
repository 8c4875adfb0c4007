package palegate.core.snapshot;

/**
 * Standing rights of many people at many places. Most of what one answer takes is waiting for memory: where a class's row
 * begins, then the row. Here the waits of several answers overlap, as what all of them need is fetched before the first
 * is worked out.
 */
final class RightsOfMany {
  /** So many are fetched side by side: more than a processor waits for at once. */
  private static final int TOGETHER = 32;

  private final SnapshotAt moment;
  /** Null in what is soon thrown away: then there is nothing to fetch ahead. */
  private final ClassTable table;
  private final int[] starts = new int[TOGETHER];
  private final boolean[] barred = new boolean[TOGETHER];

  RightsOfMany(SnapshotAt moment, ClassTable table) {
    this.moment = moment;
    this.table = table;
  }

  short[] of(int[] people, int[] places) {
    if (people.length != places.length) {
      throw new IllegalArgumentException("There are [" + people.length + "] people and [" + places.length + "] places. Name one place for each person.");
    }
    short[] rights = new short[people.length];
    for (int first = 0; first < people.length; first += TOGETHER) {
      int count = Math.min(TOGETHER, people.length - first);
      if (table == null) {
        for (int i = first; i < first + count; i++) {
          rights[i] = (short) moment.rights(people[i], places[i]).mask();
        }
      } else {
        fill(rights, people, places, first, count);
      }
    }
    return rights;
  }

  private void fill(short[] rights, int[] people, int[] places, int first, int count) {
    int[] rows = table.rows();
    for (int i = 0; i < count; i++) {
      starts[i] = table.startOf(places[first + i]);
    }
    // The first touch of each row: none of them waits for another.
    for (int i = 0; i < count; i++) {
      barred[i] = moment.isBarred(people[first + i], ClassRow.walls(rows, starts[i]));
    }
    for (int i = 0; i < count; i++) {
      rights[first + i] = (short) moment.standing(people[first + i], rows, starts[i], barred[i]);
    }
  }
}
