package palegate.server.lists;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import palegate.server.shell.Page;

/**
 * The part of a list that is asked for.
 *
 * @param text only lines that contain it, in capitals or not; everything if it is left out
 * @param sort the name of an order, with {@code -} before it to turn it round; the list's first order if it is left out
 * @param offset how many lines to leave out
 * @param limit how many lines at most; {@value Page#LIMIT} is the most that is given
 */
public record PageRequest(@Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) String text, @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) String sort,
    @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) Long offset, @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) Integer limit) {
  private static final int USUAL_LIMIT = 200;

  /** An order by its name, and whether it is turned round. */
  public record Order(String by, boolean turned) {
    private static Order of(String sort) {
      return sort.startsWith("-") ? new Order(sort.substring(1), true) : new Order(sort, false);
    }
  }

  public PageRequest {
    text = text == null ? "" : text.strip().toLowerCase(Locale.ROOT);
    offset = offset == null ? 0L : Math.max(0L, offset);
    limit = limit == null ? USUAL_LIMIT : Math.max(1, Math.min(Page.LIMIT, limit));
  }

  /**
   * The order that is asked for, of a list that is never made whole and so has only these.
   *
   * @param usual the one if none is asked for; with {@code -} before it if it is usually turned round
   */
  public Order order(String usual, String... others) {
    Order asked = Order.of(sort == null || sort.isEmpty() ? usual : sort);
    List<String> known = Stream.concat(Stream.of(Order.of(usual).by()), Stream.of(others)).toList();
    if (!known.contains(asked.by())) {
      throw SortOrders.noSuchOrder(sort, known);
    }
    return asked;
  }

  /** Whether nothing is left out for its text. */
  public boolean takesAll() {
    return text.isEmpty();
  }

  /** Whether any of a line's texts contains the wanted one; those that are null do not. */
  public boolean takes(String... texts) {
    if (takesAll()) {
      return true;
    }
    for (String one : texts) {
      if (one != null && one.toLowerCase(Locale.ROOT).contains(text)) {
        return true;
      }
    }
    return false;
  }

  /** Those of a list that are on this page: what is asked for each row is asked for these alone. */
  public <T> List<T> of(List<T> all) {
    return all.stream().skip(offset).limit(limit).toList();
  }
}
