package palegate.core.findings;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import palegate.core.snapshot.Snapshot;

/** Everything found in a structure at an instant, in a stable order: the gravest first, then by rule, then by what it is about. */
public final class Findings {
  private Findings() {}

  /** By every rule, with the usual limits. */
  public static List<Finding> of(Snapshot snapshot, Instant instant) {
    return of(snapshot, instant, Limits.USUAL, Rules.ALL);
  }

  public static List<Finding> of(Snapshot snapshot, Instant instant, Limits limits, List<Rule> rules) {
    return of(new Survey(snapshot.at(instant), limits), rules);
  }

  static List<Finding> of(Survey survey, List<Rule> rules) {
    return survey.snapshot().placeCount() == 0 ? List.of() : rules.stream().sorted(Comparator.comparing(Rule::severity)).flatMap(rule -> rule.find(survey).sorted(Comparator.comparing(Finding::thing).thenComparing(Finding::detail))).toList();
  }
}
