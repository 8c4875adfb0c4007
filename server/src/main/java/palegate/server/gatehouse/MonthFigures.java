package palegate.server.gatehouse;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.lang.ref.WeakReference;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.stereotype.Component;
import palegate.core.duties.Duty;
import palegate.core.findings.Finding;
import palegate.core.findings.Findings;
import palegate.core.findings.Rules;
import palegate.core.findings.Severity;
import palegate.core.gatehouse.StateFigures;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.shell.MayBeMissing;
import palegate.server.store.ChangeLog;
import palegate.server.store.FindingSettings;
import palegate.server.store.Snapshots;
import palegate.server.viewpoint.Viewpoints;

/** Figures of the ends of months, from history: what was then, as far as may be known of it today. What has been counted is kept. */
@Component
class MonthFigures {
  static final int MONTHS = 24;
  /** Of larger repositories the findings of the past are not looked for: it would take minutes. */
  private static final int PLACES_FOR_FINDINGS = 20_000;

  /**
   * One month.
   *
   * @param at its end; now for this month
   * @param there whether anything was in force by then
   * @param change the last one by then
   * @param grave findings of that severity; missing where the repository is too large to look for those of the past, or the asker does not administer everything
   */
  record Month(Instant at, boolean there, long change, int people, int outsiders, int breaks, int entries, @MayBeMissing Integer grave, @MayBeMissing Integer serious, @MayBeMissing Integer untidy) {}

  /** @param findings whether their duties let them have findings */
  private record Key(String asker, boolean findings, long change, Instant at, FindingSettings.Settings settings) {}

  /**
   * @param viewpoint what was known to the asker; null if everything was: what was then does not change any more. It is not held: states are let go
   *     when nobody asks for them any more
   */
  private record Counted(WeakReference<Viewpoint> viewpoint, Month month) {
    boolean isOf(Viewpoint asked) {
      return asked.whole() ? viewpoint == null : viewpoint != null && viewpoint.refersTo(asked);
    }
  }

  private final Cache<Key, Counted> counted = Caffeine.newBuilder().maximumSize(2_000).build();
  private final Cache<SnapshotAt, StateFigures> ofStates = Caffeine.newBuilder().weakKeys().maximumSize(100).expireAfterAccess(Duration.ofHours(1)).build();
  private final Viewpoints viewpoints;
  private final Snapshots snapshots;
  private final ChangeLog log;
  private final FindingSettings settings;
  private final Clock clock;

  MonthFigures(Viewpoints viewpoints, Snapshots snapshots, ChangeLog log, FindingSettings settings, Clock clock) {
    this.viewpoints = viewpoints;
    this.snapshots = snapshots;
    this.log = log;
    this.settings = settings;
    this.clock = clock;
  }

  Month of(int ago, String account) {
    Instant now = clock.instant();
    LocalDate first = now.atOffset(ZoneOffset.UTC).toLocalDate().withDayOfMonth(1);
    Instant at = ago == 0 ? now : first.minusMonths(ago - 1L).atStartOfDay().toInstant(ZoneOffset.UTC);
    long change = ago == 0 ? snapshots.current().change() : log.inForceAt(at);
    if (change == 0) {
      return new Month(at, false, 0, 0, 0, 0, 0, null, null, null);
    }
    Viewpoint viewpoint = viewpoints.of(account);
    // Decided by duties, which the asker knows of, not by whether something is hidden, which they may not know.
    boolean findings = viewpoint.asker().holds(Duty.AUDIT) || viewpoint.asker().holdsEverywhere(Duty.ACCESS);
    Key key = new Key(account, findings, change, at, settings.now());
    return ago == 0 ? count(key, account) : counted.asMap().compute(key, (any, known) -> known != null && known.isOf(viewpoint) ? known
        : new Counted(viewpoint.whole() ? null : new WeakReference<>(viewpoint), count(key, account))).month();
  }

  private Month count(Key key, String account) {
    Snapshot then = viewpoints.knownAsOf(account, key.change()).snapshot();
    StateFigures figures = ofStates.get(then.at(key.at()), StateFigures::of);
    boolean findings = key.findings() && then.placeCount() > 0 && then.placeCount() <= PLACES_FOR_FINDINGS;
    List<Finding> found = findings ? Findings.of(then, key.at(), key.settings().limits(), Rules.ALL.stream().filter(rule -> !key.settings().off().containsKey(rule.code())).toList()) : List.of();
    return new Month(key.at(), true, key.change(), figures.people(), figures.outsiders(), figures.breaks(), figures.entries(), number(findings, found, Severity.GRAVE), number(findings, found, Severity.SERIOUS), number(findings, found, Severity.UNTIDY));
  }

  private static Integer number(boolean looked, List<Finding> found, Severity severity) {
    return looked ? (int) found.stream().filter(finding -> finding.severity() == severity).count() : null;
  }
}
