package palegate.core.drafts;

import java.util.ArrayList;
import java.util.List;
import palegate.core.people.Person;
import palegate.core.snapshot.Snapshot;

/**
 * Common person numbers for two snapshots. If both have the same people, as in a rehearsal, they are
 * the numbers of both and translating is free.
 */
final class Numbering {
  private final List<Person> people;
  private final int[] fromBefore;
  private final int[] fromAfter;
  private final boolean same;

  Numbering(Snapshot before, Snapshot after) {
    if (after.numbersPeopleLike(before)) {
      same = true;
      fromBefore = null;
      fromAfter = null;
      people = after.people();
      return;
    }
    people = new ArrayList<>();
    fromBefore = new int[before.personCount()];
    fromAfter = new int[after.personCount()];
    // Both are in byte order of ids: one merge finds who is in both.
    int b = 0;
    int a = 0;
    while (b < fromBefore.length || a < fromAfter.length) {
      int order = b == fromBefore.length ? 1 : a == fromAfter.length ? -1
          : before.person(b).id().compareTo(after.person(a).id());
      people.add(order >= 0 ? after.person(a) : before.person(b));
      if (order <= 0) {
        fromBefore[b++] = people.size() - 1;
      }
      if (order >= 0) {
        fromAfter[a++] = people.size() - 1;
      }
    }
    same = people.size() == fromBefore.length && people.size() == fromAfter.length;
  }

  Person person(int number) {
    return people.get(number);
  }

  int count() {
    return people.size();
  }

  /** The common number of somebody with this number before. */
  int ofBefore(int number) {
    return fromBefore == null ? number : fromBefore[number];
  }

  int ofAfter(int number) {
    return fromAfter == null ? number : fromAfter[number];
  }

  /** The number of the person with this id, or -1. O(log people). */
  int numberOf(String id) {
    int low = 0;
    int high = people.size() - 1;
    while (low <= high) {
      int middle = (low + high) >>> 1;
      int order = people.get(middle).id().compareTo(id);
      if (order == 0) {
        return middle;
      }
      low = order < 0 ? middle + 1 : low;
      high = order < 0 ? high : middle - 1;
    }
    return -1;
  }

  /** Bits by number before as bits by common number; the same array where the numbers are the same. */
  long[] bitsFromBefore(long[] bits) {
    return translate(bits, fromBefore);
  }

  long[] bitsFromAfter(long[] bits) {
    return translate(bits, fromAfter);
  }

  private long[] translate(long[] bits, int[] numbers) {
    if (same) {
      return bits;
    }
    long[] translated = new long[(people.size() + 63) / 64];
    for (int i = 0; i < bits.length; i++) {
      for (long word = bits[i]; word != 0; word &= word - 1) {
        int number = numbers[(i << 6) + Long.numberOfTrailingZeros(word)];
        translated[number >> 6] |= 1L << number;
      }
    }
    return translated;
  }
}
