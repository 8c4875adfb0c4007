package palegate.core.access.stages;

/** Stage 1: a wall that bars the person ends the evaluation; nothing after it can give anything. */
public final class WallStage implements Stage {
  @Override
  public int number() {
    return 1;
  }

  @Override
  public String title() {
    return "walls";
  }

  @Override
  public int apply(int before, PersonAtPlace asked) {
    return before;
  }

  @Override
  public void apply(HoldersByRight holders, EveryoneAtPlace asked) {
    holders.bar(asked.barred());
  }

  @Override
  public boolean stops(PersonAtPlace asked) {
    return asked.barred();
  }
}
