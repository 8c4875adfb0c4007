package palegate.server.session;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import io.github.bucket4j.ConsumptionProbe;
import java.time.Duration;
import org.springframework.stereotype.Component;

/** Slows down guessing: a few failures for one login, more for one address, then a pause. */
@Component
class SignInLimit {
  private static final int FAILURES_FOR_A_LOGIN = 5;
  private static final int FAILURES_FOR_AN_ADDRESS = 30;
  private static final Duration PAUSE = Duration.ofMinutes(1);

  private final Cache<String, Bucket> logins = cache();
  private final Cache<String, Bucket> addresses = cache();

  /** Counts an attempt; the answer is how many seconds to wait, 0 if it may go on. */
  long attempt(String login, String address) {
    return Math.max(
        take(addresses.get(address, any -> bucket(FAILURES_FOR_AN_ADDRESS))),
        take(logins.get(login, any -> bucket(FAILURES_FOR_A_LOGIN))));
  }

  /** A success does not count, so that busy people are not slowed down. */
  void succeeded(String login, String address) {
    logins.invalidate(login);
    Bucket bucket = addresses.getIfPresent(address);
    if (bucket != null) {
      bucket.addTokens(1);
    }
  }

  private static long take(Bucket bucket) {
    ConsumptionProbe probe = bucket.tryConsumeAndReturnRemaining(1);
    return probe.isConsumed() ? 0 : Math.max(1, Duration.ofNanos(probe.getNanosToWaitForRefill()).toSeconds());
  }

  private static Bucket bucket(int attempts) {
    return Bucket.builder().addLimit(limit -> limit.capacity(attempts).refillIntervally(attempts, PAUSE)).build();
  }

  private static Cache<String, Bucket> cache() {
    return Caffeine.newBuilder().maximumSize(10_000).expireAfterAccess(PAUSE.multipliedBy(2)).build();
  }
}
