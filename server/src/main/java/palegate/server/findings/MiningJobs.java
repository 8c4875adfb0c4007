package palegate.server.findings;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.RejectedExecutionException;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import palegate.core.mining.Mining;
import palegate.core.mining.Proposal;
import palegate.core.snapshot.Snapshot;
import palegate.server.changes.NewIds;
import palegate.server.shell.Problem;

/**
 * Looks in the background for ways to say the same with less, one state at a time in each instance. What was found is held while nothing changes,
 * begins or ends; whoever may know the same state shares it.
 */
@Component
class MiningJobs implements DisposableBean {
  private static final Logger LOG = LoggerFactory.getLogger(MiningJobs.class);
  private static final Duration AT_MOST = Duration.ofMinutes(15);
  private static final int WAITING_AT_MOST = 8;

  /** How far one is, or what it found. */
  static final class Job {
    /** @param kind what is being tried; null while it waits */
    record Stand(Proposal.Kind kind, int tried, int candidates, int saved) {}

    private final Instant at;
    private volatile Stand stand = new Stand(null, 0, 0, 0);
    private volatile boolean calledOff;
    private volatile Mining.Found found;
    private volatile boolean failed;

    private Job(Instant at) {
      this.at = at;
    }

    /** The state as of which it looks. */
    Instant at() {
      return at;
    }

    Stand stand() {
      return stand;
    }

    Optional<Mining.Found> found() {
      return Optional.ofNullable(found);
    }

    boolean failed() {
      return failed;
    }

    void callOff() {
      calledOff = true;
    }

    private void look(Snapshot snapshot) {
      long until = System.nanoTime() + AT_MOST.toNanos();
      try {
        found = Mining.of(snapshot, at, () -> NewIds.of("e"), (kind, tried, candidates, saved) -> {
          stand = new Stand(kind, tried, candidates, saved);
          return !calledOff && System.nanoTime() < until;
        });
      } catch (RuntimeException | OutOfMemoryError broken) {
        LOG.error("It could not be looked how the same is said with less", broken);
        failed = true;
      }
    }
  }

  private final Cache<Snapshot, Job> jobs = Caffeine.newBuilder().weakKeys().maximumSize(100).expireAfterAccess(Duration.ofMinutes(30)).build();
  private final ThreadPoolExecutor worker = new ThreadPoolExecutor(1, 1, 0, TimeUnit.SECONDS, new ArrayBlockingQueue<>(WAITING_AT_MOST), work -> {
    Thread thread = new Thread(work, "mining");
    thread.setDaemon(true);
    thread.setPriority(Thread.MIN_PRIORITY);
    return thread;
  });
  private final Clock clock;

  MiningJobs(Clock clock) {
    this.clock = clock;
  }

  /** The one of a state, if it was begun and is not of a time in which something else held. */
  Optional<Job> of(Snapshot snapshot) {
    return Optional.ofNullable(jobs.getIfPresent(snapshot)).filter(job -> snapshot.sameBetween(job.at(), clock.instant()));
  }

  /** Begins one, unless there is one that goes on or is done. */
  Job begin(Snapshot snapshot) {
    Instant now = clock.instant();
    return jobs.asMap().compute(snapshot, (state, known) -> {
      if (known != null && !known.failed && !known.calledOff && state.sameBetween(known.at(), now)) {
        return known;
      }
      Job job = new Job(now);
      try {
        worker.execute(() -> job.look(state));
      } catch (RejectedExecutionException full) {
        throw Problem.of(HttpStatus.SERVICE_UNAVAILABLE, "busy", "Others are being looked at", "As many states as may wait are waiting to be looked through already. Try again in some minutes.");
      }
      return job;
    });
  }

  @Override
  public void destroy() {
    jobs.asMap().values().forEach(Job::callOff);
    worker.shutdownNow();
  }
}
