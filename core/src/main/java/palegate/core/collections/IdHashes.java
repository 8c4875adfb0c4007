package palegate.core.collections;

/**
 * Hashes of ids in two independent lanes, below 2^61 - 1; kept by dense number for things whose numbers never change hands, so that a
 * million of them are not read letter by letter at every sum. Safe to share: two threads that miss work out the same.
 */
public final class IdHashes {
  public static final int LANES = 2;
  public static final long PRIME = (1L << 61) - 1;
  private static final long[] SEEDS = {0x9E3779B97F4A7C15L, 0xC2B2AE3D27D4EB4FL};

  private final int count;
  private volatile long[][] kept;

  /** @param count the numbers below it are those that never change hands; 16 bytes each once one has been asked for */
  public IdHashes(int count) {
    this.count = count;
  }

  /** The hash of what has a number; 0 if it has not been kept. */
  public long known(int lane, int number) {
    long[][] all = kept;
    return all == null || number >= count ? 0 : all[lane][number];
  }

  /** The hash of an id, kept by its number if that never changes hands. */
  public long of(int lane, int number, String id) {
    long hash = hash(id, lane);
    if (number < count) {
      room()[lane][number] = hash;
    }
    return hash;
  }

  private long[][] room() {
    long[][] all = kept;
    if (all == null) {
      synchronized (this) {
        all = kept == null ? new long[LANES][count] : kept;
        kept = all;
      }
    }
    return all;
  }

  public static long hash(String id, int lane) {
    long hash = SEEDS[lane];
    for (int i = 0; i < id.length(); i++) {
      hash = (hash ^ id.charAt(i)) * 0xFF51AFD7ED558CCDL;
      hash ^= hash >>> 32;
    }
    hash = (hash ^ hash >>> 29) * 0xC4CEB9FE1A85EC53L;
    hash = (hash ^ hash >>> 32) & Long.MAX_VALUE;
    return reduced(hash);
  }

  /** A number modulo 2^61 - 1. */
  public static long reduced(long number) {
    long folded = (number & PRIME) + (number >>> 61);
    return folded >= PRIME ? folded - PRIME : folded;
  }
}
