package palegate.core.rehearsal;

/** Sets of people as bits, all of the same length, compared and counted where most of a rehearsal's time goes. */
final class PersonBits {
  static final int GAINS = 1;
  static final int LOSSES = 2;

  private PersonBits() {}

  /** {@link #GAINS} if somebody gains, {@link #LOSSES} if somebody loses: most often one of the two is all there is. */
  static int differing(long[] had, long[] has) {
    long gains = 0;
    long losses = 0;
    for (int i = 0; i < had.length; i++) {
      gains |= has[i] & ~had[i];
      losses |= had[i] & ~has[i];
    }
    return (gains == 0 ? 0 : GAINS) | (losses == 0 ? 0 : LOSSES);
  }

  /** Adds the people of one set who are not in another; returns how many there are. Four words at a time, which a processor counts side by side. */
  static int addDifference(long[] set, long[] other, long[] into) {
    int count0 = 0;
    int count1 = 0;
    int count2 = 0;
    int count3 = 0;
    int i = 0;
    for (; i < set.length - 3; i += 4) {
      long word0 = set[i] & ~other[i];
      long word1 = set[i + 1] & ~other[i + 1];
      long word2 = set[i + 2] & ~other[i + 2];
      long word3 = set[i + 3] & ~other[i + 3];
      count0 += Long.bitCount(word0);
      count1 += Long.bitCount(word1);
      count2 += Long.bitCount(word2);
      count3 += Long.bitCount(word3);
      into[i] |= word0;
      into[i + 1] |= word1;
      into[i + 2] |= word2;
      into[i + 3] |= word3;
    }
    for (; i < set.length; i++) {
      long word = set[i] & ~other[i];
      count0 += Long.bitCount(word);
      into[i] |= word;
    }
    return count0 + count1 + count2 + count3;
  }

  static int addTo(long[] all, long[] some) {
    int count = 0;
    for (int i = 0; i < some.length; i++) {
      if (some[i] != 0) {
        all[i] |= some[i];
        count += Long.bitCount(some[i]);
      }
    }
    return count;
  }
}
