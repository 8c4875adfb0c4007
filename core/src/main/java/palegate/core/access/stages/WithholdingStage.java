package palegate.core.access.stages;

/** Stage 3: minus the union of the matching withholdings that reach the place. */
public final class WithholdingStage implements Stage {
  @Override
  public int number() {
    return 3;
  }

  @Override
  public String title() {
    return "withholdings";
  }

  @Override
  public int apply(int before, PersonAtPlace asked) {
    return before & ~asked.withheld();
  }

  @Override
  public void apply(HoldersByRight holders, EveryoneAtPlace asked) {
    holders.take(asked.withholdings());
  }
}
