package palegate.core.access.stages;

import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/** Stage 9: staff whom an oversight names find and read, through everything but a wall. */
public final class OversightStage implements Stage {
  private static final int SEEN = Rights.of(Right.FIND, Right.READ).mask();

  @Override
  public int number() {
    return 9;
  }

  @Override
  public String title() {
    return "oversight";
  }

  @Override
  public int apply(int before, PersonAtPlace asked) {
    return asked.overseen() && !asked.external() ? before | SEEN : before;
  }

  @Override
  public void apply(HoldersByRight holders, EveryoneAtPlace asked) {
    holders.giveStaff(asked.overseers(), asked.external(), SEEN);
  }
}
