package palegate.server.drafts;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;
import palegate.core.changes.Change;
import palegate.core.changes.FormerPlace;
import palegate.core.changes.PlaceChange;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.snapshot.Snapshot;
import palegate.server.session.Accounts;
import palegate.server.store.Snapshots;
import palegate.server.store.StateCaches;
import palegate.server.store.WeighedCache;
import palegate.server.store.StructureStore;
import palegate.server.viewpoint.Viewpoints;

/**
 * Drafts rehearsed. The tray, the tree and the lists of one screen ask for the same rehearsal within moments, so it is kept;
 * but only of drafts that are committed, and only until anything in either state begins or ends.
 */
@Component
public class Rehearsals {
  private static final int KEPT_KILOBYTES_AT_MOST = 200_000;

  /** @param base what it is rehearsed on: the state of the change as whoever asks may know it */
  private record Key(long draft, int version, long change, Snapshot base) {}

  private final Accounts accounts;
  private final StructureStore structures;
  private final Snapshots snapshots;
  private final Viewpoints viewpoints;
  private final Clock clock;
  private final WeighedCache<Key, Rehearsal> kept;
  private final WeighedCache<Snapshot, Rehearsal> nothing;

  Rehearsals(Accounts accounts, StructureStore structures, Snapshots snapshots, Viewpoints viewpoints, StateCaches caches, Clock clock) {
    this.accounts = accounts;
    this.structures = structures;
    this.snapshots = snapshots;
    this.viewpoints = viewpoints;
    this.clock = clock;
    kept = caches.kept(new WeighedCache<>(KEPT_KILOBYTES_AT_MOST, Duration.ofMinutes(2), Rehearsals::kilobytes));
    nothing = caches.few(64, Duration.ofMinutes(10));
  }

  /**
   * As measured at a million documents: a quarter of a megabyte, some 32 bytes for each place where anything changes, a tree that is laid
   * out anew where places come, go, move or are called otherwise: up to 25 MB, and up to 0.8 KB for each person where people or groups are others.
   */
  static int kilobytes(Rehearsal rehearsal) {
    boolean people = !rehearsal.altered().people().isEmpty() || !rehearsal.altered().groups().isEmpty() || !rehearsal.altered().units().isEmpty();
    return 256 + (people ? rehearsal.after().personCount() * 4 / 5 : 0) + rehearsal.now().totals().places() / 32 + (int) (rehearsal.after().bytesBeside(rehearsal.before()) / 1024);
  }

  /** The rehearsal of no change at all, which everybody without a draft shares who may know the same. */
  public Rehearsal ofNothing(Snapshots.Numbered state) {
    Instant now = clock.instant();
    return nothing.compute(state.snapshot(), (key, known) -> known != null && known.saysTheSameAt(now) ? known : Rehearsal.of(key, List.of(), now, null));
  }

  /** A draft that is committed as it is given, rehearsed now. */
  public Rehearsal now(DraftStore.Draft draft, Snapshots.Numbered state) {
    Instant now = clock.instant();
    return kept.compute(new Key(draft.id(), draft.version(), state.change(), state.snapshot()),
        (key, known) -> known != null && known.saysTheSameAt(now) ? known : of(draft, state, Drafts.changes(draft), now));
  }

  /** The same as if it were put in force at an instant. */
  public Rehearsal at(DraftStore.Draft draft, Snapshots.Numbered state, Instant instant) {
    return of(draft, state, Drafts.changes(draft), instant);
  }

  /** Keeps what was rehearsed before the draft was written so. */
  public void keep(DraftStore.Draft draft, Snapshots.Numbered state, Rehearsal rehearsal) {
    // Nobody looks at a draft as it was two changes ago; where places are drafted each state of it is large.
    kept.removeIf(key -> key.draft() == draft.id() && key.version() < draft.version() - 1);
    kept.put(new Key(draft.id(), draft.version(), state.change(), state.snapshot()), rehearsal);
  }

  /** Nobody looks at a draft that was discarded. */
  public void forget(long draft) {
    kept.removeIf(key -> key.draft() == draft);
  }

  public Rehearsal of(String owner, Snapshots.Numbered state, List<Change> changes, Instant instant) {
    List<Change> meant = viewpoints.withWhatIsNotKnown(owner, changes, state.snapshot().structure());
    return Rehearsal.of(state.snapshot(), meant, instant, accounts.find(owner).map(Accounts.Account::person).orElse(null), gone(state, changes)::get);
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
