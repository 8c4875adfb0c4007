package palegate.core.access.stages;

import palegate.core.collections.PersonSet;
import palegate.core.roles.Right;

/** What the stages ask about all people at once, at one place at one instant. */
public interface EveryoneAtPlace {
  PersonSet active();

  PersonSet external();

  /** Everyone whom a wall bars from the place. */
  PersonSet barred();

  /** The grants that reach the place; the rights of each hold what they need, as those of a role do. */
  EntryLines grants();

  EntryLines withholdings();

  /** Whether the place is a document of a guarded type. */
  boolean guarded();

  /** Everyone whom some clearance of the type leaves a right; each is then left what the right needs too. */
  PersonSet cleared(Right right);

  /** The intersection of every ceiling on the path to the root, as a mask; all rights if there is none. */
  int ceiling();

  boolean reserveSharing();

  boolean noTakeaway();

  /** Whether the place is a private document. */
  boolean isPrivate();

  /** The number of the document's owner, or -1. */
  int owner();

  boolean frozen();

  /** The number of the person who has the document checked out, or -1. */
  int checkedOutBy();

  /** Everyone whom an oversight at the place or above it names. */
  PersonSet overseers();
}
