package palegate.core.access.stages;

/** What the stages ask about one person at one place at one instant. Sets of rights are masks. */
public interface PersonAtPlace {
  boolean active();

  boolean external();

  /** Whether a wall bars the person from the place. */
  boolean barred();

  /** The union of the roles of the matching grants that reach the place. */
  int granted();

  /** The union of the matching withholdings that reach the place. */
  int withheld();

  /** Whether the place is a document of a guarded type. */
  boolean guarded();

  /** The union of the roles of the type's clearances that match. */
  int cleared();

  /** The intersection of every ceiling on the path to the root; all rights if there is none. */
  int ceiling();

  boolean reserveSharing();

  boolean noTakeaway();

  /** Whether the place is a private document of somebody else. */
  boolean privateToAnother();

  boolean frozen();

  /** Whether the place is a document that somebody else has checked out. */
  boolean checkedOutByAnother();

  /** Whether a matching oversight stands at the place or above it. */
  boolean overseen();
}
