package palegate.core.findings;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
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

  private record Seen(Finding finding, FindingSince came) {}

  public FindingsGone {
    gone = List.copyOf(gone);
  }

  /**
   * Goes from state to state; at each only what its change touched is looked at. A finding that came back is not gone. O(states × what their changes touched).
   *
   * @param states of a history, oldest first, each since its change; the last holds until the end
   * @param calledOff asked before each state; once it says so, half as much again is looked at as was until then
   */
  public static FindingsGone between(List<Between.State> states, Instant until, Limits limits, List<Rule> rules, BooleanSupplier calledOff) {
    Walk walk = new Walk(limits, rules);
    walk.first(states.get(0));
    for (int i = 1; i < states.size(); i++) {
      if (calledOff.getAsBoolean()) {
        // What went last is asked for most: half as many states as there was time for, up to the newest.
        return between(states.subList(states.size() - Math.max(1, i / 2), states.size()), until, limits, rules, () -> false);
      }
      Instant then = states.get(i).since();
      walk.to(states.get(i - 1), then, 0);
      walk.to(states.get(i), then, states.get(i).change());
    }
    walk.to(states.get(states.size() - 1), until, 0);
    return new FindingsGone(walk.gone(), states.get(0).since());
  }

  private static final class Walk {
    private final Limits limits;
    private final List<Rule> rules;
    private final Map<String, Seen> seen = new HashMap<>();
    private final Map<String, Gone> gone = new LinkedHashMap<>();
    private KeptFindings kept;
    private Instant last;

    Walk(Limits limits, List<Rule> rules) {
      this.limits = limits;
      this.rules = rules;
    }

    void first(Between.State state) {
      kept = KeptFindings.of(state.snapshot(), state.since(), limits, rules);
      last = state.since();
      kept.findings().forEach(finding -> seen.put(finding.key(), new Seen(finding, new FindingSince(0, state.since(), false, false))));
    }

    /** @param change which led there; 0 if only time passed */
    void to(Between.State state, Instant at, long change) {
      kept = kept.next(state.snapshot(), at, limits, rules);
      Map<String, Finding> now = kept.findings().stream().collect(Collectors.toMap(Finding::key, finding -> finding));
      Instant when = change == 0 ? last : at;
      seen.values().removeIf(one -> {
        boolean is = now.containsKey(one.finding().key());
        if (!is) {
          gone.remove(one.finding().key());
          gone.put(one.finding().key(), new Gone(one.finding(), one.came(), change, when));
        }
        return !is;
      });
      now.forEach((key, finding) -> {
        gone.remove(key);
        seen.merge(key, new Seen(finding, new FindingSince(change, when, change == 0, true)), (before, fresh) -> new Seen(finding, before.came()));
      });
      last = at;
    }

    List<Gone> gone() {
      List<Gone> newest = new ArrayList<>(gone.values());
      Collections.reverse(newest);
      return newest;
    }
  }
}
