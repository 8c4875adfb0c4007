package palegate.core.rehearsal;

import java.util.Arrays;

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
  static final int LANES = 2;
  private static final long PRIME = (1L << 61) - 1;
  private static final long[] SEEDS = {0x9E3779B97F4A7C15L, 0xC2B2AE3D27D4EB4FL};
  private static final int PEOPLE_IN_A_CHUNK = 8;
  private static final int SUBSETS_OF_A_CHUNK = 1 << PEOPLE_IN_A_CHUNK;

  /** By lane: for every eight people, the sum of each subset of them; a set is summed a byte of its bits at a time. */
  private final long[][] sums = new long[LANES][];

  /** @param words the length of a set of people as bits, in words of 64 */
  DifferenceDigest(Numbering people, int words) {
    for (int lane = 0; lane < LANES; lane++) {
      long[] table = new long[words * (Long.SIZE / PEOPLE_IN_A_CHUNK) * SUBSETS_OF_A_CHUNK];
      for (int person = 0; person < people.count(); person++) {
        int chunk = person / PEOPLE_IN_A_CHUNK * SUBSETS_OF_A_CHUNK;
        int bit = 1 << person % PEOPLE_IN_A_CHUNK;
        long hash = hash(people.person(person).id(), lane);
        for (int subset = 0; subset < bit; subset++) {
          table[chunk + bit + subset] = plus(table[chunk + subset], hash);
        }
      }
      sums[lane] = table;
    }
  }

  /** The sum of the people who are in one set and not in another. */
  long ofDifference(int lane, long[] set, long[] other) {
    long sum = 0;
    long[] table = sums[lane];
    for (int i = 0; i < set.length; i++) {
      int chunk = i * (Long.SIZE / PEOPLE_IN_A_CHUNK) * SUBSETS_OF_A_CHUNK;
      for (long left = set[i] & ~other[i]; left != 0; left >>>= PEOPLE_IN_A_CHUNK, chunk += SUBSETS_OF_A_CHUNK) {
        sum = plus(sum, table[chunk + (int) (left & SUBSETS_OF_A_CHUNK - 1)]);
      }
    }
    return sum;
  }

  /** What a right counts, gained or lost. */
  static long weight(int lane, int right, boolean gained) {
    return hash((gained ? "+" : "-") + right, lane);
  }

  /** A number below 2^61 - 1 for an id. */
  static long hash(String id, int lane) {
    long hash = SEEDS[lane];
    for (int i = 0; i < id.length(); i++) {
      hash = (hash ^ id.charAt(i)) * 0xFF51AFD7ED558CCDL;
      hash ^= hash >>> 32;
    }
    hash = (hash ^ hash >>> 29) * 0xC4CEB9FE1A85EC53L;
    hash = (hash ^ hash >>> 32) & Long.MAX_VALUE;
    return reduced(hash);
  }

  static long plus(long a, long b) {
    return reduced(a + b);
  }

  static long times(long a, long b) {
    long low = a * b;
    return reduced((low & PRIME) + (low >>> 61 | Math.multiplyHigh(a, b) << 3));
  }

  private static long reduced(long number) {
    long folded = (number & PRIME) + (number >>> 61);
    return folded >= PRIME ? folded - PRIME : folded;
  }

  static String text(long[] lanes) {
    StringBuilder text = new StringBuilder();
    Arrays.stream(lanes).forEach(lane -> text.append(String.format("%016x", lane)));
    return text.toString();
  }
}
