package palegate.core.collections;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.Executor;
import java.util.concurrent.SynchronousQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;

/**
 * One piece of work after another, each beside whoever hands it on: what is made meanwhile can be handed on next. They run in the
 * order in which they were handed on. There is a thread for each processor, kept for such pieces alone, so that nobody waits for what takes
 * long elsewhere; where none is free, whoever hands on does the piece.
 */
public final class Beside {
  private static final int SECONDS_KEPT = 30;
  private static final Executor THREADS = new ThreadPoolExecutor(0, Runtime.getRuntime().availableProcessors(), SECONDS_KEPT, TimeUnit.SECONDS, new SynchronousQueue<>(), piece -> {
    Thread thread = new Thread(piece, "beside");
    thread.setDaemon(true);
    return thread;
  }, new ThreadPoolExecutor.CallerRunsPolicy());

  private CompletableFuture<Void> running = CompletableFuture.completedFuture(null);

  /** Waits for the piece before, and throws what it threw. */
  public void handOn(Runnable piece) {
    finish();
    running = CompletableFuture.runAsync(piece, THREADS);
  }

  /** Waits until all that was handed on is done, and throws what it threw. */
  public void finish() {
    try {
      running.join();
    } catch (CompletionException failed) {
      if (failed.getCause() instanceof RuntimeException cause) {
        throw cause;
      }
      throw failed;
    }
  }

  /** Waits until nothing runs any more, however it ended. */
  public void giveUp() {
    running.exceptionally(any -> null).join();
  }
}
