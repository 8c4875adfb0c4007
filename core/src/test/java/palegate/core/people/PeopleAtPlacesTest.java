package palegate.core.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.collections.PersonSet;
import palegate.core.people.PeopleAtPlaces.At;
import palegate.core.people.PeopleAtPlaces.Order;

class PeopleAtPlacesTest {
  /** Kinds whose people are given. */
  private record Given(List<PersonSet> byKind) implements PeopleAtPlaces.Kinds {
    @Override
    public PersonSet people(int kind) {
      return byKind.get(kind);
    }

    @Override
    public boolean lists(int kind, int person) {
      return byKind.get(kind).contains(person);
    }
  }

  private static int[] shuffled(int count, Random random) {
    List<Integer> numbers = new ArrayList<>(IntStream.range(0, count).boxed().toList());
    Collections.shuffle(numbers, random);
    return numbers.stream().mapToInt(Integer::intValue).toArray();
  }

  private static PersonSet some(int people, Random random) {
    return PersonSet.of(IntStream.range(0, people).filter(any -> random.nextInt(3) == 0).toArray());
  }

  @Test
  void every_stretch_of_a_random_list_is_that_of_the_list_made_whole() {
    for (long seed = 1; seed <= 300; seed++) {
      Random random = new Random(seed);
      int people = random.nextInt(90);
      Given of = new Given(IntStream.range(0, 1 + random.nextInt(5)).mapToObj(any -> some(people, random)).toList());
      int[] kinds = IntStream.range(0, random.nextInt(40)).map(any -> random.nextInt(of.byKind().size())).toArray();
      int[] inOrder = shuffled(people, random);
      PersonSet named = some(people, random);
      BitSet narrowed = new BitSet();
      IntStream.range(0, kinds.length).filter(any -> random.nextInt(2) == 0).forEach(narrowed::set);
      PeopleAtPlaces list = new PeopleAtPlaces(kinds, of, narrowed, named, inOrder);
      List<At> byPlace = new ArrayList<>();
      for (int position = 0; position < kinds.length; position++) {
        for (int person : inOrder) {
          if (of.lists(kinds[position], person) && (named.contains(person) || !narrowed.get(position))) {
            byPlace.add(new At(position, person));
          }
        }
      }
      List<At> byPerson = IntStream.of(inOrder).boxed().flatMap(person -> byPlace.stream().filter(line -> line.person() == person)).toList();
      assertThat(list.count()).as("seed %d", seed).isEqualTo(byPlace.size());
      assertThat(list.people()).as("seed %d", seed).isEqualTo(PersonSet.of(byPlace.stream().mapToInt(At::person).distinct().sorted().toArray()));
      assertThat(list.places().boxed()).as("seed %d", seed).containsExactlyElementsOf(byPlace.stream().map(At::position).distinct().toList());
      assertEveryStretch(seed, list, Order.PLACE, byPlace);
      assertEveryStretch(seed, list, Order.PERSON, byPerson);
    }
  }

  private static void assertEveryStretch(long seed, PeopleAtPlaces list, Order order, List<At> expected) {
    List<At> turned = new ArrayList<>(expected);
    Collections.reverse(turned);
    for (int offset = 0; offset <= expected.size() + 1; offset += 1 + expected.size() / 7) {
      int from = Math.min(offset, expected.size());
      assertThat(list.from(order, false, offset)).as("seed %d by %s from %d", seed, order, offset).containsExactlyElementsOf(expected.subList(from, expected.size()));
      assertThat(list.from(order, true, offset)).as("seed %d by %s turned from %d", seed, order, offset).containsExactlyElementsOf(turned.subList(from, turned.size()));
    }
  }

  /** Three thousand million lines: 300,000 places of one kind, at which ten thousand people are listed. */
  @Test
  void a_line_is_found_wherever_it_is_among_more_than_an_int_can_count() {
    int people = 10_000;
    PeopleAtPlaces list = new PeopleAtPlaces(new int[300_000], new Given(List.of(PersonSet.of(IntStream.range(0, people).toArray()))), new BitSet(), PersonSet.NOBODY,
        IntStream.range(0, people).toArray());
    assertThat(list.count()).isEqualTo(3_000_000_000L);
    assertThat(list.from(Order.PLACE, false, 2_500_009_999L).limit(2)).containsExactly(new At(250_000, 9_999), new At(250_001, 0));
    assertThat(list.from(Order.PLACE, true, 2_999_999_999L)).containsExactly(new At(0, 0));
    assertThat(list.from(Order.PERSON, false, 2_700_299_999L).limit(2)).containsExactly(new At(299_999, 9_000), new At(0, 9_001));
    assertThat(list.from(Order.PERSON, true, 0).limit(2)).containsExactly(new At(299_999, 9_999), new At(299_998, 9_999));
    assertThat(list.from(Order.PLACE, false, 3_000_000_000L)).isEmpty();
  }

  @Test
  void a_list_of_nothing_has_no_line() {
    PeopleAtPlaces nothing = new PeopleAtPlaces(new int[0], new Given(List.of()), new BitSet(), PersonSet.NOBODY, new int[0]);
    assertThat(nothing.count()).isZero();
    for (Order order : Order.values()) {
      assertThat(nothing.from(order, false, 0)).isEmpty();
      assertThat(nothing.from(order, true, 0)).isEmpty();
    }
  }
}
