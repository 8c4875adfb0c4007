package palegate.core.collections;

import java.util.Arrays;

/**
 * Gives equal rows of numbers one dense number. A layer over another interner adds to it without
 * touching it, so that what a rehearsal interns is thrown away with the rehearsal.
 */
public final class Interner {
  private static final int FREE = -1;

  private final Interner below;
  private final int first;
  private int[][] rows = new int[16][];
  private int[] hashes = new int[16];
  private int[] slots = newSlots(64);
  private int size;

  public Interner() {
    below = null;
    first = 0;
  }

  private Interner(Interner below) {
    this.below = below;
    first = below.count();
  }

  /** A layer that knows all numbers of this one; this one must not grow while the layer is used. */
  public Interner layer() {
    return new Interner(this);
  }

  /** The same rows under the same numbers, in one layer; itself if it has no other below it. */
  public Interner flattened() {
    if (below == null) {
      return this;
    }
    Interner flat = new Interner();
    for (int number = 0; number < count(); number++) {
      int[] row = row(number);
      flat.add(row, hash(row));
    }
    return flat;
  }

  /** The first number that this layer gives. */
  public int first() {
    return first;
  }

  /** Adds whatever only another layer over the same has in itself. */
  public Renumbering takeOver(Interner twin) {
    Renumbering numbers = new Renumbering(twin.first, twin.size);
    for (int i = 0; i < twin.size; i++) {
      numbers.add(intern(twin.rows[i]));
    }
    return numbers;
  }

  /** How many numbers have been given, in this layer and those below. */
  public int count() {
    return first + size;
  }

  /** The number of an equal row; a new one if there is none. The array is kept and must not change. */
  public int intern(int[] row) {
    int hash = hash(row);
    for (Interner at = below; at != null; at = at.below) {
      int known = at.find(row, hash);
      if (known != FREE) {
        return known;
      }
    }
    int known = find(row, hash);
    return known != FREE ? known : add(row, hash);
  }

  public int[] row(int number) {
    Interner at = this;
    while (number < at.first) {
      at = at.below;
    }
    return at.rows[number - at.first];
  }

  private int find(int[] row, int hash) {
    int mask = slots.length - 1;
    for (int slot = hash & mask; slots[slot] != FREE; slot = slot + 1 & mask) {
      if (hashes[slots[slot]] == hash && Arrays.equals(rows[slots[slot]], row)) {
        return first + slots[slot];
      }
    }
    return FREE;
  }

  private int add(int[] row, int hash) {
    if (size == rows.length) {
      rows = Arrays.copyOf(rows, size * 2);
      hashes = Arrays.copyOf(hashes, size * 2);
    }
    rows[size] = row;
    hashes[size] = hash;
    if (size * 2 > slots.length) {
      slots = newSlots(slots.length * 2);
      for (int i = 0; i < size; i++) {
        place(i, hashes[i]);
      }
    }
    place(size, hash);
    return first + size++;
  }

  private void place(int number, int hash) {
    int mask = slots.length - 1;
    int slot = hash & mask;
    while (slots[slot] != FREE) {
      slot = slot + 1 & mask;
    }
    slots[slot] = number;
  }

  private static int hash(int[] row) {
    int hash = Arrays.hashCode(row) * 0x9E3779B9;
    return hash ^ hash >>> 15;
  }

  private static int[] newSlots(int size) {
    int[] slots = new int[size];
    Arrays.fill(slots, FREE);
    return slots;
  }
}
