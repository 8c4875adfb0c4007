package palegate.core.collections;

import java.util.Arrays;

/** A number for each of some long keys, none of them -1; open addressing, so that a hundred thousand take milliseconds. */
public final class LongNumbers {
  private static final long FREE = -1;

  private long[] keys = newKeys(64);
  private int[] numbers = new int[64];
  private int size;

  /** The number of a key, or -1. */
  public int get(long key) {
    int mask = keys.length - 1;
    for (int slot = slot(key, mask); keys[slot] != FREE; slot = slot + 1 & mask) {
      if (keys[slot] == key) {
        return numbers[slot];
      }
    }
    return -1;
  }

  /** Gives a number to a key that has none. */
  public void put(long key, int number) {
    if (size * 2 >= keys.length) {
      grow();
    }
    place(key, number);
    size++;
  }

  public void putAll(LongNumbers others) {
    others.forEach((key, number) -> {
      if (get(key) < 0) {
        put(key, number);
      }
    });
  }

  public interface Use {
    void of(long key, int number);
  }

  public void forEach(Use use) {
    for (int slot = 0; slot < keys.length; slot++) {
      if (keys[slot] != FREE) {
        use.of(keys[slot], numbers[slot]);
      }
    }
  }

  private void grow() {
    long[] had = keys;
    int[] hadNumbers = numbers;
    keys = newKeys(had.length * 2);
    numbers = new int[keys.length];
    for (int slot = 0; slot < had.length; slot++) {
      if (had[slot] != FREE) {
        place(had[slot], hadNumbers[slot]);
      }
    }
  }

  private void place(long key, int number) {
    int mask = keys.length - 1;
    int slot = slot(key, mask);
    while (keys[slot] != FREE) {
      slot = slot + 1 & mask;
    }
    keys[slot] = key;
    numbers[slot] = number;
  }

  private static int slot(long key, int mask) {
    return (int) (key * 0x9E3779B97F4A7C15L >>> 32) & mask;
  }

  private static long[] newKeys(int size) {
    long[] keys = new long[size];
    Arrays.fill(keys, FREE);
    return keys;
  }
}
