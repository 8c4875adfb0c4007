package palegate.core.access.stages;

import org.roaringbitmap.RoaringBitmap;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/**
 * For each right, the people who hold it. The stages change it in place while it is being made;
 * once made it is only read.
 */
public final class Holders {
  private final RoaringBitmap[] byRight = new RoaringBitmap[Right.values().length];

  public Holders() {
    for (int i = 0; i < byRight.length; i++) {
      byRight[i] = new RoaringBitmap();
    }
  }

  public RoaringBitmap of(Right right) {
    return byRight[right.ordinal()];
  }

  public void give(RoaringBitmap people, Rights rights) {
    for (Right right : rights.list()) {
      of(right).or(people);
    }
  }

  public void take(RoaringBitmap people, Rights rights) {
    for (Right right : rights.list()) {
      of(right).andNot(people);
    }
  }

  public void keepOnly(RoaringBitmap people) {
    for (RoaringBitmap holders : byRight) {
      holders.and(people);
    }
  }

  public Rights of(int person) {
    int mask = 0;
    for (int i = 0; i < byRight.length; i++) {
      if (byRight[i].contains(person)) {
        mask |= 1 << i;
      }
    }
    return Rights.ofMask(mask);
  }

  /** Everyone who holds anything; a new bitmap. */
  public RoaringBitmap anyone() {
    return RoaringBitmap.or(byRight);
  }
}
