package palegate.core.collections;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.Executor;
import java.util.concurrent.ForkJoinPool;

/**
 * One piece of work after another, each beside whoever hands it on: what is made meanwhile can be handed on next. They run in the
 * order in which they were handed on, on a thread that is there already; at once where there is one processor only.
 */
public final class Beside {
  private static final Executor THREADS = ForkJoinPool.getCommonPoolParallelism() > 0 ? ForkJoinPool.commonPool() : Runnable::run;

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
