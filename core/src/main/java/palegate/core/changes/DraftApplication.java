package palegate.core.changes;

import java.time.Instant;
import java.util.List;
import java.util.function.Function;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;

/**
 * Makes a draft's changes, in order, on a structure. A change that cannot be made is left out and
 * reported; the others are still made, so that all faults come at once. Costs grow with the changes,
 * not with the structure.
 */
public final class DraftApplication {
  /** What it made of the structure, and what was refused on the way. */
  public record Result(StructureDifference difference, List<Refusal> refusals) {
    public Result {
      refusals = List.copyOf(refusals);
    }

    /** What comes of it. */
    public Structure structure() {
      return difference.after();
    }
  }

  private DraftApplication() {}

  /** {@code now} decides which entries have ended and are not worth carrying over a break. */
  public static Result of(Snapshot base, List<Change> changes, Instant now) {
    return of(base, changes, now, id -> null);
  }

  /** @param gone places that were there once and are gone; null for an id that never was one */
  public static Result of(Snapshot base, List<Change> changes, Instant now, Function<String, FormerPlace> gone) {
    Making making = new Making(new Pending(base, gone), now);
    changes.forEach(making::make);
    making.finish();
    return new Result(StructureDifference.between(base.structure(), making.pending.result()), making.refusals());
  }
}
