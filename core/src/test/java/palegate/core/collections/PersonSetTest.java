package palegate.core.collections;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.testkit.Often;

class PersonSetTest {
  private static final int PEOPLE = 9_000;

  @Test
  void few_and_many_people_are_the_same_set_in_every_operation() {
    Random random = new Random(2_411);
    for (int round = 0; round < Often.times(2_000); round++) {
      Set<Integer> one = some(random);
      Set<Integer> other = some(random);
      PersonSet a = of(one);
      PersonSet b = of(other);
      Set<Integer> and = new TreeSet<>(one);
      and.retainAll(other);
      Set<Integer> or = new TreeSet<>(one);
      or.addAll(other);
      Set<Integer> minus = new TreeSet<>(one);
      minus.removeAll(other);
      assertThat(members(a.and(b))).as("round %d of seed 2411", round).isEqualTo(and);
      assertThat(members(a.or(b))).isEqualTo(or);
      assertThat(members(a.minus(b))).isEqualTo(minus);
      assertThat(a.sizeOfAnd(b)).isEqualTo(and.size());
      assertThat(a.intersects(b)).isEqualTo(!and.isEmpty());
      assertThat(a.equals(b)).isEqualTo(one.equals(other));
      assertThat(a.and(b).or(a.minus(b))).isEqualTo(a).hasSameHashCodeAs(a);
      long[] bits = new long[(PEOPLE + 63) / 64];
      a.addTo(bits);
      b.keepIn(bits);
      assertThat(PersonSet.copyOf(bits)).isEqualTo(a.and(b));
      b.takeFrom(bits);
      assertThat(PersonSet.copyOf(bits).isEmpty()).isTrue();
      int number = random.nextInt(PEOPLE);
      assertThat(a.contains(number)).isEqualTo(one.contains(number));
    }
  }

  private static Set<Integer> some(Random random) {
    int size = random.nextInt(10) == 0 ? 0 : random.nextBoolean() ? random.nextInt(12) : random.nextInt(PEOPLE);
    return random.ints(size, 0, 1 + random.nextInt(PEOPLE)).boxed().collect(Collectors.toCollection(TreeSet::new));
  }

  private static PersonSet of(Set<Integer> numbers) {
    return PersonSet.of(numbers.stream().mapToInt(Integer::intValue).toArray());
  }

  private static Set<Integer> members(PersonSet set) {
    return set.stream().boxed().collect(Collectors.toCollection(TreeSet::new));
  }
}
