package palegate.server.store;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.Scheduler;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.function.ToIntFunction;

/**
 * Few large things, kept for as long as they are asked for, up to a weight together: then those go that were asked for longest ago. Caches that prefer what
 * was asked for often let nothing new in once they are full, and what somebody is at work on is new all the time.
 */
public final class WeighedCache<K, V> {
  private static final class Weighed<V> {
    private final V value;
    private final int weight;
    /** Which of all askings was the last for it. */
    private volatile long asked;

    private Weighed(V value, int weight) {
      this.value = value;
      this.weight = weight;
    }
  }

  private final Cache<K, Weighed<V>> cache;
  private final long atMost;
  private final ToIntFunction<V> weight;
  private final AtomicLong askings = new AtomicLong();

  /** @param atMost of all that is kept; the newest thing is kept whatever it weighs */
  public WeighedCache(long atMost, Duration keptFor, ToIntFunction<V> weight) {
    cache = Caffeine.newBuilder().expireAfterAccess(keptFor).scheduler(Scheduler.systemScheduler()).build();
    this.atMost = atMost;
    this.weight = weight;
  }

  /** What is kept, or what is made of it; null takes it away. Whoever asks for the same meanwhile waits for that. */
  public V compute(K key, BiFunction<K, V, V> making) {
    boolean[] isNew = {false};
    Weighed<V> kept = cache.asMap().compute(key, (any, known) -> {
      V value = making.apply(key, known == null ? null : known.value);
      if (value == null) {
        return null;
      }
      isNew[0] = known == null || known.value != value;
      Weighed<V> now = isNew[0] ? new Weighed<>(value, weight.applyAsInt(value)) : known;
      now.asked = askings.incrementAndGet();
      return now;
    });
    if (isNew[0]) {
      makeRoom();
    }
    return kept == null ? null : kept.value;
  }

  /** What is kept, or what is made now. */
  public V get(K key, Function<K, V> making) {
    return compute(key, (any, known) -> known != null ? known : making.apply(key));
  }

  /** What is kept; null if nothing is. */
  public V getIfPresent(K key) {
    return compute(key, (any, known) -> known);
  }

  public void put(K key, V value) {
    compute(key, (any, known) -> value);
  }

  /** The keys of what is kept; to look at them is not to ask for it. */
  public Set<K> keys() {
    return Set.copyOf(cache.asMap().keySet());
  }

  public void removeIf(Predicate<K> gone) {
    cache.asMap().keySet().removeIf(gone);
  }

  void empty() {
    cache.invalidateAll();
  }

  private record Asked<K, V>(K key, Weighed<V> kept, long last) {}

  private void makeRoom() {
    long together = 0;
    // Others go on asking: by when each was asked for as it is now.
    List<Asked<K, V>> newestFirst = new ArrayList<>();
    cache.asMap().forEach((key, kept) -> newestFirst.add(new Asked<>(key, kept, kept.asked)));
    newestFirst.sort(Comparator.comparingLong((Asked<K, V> one) -> one.last()).reversed());
    for (Asked<K, V> one : newestFirst) {
      together += one.kept().weight;
      if (together > atMost && one != newestFirst.get(0)) {
        cache.asMap().remove(one.key(), one.kept());
      }
    }
  }
}
