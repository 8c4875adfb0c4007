package palegate.core.rehearsal;

import java.util.Arrays;

/** Counts places by (class before, class after); open addressing, so that a million places take milliseconds. */
final class PairTable {
  private long[] keys = new long[64];
  private int[] slots = newSlots(128);
  private int[] places = new int[64];
  private int[] documents = new int[64];
  private int size;

  /** Counts places, and returns the number of their pair; a class of -1 stands for places that do not exist on that side. */
  int add(int before, int after, int placeCount, int documentCount) {
    int pair = find(before, after);
    if (pair < 0) {
      pair = append(key(before, after));
    }
    addTo(pair, placeCount, documentCount);
    return pair;
  }

  /** Counts more places of a pair that has a number. */
  void addTo(int pair, int placeCount, int documentCount) {
    places[pair] += placeCount;
    documents[pair] += documentCount;
  }

  /** Counts what another table has counted too. */
  void addAll(PairTable other) {
    for (int pair = 0; pair < other.size; pair++) {
      add(other.before(pair), other.after(pair), other.places[pair], other.documents[pair]);
    }
  }

  /** The number of a pair, or -1 if nothing was counted for it. */
  int find(int before, int after) {
    long key = key(before, after);
    int mask = slots.length - 1;
    for (int slot = slot(key, mask); slots[slot] >= 0; slot = slot + 1 & mask) {
      if (keys[slots[slot]] == key) {
        return slots[slot];
      }
    }
    return -1;
  }

  int size() {
    return size;
  }

  int before(int pair) {
    return (int) (keys[pair] >>> 32) - 1;
  }

  int after(int pair) {
    return (int) keys[pair] - 1;
  }

  int places(int pair) {
    return places[pair];
  }

  int documents(int pair) {
    return documents[pair];
  }

  private int append(long key) {
    if (size == keys.length) {
      keys = Arrays.copyOf(keys, size * 2);
      places = Arrays.copyOf(places, size * 2);
      documents = Arrays.copyOf(documents, size * 2);
      slots = newSlots(slots.length * 2);
      for (int pair = 0; pair < size; pair++) {
        place(keys[pair], pair);
      }
    }
    keys[size] = key;
    place(key, size);
    return size++;
  }

  private void place(long key, int pair) {
    int mask = slots.length - 1;
    int slot = slot(key, mask);
    while (slots[slot] >= 0) {
      slot = slot + 1 & mask;
    }
    slots[slot] = pair;
  }

  private static long key(int before, int after) {
    return (long) (before + 1) << 32 | after + 1;
  }

  private static int slot(long key, int mask) {
    long hash = key * 0x9E3779B97F4A7C15L;
    return (int) (hash >>> 32) & mask;
  }

  private static int[] newSlots(int size) {
    int[] slots = new int[size];
    Arrays.fill(slots, -1);
    return slots;
  }
}
