package palegate.server.findings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;
import palegate.core.duties.Duty;
import palegate.core.findings.Finding;
import palegate.core.findings.Findings;
import palegate.core.findings.Limits;
import palegate.core.findings.Rule;
import palegate.core.findings.Rules;
import palegate.core.snapshot.Snapshot;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.viewpoint.Viewpoints;

/** What is found in the newest state, as far as an account's owner may know it; held while nothing changes, begins or ends. */
@Component
class MadeFindings {
  /** @param rules by which was looked: of a part of the repository only those that can be said of a part */
  record Made(Snapshot snapshot, Instant at, List<Rule> rules, List<Finding> findings) {}

  private static final int FINDINGS_HELD = 200_000;
  /** Days go by without anything beginning or ending: what is too long is so only after a while. */
  private static final Duration FRESH_FOR = Duration.ofMinutes(10);

  private record Key(Snapshot snapshot, boolean everywhere) {}

  private final Cache<Key, Made> held = Caffeine.newBuilder().maximumWeight(FINDINGS_HELD).weigher((Key key, Made made) -> 10 + made.findings().size()).expireAfterAccess(Duration.ofMinutes(10)).build();
  private final Viewpoints viewpoints;
  private final Clock clock;

  MadeFindings(Viewpoints viewpoints, Clock clock) {
    this.viewpoints = viewpoints;
    this.clock = clock;
  }

  Made of(String account) {
    Viewpoint viewpoint = viewpoints.of(account);
    // Decided by duties, which the asker knows of, not by whether something is hidden, which they may not know.
    Key key = new Key(viewpoint.snapshot(), administersEverything(viewpoint.asker()));
    Instant now = clock.instant();
    Made made = held.getIfPresent(key);
    if (made == null || Duration.between(made.at(), now).abs().compareTo(FRESH_FOR) > 0 || !made.snapshot().sameBetween(made.at(), now)) {
      List<Rule> rules = key.everywhere() ? Rules.ALL : Rules.ALL.stream().filter(rule -> !rule.isOfWhole()).toList();
      made = new Made(viewpoint.snapshot(), now, rules, viewpoint.snapshot().structure().repository().isEmpty() ? List.of() : Findings.of(viewpoint.snapshot(), now, Limits.USUAL, rules));
      held.put(key, made);
    }
    return made;
  }

  private static boolean administersEverything(Asker asker) {
    return asker.holds(Duty.AUDIT) || asker.holdsEverywhere(Duty.ACCESS);
  }
}
