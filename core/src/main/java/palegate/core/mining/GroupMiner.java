package palegate.core.mining;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.stream.IntStream;
import palegate.core.collections.PersonSet;

/**
 * Finds groups in columns of people who are named one by one: sets of people who are named together so often that a group of them, its
 * members counted, says the same with less. Candidates are the columns, what any two have in common, and what the best of those have in common
 * with each other; the one that saves most is taken, then the one that saves most of what is left.
 */
final class GroupMiner {
  /**
   * A group that would be worth its while.
   *
   * @param columns in which all of its people are named
   * @param saved how many entries it saves, its members and itself not counted
   */
  record Mined(PersonSet people, List<Integer> columns, int saved) {}

  /** More pairs of columns than these are not compared, and no more candidates are kept. */
  private static final int PAIRS_AT_MOST = 400_000;
  private static final int CANDIDATES_AT_MOST = 50_000;
  private static final int COMBINED = 250;

  private record Scored(PersonSet people, BitSet columns, int gain) {}

  private final List<PersonSet> columns;
  private final PersonSet[] left;
  private final Map<Integer, BitSet> columnsOf = new HashMap<>();

  private GroupMiner(List<PersonSet> columns) {
    this.columns = columns;
    left = columns.toArray(PersonSet[]::new);
    IntStream.range(0, left.length).forEach(column -> columns.get(column).forEach(person -> columnsOf.computeIfAbsent(person, any -> new BitSet()).set(column)));
  }

  /**
   * O(pairs of columns that share people × people / 64), then a logarithm a candidate.
   *
   * @param columns people named for the same at one place, by number
   * @return those that save most first, each on what those before it leave
   */
  static List<Mined> of(List<PersonSet> columns) {
    GroupMiner miner = new GroupMiner(columns);
    List<Mined> found = new ArrayList<>();
    // What is left after one pass has other things in common than what was there.
    for (List<Mined> pass = miner.pass(); !pass.isEmpty(); pass = miner.pass()) {
      found.addAll(pass);
    }
    return found;
  }

  private List<Mined> pass() {
    // Of equal ones the larger group, then the one whose people were numbered first: the same every time.
    PriorityQueue<Scored> queue = new PriorityQueue<>(Comparator.comparingInt(Scored::gain).reversed().thenComparing(Comparator.comparingInt((Scored one) -> one.people().size()).reversed())
        .thenComparing(one -> one.people().toArray(), Arrays::compare));
    candidates().forEach(people -> {
      BitSet named = namedIn(people);
      int gain = gain(people, named);
      if (gain > 0) {
        queue.add(new Scored(people, named, gain));
      }
    });
    List<Mined> taken = new ArrayList<>();
    while (!queue.isEmpty()) {
      Scored best = queue.poll();
      int gain = gain(best.people(), best.columns());
      if (gain < best.gain()) {
        // Others took some of it since it was counted; it saves less the longer it waits, never more.
        if (gain > 0) {
          queue.add(new Scored(best.people(), best.columns(), gain));
        }
        continue;
      }
      List<Integer> served = best.columns().stream().filter(column -> left[column].sizeOfAnd(best.people()) > 1).boxed().toList();
      taken.add(new Mined(best.people(), served, served.stream().mapToInt(column -> left[column].sizeOfAnd(best.people()) - 1).sum()));
      served.forEach(column -> left[column] = left[column].minus(best.people()));
    }
    return taken;
  }

  /** What it saves less what it costs: itself and its members. */
  private int gain(PersonSet people, BitSet named) {
    int saved = named.stream().map(column -> Math.max(0, left[column].sizeOfAnd(people) - 1)).sum();
    return saved - people.size() - 1;
  }

  /** The columns in which all of them are named. */
  private BitSet namedIn(PersonSet people) {
    BitSet all = null;
    for (int person : people.toArray()) {
      if (all == null) {
        all = (BitSet) columnsOf.get(person).clone();
      } else {
        all.and(columnsOf.get(person));
      }
    }
    return all;
  }

  private Set<PersonSet> candidates() {
    Set<PersonSet> found = new LinkedHashSet<>();
    List<Integer> some = IntStream.range(0, left.length).filter(column -> left[column].size() > 1).boxed().toList();
    some.forEach(column -> found.add(left[column]));
    int pairs = 0;
    for (int column : some) {
      BitSet sharing = new BitSet();
      left[column].forEach(person -> sharing.or(columnsOf.get(person)));
      for (int other = sharing.nextSetBit(column + 1); other >= 0 && pairs < PAIRS_AT_MOST && found.size() < CANDIDATES_AT_MOST; other = sharing.nextSetBit(other + 1)) {
        pairs++;
        add(found, left[column].and(left[other]));
      }
    }
    combine(found);
    return found;
  }

  /** What the best have in common: what is common to three columns or four, or lies in a column of two groups. */
  private void combine(Set<PersonSet> found) {
    Map<PersonSet, Integer> gains = new LinkedHashMap<>();
    found.forEach(people -> gains.put(people, gain(people, namedIn(people))));
    List<PersonSet> best = gains.entrySet().stream().sorted(Map.Entry.<PersonSet, Integer>comparingByValue().reversed()).limit(COMBINED).map(Map.Entry::getKey).toList();
    for (int i = 0; i < best.size(); i++) {
      for (int j = i + 1; j < best.size(); j++) {
        add(found, best.get(i).and(best.get(j)));
        add(found, best.get(i).minus(best.get(j)));
        add(found, best.get(j).minus(best.get(i)));
      }
    }
  }

  private static void add(Set<PersonSet> found, PersonSet people) {
    if (people.size() > 1) {
      found.add(people);
    }
  }
}
