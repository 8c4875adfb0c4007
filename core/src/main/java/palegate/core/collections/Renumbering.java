package palegate.core.collections;

import java.util.Arrays;

/** What numbers of one interner are in another that was begun from the same: those up to the first own one are the same in both. */
public final class Renumbering {
  private final int first;
  private final int[] now;
  private int size;

  public Renumbering(int first, int count) {
    this.first = first;
    now = new int[count];
  }

  /** The number that comes next to be given another. */
  public int next() {
    return first + size;
  }

  public void add(int number) {
    now[size++] = number;
  }

  public int of(int number) {
    return number < first ? number : now[number - first];
  }

  public int[] ofAll(int[] numbers) {
    return Arrays.stream(numbers).map(this::of).toArray();
  }
}
