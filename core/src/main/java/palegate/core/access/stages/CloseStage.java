package palegate.core.access.stages;

import palegate.core.roles.Rights;

/** Stage 6: a right whose need is missing falls away. */
public final class CloseStage implements Stage {
  @Override
  public int number() {
    return 6;
  }

  @Override
  public String title() {
    return "close";
  }

  @Override
  public int apply(int before, PersonAtPlace asked) {
    return Rights.close(before);
  }

  @Override
  public void apply(HoldersByRight holders, EveryoneAtPlace asked) {
    holders.close();
  }
}
