package palegate.bench;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import palegate.core.findings.Finding;
import palegate.core.findings.Findings;
import palegate.core.findings.Limits;
import palegate.core.findings.Rule;
import palegate.core.findings.Rules;
import palegate.core.snapshot.Snapshot;
import palegate.demo.Structures;

/** How long every rule takes, together from cold and each by itself. */
final class FindingFigures {
  private FindingFigures() {}

  static void run(Structures.Size size) {
    Snapshot snapshot = Snapshot.of(Structures.of(size));
    snapshot.at(Structures.NOW).classCount();
    say("%s: %,d people, %,d places", size, snapshot.personCount(), snapshot.placeCount());
    for (String which : new String[] {"from cold", "again"}) {
      long began = System.nanoTime();
      List<Finding> all = Findings.of(snapshot, Structures.NOW);
      say("  every rule, %s: %,d findings, %,d ms", which, all.size(), (System.nanoTime() - began) / 1_000_000);
    }
    Map<Long, String> slowest = new TreeMap<>(Comparator.reverseOrder());
    for (Rule rule : Rules.ALL) {
      long began = System.nanoTime();
      int found = Findings.of(snapshot, Structures.NOW, Limits.USUAL, List.of(rule)).size();
      slowest.merge((System.nanoTime() - began) / 1_000_000, String.format(Locale.UK, "%s (%,d found)", rule.code(), found), (one, other) -> one + ", " + other);
    }
    say("  alone, the slowest: %s", slowest.entrySet().stream().limit(8).map(each -> each.getValue() + " " + each.getKey() + " ms").collect(Collectors.joining("; ")));
  }

  private static void say(String words, Object... figures) {
    System.out.println(String.format(Locale.UK, words, figures));
  }
}
