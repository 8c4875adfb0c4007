package palegate.core.mining;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.collections.PersonSet;
import palegate.core.testkit.Often;

/** Groups that were there before everybody was named one by one are found again: more of them, and with less said, than by what is known for that. */
class HiddenOriginalsTest {
  private static final int STRUCTURES = Often.times(60);

  /** @param columns what is left: people named one by one at places */
  private record Hidden(Set<PersonSet> groups, List<PersonSet> columns) {
    static Hidden fromSeed(long seed) {
      Random random = new Random(seed);
      List<PersonSet> groups = new ArrayList<>();
      for (int i = 0; i < 10 + random.nextInt(8); i++) {
        groups.add(PersonSet.of(random.ints(3 + random.nextInt(10), 0, 120).distinct().sorted().toArray()));
      }
      List<PersonSet> columns = new ArrayList<>();
      Map<PersonSet, Integer> used = new LinkedHashMap<>();
      for (int i = 0; i < 50; i++) {
        Set<PersonSet> its = new HashSet<>();
        random.ints(1 + random.nextInt(3), 0, groups.size()).forEach(group -> its.add(groups.get(group)));
        PersonSet people = its.stream().reduce(PersonSet.of(random.ints(random.nextInt(3), 0, 120).distinct().sorted().toArray()), PersonSet::or);
        its.forEach(group -> used.merge(group, 1, Integer::sum));
        columns.add(people);
      }
      // Whoever is named with a group only once or twice has nothing to be recognised by.
      used.values().removeIf(times -> times < 3);
      return new Hidden(used.keySet(), columns);
    }
  }

  /** What is said with some groups: each used, in their order, where it saves more than it costs. */
  private record Said(int total, Set<PersonSet> groups) {
    static Said with(List<PersonSet> columns, List<PersonSet> groups) {
      PersonSet[] left = columns.toArray(PersonSet[]::new);
      int total = 0;
      Set<PersonSet> used = new HashSet<>();
      for (PersonSet group : groups) {
        int[] serves = IntStream.range(0, left.length).filter(column -> group.minus(columns.get(column)).isEmpty() && left[column].sizeOfAnd(group) > 1).toArray();
        int saves = IntStream.of(serves).map(column -> left[column].sizeOfAnd(group) - 1).sum();
        if (saves > group.size() + 1) {
          used.add(group);
          total += group.size() + 1 + serves.length;
          IntStream.of(serves).forEach(column -> left[column] = left[column].minus(group));
        }
      }
      for (PersonSet column : left) {
        total += column.size();
      }
      return new Said(total, used);
    }
  }

  @Test
  void more_of_the_hidden_groups_are_found_and_less_is_said_than_by_the_known_heuristics() {
    Map<String, Function<List<PersonSet>, List<PersonSet>>> ways = new LinkedHashMap<>();
    ways.put("this one", columns -> GroupMiner.of(columns).stream().map(GroupMiner.Mined::people).toList());
    ways.put("pairwise intersections", KnownHeuristics::pairwiseIntersections);
    ways.put("biclique cover", KnownHeuristics::bicliqueCover);
    Map<String, int[]> figures = new LinkedHashMap<>();
    for (long seed = 1; seed <= STRUCTURES; seed++) {
      Hidden hidden = Hidden.fromSeed(seed);
      for (Map.Entry<String, Function<List<PersonSet>, List<PersonSet>>> way : ways.entrySet()) {
        Said said = Said.with(hidden.columns(), way.getValue().apply(hidden.columns()));
        int[] figure = figures.computeIfAbsent(way.getKey(), any -> new int[4]);
        figure[0] += said.total();
        figure[1] += (int) hidden.groups().stream().filter(said.groups()::contains).count();
        figure[2] += hidden.groups().size();
        figure[3] += said.groups().size();
      }
      int named = hidden.columns().stream().mapToInt(PersonSet::size).sum();
      int original = Said.with(hidden.columns(), List.copyOf(hidden.groups())).total();
      figures.computeIfAbsent("one by one, and with the hidden groups", any -> new int[4])[0] += named;
      figures.get("one by one, and with the hidden groups")[1] += original;
    }
    figures.forEach((way, figure) -> System.out.printf("%s: %,d said; %d of %d hidden groups found, %d groups in all%n", way, figure[0], figure[1], figure[2], figure[3]));
    int[] mine = figures.get("this one");
    assertThat(mine[1]).as("found").isGreaterThan(figures.get("pairwise intersections")[1]).isGreaterThan(figures.get("biclique cover")[1]);
    assertThat(mine[0]).as("said").isLessThan(figures.get("pairwise intersections")[0]).isLessThan(figures.get("biclique cover")[0]);
  }

  @Test
  void what_each_group_saves_is_counted_truly_and_every_column_has_its_people_still() {
    for (long seed = 1; seed <= STRUCTURES; seed++) {
      Hidden hidden = Hidden.fromSeed(seed);
      PersonSet[] left = hidden.columns().toArray(PersonSet[]::new);
      for (GroupMiner.Mined mined : GroupMiner.of(hidden.columns())) {
        int saved = 0;
        for (int column : mined.columns()) {
          assertThat(mined.people().minus(hidden.columns().get(column)).isEmpty()).as("seed %d: nobody comes in", seed).isTrue();
          saved += left[column].sizeOfAnd(mined.people()) - 1;
          left[column] = left[column].minus(mined.people());
        }
        assertThat(mined.saved()).as("seed %d", seed).isEqualTo(saved).isGreaterThan(mined.people().size() + 1);
      }
    }
  }
}
