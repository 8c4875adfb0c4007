package palegate.core.access.stages;

/** One stage of evaluation: it maps a set of rights to a set of rights (section 6). */
public sealed interface Stage
    permits ActiveStage, WallStage, GrantStage, WithholdingStage, ClearanceStage, CeilingStage, CloseStage,
        HouseRuleStage, ConditionStage, OversightStage {
  /** The stage's number in section 6. */
  int number();

  /** The stage's name in section 6. */
  String title();

  /** What the stage makes of one person's rights. */
  int apply(int before, PersonAtPlace asked);

  /** The same for everyone at once. */
  void apply(HoldersByRight holders, EveryoneAtPlace asked);

  /** Whether evaluation ends here and leaves this person nothing. */
  default boolean stops(PersonAtPlace asked) {
    return false;
  }
}
