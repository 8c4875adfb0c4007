package palegate.core.snapshot;

import java.util.concurrent.atomic.AtomicReferenceArray;
import palegate.core.access.stages.Holders;

/**
 * The holders of each access class, as far as they have been asked for. An extension shares those of
 * the classes it was made from: what a rehearsal computes about today's classes is not computed again.
 */
final class HoldersByClass {
  private final HoldersByClass shared;
  private final int first;
  private final AtomicReferenceArray<Holders> own;

  HoldersByClass(int classes) {
    this(null, 0, classes);
  }

  private HoldersByClass(HoldersByClass shared, int first, int classes) {
    this.shared = shared;
    this.first = first;
    own = new AtomicReferenceArray<>(classes - first);
  }

  HoldersByClass extendedTo(int classes) {
    return new HoldersByClass(this, first + own.length(), classes);
  }

  Holders get(int number) {
    return number < first ? shared.get(number) : own.get(number - first);
  }

  void set(int number, Holders holders) {
    if (number < first) {
      shared.set(number, holders);
    } else {
      own.set(number - first, holders);
    }
  }
}
