package palegate.core.walls;

import java.util.Map;
import java.util.Set;
import palegate.core.text.WellFormed;

/**
 * What a wall covers: a place is in scope if every criterion that is given holds (section 7). An
 * empty collection means that the criterion is not given; a scope gives at least one.
 *
 * @param places ids; the places themselves and everything below them
 * @param types ids; documents of one of these types
 * @param labels for every key, the place's effective value is one of the listed ones
 */
public record Scope(Set<String> places, Set<String> types, Map<String, Set<String>> labels) {
  public Scope {
    places = Set.copyOf(places);
    types = Set.copyOf(types);
    labels = Map.copyOf(labels);
    if (places.isEmpty() && types.isEmpty() && labels.isEmpty()) {
      throw new IllegalArgumentException(
          "A wall's scope gives no criterion. Name places, types or labels: nothing is never read as everything.");
    }
    labels.forEach((key, values) -> {
      WellFormed.require(WellFormed::key, key);
      values.forEach(value -> WellFormed.require(WellFormed::value, value));
      if (values.isEmpty()) {
        throw new IllegalArgumentException("The label [" + key + "] lists no value. List at least one, or leave the key out.");
      }
    });
  }

  public static Scope ofPlaces(String... places) {
    return new Scope(Set.of(places), Set.of(), Map.of());
  }

  public static Scope ofTypes(String... types) {
    return new Scope(Set.of(), Set.of(types), Map.of());
  }

  public static Scope ofLabel(String key, String... values) {
    return new Scope(Set.of(), Set.of(), Map.of(key, Set.of(values)));
  }
}
