package palegate.core.access.stages;

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
  public int apply(int before, PersonAtPlace asked) {
    return before;
  }

  @Override
  public void apply(HoldersByRight holders, EveryoneAtPlace asked) {
    holders.begin(asked.active());
  }

  @Override
  public boolean stops(PersonAtPlace asked) {
    return !asked.active();
  }
}
