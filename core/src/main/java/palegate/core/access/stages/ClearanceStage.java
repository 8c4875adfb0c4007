package palegate.core.access.stages;

import palegate.core.roles.Right;

/** Stage 4: on a document of a guarded type, only what the clearances leave. */
public final class ClearanceStage implements Stage {
  @Override
  public int number() {
    return 4;
  }

  @Override
  public String title() {
    return "clearance";
  }

  @Override
  public int apply(int before, PersonAtPlace asked) {
    return asked.guarded() ? before & asked.cleared() : before;
  }

  @Override
  public void apply(HoldersByRight holders, EveryoneAtPlace asked) {
    if (asked.guarded()) {
      for (Right right : Right.values()) {
        holders.keepOnly(right, asked.cleared(right));
      }
    }
  }
}
