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
public record Part(@Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) String text, @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) String sort,
    @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) Integer offset, @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) Integer limit) {
  private static final int USUAL_LIMIT = 200;

  public Part {
    text = text == null ? "" : text.strip().toLowerCase(Locale.ROOT);
    offset = offset == null ? 0 : Math.max(0, offset);
    limit = limit == null ? USUAL_LIMIT : Math.max(1, Math.min(Page.LIMIT, limit));
  }

  /** The order that is asked for, of a list that is made lazily and so has only these; the first of them if none is. */
  public String order(String usual, String... others) {
    List<String> known = Stream.concat(Stream.of(usual), Stream.of(others)).toList();
    if (sort != null && !sort.isEmpty() && !known.contains(sort)) {
      throw Listing.noSuchOrder(sort, known);
    }
    return sort == null || sort.isEmpty() ? usual : sort;
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
}
