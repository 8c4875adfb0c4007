package palegate.core.mining;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import palegate.core.collections.PersonSet;

/** What is known for finding roles in what people have, to be held against: sets of people, in the order in which they would be used. */
final class KnownHeuristics {
  private KnownHeuristics() {}

  /** What any two columns have in common, the most frequent first (the quicker of the two subset enumerations). */
  static List<PersonSet> pairwiseIntersections(List<PersonSet> columns) {
    Map<PersonSet, Integer> counts = new LinkedHashMap<>();
    columns.forEach(column -> counts.merge(column, 0, Integer::sum));
    for (int i = 0; i < columns.size(); i++) {
      for (int j = i + 1; j < columns.size(); j++) {
        PersonSet common = columns.get(i).and(columns.get(j));
        if (common.size() > 1) {
          counts.putIfAbsent(common, 0);
        }
      }
    }
    counts.replaceAll((people, any) -> (int) columns.stream().filter(column -> people.minus(column).isEmpty()).count() * people.size());
    return counts.entrySet().stream().sorted(Map.Entry.<PersonSet, Integer>comparingByValue().reversed()).map(Map.Entry::getKey).toList();
  }

  /** The fewest roles by covering with bicliques: always that of whoever, person or column, has fewest that nothing covers yet. */
  static List<PersonSet> bicliqueCover(List<PersonSet> columns) {
    Map<Integer, Set<Integer>> columnsOf = new HashMap<>();
    IntStream.range(0, columns.size()).forEach(column -> columns.get(column).forEach(person -> columnsOf.computeIfAbsent(person, any -> new LinkedHashSet<>()).add(column)));
    List<Set<Integer>> open = new ArrayList<>();
    columns.forEach(column -> open.add(new LinkedHashSet<>(column.stream().boxed().toList())));
    Map<Integer, Set<Integer>> openOf = new HashMap<>();
    columnsOf.forEach((person, all) -> openOf.put(person, new LinkedHashSet<>(all)));
    List<PersonSet> roles = new ArrayList<>();
    while (true) {
      int column = IntStream.range(0, open.size()).filter(i -> !open.get(i).isEmpty()).boxed().min(Comparator.comparing(i -> open.get(i).size())).orElse(-1);
      if (column < 0) {
        return roles;
      }
      int person = openOf.entrySet().stream().filter(each -> !each.getValue().isEmpty()).min(Comparator.comparing((Map.Entry<Integer, Set<Integer>> each) -> each.getValue().size()).thenComparing(Map.Entry::getKey)).orElseThrow().getKey();
      Set<Integer> people;
      if (open.get(column).size() <= openOf.get(person).size()) {
        people = Set.copyOf(open.get(column));
      } else {
        people = new LinkedHashSet<>();
        Set<Integer> its = Set.copyOf(openOf.get(person));
        columnsOf.forEach((other, all) -> {
          if (all.containsAll(its)) {
            people.add(other);
          }
        });
      }
      PersonSet role = PersonSet.of(people.stream().mapToInt(Integer::intValue).sorted().toArray());
      roles.add(role);
      for (int i = 0; i < columns.size(); i++) {
        if (role.minus(columns.get(i)).isEmpty()) {
          int at = i;
          role.forEach(one -> {
            open.get(at).remove(one);
            openOf.get(one).remove(at);
          });
        }
      }
    }
  }
}
