package palegate.core.collections;

import java.util.Arrays;

/**
 * From ids to dense numbers. Open addressing over one array of numbers: a tenth of the memory of a
 * hash map, which matters at a million places.
 */
public final class IdIndex {
  private final String[] ids;
  private final int[] slots;
  private final int mask;

  /** {@code ids} are distinct; the position of each is its number. The array is kept. */
  public IdIndex(String[] ids) {
    this.ids = ids;
    int size = Integer.highestOneBit(Math.max(4, ids.length * 2)) * 2;
    slots = new int[size];
    Arrays.fill(slots, -1);
    mask = size - 1;
    for (int number = 0; number < ids.length; number++) {
      int slot = slotOf(ids[number]);
      while (slots[slot] >= 0) {
        slot = slot + 1 & mask;
      }
      slots[slot] = number;
    }
  }

  /** The number of an id, or -1. */
  public int numberOf(String id) {
    for (int slot = slotOf(id); slots[slot] >= 0; slot = slot + 1 & mask) {
      String known = ids[slots[slot]];
      // Whoever reads structures shares the texts of ids: then they are the same object, and no text is compared.
      if (known == id || known.hashCode() == id.hashCode() && known.equals(id)) {
        return slots[slot];
      }
    }
    return -1;
  }

  private int slotOf(String id) {
    // Ids that differ in their last digits only would otherwise stand side by side.
    int hash = id.hashCode() * 0x9E3779B9;
    return (hash ^ hash >>> 15) & mask;
  }
}
