package palegate.core.findings;

import java.time.Instant;
import java.util.List;
import java.util.function.BooleanSupplier;
import palegate.core.journal.Between;
import palegate.core.snapshot.Snapshot;

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
   * Looks back, state by state. O(states × the rule).
   *
   * @param states of a history, oldest first, each since its change, the last of which holds now
   * @param key of a finding that is there now
   * @param calledOff asked before each state
   */
  public static FindingSince of(List<Between.State> states, Rule rule, Limits limits, String key, BooleanSupplier calledOff) {
    for (int i = states.size() - 1; i >= 0; i--) {
      Between.State state = states.get(i);
      if (calledOff.getAsBoolean()) {
        return new FindingSince(0, i + 1 < states.size() ? states.get(i + 1).since() : state.since(), false, false);
      }
      if (!isThere(state.snapshot(), state.since(), rule, limits, key)) {
        return new FindingSince(0, state.since(), true, true);
      }
      if (i == 0 || !isThere(states.get(i - 1).snapshot(), state.since(), rule, limits, key)) {
        return new FindingSince(i == 0 ? 0 : state.change(), state.since(), false, i > 0);
      }
    }
    throw new IllegalArgumentException("There is no state to look at.");
  }

  private static boolean isThere(Snapshot snapshot, Instant at, Rule rule, Limits limits, String key) {
    return snapshot.structure().repository().isPresent() && Findings.of(snapshot, at, limits, List.of(rule)).stream().anyMatch(finding -> finding.key().equals(key));
  }
}
