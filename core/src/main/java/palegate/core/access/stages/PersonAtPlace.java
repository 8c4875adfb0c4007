package palegate.core.access.stages;

import palegate.core.roles.Rights;

/** What the stages ask about one person at one place at one instant. */
public interface PersonAtPlace {
  boolean active();

  /** The union of the roles of the matching grants that reach the place. */
  Rights granted();

  /** The union of the matching withholdings that reach the place. */
  Rights withheld();
}
