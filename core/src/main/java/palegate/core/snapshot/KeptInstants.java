package palegate.core.snapshot;

import java.time.Instant;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.UnaryOperator;

/** The views of a few instants that were asked for. The oldest of them stays: the others are made from it. Safe to share. */
final class KeptInstants {
  private static final int MOST = 6;

  private final Map<Instant, SnapshotAt> moments = new LinkedHashMap<>();

  /**
   * The view kept for an instant, or the one made now.
   *
   * @param make makes it from the oldest that is kept; from null if there is none
   */
  synchronized SnapshotAt at(Instant instant, UnaryOperator<SnapshotAt> make) {
    SnapshotAt kept = moments.get(instant);
    if (kept == null) {
      kept = make.apply(moments.isEmpty() ? null : moments.values().iterator().next());
      if (moments.size() >= MOST) {
        removeSecond();
      }
      moments.put(instant, kept);
    }
    return kept;
  }

  synchronized void handOn(KeptInstants other, UnaryOperator<SnapshotAt> each) {
    moments.forEach((instant, moment) -> other.moments.put(instant, each.apply(moment)));
  }

  private void removeSecond() {
    Iterator<Instant> instants = moments.keySet().iterator();
    instants.next();
    instants.next();
    instants.remove();
  }
}
