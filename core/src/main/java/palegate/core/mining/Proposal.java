package palegate.core.mining;

import java.util.List;
import palegate.core.changes.Change;

/**
 * Something that says the same with fewer entries.
 *
 * @param words what it is, in a sentence
 * @param changes what a draft would hold
 * @param before how many entries there were before it, after the proposals before it
 * @param after how many there are after it
 */
public record Proposal(Kind kind, String words, List<Change> changes, int before, int after) {
  /** What is done. */
  public enum Kind {
    /** Entries that have ended are taken off. */
    ENDED,
    /** Entries without which everybody has the same are taken off. */
    IDLE,
    /** A place that stands alone follows again, keeping what is its own. */
    REJOIN,
    /** The same entry at several places is given once, at the place above them. */
    LIFT,
    /** People named one by one are named as the group they are. */
    GROUP,
    /** People named together again and again become a group. */
    NEW_GROUP
  }

  public Proposal {
    changes = List.copyOf(changes);
  }

  public int saves() {
    return before - after;
  }
}
