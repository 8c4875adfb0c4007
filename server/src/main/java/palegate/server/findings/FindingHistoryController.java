package palegate.server.findings;

import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.findings.Finding;
import palegate.core.findings.FindingSince;
import palegate.core.findings.FindingsGone;
import palegate.core.findings.Rules;
import palegate.core.findings.Severity;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.ChangeLog;
import palegate.server.store.History;
import palegate.server.viewpoint.KnownChanges;
import palegate.server.viewpoint.Viewpoints;

/** By which change findings came and went, worked out from the journal. */
@RestController
@RequestMapping("/api/findings")
class FindingHistoryController {
  /** @param change missing if it came by a date, or with one that is not known */
  record SinceView(boolean known, boolean byDate, @MayBeMissing Instant at, @MayBeMissing CameWith change) {}

  /**
   * One that is there no more.
   *
   * @param went the change with which it went; missing if it went by a date, or with one that may not be known
   */
  record GoneView(String text, String rule, Severity severity, SinceView came, Instant at, boolean byDate, @MayBeMissing CameWith went) {}

  /**
   * Those that went in the last days, the last first.
   *
   * @param from since when it was looked
   * @param all how many there are; no more than some hundreds are listed
   */
  record GoneFindings(Instant from, int all, List<GoneView> gone) {}

  record CameWith(long number, String author, String note) {}

  private static final int GONE_DAYS_AT_MOST = 366;
  private static final int GONE_AT_MOST = 300;
  private static final Duration LOOKED_BACK_FOR = Duration.ofSeconds(10);

  private final MadeFindings made;
  private final History history;
  private final KnownChanges changes;
  private final ChangeLog log;
  private final Viewpoints viewpoints;
  private final Clock clock;

  FindingHistoryController(MadeFindings made, History history, KnownChanges changes, ChangeLog log, Viewpoints viewpoints, Clock clock) {
    this.made = made;
    this.history = history;
    this.changes = changes;
    this.log = log;
    this.viewpoints = viewpoints;
    this.clock = clock;
  }

  /** Since when one has been there: with which change it came, or that it came by a date. */
  @GetMapping("/since")
  SinceView since(@RequestParam String key, Principal who) {
    new Written().text("key", key).refuse("There is no such finding.");
    MadeFindings.Made all = made.of(who.getName());
    Finding finding = all.finding(key);
    if (!isDated(all, finding)) {
      return new SinceView(false, false, null, null);
    }
    long until = System.nanoTime() + LOOKED_BACK_FOR.toNanos();
    FindingSince since = FindingSince.of(viewpoints.known(who.getName(), history.newestFirst(Instant.EPOCH, clock.instant())), Rules.of(finding.rule()).orElseThrow(), all.limits(), key, () -> System.nanoTime() > until);
    return view(since, told(who.getName(), Set.of(since.change())));
  }

  /** What people did, other than changes, is not rebuilt for earlier instants. */
  static boolean isDated(MadeFindings.Made all, Finding finding) {
    return all.kept().findings().contains(finding);
  }

  private static SinceView view(FindingSince since, Map<Long, CameWith> told) {
    return new SinceView(since.known(), since.byDate(), since.at(), told.get(since.change()));
  }

  /** Some changes, as far as they may be known, by number. */
  private Map<Long, CameWith> told(String account, Set<Long> numbers) {
    Map<Long, KnownChanges.Known> known = changes.to(account);
    return log.find(numbers).stream().filter(change -> known == null || known.containsKey(change.number())).map(change -> known == null ? change : KnownChanges.told(change, known))
        .collect(Collectors.toMap(ChangeLog.Logged::number, change -> new CameWith(change.number(), change.authorName(), change.note())));
  }

  /** What was there in the last days and is there no more: by which change it came and went. */
  @GetMapping("/gone")
  GoneFindings gone(@RequestParam(defaultValue = "30") int days, Principal who) {
    if (days < 1 || days > GONE_DAYS_AT_MOST) {
      throw Problem.faults("It was not looked back.", List.of(new Problem.Fault("days", "It is not looked back for " + days + " days.", "Take from 1 to " + GONE_DAYS_AT_MOST + " days.")));
    }
    MadeFindings.Made all = made.of(who.getName());
    Instant now = clock.instant();
    long until = System.nanoTime() + LOOKED_BACK_FOR.toNanos();
    Instant from = now.minus(Duration.ofDays(days));
    FindingsGone found = FindingsGone.before(now, viewpoints.known(who.getName(), history.newestFirst(from, now)), all.kept(), all.limits(), all.rules(), () -> System.nanoTime() > until);
    List<FindingsGone.Gone> gone = found.gone().stream().limit(GONE_AT_MOST).toList();
    Map<Long, CameWith> told = told(who.getName(), gone.stream().flatMap(one -> Stream.of(one.change(), one.came().change())).collect(Collectors.toSet()));
    return new GoneFindings(found.lookedFrom(), found.gone().size(), gone.stream()
        .map(one -> new GoneView(one.finding().text(), one.finding().rule(), one.finding().severity(), view(one.came(), told), one.at(), one.byDate(), told.get(one.change()))).toList());
  }
}
