package palegate.server.bundle;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.structure.Structure;
import palegate.server.drafts.Touches;
import palegate.server.store.ChangeLog;
import palegate.server.store.StructureStore;

/** Brings whole structures into the database and out of it. */
@Service
public class Bundles {
  private final StructureStore store;
  private final ChangeLog log;

  Bundles(StructureStore store, ChangeLog log) {
    this.store = store;
    this.log = log;
  }

  /**
   * Makes a structure the current one, as one change: what differs from the state in force ends and
   * begins, what is the same stays as it is.
   *
   * @return the number of the change, or 0 if nothing differs
   */
  @Transactional
  public long bringIn(Structure structure, String author, String authorName, String note, Instant at) {
    if (structure.repository().isEmpty()) {
      throw new IllegalArgumentException("The bundle has no repository. Add one place of kind repository.");
    }
    long number = log.takeNextNumber();
    Structure before = store.asOf(number - 1);
    var touches = Touches.between(before, structure);
    if (touches.isEmpty()) {
      return 0;
    }
    log.write(new ChangeLog.Logged(number, author, authorName, at.truncatedTo(ChronoUnit.MICROS), note, "import"), "[]", touches);
    store.write(before, structure, number);
    return number;
  }

  /** The structure as of a change; 0 means the newest. */
  public Structure takeOut(long change) {
    long head = store.head();
    if (change > head) {
      throw new IllegalArgumentException("There is no change " + change + "; the newest is " + head + ".");
    }
    return store.asOf(change == 0 ? head : change);
  }
}
