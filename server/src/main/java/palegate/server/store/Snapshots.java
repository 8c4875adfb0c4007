package palegate.server.store;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Component;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/**
 * The structure in memory. The database is the truth: every request asks for the newest change
 * number and follows it, so any number of instances and tools can serve one database.
 */
@Component
public class Snapshots {
  /** A snapshot and the change that it is as of. */
  public record Numbered(long change, Snapshot snapshot) {}

  private static final int EARLIER_KEPT = 4;

  private final StructureStore store;
  private final RequestFacts facts;
  private final Clock clock;
  private final StateCaches caches;
  private final AtomicReference<Numbered> newest = new AtomicReference<>();
  private final WeighedCache<Long, Numbered> earlier = new WeighedCache<>(EARLIER_KEPT, Duration.ofMinutes(30), any -> 1);

  Snapshots(StructureStore store, RequestFacts facts, StateCaches caches, Clock clock) {
    this.caches = caches;
    this.store = store;
    this.facts = facts;
    this.clock = clock;
  }

  /**
   * The state as of the newest change in the database, the same one for all of a question. One that another instance has put in
   * force is followed: the next state is made from the known one and what was altered since.
   */
  public Numbered current() {
    return facts.state(this::ofTheDatabase);
  }

  private Numbered ofTheDatabase() {
    Long asked = facts.head();
    long head = asked == null ? store.head() : asked;
    Numbered known = newest.get();
    return known != null && known.change() >= head ? known : follow(head);
  }

  private synchronized Numbered follow(long head) {
    Numbered known = newest.get();
    if (known == null || known.change() < head) {
      publish(known == null ? new Numbered(head, Snapshot.of(store.asOf(head))) : following(known));
    }
    return newest.get();
  }

  /**
   * The newest state, from one that was known. O(what has been altered since): what holds now is worked out from what held before the
   * change, which is why it is asked for before the two are parted.
   */
  public Numbered following(Numbered known) {
    StructureStore.Newest now = store.newest(known.snapshot().structure(), known.change());
    Snapshot next = known.snapshot().next(now.structure());
    next.at(clock.instant());
    return new Numbered(now.change(), next.detached());
  }

  /** The state as of an earlier change. */
  public Numbered asOf(long change) {
    Numbered current = current();
    if (change == current.change()) {
      return current;
    }
    return earlier.get(change, number -> new Numbered(number, current.snapshot().next(earlierThan(current, number)).detached()));
  }

  /** The structure as of any change, where nobody asks what it means. O(what has been altered since). */
  public Structure structureAsOf(long change) {
    Numbered current = current();
    return change == current.change() ? current.snapshot().structure() : earlierThan(current, change);
  }

  private Structure earlierThan(Numbered current, long change) {
    return store.earlier(current.snapshot().structure(), current.change(), change);
  }

  /** Makes a state that has just been put in force the current one, unless a newer one is known. */
  public void publish(Numbered state) {
    Numbered now = newest.accumulateAndGet(state, (known, offered) -> known == null || known.change() < offered.change() ? offered : known);
    if (now == state) {
      caches.published(state);
    }
  }
}
