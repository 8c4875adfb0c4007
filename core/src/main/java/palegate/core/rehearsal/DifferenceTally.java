package palegate.core.rehearsal;

import palegate.core.roles.Right;

/** What is counted over many pairs of classes: people once, wherever they gain or lose; pairs of a person and a place each by itself. */
final class DifferenceTally {
  private static final int RIGHTS = Right.values().length;

  final long[] gaining;
  final long[] losing;
  final long[] gainedByRight = new long[RIGHTS];
  final long[] lostByRight = new long[RIGHTS];
  long pairsGaining;
  long pairsLosing;
  /** One that both gains and loses counts once. */
  long changedPairs;

  DifferenceTally(int words) {
    gaining = new long[words];
    losing = new long[words];
  }

  void add(DifferenceTally other) {
    for (int i = 0; i < gaining.length; i++) {
      gaining[i] |= other.gaining[i];
      losing[i] |= other.losing[i];
    }
    for (int right = 0; right < RIGHTS; right++) {
      gainedByRight[right] += other.gainedByRight[right];
      lostByRight[right] += other.lostByRight[right];
    }
    pairsGaining += other.pairsGaining;
    pairsLosing += other.pairsLosing;
    changedPairs += other.changedPairs;
  }
}
