package palegate.core.mining;

import java.util.List;
import palegate.core.changes.Change;

/**
 * Something that says the same with less.
 *
 * @param words what it is, in a sentence
 * @param changes what a draft would hold
 * @param before how much there was before it, after the proposals before it
 * @param after how much there is after it
 */
public record Proposal(Kind kind, String words, List<Change> changes, Size before, Size after) {
  /** What is done, in the order in which it is tried. */
  public enum Kind {
    /** Entries that have ended are taken off. */
    ENDED,
    /** A group takes the place of another that has the same people. */
    MERGE,
    /** Several roles given to one subject at a place are given as the one role that they come to. */
    ROLE,
    /** Roles given together again and again become a role. */
    NEW_ROLE,
    /** People and groups named one by one are named as the group or unit that they are. */
    GROUP,
    /** People named together again and again become a group. */
    NEW_GROUP,
    /** The same entry at several places is given once, at the place above them. */
    LIFT,
    /** A place that stands alone follows again, keeping what is its own. */
    REJOIN,
    /** Entries without which everybody has the same are taken off. */
    IDLE
  }

  public Proposal {
    changes = List.copyOf(changes);
  }

  /** How many entries it saves; none if what it saves are groups. */
  public int saves() {
    return before.entries() - after.entries();
  }
}
