package palegate.core.rehearsal;

import java.util.Arrays;
import java.util.concurrent.atomic.AtomicReferenceArray;
import palegate.core.collections.IdHashes;

/**
 * A digest of who gains and who loses what where: equal for equal differences however people, places and classes are
 * numbered, so that two instances, or the same one after a restart, agree on it.
 *
 * <p>Every changed pair of a person and a place contributes {@code place × (person × right)}; the sum does not depend on any
 * order, and it factors: the places of one pair of access classes are summed once, and so are its people. So the
 * cost is that of the changed places plus that of the changed pairs of classes × people, not of their product.
 * Two sums modulo 2^61 - 1 with different hashes are kept; by chance two differences agree once in 2^120 times.
 */
final class DifferenceDigest {
  static final int LANES = IdHashes.LANES;
  private static final int PEOPLE_IN_A_CHUNK = 8;
  private static final int SUBSETS_OF_A_CHUNK = 1 << PEOPLE_IN_A_CHUNK;

  private final Numbering people;
  /** For every eight people, once any of them differs, the sum of each subset of them, lane after lane; a set is summed a byte of its bits at a time. */
  private final AtomicReferenceArray<long[]> sums;

  /** @param words the length of a set of people as bits, in words of 64 */
  DifferenceDigest(Numbering people, int words) {
    this.people = people;
    sums = new AtomicReferenceArray<>(words * (Long.SIZE / PEOPLE_IN_A_CHUNK));
  }

  private long[] sums(int chunk) {
    long[] known = sums.get(chunk);
    if (known == null) {
      known = new long[LANES * SUBSETS_OF_A_CHUNK];
      for (int lane = 0; lane < LANES; lane++) {
        for (int i = 0; i < PEOPLE_IN_A_CHUNK && chunk * PEOPLE_IN_A_CHUNK + i < people.count(); i++) {
          int bit = lane * SUBSETS_OF_A_CHUNK + (1 << i);
          long hash = hash(people.person(chunk * PEOPLE_IN_A_CHUNK + i).id(), lane);
          for (int subset = 0; subset < 1 << i; subset++) {
            known[bit + subset] = plus(known[lane * SUBSETS_OF_A_CHUNK + subset], hash);
          }
        }
      }
      sums.set(chunk, known);
    }
    return known;
  }

  /** Adds, in each lane, the people who are in one set and not in another. O(words). */
  void addDifference(long[] set, long[] other, long[] into) {
    for (int i = 0; i < set.length; i++) {
      long left = set[i] & ~other[i];
      for (int chunk = i * (Long.SIZE / PEOPLE_IN_A_CHUNK); left != 0; left >>>= PEOPLE_IN_A_CHUNK, chunk++) {
        int subset = (int) (left & SUBSETS_OF_A_CHUNK - 1);
        if (subset != 0) {
          long[] known = sums(chunk);
          for (int lane = 0; lane < LANES; lane++) {
            into[lane] = plus(into[lane], known[lane * SUBSETS_OF_A_CHUNK + subset]);
          }
        }
      }
    }
  }

  /** What a right counts, gained or lost. */
  static long weight(int lane, int right, boolean gained) {
    return hash((gained ? "+" : "-") + right, lane);
  }

  /** A number below 2^61 - 1 for an id. */
  static long hash(String id, int lane) {
    return IdHashes.hash(id, lane);
  }

  static long plus(long a, long b) {
    return IdHashes.reduced(a + b);
  }

  static long times(long a, long b) {
    long low = a * b;
    return IdHashes.reduced((low & IdHashes.PRIME) + (low >>> 61 | Math.multiplyHigh(a, b) << 3));
  }

  static String text(long[] lanes) {
    StringBuilder text = new StringBuilder();
    Arrays.stream(lanes).forEach(lane -> text.append(String.format("%016x", lane)));
    return text.toString();
  }
}
