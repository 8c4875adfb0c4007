package palegate.core.access.stages;

import palegate.core.roles.Rights;

/** Stage 0: an inactive person has no rights at all, whatever the later stages would give. */
public final class ActiveStage implements Stage {
  @Override
  public int number() {
    return 0;
  }

  @Override
  public String title() {
    return "active";
  }

  @Override
  public Rights apply(Rights before, PersonAtPlace asked) {
    return before;
  }

  @Override
  public boolean stops(PersonAtPlace asked) {
    return !asked.active();
  }

  @Override
  public void apply(Holders holders, EveryoneAtPlace asked) {
    // Nobody holds anything yet: the grants are given to active people only (see GrantStage).
  }
}
