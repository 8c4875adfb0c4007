package palegate.server.drafts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;
import palegate.core.drafts.Change;
import palegate.core.drafts.Rehearsal;
import palegate.server.session.Accounts;
import palegate.server.store.Snapshots;

/**
 * Drafts rehearsed. The tray, the tree and the lists of one screen ask for the same rehearsal within moments, so it is kept;
 * but only of drafts that are committed, and only until anything in either state begins or ends.
 */
@Component
class Rehearsals {
  private record Key(long draft, int version, long change) {}

  private final Accounts accounts;
  private final Clock clock;
  private final Cache<Key, Rehearsal> kept = Caffeine.newBuilder().maximumSize(20).expireAfterWrite(Duration.ofMinutes(2)).build();

  Rehearsals(Accounts accounts, Clock clock) {
    this.accounts = accounts;
    this.clock = clock;
  }

  /** A draft that is committed as it is given, rehearsed now. */
  Rehearsal now(DraftStore.Draft draft, Snapshots.Numbered state) {
    Instant now = clock.instant();
    return kept.asMap().compute(new Key(draft.id(), draft.version(), state.change()),
        (key, known) -> known != null && known.saysTheSameAt(now) ? known : of(draft, state, Drafts.changes(draft), now));
  }

  /** The same as if it were put in force at an instant. */
  Rehearsal at(DraftStore.Draft draft, Snapshots.Numbered state, Instant instant) {
    return of(draft, state, Drafts.changes(draft), instant);
  }

  /** Keeps what was rehearsed before the draft was written so. */
  void keep(DraftStore.Draft draft, Snapshots.Numbered state, Rehearsal rehearsal) {
    kept.put(new Key(draft.id(), draft.version(), state.change()), rehearsal);
  }

  Rehearsal of(String owner, Snapshots.Numbered state, List<Change> changes, Instant instant) {
    return Rehearsal.of(state.snapshot(), changes, instant, accounts.find(owner).map(Accounts.Account::person).orElse(null));
  }

  private Rehearsal of(DraftStore.Draft draft, Snapshots.Numbered state, List<Change> changes, Instant instant) {
    return of(draft.owner(), state, changes, instant);
  }
}
