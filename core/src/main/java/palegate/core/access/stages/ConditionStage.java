package palegate.core.access.stages;

import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/** Stage 8: private, then frozen, then checked out; then close. Standing rights leave this stage out. */
public final class ConditionStage implements Stage {
  private static final int FIND = Rights.bit(Right.FIND);
  private static final int GOVERN = Rights.bit(Right.GOVERN);
  private static final int FROZEN = Rights.of(Right.REVISE, Right.DESCRIBE, Right.DELETE).mask();
  private static final int CHECKED_OUT = Rights.of(Right.REVISE, Right.DELETE).mask();

  @Override
  public int number() {
    return 8;
  }

  @Override
  public String title() {
    return "conditions";
  }

  @Override
  public int apply(int before, PersonAtPlace asked) {
    int after = before;
    if (asked.privateToAnother()) {
      after = (after & GOVERN) != 0 ? after & (FIND | GOVERN) : 0;
    }
    if (asked.frozen()) {
      after &= ~FROZEN;
    }
    if (asked.checkedOutByAnother()) {
      after &= ~CHECKED_OUT;
    }
    return Rights.close(after);
  }

  @Override
  public void apply(HoldersByRight holders, EveryoneAtPlace asked) {
    if (asked.isPrivate()) {
      holders.hideFromAllButKeepersAnd(asked.owner());
      for (Right right : Right.values()) {
        if (right != Right.FIND && right != Right.GOVERN) {
          holders.takeFromAllBut(right, asked.owner());
        }
      }
    }
    if (asked.frozen()) {
      holders.takeFromAll(FROZEN);
    }
    if (asked.checkedOutBy() >= 0) {
      holders.takeFromAllBut(Right.REVISE, asked.checkedOutBy());
      holders.takeFromAllBut(Right.DELETE, asked.checkedOutBy());
    }
    holders.close();
  }
}
