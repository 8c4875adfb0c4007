package palegate.core.findings;

import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.function.BiFunction;
import java.util.stream.Stream;
import palegate.core.collections.Beside;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** Everything found in a structure at an instant, in a stable order: the gravest first, then by rule, then by what it is about. */
public final class Findings {
  /** Of fewer places two at a time are no quicker than one. */
  private static final int BESIDE_FROM = 5_000;

  private Findings() {}

  /** By every rule, with the usual limits. */
  public static List<Finding> of(Snapshot snapshot, Instant instant) {
    return of(snapshot, instant, Limits.USUAL, Rules.ALL);
  }

  public static List<Finding> of(Snapshot snapshot, Instant instant, Limits limits, List<Rule> rules) {
    return of(new Survey(snapshot, instant, limits), rules);
  }

  /** What rules find in what people did, apart from what they find in the structure. */
  public static List<Finding> inActivity(Snapshot snapshot, Instant instant, Limits limits, Activity activity, List<Rule> rules) {
    return of(new Survey(snapshot, instant, limits, activity), rules, Rule::findInActivity);
  }

  /** Two lists, each as above, in one. */
  public static List<Finding> together(List<Finding> some, List<Finding> others) {
    Map<String, Integer> order = new HashMap<>();
    Rules.ALL.forEach(rule -> order.put(rule.code(), order.size()));
    return others.isEmpty() ? some : Stream.concat(some.stream(), others.stream()).sorted(Comparator.comparing(Finding::severity).thenComparing(finding -> order.get(finding.rule())).thenComparing(Finding::thing).thenComparing(Finding::detail)).toList();
  }

  static List<Finding> of(Survey survey, List<Rule> rules) {
    return of(survey, rules, Rule::find);
  }

  private static List<Finding> of(Survey survey, List<Rule> rules, BiFunction<Rule, Survey, Stream<Finding>> find) {
    if (survey.snapshot().placeCount() == 0) {
      return List.of();
    }
    List<Rule> inOrder = rules.stream().sorted(Comparator.comparing(Rule::severity)).toList();
    Map<Rule, List<Finding>> found = new ConcurrentHashMap<>();
    Queue<Rule> left = new ConcurrentLinkedQueue<>(inOrder);
    Runnable work = () -> {
      for (Rule rule = left.poll(); rule != null; rule = left.poll()) {
        found.put(rule, find.apply(rule, survey).sorted(Comparator.comparing(Finding::thing).thenComparing(Finding::detail)).toList());
      }
    };
    if (survey.snapshot().placeCount() < BESIDE_FROM) {
      work.run();
    } else {
      Beside other = new Beside();
      other.handOn(work);
      try {
        work.run();
      } finally {
        other.finish();
      }
    }
    return inOrder.stream().flatMap(rule -> found.get(rule).stream()).toList();
  }
}
