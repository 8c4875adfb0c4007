package palegate.core.changes;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Predicate;
import java.util.stream.Stream;
import palegate.core.structure.Parts;

/** The parts of one kind: what was, and what a draft has made of it; null stands for what is gone. */
final class PendingParts<T> {
  final Map<String, T> changed = new LinkedHashMap<>();
  private final Parts<T> base;
  private final BiConsumer<Object, Object> replaced;

  /** @param replaced is told of each part that takes another's place, before it does; either may be null */
  PendingParts(Parts<T> base, BiConsumer<Object, Object> replaced) {
    this.base = base;
    this.replaced = replaced;
  }

  T get(String id) {
    return id == null ? null : changed.containsKey(id) ? changed.get(id) : base.get(id);
  }

  void put(String id, T part) {
    replaced.accept(get(id), part);
    changed.put(id, part);
  }

  void remove(String id) {
    put(id, null);
  }

  /** Those that are there now and are wanted, as they are now. O(parts). */
  Stream<T> standing(Predicate<T> wanted) {
    return Stream.concat(base.keySet().stream(), changed.keySet().stream()).distinct().map(this::get).filter(part -> part != null && wanted.test(part));
  }
}
