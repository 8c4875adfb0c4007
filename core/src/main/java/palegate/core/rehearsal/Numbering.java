package palegate.core.rehearsal;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.snapshot.Snapshot;

/**
 * Common person numbers for two snapshots. If one was made from the other, as in a rehearsal, they are
 * the numbers of both and translating is free; if not, everyone is numbered in byte order of ids.
 */
final class Numbering {
  private final List<Person> people;
  private final int[] fromBefore;
  private final int[] fromAfter;
  /** Where the numbers are those of both: the snapshot with everyone in it. */
  private final Snapshot larger;
  /** Whether the numbers are those of both: then nothing needs to be translated. */
  private final boolean same;
  private final int words;

  Numbering(Snapshot before, Snapshot after) {
    if (after.numbersPeopleLike(before)) {
      larger = after.personCount() >= before.personCount() ? after : before;
      same = true;
      words = larger.personRoom() / 64;
      fromBefore = null;
      fromAfter = null;
      people = larger.people();
      return;
    }
    larger = null;
    people = new ArrayList<>();
    fromBefore = new int[before.personCount()];
    fromAfter = new int[after.personCount()];
    int[] beforeInOrder = inOrder(before);
    int[] afterInOrder = inOrder(after);
    int b = 0;
    int a = 0;
    while (b < fromBefore.length || a < fromAfter.length) {
      int order = b == fromBefore.length ? 1 : a == fromAfter.length ? -1
          : before.person(beforeInOrder[b]).id().compareTo(after.person(afterInOrder[a]).id());
      people.add(order >= 0 ? after.person(afterInOrder[a]) : before.person(beforeInOrder[b]));
      if (order <= 0) {
        fromBefore[beforeInOrder[b++]] = people.size() - 1;
      }
      if (order >= 0) {
        fromAfter[afterInOrder[a++]] = people.size() - 1;
      }
    }
    same = people.size() == fromBefore.length && people.size() == fromAfter.length && before.numbersPeopleInOrder() && after.numbersPeopleInOrder();
    words = same ? after.personRoom() / 64 : (people.size() + 63) / 64;
  }

  private static int[] inOrder(Snapshot snapshot) {
    return snapshot.peopleInOrder().toArray();
  }

  Person person(int number) {
    return people.get(number);
  }

  int count() {
    return people.size();
  }

  /** The length of a set of people as bits, in words of 64. */
  int words() {
    return words;
  }

  /** The people of a set in byte order of their ids. */
  IntStream inOrder(PersonSet set) {
    return larger == null ? set.stream() : larger.inOrder(set.stream());
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
    if (larger != null) {
      return larger.personNumber(id);
    }
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
    long[] translated = new long[words];
    for (int i = 0; i < bits.length; i++) {
      for (long word = bits[i]; word != 0; word &= word - 1) {
        int number = numbers[(i << 6) + Long.numberOfTrailingZeros(word)];
        translated[number >> 6] |= 1L << number;
      }
    }
    return translated;
  }
}
