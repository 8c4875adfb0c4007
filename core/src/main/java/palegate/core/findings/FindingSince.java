package palegate.core.findings;

import java.time.Instant;
import java.util.Iterator;
import java.util.List;
import java.util.function.BooleanSupplier;
import palegate.core.journal.Between;

/**
 * Since when a finding has been there, without a break until now.
 *
 * @param change the one with which it came; 0 if it was there in the first state that was looked at, or came by a date
 * @param at when it came; by a date, between this instant and the next change
 * @param byDate whether it came because something began or ended
 * @param known whether it is known: false if it was there in the first state that was looked at, or was not looked further
 */
public record FindingSince(long change, Instant at, boolean byDate, boolean known) {
  /**
   * Looks back, state by state; at each only what its change touched is looked at. O(the rule + states × what their changes touched).
   *
   * @param newestFirst states of a history, each since its change, the first of which holds now
   * @param key of a finding that is there now
   * @param calledOff asked before each state
   */
  public static FindingSince of(Iterator<Between.State> newestFirst, Rule rule, Limits limits, String key, BooleanSupplier calledOff) {
    Between.State state = newestFirst.next();
    Instant looked = state.since();
    KeptFindings kept = null;
    while (!calledOff.getAsBoolean()) {
      kept = kept == null ? KeptFindings.of(state.snapshot(), state.since(), limits, List.of(rule)) : kept.next(state.snapshot(), state.since(), List.of(rule));
      if (!isThere(kept, key)) {
        return new FindingSince(0, state.since(), true, true);
      }
      looked = state.since();
      if (!newestFirst.hasNext()) {
        break;
      }
      Between.State before = newestFirst.next();
      kept = kept.next(before.snapshot(), state.since(), List.of(rule));
      if (!isThere(kept, key)) {
        return new FindingSince(state.change(), state.since(), false, true);
      }
      state = before;
    }
    return new FindingSince(0, looked, false, false);
  }

  private static boolean isThere(KeptFindings kept, String key) {
    return kept.findings().stream().anyMatch(finding -> finding.key().equals(key));
  }
}
