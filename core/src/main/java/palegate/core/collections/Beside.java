package palegate.core.collections;

import java.util.ArrayDeque;
import java.util.Deque;
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

  private final int ahead;
  /** Those that may not be done yet, in order: each begins when the one before it is done. */
  private final Deque<CompletableFuture<Void>> open = new ArrayDeque<>();

  public Beside() {
    this(1);
  }

  /** @param ahead so many pieces may be handed on before the first of them is done: each holds what it is about */
  public Beside(int ahead) {
    this.ahead = ahead;
  }

  /** Waits until fewer are open than may be, and throws what one of them threw. */
  public void handOn(Runnable piece) {
    while (open.size() >= ahead) {
      await(open.peekFirst());
      open.removeFirst();
    }
    CompletableFuture<Void> before = open.peekLast();
    open.addLast(before == null ? CompletableFuture.runAsync(piece, THREADS) : before.thenRunAsync(piece, THREADS));
  }

  /** Waits until all that was handed on is done, and throws what it threw. */
  public void finish() {
    while (!open.isEmpty()) {
      await(open.peekFirst());
      open.removeFirst();
    }
  }

  private static void await(CompletableFuture<Void> piece) {
    try {
      piece.join();
    } catch (CompletionException failed) {
      if (failed.getCause() instanceof RuntimeException cause) {
        throw cause;
      }
      throw failed;
    }
  }

  /** Waits until nothing runs any more, however it ended. */
  public void giveUp() {
    open.forEach(piece -> piece.exceptionally(any -> null).join());
    open.clear();
  }
}
