package palegate.core.access.stages;

import palegate.core.roles.Rights;

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
  public Rights apply(Rights before, PersonAtPlace asked) {
    return before.union(asked.granted());
  }

  @Override
  public void apply(Holders holders, EveryoneAtPlace asked) {
    for (EveryoneAtPlace.Line line : asked.grants()) {
      holders.give(line.people(), line.rights());
    }
    holders.keepOnly(asked.active());
  }
}
