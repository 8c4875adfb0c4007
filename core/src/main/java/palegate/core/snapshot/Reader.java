package palegate.core.snapshot;

import palegate.core.access.stages.HoldersByRight;
import palegate.core.access.stages.Pipeline;
import palegate.core.roles.Rights;

/** Everyone's standing rights in class after class of one moment, made in the same memory. Not to be shared between threads. */
public final class Reader {
  private final SnapshotAt moment;
  private final Matching matching;
  private final Classes classes;
  private final HoldersByRight holders;
  private int[] last;
  private int mayGain;
  private boolean mayLose;

  Reader(SnapshotAt moment, Matching matching, Classes classes) {
    this.moment = moment;
    this.matching = matching;
    this.classes = classes;
    holders = HoldersByRight.ofAllRights(matching.room);
  }

  /** The holders in a class; they are made anew at the next call. */
  public HoldersByRight read(int classNumber) {
    int[] row = classes.row(classNumber);
    Pipeline.refillStanding(holders, moment.everyone(row), last != null && ClassRow.sameLists(row, last));
    last = row;
    return holders;
  }

  /**
   * The same after a class of the moment from which this one was made, or that was made from it, has been read: where this class
   * only gives more, what was made for the other is made use of.
   */
  public HoldersByRight readAfter(Reader other, int classNumber) {
    int[] row = classes.row(classNumber);
    int[] added = other.last != null && other.matching == matching ? ClassRow.addedLines(other.last, row) : null;
    boolean onlyMore = added != null && ClassRow.sameGuards(other.last, row) && moment.clearsLike(other.moment, ClassRow.clearances(row, 0));
    mayLose = !onlyMore;
    mayGain = onlyMore ? ClassRow.gainedBy(added, row) : Rights.ALL.mask();
    if (added == null || last != null && ClassRow.sameLists(row, last)) {
      return read(classNumber);
    }
    Pipeline.extendStanding(holders, other.holders, moment.everyone(row), new ClassAnswers.RowLines(matching, added, 0, added.length));
    last = row;
    return holders;
  }

  /** The rights that anybody may have in the class just read and not in the other, as a mask. */
  public int mayGain() {
    return mayGain;
  }

  /** Whether anybody may have had a right in the other class and not have it in this one. */
  public boolean mayLose() {
    return mayLose;
  }
}
