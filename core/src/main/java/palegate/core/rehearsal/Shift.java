package palegate.core.rehearsal;

import java.util.Arrays;
import palegate.core.collections.PersonSet;

/** Who gains and who loses what at the places of one pair of classes, by common number; right after right. */
record Shift(PersonSet[] gainedByRight, PersonSet[] lostByRight) {
  PersonSet gained(int right) {
    return gainedByRight[right];
  }

  PersonSet lost(int right) {
    return lostByRight[right];
  }

  PersonSet gainers() {
    return Arrays.stream(gainedByRight).reduce(PersonSet.NOBODY, PersonSet::or);
  }

  PersonSet losers() {
    return Arrays.stream(lostByRight).reduce(PersonSet.NOBODY, PersonSet::or);
  }
}
