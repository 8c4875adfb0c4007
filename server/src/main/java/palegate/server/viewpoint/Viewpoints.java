package palegate.server.viewpoint;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Iterator;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Component;
import palegate.core.changes.Change;
import palegate.core.journal.Between;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.session.Accounts;
import palegate.server.store.Snapshots;
import palegate.server.store.StateCaches;
import palegate.server.store.WeighedCache;

/**
 * What an account's owner may know of the structure (access rules, section 9): decided by their duties, the walls and the instant of the
 * question. It is kept until any of that could be otherwise; whoever may know everything shares the state itself.
 */
@Component
public class Viewpoints {
  /** Some five of those who may know nearly everything of a million documents, or a hundred keepers of a library. */
  private static final int NEWEST_KILOBYTES_AT_MOST = 500_000;
  private static final int KEPT_KILOBYTES_AT_MOST = 300_000;
  /** Whoever has not asked for so long waits for what they may know to be cut. */
  private static final Duration FOLLOWED_FOR = Duration.ofMinutes(10);
  private static final Duration KEPT_FOR = Duration.ofMinutes(30);
  /** When somebody asked last is known to a minute. */
  private static final Duration LATELY = Duration.ofMinutes(1);

  /** @param asked when they asked last */
  private record Newest(Viewpoint viewpoint, Instant asked) {}

  /** @param asked the change whose state is looked at */
  private record Key(long change, String person, long asked) {}

  private final Accounts accounts;
  private final Snapshots snapshots;
  private final Clock clock;
  /** What each person, who may not know everything, could know of the newest state: made again after each change, before they ask. */
  private final WeighedCache<String, Newest> newest = new WeighedCache<>(NEWEST_KILOBYTES_AT_MOST, KEPT_FOR, one -> kilobytes(one.viewpoint()));
  private final WeighedCache<Key, Viewpoint> kept;

  Viewpoints(Accounts accounts, Snapshots snapshots, StateCaches caches, Clock clock) {
    this.accounts = accounts;
    this.snapshots = snapshots;
    this.clock = clock;
    kept = caches.kept(new WeighedCache<>(KEPT_KILOBYTES_AT_MOST, KEPT_FOR, Viewpoints::kilobytes));
    caches.following(this::follow);
  }

  /** As measured at a million documents: of a small part a kilobyte a place; what shares with the state whatever is the same, a twelfth of that. */
  static int kilobytes(Viewpoint viewpoint) {
    int places = viewpoint.snapshot().placeCount();
    return viewpoint.whole() ? 0 : 100 + (places <= viewpoint.asker().state().snapshot().placeCount() / 2 ? places : places / 12);
  }

  public Asker asker(String account) {
    return accounts.asker(account);
  }

  /** Of the newest state. */
  public Viewpoint of(String account) {
    Snapshots.Numbered now = snapshots.current();
    return of(account, now, now);
  }

  /** Of the state as of an earlier change: as may be known of it today. */
  public Viewpoint asOf(String account, long change) {
    return of(account, snapshots.current(), snapshots.asOf(change));
  }

  /** The newest state as far as an account's owner may know it. */
  public Snapshots.Numbered known(String account) {
    Snapshots.Numbered now = snapshots.current();
    return new Snapshots.Numbered(now.change(), of(account, now, now).snapshot());
  }

  /** The state as of an earlier change, as far as may be known of it today. */
  public Snapshots.Numbered knownAsOf(String account, long change) {
    return known(account, snapshots.asOf(change));
  }

  /** Any state, as far as may be known of it today. */
  public Snapshots.Numbered known(String account, Snapshots.Numbered state) {
    return new Snapshots.Numbered(state.change(), of(account, snapshots.current(), state).snapshot());
  }

  /** Every state of a history, as far as may be known of it today. */
  public List<Between.State> known(String account, List<Between.State> states) {
    return of(account).whole() ? states : states.stream()
        .map(state -> new Between.State(state.change(), state.since(), known(account, new Snapshots.Numbered(state.change(), state.snapshot())).snapshot())).toList();
  }

  /** The same of states that are made one after the other. */
  public Iterator<Between.State> known(String account, Iterator<Between.State> states) {
    if (of(account).whole()) {
      return states;
    }
    return new Iterator<>() {
      @Override
      public boolean hasNext() {
        return states.hasNext();
      }

      @Override
      public Between.State next() {
        Between.State state = states.next();
        return new Between.State(state.change(), state.since(), known(account, new Snapshots.Numbered(state.change(), state.snapshot())).snapshot());
      }
    };
  }

  public Structure structureAsOf(String account, long change) {
    return knownAsOf(account, change).snapshot().structure();
  }

  /** Whoever replaces a thing of which they know a part keeps the part that they do not know, as far as it is in a structure. */
  public List<Change> withWhatIsNotKnown(String account, List<Change> changes, Structure structure) {
    Viewpoint viewpoint = of(account);
    return viewpoint.whole() ? changes : changes.stream().map(change -> viewpoint.withWhatIsNotKnown(change, structure)).toList();
  }

  private Viewpoint of(String account, Snapshots.Numbered now, Snapshots.Numbered asked) {
    Asker asker = accounts.asker(account);
    if (now.snapshot() != asker.state().snapshot()) {
      // A state that was published since the asker was made out: the newest one decides.
      return Viewpoint.of(asker, asked.snapshot());
    }
    Instant instant = asker.state().instant();
    Viewpoint viewpoint = kept.compute(new Key(now.change(), Objects.requireNonNullElse(asker.id(), ""), asked.change()), (key, known) ->
        known != null && known.asker().state().snapshot() == asker.state().snapshot() && known.asker().state().snapshot().sameBetween(known.asker().state().instant(), instant)
            ? known : made(key, asker, asked.snapshot()));
    if (!viewpoint.whole() && asker.id() != null) {
      newest.compute(asker.id(), (any, known) -> known == null || Duration.between(known.asked(), instant).compareTo(LATELY) < 0 ? known : new Newest(known.viewpoint(), instant));
    }
    return viewpoint;
  }

  private Viewpoint made(Key key, Asker asker, Snapshot state) {
    if (key.asked() != key.change()) {
      return Viewpoint.of(asker, state);
    }
    return asker.id() == null ? Viewpoint.of(asker, state) : madeNewest(asker, state, asker.state().instant());
  }

  /** Whoever asks while it is made waits for that. */
  private Viewpoint madeNewest(Asker asker, Snapshot state, Instant asked) {
    Viewpoint[] made = {null};
    newest.compute(asker.id(), (person, known) -> {
      Newest now = made(known, asker, state, asked);
      made[0] = now.viewpoint();
      return made[0].whole() ? null : now;
    });
    return made[0];
  }

  /** From what they could know before. */
  private static Newest made(Newest known, Asker asker, Snapshot state, Instant asked) {
    Viewpoint before = known == null ? null : known.viewpoint();
    boolean isSo = before != null && before.asker().state().snapshot() == state && state.sameBetween(before.asker().state().instant(), asker.state().instant());
    return isSo ? known : new Newest(Viewpoint.of(asker, state, before), asked);
  }

  /** Whoever has asked lately will ask again: what they may know then is made meanwhile, and holds no state that was superseded. */
  private void follow(Snapshots.Numbered state) {
    SnapshotAt at = state.snapshot().at(clock.instant());
    newest.keys().forEach(person -> newest.compute(person, (any, known) -> {
      boolean lately = known != null && Duration.between(known.asked(), at.instant()).compareTo(FOLLOWED_FOR) < 0;
      Newest made = lately ? made(known, Asker.of(at, person), state.snapshot(), known.asked()) : null;
      return made == null || made.viewpoint().whole() ? null : made;
    }));
  }
}
