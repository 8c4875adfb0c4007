package palegate.core.snapshot;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * The walls that stand at one instant: what their scopes ask of a place, and whom they bar (section 7).
 *
 * <p>What scopes ask, types aside, is cut into <em>facts</em>: "the effective value of this label is that" and
 * "stands at or below this place". The facts that hold at a place are its context. Facts and reaches keep
 * their numbers when walls change, so that what was worked out for the others stays true.
 */
final class StandingWalls {
  /**
   * One scope of one wall.
   *
   * @param criteria for each criterion the facts of which one must hold
   * @param types the numbers of the types of which a document must be one; null if there is no such criterion
   * @param outside whether people are barred outside the scope rather than inside
   */
  record Reach(Wall wall, int[][] criteria, BitSet types, boolean outside, PersonSet barred) {
    /** Whether a place with these facts and this type (one more than its number, 0 for none) is one they are barred from. */
    boolean covers(int[] facts, int type) {
      return (holds(facts) && (types == null || type > 0 && types.get(type - 1))) != outside;
    }

    /** Whether it may cover places with these facts, whatever their type. */
    boolean mayCover(int[] facts) {
      return outside ? types != null || !holds(facts) : holds(facts);
    }

    private boolean holds(int[] facts) {
      for (int[] choices : criteria) {
        boolean one = false;
        for (int fact : choices) {
          one |= Arrays.binarySearch(facts, fact) >= 0;
        }
        if (!one) {
          return false;
        }
      }
      return true;
    }
  }

  private final Matching matching;
  private final int personCount;
  private final Map<String, Map<String, Integer>> labelFacts;
  private final Map<Integer, Integer> placeFacts;
  private final int factCount;
  /** The key of each label fact; null for place facts. */
  private final String[] keyOfFact;
  /** By number; null where a wall no longer stands as it did. */
  private final Reach[] reaches;
  private final Map<String, OwnLabels> ownLabels;
  private final BitSet askedTypes = new BitSet();
  /** Places at which other facts may hold than at their parents. */
  final BitSet marked;

  private StandingWalls(Builder built, PlaceTree tree) {
    matching = built.matching;
    personCount = built.snapshot.personCount();
    labelFacts = built.labelFacts;
    placeFacts = built.placeFacts;
    factCount = built.keys.size();
    keyOfFact = built.keys.toArray(String[]::new);
    reaches = built.reaches.toArray(Reach[]::new);
    for (Reach reach : reaches) {
      if (reach != null && reach.types() != null) {
        askedTypes.or(reach.types());
      }
    }
    ownLabels = new HashMap<>();
    marked = new BitSet(tree.room());
    placeFacts.keySet().forEach(marked::set);
    labelFacts.keySet().forEach(key -> {
      OwnLabels own = built.snapshot.ownLabels(key);
      ownLabels.put(key, own);
      IntStream.of(own.places).forEach(marked::set);
    });
  }

  static StandingWalls of(Snapshot snapshot, Instant instant, Matching matching) {
    Builder built = new Builder(snapshot, instant, matching);
    snapshot.structure().walls().values().stream().filter(wall -> wall.barsAt(instant)).forEach(built::add);
    return new StandingWalls(built, snapshot.tree());
  }

  /** The same after some walls have changed, and perhaps who matches whom or which labels places carry. */
  StandingWalls with(Snapshot changed, Instant instant, Matching matching, Set<String> walls, boolean labelsChange) {
    if (matching == this.matching && walls.isEmpty() && !labelsChange) {
      return this;
    }
    Builder built = new Builder(changed, instant, matching);
    labelFacts.forEach((key, values) -> built.labelFacts.put(key, new HashMap<>(values)));
    built.placeFacts.putAll(placeFacts);
    built.keys.addAll(Arrays.asList(keyOfFact));
    for (Reach reach : reaches) {
      boolean kept = reach != null && !walls.contains(reach.wall().id());
      built.reaches.add(kept ? reach : null);
    }
    if (matching != this.matching) {
      boolean[] altered = matching.alteredSince(this.matching);
      boolean come = changed.personCount() > personCount;
      for (int i = 0; i < reaches.length; i++) {
        // A seal bars everyone whom it does not name.
        if (built.reaches.get(i) != null
            && (namesAny(reaches[i].wall(), altered) || come && reaches[i].wall().barrier() instanceof Barrier.Seal)) {
          built.reaches.set(i, built.renewed(reaches[i], scopeNumber(i)));
        }
      }
    }
    walls.stream().sorted().map(id -> changed.structure().walls().get(id))
        .filter(wall -> wall != null && wall.barsAt(instant)).forEach(built::add);
    return new StandingWalls(built, changed.tree());
  }

  private boolean namesAny(Wall wall, boolean[] altered) {
    return Stream.concat(wall.barrier().subjects().stream(), wall.exceptions().stream().map(Wall.Exempt::subject))
        .mapToInt(matching.subjects::numberOf).anyMatch(subject -> subject < altered.length && altered[subject]);
  }

  /** Which of its wall's scopes a reach is: those of one wall stand next to each other. */
  private int scopeNumber(int reach) {
    int number = 0;
    for (int i = reach - 1; i >= 0 && reaches[i] != null && reaches[i].wall().id().equals(reaches[reach].wall().id()); i--) {
      number++;
    }
    return number;
  }

  Reach reach(int number) {
    return reaches[number];
  }

  int reachCount() {
    return reaches.length;
  }

  boolean anyStands() {
    return reaches.length > 0;
  }

  /** The facts at a place, given those of its parent; ascending. */
  int[] factsAt(int place, int[] above) {
    if (!marked.get(place)) {
      return above;
    }
    int[] facts = Arrays.copyOf(above, above.length + ownLabels.size() + 1);
    int count = above.length;
    for (Map.Entry<String, OwnLabels> own : ownLabels.entrySet()) {
      String value = own.getValue().textAt(place);
      if (value != null) {
        count = without(facts, count, own.getKey());
        Integer fact = labelFacts.get(own.getKey()).get(value);
        if (fact != null) {
          facts[count++] = fact;
        }
      }
    }
    Integer here = placeFacts.get(place);
    if (here != null) {
      facts[count++] = here;
    }
    return IntStream.of(Arrays.copyOf(facts, count)).sorted().distinct().toArray();
  }

  private int without(int[] facts, int count, String key) {
    int kept = 0;
    for (int i = 0; i < count; i++) {
      if (!key.equals(keyOfFact[facts[i]])) {
        facts[kept++] = facts[i];
      }
    }
    return kept;
  }

  /** Whether any scope names this type. */
  boolean asksFor(int type) {
    return type > 0 && askedTypes.get(type - 1);
  }

  /** The numbers of the reaches that bar somebody from places with these facts and this type; ascending. */
  int[] covering(int[] facts, int type) {
    return IntStream.range(0, reaches.length)
        .filter(number -> reaches[number] != null && reaches[number].covers(facts, type)).toArray();
  }

  /** The numbers of the reaches that stand here and not in the other, or the other way round. */
  Collection<Reach> alteredSince(StandingWalls other) {
    List<Reach> altered = new ArrayList<>();
    for (int i = 0; i < Math.max(reaches.length, other.reaches.length); i++) {
      Reach mine = i < reaches.length ? reaches[i] : null;
      Reach theirs = i < other.reaches.length ? other.reaches[i] : null;
      if ((mine == null) != (theirs == null)) {
        altered.add(mine == null ? theirs : mine);
      }
    }
    return altered;
  }

  /** The places that begin to be marked with these walls: there, and below, facts may hold that did not. */
  BitSet newlyAskedSince(StandingWalls other) {
    BitSet asked = new BitSet();
    placeFacts.forEach((place, fact) -> {
      if (fact >= other.factCount) {
        asked.set(place);
      }
    });
    labelFacts.forEach((key, values) -> values.forEach((value, fact) -> {
      if (fact >= other.factCount) {
        OwnLabels own = ownLabels.get(key);
        int number = own.numberOf(value);
        if (number >= 0) {
          IntStream.of(own.placesWith(number)).forEach(asked::set);
        }
      }
    }));
    return asked;
  }

  private static final class Builder {
    final Snapshot snapshot;
    final Instant instant;
    final Matching matching;
    final Map<String, Map<String, Integer>> labelFacts = new HashMap<>();
    final Map<Integer, Integer> placeFacts = new HashMap<>();
    final List<String> keys = new ArrayList<>();
    final List<Reach> reaches = new ArrayList<>();

    Builder(Snapshot snapshot, Instant instant, Matching matching) {
      this.snapshot = snapshot;
      this.instant = instant;
      this.matching = matching;
    }

    void add(Wall wall) {
      List<Scope> scopes = wall.barrier().scopes();
      for (int i = 0; i < scopes.size(); i++) {
        Scope scope = scopes.get(i);
        reaches.add(new Reach(wall, criteria(scope), types(scope), wall.barrier() instanceof Barrier.Confine, barred(wall, i)));
      }
    }

    /** The same reach with whom it bars now. */
    Reach renewed(Reach reach, int scope) {
      return new Reach(reach.wall(), reach.criteria(), reach.types(), reach.outside(), barred(reach.wall(), scope));
    }

    private int[][] criteria(Scope scope) {
      List<int[]> criteria = new ArrayList<>();
      if (!scope.places().isEmpty()) {
        criteria.add(scope.places().stream().mapToInt(place -> placeFact(snapshot.placeNumber(place))).toArray());
      }
      scope.labels().forEach((key, values) -> criteria.add(values.stream().mapToInt(value -> labelFact(key, value)).toArray()));
      return criteria.toArray(int[][]::new);
    }

    private int placeFact(int place) {
      return placeFacts.computeIfAbsent(place, any -> newFact(null));
    }

    private int labelFact(String key, String value) {
      return labelFacts.computeIfAbsent(key, any -> new HashMap<>()).computeIfAbsent(value, any -> newFact(key));
    }

    private int newFact(String key) {
      keys.add(key);
      return keys.size() - 1;
    }

    private BitSet types(Scope scope) {
      if (scope.types().isEmpty()) {
        return null;
      }
      BitSet types = new BitSet();
      scope.types().forEach(type -> types.set(snapshot.typeNumber(type)));
      return types;
    }

    private PersonSet barred(Wall wall, int scope) {
      Barrier barrier = wall.barrier();
      PersonSet named = barrier instanceof Barrier.Screen screen ? matching.union(screen.subjects())
          : barrier instanceof Barrier.Seal seal ? everyone().minus(matching.union(seal.subjects()))
          : barrier instanceof Barrier.Confine confine ? matching.union(confine.subjects())
          : otherSides((Barrier.Sides) barrier, scope);
      List<Subject> exempt = wall.exceptions().stream().filter(exception -> exception.currentAt(instant))
          .map(Wall.Exempt::subject).toList();
      return named.minus(matching.union(exempt));
    }

    private PersonSet otherSides(Barrier.Sides sides, int own) {
      return matching.union(IntStream.range(0, sides.sides().size()).filter(side -> side != own).boxed()
          .flatMap(side -> sides.sides().get(side).subjects().stream()).toList());
    }

    private PersonSet everyone() {
      long[] bits = new long[Matching.words(matching.room)];
      for (int person = 0; person < snapshot.personCount(); person++) {
        bits[person >> 6] |= 1L << person;
      }
      return PersonSet.copyOf(bits);
    }
  }
}
