package palegate.core.rehearsal;

import palegate.core.access.stages.HoldersByRight;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Reader;
import palegate.core.snapshot.SnapshotAt;

/** Who holds what before and after, for one pair of classes at a time; made over and over in the same memory. */
final class PairWork {
  private final Numbering people;
  private final PairTable pairs;
  private final Reader readBefore;
  private final Reader readAfter;
  private final long[] nobody;
  private HoldersByRight was;
  private HoldersByRight is;
  final long[] gainers;
  final long[] losers;
  /** The rights that anybody may gain, and whether anybody may lose any. */
  int mayGain;
  boolean mayLose;

  PairWork(SnapshotAt before, SnapshotAt after, Numbering people, PairTable pairs) {
    this.people = people;
    this.pairs = pairs;
    readBefore = before.reader();
    readAfter = after.reader();
    nobody = new long[people.words()];
    gainers = new long[people.words()];
    losers = new long[people.words()];
  }

  void fill(int pair) {
    was = pairs.before(pair) < 0 ? null : readBefore.read(pairs.before(pair));
    boolean both = was != null && pairs.after(pair) >= 0;
    is = pairs.after(pair) < 0 ? null : both ? readAfter.readAfter(readBefore, pairs.after(pair)) : readAfter.read(pairs.after(pair));
    mayGain = both ? readAfter.mayGain() : Rights.ALL.mask();
    mayLose = !both || readAfter.mayLose();
  }

  /** Of a right, who held it before: to be read only until the next pair. */
  long[] had(int right) {
    return was == null ? nobody : people.bitsFromBefore(was.bitsOf(right));
  }

  long[] has(int right) {
    return is == null ? nobody : people.bitsFromAfter(is.bitsOf(right));
  }
}
