package palegate.core.findings;

import java.time.Instant;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.stream.Collectors;
import palegate.core.journal.Between;

/**
 * Findings that were there at some time and are there no more.
 *
 * @param gone the one that went last first
 * @param lookedFrom since when it was looked; later than asked for if it was called off
 */
public record FindingsGone(List<Gone> gone, Instant lookedFrom) {
  /**
   * One of them.
   *
   * @param finding as it was last seen
   * @param came since when it had been there
   * @param change the one with which it went; 0 if it went by a date
   * @param at when it went; by a date, between this instant and the next change
   */
  public record Gone(Finding finding, FindingSince came, long change, Instant at) {
    public boolean byDate() {
      return change == 0;
    }
  }

  public FindingsGone {
    gone = List.copyOf(gone);
  }

  /**
   * Goes back from state to state; at each only what its change touched is looked at. A finding that came back is not gone. O(states × what their changes touched).
   *
   * @param newestFirst states of a history, each since its change; the first holds until the end
   * @param known what was found by the same rules in a state near the newest, or null
   * @param calledOff asked before each state but the first
   */
  public static FindingsGone before(Instant until, Iterator<Between.State> newestFirst, KeptFindings known, Limits limits, List<Rule> rules, BooleanSupplier calledOff) {
    Between.State state = newestFirst.next();
    Walk walk = new Walk(limits, rules, known == null ? KeptFindings.of(state.snapshot(), until, limits, rules) : known.next(state.snapshot(), until, limits, rules));
    walk.back(state, state.since(), 0, state.since());
    while (newestFirst.hasNext() && !calledOff.getAsBoolean()) {
      Between.State earlier = newestFirst.next();
      walk.back(earlier, state.since(), state.change(), state.since());
      walk.back(earlier, earlier.since(), 0, earlier.since());
      state = earlier;
    }
    return new FindingsGone(walk.gone(state.since()), state.since());
  }

  private static final class Walk {
    private final Limits limits;
    private final List<Rule> rules;
    private final Set<String> there;
    /** The one that went last first; how they came is not known before it is met. */
    private final Map<String, Gone> gone = new LinkedHashMap<>();
    private KeptFindings kept;
    private Set<String> later;

    Walk(Limits limits, List<Rule> rules, KeptFindings kept) {
      this.limits = limits;
      this.rules = rules;
      this.kept = kept;
      there = keys(kept);
      later = there;
    }

    private static Set<String> keys(KeptFindings kept) {
      return kept.findings().stream().map(Finding::key).collect(Collectors.toSet());
    }

    /**
     * @param at the instant that is gone back to
     * @param change which led from there; 0 if only time passed
     * @param when what differs came or went
     */
    void back(Between.State state, Instant at, long change, Instant when) {
      kept = kept.next(state.snapshot(), at, limits, rules);
      Set<String> earlier = keys(kept);
      FindingSince came = new FindingSince(change, when, change == 0, true);
      later.stream().filter(key -> !earlier.contains(key)).forEach(key -> gone.computeIfPresent(key, (any, one) -> one.came() != null ? one : new Gone(one.finding(), came, one.change(), one.at())));
      kept.findings().stream().filter(finding -> !later.contains(finding.key()) && !there.contains(finding.key())).forEach(finding -> gone.putIfAbsent(finding.key(), new Gone(finding, null, change, when)));
      later = earlier;
    }

    List<Gone> gone(Instant lookedFrom) {
      return gone.values().stream().map(one -> one.came() != null ? one : new Gone(one.finding(), new FindingSince(0, lookedFrom, false, false), one.change(), one.at())).toList();
    }
  }
}
