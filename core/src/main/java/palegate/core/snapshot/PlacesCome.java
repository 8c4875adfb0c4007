package palegate.core.snapshot;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.places.Place;

/**
 * Places that have come since the others were numbered: forests below places that were there, or that came earlier.
 *
 * @param ends one past the last number below each of them
 * @param tops the places on top of each forest, and the same by the place above
 */
record PlacesCome(Map<String, Integer> numbers, Map<Integer, Integer> ends, int[] tops, Map<Integer, List<Integer>> topsBelow) {
  static final PlacesCome NOTHING = new PlacesCome(Map.of(), Map.of(), new int[0], Map.of());

  PlacesCome with(List<Place> come, PlaceTree tree) {
    Map<String, List<Place>> children = come.stream().sorted(Comparator.comparing(Place::id)).collect(Collectors.groupingBy(Place::parent));
    Set<String> ids = come.stream().map(Place::id).collect(Collectors.toSet());
    PlacesCome all = new PlacesCome(new HashMap<>(numbers), new HashMap<>(ends), tops, new HashMap<>(topsBelow));
    IntStream.Builder more = IntStream.builder();
    IntStream.of(tops).forEach(more::add);
    int next = tree.count();
    for (Place top : come.stream().filter(place -> !ids.contains(place.parent())).sorted(Comparator.comparing(Place::id)).toList()) {
      int number = next;
      next = all.number(top, next, children);
      more.add(number);
      all.topsBelow.merge(all.numberOf(top.parent(), tree), List.of(number), (a, b) -> Stream.concat(a.stream(), b.stream()).toList());
    }
    return new PlacesCome(all.numbers, all.ends, more.build().toArray(), all.topsBelow);
  }

  /** Numbers a place and what has come below it, one after the other; returns the next number. */
  private int number(Place place, int number, Map<String, List<Place>> children) {
    numbers.put(place.id(), number);
    int next = number + 1;
    for (Place child : children.getOrDefault(place.id(), List.of())) {
      next = number(child, next, children);
    }
    ends.put(number, next);
    return next;
  }

  int numberOf(String id, PlaceTree tree) {
    Integer come = numbers.get(id);
    return come != null ? come : tree.numberOf(id);
  }
}
