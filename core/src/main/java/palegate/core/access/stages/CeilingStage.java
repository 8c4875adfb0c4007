package palegate.core.access.stages;

import palegate.core.roles.Rights;

/** Stage 5: an outsider keeps only what every ceiling on the path to the root leaves. */
public final class CeilingStage implements Stage {
  @Override
  public int number() {
    return 5;
  }

  @Override
  public String title() {
    return "ceiling";
  }

  @Override
  public int apply(int before, PersonAtPlace asked) {
    return asked.external() ? before & asked.ceiling() : before;
  }

  @Override
  public void apply(HoldersByRight holders, EveryoneAtPlace asked) {
    if (asked.ceiling() != Rights.ALL.mask()) {
      holders.cutDown(asked.external(), asked.ceiling());
    }
  }
}
