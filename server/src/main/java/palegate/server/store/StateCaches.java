package palegate.server.store;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/**
 * What is kept of a state only for as long as it is the newest one. A state that was superseded takes up to 33 MB beside the next at a million
 * documents, and whatever was worked out of it holds it: so all of that is let go when another is in force. Nobody asks for it any more, since the state
 * is part of what it is asked by.
 */
@Component
public class StateCaches implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(StateCaches.class);

  private final List<Consumer<Snapshots.Numbered>> followers = new CopyOnWriteArrayList<>();
  private final List<WeighedCache<?, ?>> caches = new CopyOnWriteArrayList<>();
  /** The newest state of which that has not been done. */
  private final AtomicReference<Snapshots.Numbered> published = new AtomicReference<>();
  /** In a thread of its own: whatever is being worked out in a cache is waited for. */
  private final ThreadPoolExecutor worker = new ThreadPoolExecutor(0, 1, 10, TimeUnit.SECONDS, new ArrayBlockingQueue<>(1), work -> {
    Thread thread = new Thread(work, "state-caches");
    thread.setDaemon(true);
    return thread;
  }, new ThreadPoolExecutor.DiscardPolicy());

  /** A cache that is emptied when another state is in force. */
  public <K, V> WeighedCache<K, V> kept(WeighedCache<K, V> cache) {
    caches.add(cache);
    return cache;
  }

  /** The same of so many things, whatever each of them takes. */
  public <K, V> WeighedCache<K, V> few(int atMost, Duration keptFor) {
    return kept(new WeighedCache<>(atMost, keptFor, any -> 1));
  }

  /** What is to be made of a state that has come in force, before everything of the one before is let go. Of several that come at once, of the last. */
  public void following(Consumer<Snapshots.Numbered> follower) {
    followers.add(follower);
  }

  void published(Snapshots.Numbered state) {
    published.set(state);
    worker.execute(this::letGo);
  }

  private void letGo() {
    for (Snapshots.Numbered state = published.getAndSet(null); state != null; state = published.getAndSet(null)) {
      Snapshots.Numbered newest = state;
      try {
        followers.forEach(follower -> follower.accept(newest));
      } catch (RuntimeException | OutOfMemoryError failed) {
        // Whoever asks works it out for themself.
        LOG.warn("What was known of the state before could not be followed", failed);
      } finally {
        caches.forEach(WeighedCache::empty);
      }
    }
  }

  @Override
  public void destroy() {
    worker.shutdownNow();
  }
}
