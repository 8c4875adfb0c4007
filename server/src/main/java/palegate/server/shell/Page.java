package palegate.server.shell;

import java.util.List;
import java.util.function.Function;
import java.util.stream.Stream;

/** A part of a list: how long the whole is, and the items from an offset on. */
public record Page<T>(long total, int offset, List<T> items) {
  public static final int LIMIT = 500;

  /** The total may be known without making the list; only the items of the part are made into views. */
  public static <S, T> Page<T> of(long total, Stream<S> all, int offset, int limit, Function<? super S, T> view) {
    return new Page<>(total, offset, all.skip(Math.max(0, offset)).limit(within(limit)).<T>map(view).toList());
  }

  private static int within(int limit) {
    return Math.max(1, Math.min(LIMIT, limit));
  }
}
