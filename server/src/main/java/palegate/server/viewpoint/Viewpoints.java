package palegate.server.viewpoint;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.Iterator;
import java.util.List;
import java.util.Objects;
import org.springframework.stereotype.Component;
import palegate.core.changes.Change;
import palegate.core.journal.Between;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.session.Accounts;
import palegate.server.store.Snapshots;

/**
 * What an account's owner may know of the structure (access rules, section 9): decided by their duties, the walls and the instant of the
 * question. It is kept until any of that could be otherwise; whoever may know everything shares the state itself.
 */
@Component
public class Viewpoints {
  /** In places: a state cut afresh takes some half a kilobyte for each. */
  private static final int PLACES_KEPT_AT_MOST = 1_500_000;
  private static final int PEOPLE_FOLLOWED_AT_MOST = 10_000;

  /** @param asked the change whose state is looked at */
  private record Key(long change, String person, long asked) {}

  private final Accounts accounts;
  private final Snapshots snapshots;
  /** What was made last for each person, of the newest state then: what they may know after a change is made from it, if it is kept still. */
  private final Cache<String, Viewpoint> newest = Caffeine.newBuilder().weakValues().maximumSize(PEOPLE_FOLLOWED_AT_MOST).build();
  private final Cache<Key, Viewpoint> kept = Caffeine.newBuilder().maximumWeight(PLACES_KEPT_AT_MOST)
      .weigher((Key key, Viewpoint viewpoint) -> viewpoint.whole() ? 1 : 100 + viewpoint.snapshot().placeCount()).expireAfterAccess(Duration.ofMinutes(30)).build();

  Viewpoints(Accounts accounts, Snapshots snapshots) {
    this.accounts = accounts;
    this.snapshots = snapshots;
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
    return kept.asMap().compute(new Key(now.change(), Objects.requireNonNullElse(asker.id(), ""), asked.change()), (key, known) ->
        known != null && known.asker().state().snapshot() == asker.state().snapshot() && known.asker().state().snapshot().sameBetween(known.asker().state().instant(), asker.state().instant())
            ? known : made(key, asker, asked.snapshot()));
  }

  private Viewpoint made(Key key, Asker asker, Snapshot state) {
    if (key.asked() != key.change()) {
      return Viewpoint.of(asker, state);
    }
    Viewpoint viewpoint = Viewpoint.of(asker, state, newest.getIfPresent(key.person()));
    if (viewpoint.whole()) {
      newest.invalidate(key.person());
    } else {
      newest.put(key.person(), viewpoint);
    }
    return viewpoint;
  }
}
