package palegate.core.mining;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.function.Supplier;
import java.util.stream.Stream;
import palegate.core.changes.ChangeAtPlace;
import palegate.core.changes.DraftApplication;
import palegate.core.questions.NewDocuments;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;

/**
 * Looks for ways to say exactly the same with fewer entries: what saves most is tried first, on what the proposals before it leave. A proposal is only made if its
 * rehearsal shows no difference, now and at every later instant at which anything begins or ends, and nobody
 * could do anything else with documents put in later. All of them together are one draft.
 */
public final class Mining {
  /** So many candidates are tried, at most. */
  public static final int TRIED_AT_MOST = 5_000;

  /**
   * What was found.
   *
   * @param before how many entries there are
   * @param after how many there would be
   * @param tried how many candidates were tried
   * @param cut whether there were more, or it was called off
   */
  public record Found(List<Proposal> proposals, int before, int after, int tried, boolean cut) {
    public Found {
      proposals = List.copyOf(proposals);
    }
  }

  private Mining() {}

  /**
   * O(candidates × instants to come × rehearsal of each).
   *
   * @param ids makes the ids of new entries and groups
   * @param calledOff asked before each
   */
  public static Found of(Snapshot snapshot, Instant now, Supplier<String> ids, BooleanSupplier calledOff) {
    List<Proposal> proposals = new ArrayList<>();
    Set<String> failed = new HashSet<>();
    Snapshot at = snapshot;
    int before = entries(snapshot);
    int tried = 0;
    boolean cut = false;
    boolean again = true;
    while (again && !cut) {
      again = false;
      for (Candidates.Candidate candidate : new Candidates(at, now, ids).all()) {
        if (calledOff.getAsBoolean() || tried >= TRIED_AT_MOST) {
          cut = true;
          break;
        }
        if (failed.contains(candidate.words())) {
          continue;
        }
        tried++;
        Snapshot after = proved(at, candidate, now);
        if (after == null) {
          failed.add(candidate.words());
        } else {
          proposals.add(new Proposal(candidate.kind(), candidate.words(), candidate.changes(), entries(at), entries(after)));
          at = after;
          again = true;
          if (candidate.kind() != Proposal.Kind.IDLE) {
            // What stands where has changed: what is left is looked for anew.
            break;
          }
        }
      }
    }
    return new Found(proposals, before, entries(at), tried, cut);
  }

  /** The state after it, if it differs from the one before in nothing but the number of entries; else null. */
  private static Snapshot proved(Snapshot before, Candidates.Candidate candidate, Instant now) {
    DraftApplication.Result applied = DraftApplication.of(before, candidate.changes(), now);
    if (!applied.refusals().isEmpty()) {
      return null;
    }
    Snapshot after = before.next(applied.difference());
    if (entries(after) >= entries(before)) {
      return null;
    }
    List<String> places = candidate.changes().stream().filter(ChangeAtPlace.class::isInstance).map(change -> ((ChangeAtPlace) change).place()).distinct().toList();
    // A rehearsal looks at instants that its draft touches. That nothing does anything has to hold whenever anything begins or ends.
    return Stream.concat(Stream.of(now), Stream.concat(before.boundariesAfter(now).stream(), after.boundariesAfter(now).stream()).distinct().sorted())
        .allMatch(instant -> RightsDifference.between(before, after, instant).isEmpty() && NewDocuments.alike(before.at(instant), after.at(instant), places)) ? after : null;
  }

  private static int entries(Snapshot snapshot) {
    return snapshot.structure().grants().size() + snapshot.structure().withholdings().size();
  }
}
