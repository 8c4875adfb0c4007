package palegate.core.access.stages;

/** Stage 2: the union of the roles of the matching grants that reach the place. */
public final class GrantStage implements Stage {
  @Override
  public int number() {
    return 2;
  }

  @Override
  public String title() {
    return "grants";
  }

  @Override
  public int apply(int before, PersonAtPlace asked) {
    return before | asked.granted();
  }

  @Override
  public void apply(HoldersByRight holders, EveryoneAtPlace asked) {
    holders.give(asked.grants());
  }
}
