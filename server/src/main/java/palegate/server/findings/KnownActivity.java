package palegate.server.findings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import palegate.core.duties.Duty;
import palegate.core.findings.Activity;
import palegate.core.findings.Finding;
import palegate.core.findings.Findings;
import palegate.core.findings.Limits;
import palegate.core.findings.Rule;
import palegate.core.places.Conditions;
import palegate.core.snapshot.Snapshot;
import palegate.server.drafts.DraftStore;
import palegate.server.session.Accounts;
import palegate.server.store.BreakHistory;
import palegate.server.store.ConditionHistory;
import palegate.server.store.DutyHistory;
import palegate.server.store.ItemHistory;
import palegate.server.store.Openings;

/**
 * What is known of what people did, and what rules that ask for it find. It is about things of the state that the asker may know: what is not in
 * that is not found. Drafts are the asker's own.
 */
@Component
class KnownActivity {
  /** More pairs of somebody and a document than these are not looked through: nothing is said of what is unused then. */
  private static final int OPENED_AT_MOST = 500_000;
  private static final Duration FRESH_FOR = Duration.ofMinutes(1);

  /** What is the same for everybody. */
  private record Shared(Instant at, int unusedDays, Activity activity) {}

  /** What was found by what is the same for everybody. */
  private record Found(Shared shared, Limits limits, List<Rule> rules, List<Finding> findings) {}

  private final BreakHistory breaks;
  private final ConditionHistory conditions;
  private final DutyHistory duties;
  private final ItemHistory items;
  private final Openings openings;
  private final DraftStore drafts;
  private final Accounts accounts;
  private final Clock clock;
  private final Cache<Snapshot, Found> held = Caffeine.newBuilder().weakKeys().expireAfterWrite(FRESH_FOR).build();
  private volatile Shared shared;

  KnownActivity(BreakHistory breaks, ConditionHistory conditions, DutyHistory duties, ItemHistory items, Openings openings, DraftStore drafts, Accounts accounts, Clock clock) {
    this.breaks = breaks;
    this.conditions = conditions;
    this.duties = duties;
    this.items = items;
    this.openings = openings;
    this.drafts = drafts;
    this.accounts = accounts;
    this.clock = clock;
  }

  /** What they find now; of what people did, as it was a minute ago at most. */
  List<Finding> findings(String account, Snapshot snapshot, Instant now, Limits limits, List<Rule> rules) {
    Shared all = shared(now, limits.unusedDays());
    Found found = held.asMap().compute(snapshot, (state, known) -> known != null && known.shared() == all && known.limits().equals(limits) && known.rules().equals(rules) ? known
        : new Found(all, limits, rules, Findings.inActivity(state, now, limits, all.activity(), rules)));
    return Findings.together(found.findings(), Findings.inActivity(snapshot, now, limits, own(account), rules));
  }

  private Activity own(String account) {
    String name = accounts.nameOf(account);
    List<Activity.Draft> waiting = drafts.waiting(account).stream().map(draft -> new Activity.Draft(draft.id(), draft.name(), name, draft.begun(), draft.changes())).toList();
    return new Activity(Map.of(), Map.of(), Map.of(), Map.of(), null, Map.of(), waiting);
  }

  private Shared shared(Instant now, int unusedDays) {
    Shared known = shared;
    if (known == null || known.unusedDays() != unusedDays || Duration.between(known.at(), now).abs().compareTo(FRESH_FOR) > 0) {
      known = new Shared(now, unusedDays, read(now.minus(Duration.ofDays(unusedDays))));
      shared = known;
    }
    return known;
  }

  private Activity read(Instant unusedSince) {
    Map<String, Instant> dutySince = new HashMap<>();
    duties.since().forEach((duty, since) -> dutySince.put(duty, since.at()));
    Map<String, Map<Duty, Instant>> used = new HashMap<>();
    duties.uses().forEach(use -> used.computeIfAbsent(use.person(), any -> new HashMap<>()).merge(use.duty(), use.at(), (one, other) -> one.isAfter(other) ? one : other));
    Optional<Activity.Openings> opened = openings.recordedFrom().filter(from -> !from.isAfter(unusedSince))
        .flatMap(from -> openings.pairsSince(unusedSince, OPENED_AT_MOST).map(pairs -> new Activity.Openings(from, pairs.stream().map(pair -> new Activity.Opened(pair.person(), pair.place())).toList())));
    return new Activity(breaks.unexplained(), dutySince, used, opened.isEmpty() ? Map.of() : items.grantsSince(), opened.orElse(null), Map.of(Conditions.Condition.PRIVATE, conditions.privateSince(), Conditions.Condition.FROZEN, conditions.frozenSince()), List.of());
  }
}
