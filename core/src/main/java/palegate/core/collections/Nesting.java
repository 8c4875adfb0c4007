package palegate.core.collections;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/** Orders what nests without cycles so that the inner comes before the outer; no recursion. */
public final class Nesting {
  private Nesting() {}

  public static <T> List<T> innerFirst(
      Collection<T> nodes, Function<T, String> id, Function<T, List<String>> inner) {
    Map<String, T> byId = new HashMap<>(nodes.size() * 2);
    nodes.forEach(node -> byId.put(id.apply(node), node));
    List<T> ordered = new ArrayList<>(nodes.size());
    Set<String> seen = new HashSet<>(nodes.size() * 2);
    Deque<T> path = new ArrayDeque<>();
    Deque<Iterator<String>> open = new ArrayDeque<>();
    for (T start : nodes) {
      if (!seen.add(id.apply(start))) {
        continue;
      }
      path.push(start);
      open.push(inner.apply(start).iterator());
      while (!path.isEmpty()) {
        if (open.peek().hasNext()) {
          T next = byId.get(open.peek().next());
          if (seen.add(id.apply(next))) {
            path.push(next);
            open.push(inner.apply(next).iterator());
          }
        } else {
          ordered.add(path.pop());
          open.pop();
        }
      }
    }
    return ordered;
  }
}
