package palegate.core.access.stages;

import palegate.core.roles.Rights;

/** One stage of evaluation: it maps a set of rights to a set of rights (section 6). */
public sealed interface Stage permits ActiveStage, GrantStage, WithholdingStage, CloseStage {
  /** The stage's number in section 6. */
  int number();

  /** The stage's name in section 6. */
  String title();

  /** What the stage makes of one person's rights. */
  Rights apply(Rights before, PersonAtPlace asked);

  /** The same for everyone at once. */
  void apply(Holders holders, EveryoneAtPlace asked);

  /** Whether evaluation ends here when the stage leaves this person nothing to go on with. */
  default boolean stops(PersonAtPlace asked) {
    return false;
  }
}
