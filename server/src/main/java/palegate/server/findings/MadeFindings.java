package palegate.server.findings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import palegate.core.collections.Later;
import palegate.core.duties.Duty;
import palegate.core.findings.Finding;
import palegate.core.findings.Findings;
import palegate.core.findings.KeptFindings;
import palegate.core.findings.Limits;
import palegate.core.findings.Rule;
import palegate.core.findings.Rules;
import palegate.core.snapshot.Snapshot;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.session.Accounts;
import palegate.server.session.MadeReady;
import palegate.server.session.Rooms;
import palegate.server.shell.Problem;
import palegate.server.store.FindingSettings;
import palegate.server.store.WeighedCache;
import palegate.server.viewpoint.Viewpoints;

/** What is found in the newest state, as far as an account's owner may know it; held while nothing changes, begins or ends. */
@Component
class MadeFindings implements MadeReady {
  /**
   * @param everything whether the asker administers everything, decided by duties
   * @param rules by which was looked: of a part of the repository only those that can be said of a part
   * @param kept what they found in the structure
   * @param findings that, and what they found in what people did
   */
  record Made(Snapshot snapshot, Instant at, boolean everything, Limits limits, List<Rule> rules, KeptFindings kept, List<Finding> findings) {

    /** The one with a key, or the refusal that says there is none. */
    Finding finding(String key) {
      return findings().stream().filter(finding -> finding.key().equals(key)).findFirst().orElseThrow(() -> Problem.notFound("finding", key));
    }
  }

  /** What is held must not hold the state that it is of: states are let go when nobody asks for them any more. */
  private record Found(Instant at, FindingSettings.Settings settings, Later<KeptFindings> findings) {}

  /** Days go by without anything beginning or ending: what is too long is so only after a while. */
  private static final Duration FRESH_FOR = Duration.ofMinutes(10);

  /** Of so many places in all: what somebody who may not know everything may know is a structure of its own, some 100 bytes a place. */
  private static final long PLACES_HELD = 4_000_000;

  private final Map<Boolean, Cache<Snapshot, Found>> held = Map.of(true, kept(), false, kept());
  /** What was found last, of all there is or of what one asker may know: the next is made from it. */
  private final WeighedCache<String, KeptFindings> last = new WeighedCache<>(PLACES_HELD, Duration.ofHours(1), found -> found.places() + 1);
  private final Viewpoints viewpoints;
  private final FindingSettings settings;
  private final KnownActivity activity;
  private final Accounts accounts;
  private final Clock clock;

  MadeFindings(Viewpoints viewpoints, FindingSettings settings, KnownActivity activity, Accounts accounts, Clock clock) {
    this.viewpoints = viewpoints;
    this.settings = settings;
    this.activity = activity;
    this.accounts = accounts;
    this.clock = clock;
  }

  private static Cache<Snapshot, Found> kept() {
    return Caffeine.newBuilder().weakKeys().expireAfterAccess(Duration.ofMinutes(10)).build();
  }

  Made of(String account) {
    Viewpoint viewpoint = viewpoints.of(account);
    Snapshot snapshot = viewpoint.snapshot();
    // Decided by duties, which the asker knows of, not by whether something is hidden, which they may not know.
    boolean everywhere = administersEverything(viewpoint.asker());
    FindingSettings.Settings house = settings.now();
    List<Rule> rules = rules(everywhere, house);
    Instant now = clock.instant();
    // Whoever asks while it is being looked waits for that, and does not look as well.
    Found found = held.get(everywhere).asMap().compute(snapshot, (state, known) -> known != null && known.settings().equals(house) && Duration.between(known.at(), now).abs().compareTo(FRESH_FOR) <= 0 && state.sameBetween(known.at(), now) ? known : new Found(now, house, new Later<>(() -> look(viewpoint.whole() ? everywhere + " all" : everywhere + " " + account, state, now, house.limits(), rules))));
    KeptFindings kept = found.findings().get();
    List<Finding> ofActivity = activity.findings(account, snapshot, now, house.limits(), rules);
    return new Made(snapshot, found.at(), everywhere, house.limits(), rules, kept, Findings.together(kept.findings(), ofActivity));
  }

  @Override
  public String room() {
    return "findings";
  }

  @Override
  public List<Object> makeReady(String account) {
    of(account);
    return List.of();
  }

  /** Whether an account's owner may come in, has the room, and has a finding among theirs. Only its own rule is asked. */
  boolean has(String account, Finding finding) {
    if (!accounts.isOpen(account) || !Rooms.of(viewpoints.asker(account), false).contains("findings")) {
      return false;
    }
    Viewpoint viewpoint = viewpoints.of(account);
    FindingSettings.Settings house = settings.now();
    List<Rule> rules = rules(administersEverything(viewpoint.asker()), house).stream().filter(rule -> rule.code().equals(finding.rule())).toList();
    Instant now = clock.instant();
    return Stream.concat(Findings.of(viewpoint.snapshot(), now, house.limits(), rules).stream(), activity.findings(account, viewpoint.snapshot(), now, house.limits(), rules).stream()).anyMatch(one -> one.key().equals(finding.key()));
  }

  private static List<Rule> rules(boolean everywhere, FindingSettings.Settings house) {
    return Rules.ALL.stream().filter(rule -> (everywhere || !rule.isOfWhole()) && !house.off().containsKey(rule.code())).toList();
  }

  private KeptFindings look(String of, Snapshot snapshot, Instant now, Limits limits, List<Rule> rules) {
    KeptFindings before = last.getIfPresent(of);
    KeptFindings found = before == null ? KeptFindings.of(snapshot, now, limits, rules) : before.next(snapshot, now, limits, rules);
    last.put(of, found);
    return found;
  }

  private static boolean administersEverything(Asker asker) {
    return asker.holds(Duty.AUDIT) || asker.holdsEverywhere(Duty.ACCESS);
  }
}
