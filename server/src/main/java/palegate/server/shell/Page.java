package palegate.server.shell;

import java.util.List;
import java.util.stream.Stream;

/** A part of a list: how long the whole is, and the items from an offset on. */
public record Page<T>(long total, int offset, List<T> items) {
  public static final int LIMIT = 500;

  public static <T> Page<T> of(List<T> all, int offset, int limit) {
    return new Page<>(all.size(), offset, all.stream().skip(Math.max(0, offset)).limit(within(limit)).toList());
  }

  /** Of a list too long to make: the total is known without it. */
  public static <T> Page<T> of(long total, Stream<T> all, int offset, int limit) {
    return new Page<>(total, offset, all.skip(Math.max(0, offset)).limit(within(limit)).toList());
  }

  private static int within(int limit) {
    return Math.max(1, Math.min(LIMIT, limit));
  }
}
