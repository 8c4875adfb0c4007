package palegate.server.lists;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;

/**
 * A list whose lines are all known, with the orders in which it can be read. Lines that an order does not tell apart stay
 * in the order in which they were given.
 */
public final class SortOrders<T> {
  private final Map<String, Comparator<? super T>> orders = new LinkedHashMap<>();

  private SortOrders() {}

  /** The order in which the list is read unless another is wanted. */
  public static <T> SortOrders<T> by(String order, Comparator<? super T> comparator) {
    return new SortOrders<T>().or(order, comparator);
  }

  public SortOrders<T> or(String order, Comparator<? super T> comparator) {
    orders.put(order, comparator);
    return this;
  }

  /** The lines in the order that is asked for; an order that the list does not have is refused. O(n log n). */
  public List<T> sorted(PageRequest part, Stream<T> lines) {
    List<T> sorted = new ArrayList<>(lines.toList());
    sorted.sort(order(part.sort()));
    return sorted;
  }

  /** The part that is asked for, out of the lines that were found; only its lines are made into views. */
  public <V> Page<V> page(PageRequest part, Stream<T> found, Function<? super T, V> view) {
    return Page.of(sorted(part, found), part.offset(), part.limit(), view);
  }

  private Comparator<? super T> order(String wanted) {
    if (wanted == null || wanted.isEmpty()) {
      return orders.values().iterator().next();
    }
    boolean turned = wanted.startsWith("-");
    Comparator<? super T> order = orders.get(turned ? wanted.substring(1) : wanted);
    if (order == null) {
      throw noSuchOrder(wanted, orders.keySet());
    }
    return turned ? order.reversed() : order;
  }

  /** Says which orders there are. */
  static Problem noSuchOrder(String wanted, Iterable<String> known) {
    return Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-such-order", "No such order",
        "The list cannot be put in the order [" + wanted + "]. Choose one of: " + String.join(", ", known) + ".");
  }
}
