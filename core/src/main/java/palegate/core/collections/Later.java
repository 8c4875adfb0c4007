package palegate.core.collections;

import java.util.function.Supplier;

/** Something that is worked out when somebody first asks for it, and kept. Safe to share. */
public final class Later<T> implements Supplier<T> {
  private Supplier<T> how;
  private T found;

  public Later(Supplier<T> how) {
    this.how = how;
  }

  @Override
  public synchronized T get() {
    if (how != null) {
      found = how.get();
      how = null;
    }
    return found;
  }
}
