package palegate.core.changes;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;

/** What the things of one kind are called, or log in as, while a draft is made: two of one name, in capitals or not, cannot be told apart. O(1) each. */
final class NamesInUse {
  private final Map<String, String> nameOf = new HashMap<>();
  private final Map<String, Set<String>> byName = new HashMap<>();

  <T> NamesInUse(Stream<T> things, Function<T, String> id, Function<T, String> name) {
    things.forEach(thing -> put(id.apply(thing), name.apply(thing)));
  }

  /** @param name what it is called from now on; null if it is gone, or has none */
  void put(String id, String name) {
    String was = name == null ? nameOf.remove(id) : nameOf.put(id, small(name));
    if (was != null) {
      byName.get(was).remove(id);
    }
    if (name != null) {
      byName.computeIfAbsent(small(name), any -> new HashSet<>()).add(id);
    }
  }

  boolean anyBut(String name, String id) {
    return otherThan(id, name).isPresent();
  }

  /** The id of something else that is called so. */
  Optional<String> otherThan(String id, String name) {
    return byName.getOrDefault(small(name), Set.of()).stream().filter(called -> !called.equals(id)).findFirst();
  }

  private static String small(String name) {
    return name.strip().toLowerCase(Locale.ROOT);
  }
}
