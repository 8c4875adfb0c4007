package palegate.server.store;

import java.sql.SQLException;
import java.time.Duration;
import java.util.Set;
import java.util.function.Supplier;
import org.springframework.core.retry.RetryException;
import org.springframework.core.retry.RetryPolicy;
import org.springframework.core.retry.RetryTemplate;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Transactions that read as of one instant, and short ones that write. Nothing is computed inside them. They read what is committed at each statement, so that
 * what is locked first is read as it is; and one that the database gives up for another (a deadlock, a lock that is
 * not given in time, a certificate lost in a cluster) is tried again from the beginning, a bounded number of times.
 */
@Component
public class Transactions {
  private static final int TRIES_AGAIN = 8;
  /** MariaDB's codes for a lock that was not given in time, and for a deadlock. */
  private static final Set<Integer> GIVEN_UP = Set.of(1205, 1213);

  private final TransactionTemplate transaction;
  private final TransactionTemplate reading;
  private final RetryTemplate retry = new RetryTemplate(RetryPolicy.builder().predicate(Transactions::givenUp).maxRetries(TRIES_AGAIN)
      .delay(Duration.ofMillis(5)).jitter(Duration.ofMillis(5)).multiplier(2).maxDelay(Duration.ofMillis(200)).build());

  Transactions(PlatformTransactionManager manager) {
    transaction = new TransactionTemplate(manager);
    transaction.setIsolationLevel(TransactionDefinition.ISOLATION_READ_COMMITTED);
    reading = new TransactionTemplate(manager);
    reading.setIsolationLevel(TransactionDefinition.ISOLATION_REPEATABLE_READ);
    reading.setReadOnly(true);
  }

  /** Several readings as of one instant. */
  public <T> T read(Supplier<T> work) {
    return reading.execute(status -> work.get());
  }

  /** Does the work in a transaction and returns what it returns; it may be done more than once, so it must have no other effects. */
  public <T> T write(Supplier<T> work) {
    try {
      return retry.execute(() -> transaction.execute(status -> work.get()));
    } catch (RetryException gaveUp) {
      if (gaveUp.getCause() instanceof RuntimeException failed) {
        throw failed;
      }
      throw new IllegalStateException(gaveUp.getCause());
    }
  }

  public void run(Runnable work) {
    write(() -> {
      work.run();
      return null;
    });
  }

  private static boolean givenUp(Throwable failed) {
    for (Throwable cause = failed; cause != null; cause = cause.getCause()) {
      if (cause instanceof PessimisticLockingFailureException || cause instanceof SQLException sql && GIVEN_UP.contains(sql.getErrorCode())) {
        return true;
      }
    }
    return false;
  }
}
