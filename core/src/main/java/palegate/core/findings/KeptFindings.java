package palegate.core.findings;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/**
 * What was found in a state, with what was worked out for it, so that after a change only what the change touched is looked at again.
 * Holds on to the structure of its state, of which the next shares what is not changed, and not to the state.
 */
public final class KeptFindings {
  private final Structure structure;
  private final Instant instant;
  private final Limits limits;
  private final Map<String, List<?>> kept;
  private final List<Finding> findings;

  private KeptFindings(Survey survey, List<Rule> rules) {
    structure = survey.structure();
    instant = survey.now();
    limits = survey.limits();
    findings = Findings.of(survey, rules);
    kept = survey.kept();
  }

  public static KeptFindings of(Snapshot snapshot, Instant now, Limits limits, List<Rule> rules) {
    return new KeptFindings(new Survey(snapshot, now, limits), rules);
  }

  /** Of another state, which is best one that was made from this one's; the same as if it had been looked at afresh. O(what the change touched) for the rules that are slow otherwise. */
  public KeptFindings next(Snapshot after, Instant now, Limits limitsThen, List<Rule> rules) {
    return after.placeCount() == 0 || !limits.equals(limitsThen) || !after.sameBetween(instant, now) ? of(after, now, limitsThen, rules)
        : new KeptFindings(new Survey(after, now, limits, kept, Touched.between(structure, after)), rules);
  }

  /** The same within the same limits. */
  KeptFindings next(Snapshot after, Instant now, List<Rule> rules) {
    return next(after, now, limits, rules);
  }

  /** How many places its structure has: what it weighs. */
  public int places() {
    return structure.places().size();
  }

  /** As {@link Findings} says. */
  public List<Finding> findings() {
    return findings;
  }
}
