package palegate.server.store;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import palegate.core.structure.Parts;

/** What is over and what begins between two states of one kind of thing. */
record Delta<T>(List<T> over, List<T> begun) {
  static <T> Delta<T> between(Parts<T> before, Parts<T> after) {
    Set<String> differing = before.differing(after);
    return new Delta<>(present(before, differing), present(after, differing));
  }

  private static <T> List<T> present(Parts<T> parts, Set<String> ids) {
    return ids.stream().sorted().map(parts::get).filter(Objects::nonNull).toList();
  }
}
