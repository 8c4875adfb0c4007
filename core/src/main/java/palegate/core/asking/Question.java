package palegate.core.asking;

import java.time.LocalDate;
import palegate.core.roles.Right;

/** A question as it was read. Names are as they were typed; a right that is null stands for any. */
public sealed interface Question {
  /** Whether somebody has a right at a place, and why; {@code day} is null for now. */
  record Can(String person, Right right, String place, LocalDate day) implements Question {}

  /** Who has a right at a place. */
  record WhoCan(Right right, String place, LocalDate day) implements Question {}

  /** What a person, or what the people of a group or unit, can reach. */
  record WhatCan(String subject, Right right, LocalDate day) implements Question {}

  /** What was changed that touched a thing; {@code since} is null for ever. */
  record WhatChanged(String thing, LocalDate since) implements Question {}

  /** Whom a wall keeps out. */
  record WhoBehind(String wall) implements Question {}

  /** What would have to change for somebody to have a right at a place. */
  record WhatTakes(String person, Right right, String place) implements Question {}
}
