package palegate.core.access.stages;

import palegate.core.roles.Right;
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
  public Rights apply(Rights before, PersonAtPlace asked) {
    return before.close();
  }

  @Override
  public void apply(Holders holders, EveryoneAtPlace asked) {
    for (Right right : Right.values()) {
      // A need stands before what needs it, so it is already closed when it is used here.
      right.need().ifPresent(need -> holders.of(right).and(holders.of(need)));
    }
  }
}
