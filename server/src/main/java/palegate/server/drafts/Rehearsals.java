package palegate.server.drafts;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Component;
import palegate.core.changes.Change;
import palegate.core.changes.FormerPlace;
import palegate.core.changes.PlaceChange;
import palegate.core.rehearsal.Rehearsal;
import palegate.server.session.Accounts;
import palegate.server.store.Snapshots;
import palegate.server.store.StructureStore;

/**
 * Drafts rehearsed. The tray, the tree and the lists of one screen ask for the same rehearsal within moments, so it is kept;
 * but only of drafts that are committed, and only until anything in either state begins or ends.
 */
@Component
public class Rehearsals {
  private static final int KEPT_KILOBYTES_AT_MOST = 200_000;

  private record Key(long draft, int version, long change) {}

  private record Nothing(long change, Rehearsal rehearsal) {}

  private final Accounts accounts;
  private final StructureStore structures;
  private final Snapshots snapshots;
  private final Clock clock;
  /** In KB, as measured at a million documents: a quarter of a megabyte, and some 32 bytes for each place where anything changes. */
  private final Cache<Key, Rehearsal> kept = Caffeine.newBuilder().maximumWeight(KEPT_KILOBYTES_AT_MOST)
      .weigher((Key key, Rehearsal rehearsal) -> 256 + rehearsal.now().totals().places() / 32).expireAfterWrite(Duration.ofMinutes(2)).build();

  private final AtomicReference<Nothing> nothing = new AtomicReference<>();

  Rehearsals(Accounts accounts, StructureStore structures, Snapshots snapshots, Clock clock) {
    this.accounts = accounts;
    this.structures = structures;
    this.snapshots = snapshots;
    this.clock = clock;
  }

  /** The rehearsal of no change at all, which everybody without a draft shares. */
  public Rehearsal ofNothing(Snapshots.Numbered state) {
    Instant now = clock.instant();
    Nothing known = nothing.get();
    if (known == null || known.change() != state.change() || !known.rehearsal().saysTheSameAt(now)) {
      known = new Nothing(state.change(), Rehearsal.of(state.snapshot(), List.of(), now, null));
      nothing.set(known);
    }
    return known.rehearsal();
  }

  /** A draft that is committed as it is given, rehearsed now. */
  public Rehearsal now(DraftStore.Draft draft, Snapshots.Numbered state) {
    Instant now = clock.instant();
    return kept.asMap().compute(new Key(draft.id(), draft.version(), state.change()),
        (key, known) -> known != null && known.saysTheSameAt(now) ? known : of(draft, state, Drafts.changes(draft), now));
  }

  /** The same as if it were put in force at an instant. */
  public Rehearsal at(DraftStore.Draft draft, Snapshots.Numbered state, Instant instant) {
    return of(draft, state, Drafts.changes(draft), instant);
  }

  /** Keeps what was rehearsed before the draft was written so. */
  public void keep(DraftStore.Draft draft, Snapshots.Numbered state, Rehearsal rehearsal) {
    kept.put(new Key(draft.id(), draft.version(), state.change()), rehearsal);
  }

  public Rehearsal of(String owner, Snapshots.Numbered state, List<Change> changes, Instant instant) {
    return Rehearsal.of(state.snapshot(), changes, instant, accounts.find(owner).map(Accounts.Account::person).orElse(null), gone(state, changes)::get);
  }

  /** Whatever had the ids of places that are to come: an id never comes back for something else. */
  private Map<String, FormerPlace> gone(Snapshots.Numbered state, List<Change> changes) {
    List<String> coming = changes.stream().filter(change -> change instanceof PlaceChange.AddPlace).map(change -> ((PlaceChange.AddPlace) change).place())
        .filter(id -> state.snapshot().placeNumber(id) < 0).toList();
    Map<String, FormerPlace> gone = new HashMap<>();
    if (!coming.isEmpty()) {
      structures.goneWith(coming).forEach((id, change) -> gone.put(id, FormerPlace.in(snapshots.asOf(change - 1).snapshot(), id)));
    }
    return gone;
  }

  private Rehearsal of(DraftStore.Draft draft, Snapshots.Numbered state, List<Change> changes, Instant instant) {
    return of(draft.owner(), state, changes, instant);
  }
}
