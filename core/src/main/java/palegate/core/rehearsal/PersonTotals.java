package palegate.core.rehearsal;

import palegate.core.roles.Right;

/** What changes for each person, by common number, over many pairs of classes. */
final class PersonTotals {
  private static final int RIGHTS = Right.values().length;

  /** By right: who gains it anywhere, as bits. */
  private final long[][] gained;
  private final long[][] lost;
  final int[] placesGaining;
  final int[] placesLosing;
  final int[] documents;
  /** Of one pair, made over and over in the same memory. */
  private final long[] gainers;
  private final long[] losers;

  PersonTotals(int words) {
    gained = new long[RIGHTS][words];
    lost = new long[RIGHTS][words];
    placesGaining = new int[words * Long.SIZE];
    placesLosing = new int[words * Long.SIZE];
    documents = new int[words * Long.SIZE];
    gainers = new long[words];
    losers = new long[words];
  }

  /** Notes who holds one right before and after at the places of the pair in hand. */
  void note(int right, long[] had, long[] has) {
    for (int i = 0; i < gainers.length; i++) {
      long gain = has[i] & ~had[i];
      long loss = had[i] & ~has[i];
      gained[right][i] |= gain;
      lost[right][i] |= loss;
      gainers[i] |= gain;
      losers[i] |= loss;
    }
  }

  /** Counts the places of the pair in hand for those who were noted, and begins another. */
  void count(int places, int papers) {
    for (int i = 0; i < gainers.length; i++) {
      addTo(placesGaining, i, gainers[i], places);
      addTo(placesLosing, i, losers[i], places);
      addTo(documents, i, gainers[i] | losers[i], papers);
      gainers[i] = 0;
      losers[i] = 0;
    }
  }

  private static void addTo(int[] counts, int word, long people, int by) {
    for (long left = people; left != 0; left &= left - 1) {
      counts[(word << 6) + Long.numberOfTrailingZeros(left)] += by;
    }
  }

  void add(PersonTotals other) {
    for (int right = 0; right < RIGHTS; right++) {
      for (int i = 0; i < gainers.length; i++) {
        gained[right][i] |= other.gained[right][i];
        lost[right][i] |= other.lost[right][i];
      }
    }
    for (int person = 0; person < documents.length; person++) {
      placesGaining[person] += other.placesGaining[person];
      placesLosing[person] += other.placesLosing[person];
      documents[person] += other.documents[person];
    }
  }

  /** What a person gains anywhere, as a mask. */
  int gained(int person) {
    return mask(gained, person);
  }

  int lost(int person) {
    return mask(lost, person);
  }

  private static int mask(long[][] byRight, int person) {
    int mask = 0;
    for (int right = 0; right < RIGHTS; right++) {
      mask |= (int) (byRight[right][person >> 6] >>> person & 1) << right;
    }
    return mask;
  }
}
