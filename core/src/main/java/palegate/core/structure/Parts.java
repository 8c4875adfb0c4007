package palegate.core.structure;

import java.util.AbstractMap;
import java.util.AbstractSet;
import java.util.Collection;
import java.util.Collections;
import java.util.HashSet;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;

/**
 * The parts of one kind by id, immutable. A changed copy shares what it does not change, so that its
 * cost grows with the change and not with the structure; what two copies differ in is found at the
 * same cost. Iteration keeps the order in which the parts were given; new ones come last.
 */
public final class Parts<T> extends AbstractMap<String, T> {
  /** Past this share of the whole, changes are folded in: looking through them would cost more. */
  private static final int FOLD_ABOVE_ONE_IN = 8;
  private static final int FOLD_NEVER_BELOW = 1_024;

  private final Map<String, T> base;
  /** New values by id; null stands for a part that is gone. */
  private final Map<String, T> changed;
  private final int size;

  private Parts(Map<String, T> base, Map<String, T> changed, int size) {
    this.base = base;
    this.changed = changed;
    this.size = size;
  }

  public static <T> Parts<T> none() {
    return new Parts<>(Map.of(), Map.of(), 0);
  }

  /** Two parts with the same id are refused. */
  public static <T> Parts<T> of(Collection<T> parts, Function<T, String> id) {
    Map<String, T> map = new LinkedHashMap<>(parts.size() * 2);
    for (T part : parts) {
      if (map.put(id.apply(part), part) != null) {
        throw new IllegalArgumentException(
            "The id [" + id.apply(part) + "] stands twice among its kind; ids are unique.");
      }
    }
    return new Parts<>(map, Map.of(), map.size());
  }

  /** A copy with some parts replaced or added, and without those whose new value is null. */
  public Parts<T> with(Map<String, T> changes) {
    if (changes.isEmpty()) {
      return this;
    }
    Map<String, T> all = new LinkedHashMap<>(changed);
    int count = size;
    for (Map.Entry<String, T> change : changes.entrySet()) {
      count += (change.getValue() == null ? 0 : 1) - (containsKey(change.getKey()) ? 1 : 0);
      all.put(change.getKey(), change.getValue());
    }
    Parts<T> made = new Parts<>(base, all, count);
    boolean fold = all.size() > FOLD_NEVER_BELOW && all.size() > base.size() / FOLD_ABOVE_ONE_IN;
    return fold ? new Parts<>(new LinkedHashMap<>(made), Map.of(), count) : made;
  }

  /** The ids whose parts differ between this and another. O(changes) if both come of one origin, else O(parts). */
  public Set<String> differing(Parts<T> other) {
    Set<String> candidates = new HashSet<>();
    if (base == other.base) {
      candidates.addAll(changed.keySet());
      candidates.addAll(other.changed.keySet());
    } else {
      candidates.addAll(keySet());
      candidates.addAll(other.keySet());
    }
    candidates.removeIf(id -> Objects.equals(get(id), other.get(id)));
    return candidates;
  }

  @Override
  public T get(Object id) {
    T value = changed.get(id);
    return value != null ? value : changed.containsKey(id) ? null : base.get(id);
  }

  @Override
  public boolean containsKey(Object id) {
    return get(id) != null;
  }

  @Override
  public int size() {
    return size;
  }

  @Override
  public Collection<T> values() {
    return changed.isEmpty() ? Collections.unmodifiableCollection(base.values()) : super.values();
  }

  @Override
  public Set<String> keySet() {
    return changed.isEmpty() ? Collections.unmodifiableSet(base.keySet()) : super.keySet();
  }

  @Override
  public Set<Entry<String, T>> entrySet() {
    return new AbstractSet<>() {
      @Override
      public Iterator<Entry<String, T>> iterator() {
        return new Entries();
      }

      @Override
      public int size() {
        return size;
      }
    };
  }

  /** The parts of the base, changed ones in their old place, then the new ones. */
  private final class Entries implements Iterator<Entry<String, T>> {
    private final Iterator<Entry<String, T>> old = base.entrySet().iterator();
    private final Iterator<Entry<String, T>> fresh = changed.entrySet().iterator();
    private Entry<String, T> next = advance();

    @Override
    public boolean hasNext() {
      return next != null;
    }

    @Override
    public Entry<String, T> next() {
      if (next == null) {
        throw new NoSuchElementException("There are no more parts.");
      }
      Entry<String, T> given = next;
      next = advance();
      return given;
    }

    private Entry<String, T> advance() {
      while (old.hasNext()) {
        Entry<String, T> entry = old.next();
        if (!changed.containsKey(entry.getKey())) {
          return Map.entry(entry.getKey(), entry.getValue());
        }
        T value = changed.get(entry.getKey());
        if (value != null) {
          return Map.entry(entry.getKey(), value);
        }
      }
      while (fresh.hasNext()) {
        Entry<String, T> entry = fresh.next();
        if (entry.getValue() != null && !base.containsKey(entry.getKey())) {
          return Map.entry(entry.getKey(), entry.getValue());
        }
      }
      return null;
    }
  }
}
