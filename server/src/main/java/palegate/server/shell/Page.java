package palegate.server.shell;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;

/** A part of a list: how long the whole is, and the items from an offset on. */
public record Page<T>(long total, long offset, List<T> items) {
  public static final int LIMIT = 500;

  /**
   * A part of a list that is not made whole.
   *
   * @param from its items from the offset on; only those of the part are made into views
   */
  public static <S, T> Page<T> of(long total, Stream<S> from, long offset, int limit, Function<? super S, T> view) {
    return new Page<>(total, offset, from.limit(within(limit)).<T>map(view).toList());
  }

  /** A part of a list that is known. */
  public static <S, T> Page<T> of(List<S> all, long offset, int limit, Function<? super S, T> view) {
    return of(all.size(), all.stream().skip(Math.max(0, offset)), offset, limit, view);
  }

  private static int within(int limit) {
    return Math.max(1, Math.min(LIMIT, limit));
  }
}
