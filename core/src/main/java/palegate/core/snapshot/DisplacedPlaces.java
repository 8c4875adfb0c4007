package palegate.core.snapshot;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.places.Place;
import palegate.core.structure.Parts;

/**
 * Where a tree is not what the numbers of its places say: places that have come since they were numbered, that stand
 * elsewhere now, or that have gone. Whatever stays together keeps its numbers, wherever it stands.
 *
 * @param numbers of places that have come, by id
 * @param lifted the places whose stretch of numbers does not belong to the stretch around it: the tops, and what has gone
 * @param tops the places on top of a stretch that stands elsewhere than its numbers say, outer ones before those within
 * @param topsBelow the same by the place above
 */
record DisplacedPlaces(Map<String, Integer> numbers, BitSet lifted, int[] tops, Map<Integer, List<Integer>> topsBelow) {
  static final DisplacedPlaces NOTHING = new DisplacedPlaces(Map.of(), new BitSet(), new int[0], Map.of());

  /** The number above a place that has gone. */
  static final int GONE = -2;
  /** So many stretches may stand elsewhere, or be gone, before all are numbered anew: each makes walking the tree a little dearer. */
  private static final int MOST_LIFTED = 1_000;
  /** So many places may come before that: their ids are copied when more do. */
  private static final int MOST_COME = 10_000;

  /** What has become of a tree. */
  record Laid(DisplacedPlaces displaced, int[] parents, int[] ends) {}

  boolean hasRoomFor(Invalidation delta, Parts<Place> now) {
    long tops = delta.placesCome.stream().filter(id -> !delta.placesCome.contains(now.get(id).parent())).count();
    return lifted.cardinality() + tops + delta.placesMoved.size() + delta.placesGone.size() <= MOST_LIFTED
        && numbers.size() + delta.placesCome.size() <= MOST_COME;
  }

  /** The tree after places have come, moved or gone; {@code tree} is the one before. Costs grow with those, and by one copy of two arrays. */
  Laid with(Invalidation delta, Parts<Place> now, PlaceTree tree) {
    Map<Boolean, List<Place>> come = delta.placesCome.stream().map(now::get).collect(Collectors.partitioningBy(tree::hasKeptNumberOf));
    Laying laying = new Laying(tree, new HashMap<>(numbers), (BitSet) lifted.clone(), come.get(false).size());
    laying.number(come.get(false));
    // What comes back, as when its going is undone, is the same place and has its old number.
    Stream.concat(come.get(true).stream(), delta.placesMoved.stream().map(now::get)).forEach(laying::put);
    delta.placesGone.forEach(laying::takeAway);
    return laying.finished();
  }

  private static final class Laying {
    final PlaceTree tree;
    final Map<String, Integer> numbers;
    final BitSet lifted;
    final int[] parents;
    final int[] ends;
    /** Places whose number is that of the place above as soon as all have theirs. */
    final List<Place> placed = new ArrayList<>();

    Laying(PlaceTree tree, Map<String, Integer> numbers, BitSet lifted, int more) {
      this.tree = tree;
      this.numbers = numbers;
      this.lifted = lifted;
      parents = Arrays.copyOf(tree.parents, tree.room() + more);
      ends = Arrays.copyOf(tree.ends, parents.length);
    }

    /** Gives numbers to places that nobody has seen before: each forest of them one stretch. */
    void number(Collection<Place> come) {
      Map<String, List<Place>> children = come.stream().sorted(Comparator.comparing(Place::id)).collect(Collectors.groupingBy(Place::parent));
      Set<String> ids = come.stream().map(Place::id).collect(Collectors.toSet());
      int next = tree.room();
      for (Place top : come.stream().filter(place -> !ids.contains(place.parent())).sorted(Comparator.comparing(Place::id)).toList()) {
        lifted.set(next);
        next = number(top, next, children);
      }
    }

    /** Numbers a place and what has come below it, one after the other; returns the next number. */
    private int number(Place top, int first, Map<String, List<Place>> children) {
      int next = first;
      Deque<Iterator<Place>> open = new ArrayDeque<>(List.of(List.of(top).iterator()));
      Deque<Integer> above = new ArrayDeque<>();
      while (!open.isEmpty()) {
        if (open.peek().hasNext()) {
          Place place = open.peek().next();
          numbers.put(place.id(), next);
          placed.add(place);
          above.push(next++);
          open.push(children.getOrDefault(place.id(), List.of()).iterator());
        } else {
          open.pop();
          if (!above.isEmpty()) {
            ends[above.pop()] = next;
          }
        }
      }
      return next;
    }

    void put(Place place) {
      lifted.set(numberOf(place.id()));
      placed.add(place);
    }

    void takeAway(String id) {
      lifted.set(numberOf(id));
      parents[numberOf(id)] = GONE;
    }

    private int numberOf(String id) {
      Integer come = numbers.get(id);
      return come != null ? come : tree.keptNumberOf(id);
    }

    Laid finished() {
      placed.forEach(place -> parents[numberOf(place.id())] = numberOf(place.parent()));
      int[] tops = lifted.stream().filter(place -> parents[place] != GONE).boxed()
          .sorted(Comparator.comparing(this::depth)).mapToInt(Integer::intValue).toArray();
      Map<Integer, List<Integer>> below = IntStream.of(tops).boxed().collect(Collectors.groupingBy(top -> parents[top]));
      return new Laid(new DisplacedPlaces(numbers, lifted, tops, below), parents, ends);
    }

    private int depth(int place) {
      int depth = 0;
      for (int at = parents[place]; at >= 0; at = parents[at]) {
        depth++;
      }
      return depth;
    }
  }
}
