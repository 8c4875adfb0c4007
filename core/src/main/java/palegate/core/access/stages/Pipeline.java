package palegate.core.access.stages;

import java.util.List;

/** The stages in their order. */
public final class Pipeline {
  private static final ActiveStage ACTIVE = new ActiveStage();
  private static final WallStage WALLS = new WallStage();
  private static final GrantStage GRANTS = new GrantStage();
  private static final WithholdingStage WITHHOLDINGS = new WithholdingStage();
  private static final ClearanceStage CLEARANCE = new ClearanceStage();
  private static final CeilingStage CEILING = new CeilingStage();
  private static final CloseStage CLOSE = new CloseStage();
  private static final HouseRuleStage HOUSE_RULES = new HouseRuleStage();
  private static final ConditionStage CONDITIONS = new ConditionStage();
  private static final OversightStage OVERSIGHT = new OversightStage();

  /** Every stage, in the order of section 6: rights now. */
  public static final List<Stage> STAGES = List.of(
      ACTIVE, WALLS, GRANTS, WITHHOLDINGS, CLEARANCE, CEILING, CLOSE, HOUSE_RULES, CONDITIONS, OVERSIGHT);

  /** The same without stage 8: standing rights. */
  public static final List<Stage> STANDING_STAGES = STAGES.stream().filter(stage -> stage != CONDITIONS).toList();

  private static final List<Stage> LIST_STAGES = STAGES.stream().filter(stage -> stage.number() <= 3).toList();
  private static final List<Stage> STANDING_GUARD_STAGES =
      STANDING_STAGES.stream().filter(stage -> stage.number() > 3).toList();
  private static final List<Stage> STAGES_AFTER_CLEARANCE =
      STANDING_STAGES.stream().filter(stage -> stage.number() > 4).toList();

  private Pipeline() {}

  /**
   * Standing rights, as a mask. Written out, not a loop over {@link #STANDING_STAGES}, so that the
   * compiler sees through every stage: that is what makes it a matter of nanoseconds.
   */
  public static int standing(PersonAtPlace asked) {
    if (ACTIVE.stops(asked) || WALLS.stops(asked)) {
      return 0;
    }
    return OVERSIGHT.apply(structural(asked), asked);
  }

  /** Rights now, as a mask. */
  public static int now(PersonAtPlace asked) {
    if (ACTIVE.stops(asked) || WALLS.stops(asked)) {
      return 0;
    }
    return OVERSIGHT.apply(CONDITIONS.apply(structural(asked), asked), asked);
  }

  private static int structural(PersonAtPlace asked) {
    int rights = GRANTS.apply(0, asked);
    rights = WITHHOLDINGS.apply(rights, asked);
    rights = CLEARANCE.apply(rights, asked);
    rights = CEILING.apply(rights, asked);
    rights = CLOSE.apply(rights, asked);
    return HOUSE_RULES.apply(rights, asked);
  }

  /** Everyone's standing rights, made in holders that are there already. */
  public static void fillStanding(HoldersByRight holders, EveryoneAtPlace asked) {
    fill(holders, asked, STANDING_STAGES);
  }

  /** Everyone's rights now. */
  public static void fillNow(HoldersByRight holders, EveryoneAtPlace asked) {
    fill(holders, asked, STAGES);
  }

  /**
   * Everyone's standing rights, where the same holders have just been filled for a place with the same walls,
   * grants and withholdings: stages 0 to 3 need not be gone through again.
   *
   * @param sameLists whether that is so; if not, all stages are gone through, and the next call may say so
   */
  public static void refillStanding(HoldersByRight holders, EveryoneAtPlace asked, boolean sameLists) {
    if (!sameLists) {
      fill(holders, asked, LIST_STAGES);
      holders.save();
    } else if (asked.guarded()) {
      holders.restoreKeeping(asked);
      fill(holders, asked, STAGES_AFTER_CLEARANCE);
      return;
    } else {
      holders.restore();
    }
    fill(holders, asked, STANDING_GUARD_STAGES);
  }

  /**
   * Everyone's standing rights, where other holders have been filled by {@link #refillStanding} for a place with the same
   * walls and withholdings whose grants are these but for some more.
   */
  public static void extendStanding(HoldersByRight holders, HoldersByRight others, EveryoneAtPlace asked, EntryLines more) {
    holders.beginFrom(others);
    holders.give(more);
    WITHHOLDINGS.apply(holders, asked);
    holders.save();
    fill(holders, asked, STANDING_GUARD_STAGES);
  }

  private static void fill(HoldersByRight holders, EveryoneAtPlace asked, List<Stage> stages) {
    for (Stage stage : stages) {
      stage.apply(holders, asked);
    }
  }
}
