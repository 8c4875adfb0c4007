package palegate.core.changes;

import java.util.ArrayList;
import java.util.List;

/** Changed copies of lists. */
final class Lists {
  private Lists() {}

  static <T> List<T> with(List<T> list, T added) {
    List<T> copy = new ArrayList<>(list);
    copy.add(added);
    return List.copyOf(copy);
  }

  /** The list without the first item that is equal to this one. */
  static <T> List<T> without(List<T> list, T gone) {
    List<T> copy = new ArrayList<>(list);
    copy.remove(gone);
    return List.copyOf(copy);
  }
}
