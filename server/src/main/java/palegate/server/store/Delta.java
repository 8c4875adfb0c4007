package palegate.server.store;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** What is over and what begins between two states of one kind of thing. */
record Delta<T>(List<T> over, List<T> begun) {
  static <T> Delta<T> between(Map<String, T> before, Map<String, T> after) {
    List<T> over = new ArrayList<>();
    List<T> begun = new ArrayList<>();
    before.forEach((id, thing) -> {
      if (!thing.equals(after.get(id))) {
        over.add(thing);
      }
    });
    after.forEach((id, thing) -> {
      if (!thing.equals(before.get(id))) {
        begun.add(thing);
      }
    });
    return new Delta<>(over, begun);
  }
}
