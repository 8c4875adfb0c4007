package palegate.core.access.stages;

import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/** Stage 7: share only with govern, copy only with revise, where a house rule says so; tested on the result of stage 6. */
public final class HouseRuleStage implements Stage {
  private static final int COPY = Rights.bit(Right.COPY);
  private static final int REVISE = Rights.bit(Right.REVISE);
  private static final int SHARE = Rights.bit(Right.SHARE);
  private static final int GOVERN = Rights.bit(Right.GOVERN);

  @Override
  public int number() {
    return 7;
  }

  @Override
  public String title() {
    return "house rules";
  }

  @Override
  public int apply(int before, PersonAtPlace asked) {
    int after = before;
    if (asked.reserveSharing() && (before & GOVERN) == 0) {
      after &= ~SHARE;
    }
    if (asked.noTakeaway() && (before & REVISE) == 0) {
      after &= ~COPY;
    }
    return Rights.close(after);
  }

  @Override
  public void apply(HoldersByRight holders, EveryoneAtPlace asked) {
    // Neither right that falls is what the other rule tests, so the order of the two does not matter.
    if (asked.reserveSharing()) {
      holders.takeWithout(Right.SHARE, Right.GOVERN);
    }
    if (asked.noTakeaway()) {
      holders.takeWithout(Right.COPY, Right.REVISE);
    }
  }
}
