package palegate.core.access.stages;

import palegate.core.roles.Rights;

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
  public Rights apply(Rights before, PersonAtPlace asked) {
    return before.minus(asked.withheld());
  }

  @Override
  public void apply(Holders holders, EveryoneAtPlace asked) {
    for (EveryoneAtPlace.Line line : asked.withholdings()) {
      holders.take(line.people(), line.rights());
    }
  }
}
