package palegate.bench;

import java.util.EnumMap;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import palegate.core.mining.Mining;
import palegate.core.mining.Proposal;
import palegate.core.snapshot.Snapshot;
import palegate.demo.Structures;

/** How long it takes to find how the same is said with fewer entries, kind by kind. */
final class MiningFigures {
  private MiningFigures() {}

  static void run(Structures.Size size) {
    Snapshot snapshot = Snapshot.of(Structures.of(size));
    snapshot.at(Structures.NOW).classCount();
    say("%s: %,d people, %,d places, %,d later instants", size, snapshot.personCount(), snapshot.placeCount(), snapshot.boundariesAfter(Structures.NOW).size());
    AtomicInteger ids = new AtomicInteger();
    Map<Proposal.Kind, long[]> spent = new EnumMap<>(Proposal.Kind.class);
    long[] last = {System.nanoTime()};
    Proposal.Kind[] kind = {Proposal.Kind.ENDED};
    long began = System.nanoTime();
    Mining.Found found = Mining.of(snapshot, Structures.NOW, () -> "mined-" + ids.incrementAndGet(), (now, tried, candidates, saved) -> {
      long at = System.nanoTime();
      // What passed since was looking for candidates of this kind, or trying the one before.
      long[] sum = spent.computeIfAbsent(tried == 0 ? now : kind[0], any -> new long[2]);
      sum[0] += at - last[0];
      sum[1]++;
      last[0] = at;
      kind[0] = now;
      return at - began < 900_000_000_000L;
    });
    say("  %,d ms: %,d entries could be %,d, %,d groups %,d, %,d roles %,d; %,d candidates tried%s", (System.nanoTime() - began) / 1_000_000, found.before().entries(), found.after().entries(), found.before().groups(), found.after().groups(),
        found.before().roles(), found.after().roles(), found.tried(), found.cut() ? ", cut short" : "");
    spent.forEach((which, sum) -> say("  %s: %,d ms, %,d tried", which, sum[0] / 1_000_000, sum[1]));
    say("  proposals: %s", found.proposals().stream().collect(Collectors.groupingBy(Proposal::kind, () -> new EnumMap<>(Proposal.Kind.class), Collectors.counting())));
  }

  private static void say(String format, Object... values) {
    System.out.println(String.format(Locale.UK, format, values));
  }
}
