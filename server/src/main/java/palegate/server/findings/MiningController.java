package palegate.server.findings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.collections.Later;
import palegate.core.duties.Duty;
import palegate.core.mining.Mining;
import palegate.core.mining.Proposal;
import palegate.core.snapshot.Snapshot;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.changes.ChangeBody;
import palegate.server.changes.NewIds;
import palegate.server.shell.Problem;
import palegate.server.viewpoint.Viewpoints;

/** How the same could be said with fewer entries: for whoever administers everything, since of a part it would not be known what else an entry gives. */
@RestController
class MiningController {
  record ProposalView(Proposal.Kind kind, String words, int saves, List<ChangeBody> changes) {}

  /**
   * What was found. Each proposal stands on those before it: they are taken up to one, or all.
   *
   * @param before how many entries there are
   * @param after how many there would be
   * @param cut whether time ran out before everything was tried
   */
  record MiningView(int before, int after, int tried, boolean cut, List<ProposalView> proposals) {}

  private static final Duration LOOKED_FOR = Duration.ofSeconds(60);
  private static final int PLACES_AT_MOST = 100_000;

  private record Found(Instant at, Later<Mining.Found> mined) {}

  private final Cache<Snapshot, Found> held = Caffeine.newBuilder().weakKeys().expireAfterAccess(Duration.ofMinutes(10)).build();
  private final Viewpoints viewpoints;
  private final Clock clock;

  MiningController(Viewpoints viewpoints, Clock clock) {
    this.viewpoints = viewpoints;
    this.clock = clock;
  }

  @GetMapping("/api/findings/mining")
  MiningView mining(Principal who) {
    Viewpoint viewpoint = viewpoints.of(who.getName());
    if (!viewpoint.asker().holds(Duty.AUDIT) && !viewpoint.asker().holdsEverywhere(Duty.ACCESS)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "not-of-a-part", "Only for the whole", "How the same could be said with fewer entries is worked out only for whoever administers the whole repository.");
    }
    Snapshot snapshot = viewpoint.snapshot();
    if (snapshot.placeCount() > PLACES_AT_MOST) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-large", "Too large to look through here", "In a repository of more than 100,000 places it would take too long.");
    }
    Instant now = clock.instant();
    Mining.Found found = held.asMap().compute(snapshot, (state, known) -> known != null && state.sameBetween(known.at(), now) ? known : new Found(now, new Later<>(() -> mined(state, now)))).mined().get();
    return new MiningView(found.before(), found.after(), found.tried(), found.cut(), found.proposals().stream().map(one -> new ProposalView(one.kind(), one.words(), one.saves(), one.changes().stream().map(ChangeBody::of).toList())).toList());
  }

  private static Mining.Found mined(Snapshot snapshot, Instant now) {
    long until = System.nanoTime() + LOOKED_FOR.toNanos();
    return Mining.of(snapshot, now, () -> NewIds.of("e"), () -> System.nanoTime() > until);
  }
}
