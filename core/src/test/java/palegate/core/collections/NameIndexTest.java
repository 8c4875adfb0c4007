package palegate.core.collections;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What is found among names is what contains the text, letter by letter; nothing is passed by that should not be. */
class NameIndexTest {
  private static final long SEED = 20_261_129L;
  private static final String[] PIECES = {"C-24", "Survey", "Åland", "ß", "hull ", "HULL", "11", "·", "北", "a", "b", "ab", " "};

  private static String text(Random random, int pieces) {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < pieces; i++) {
      text.append(PIECES[random.nextInt(PIECES.length)]);
    }
    return text.toString();
  }

  private static List<Integer> found(NameIndex index, String wanted) {
    List<Integer> found = new ArrayList<>();
    index.find(wanted, found::add);
    return found;
  }

  @Test
  void finds_just_what_contains_the_text_in_capitals_or_not() {
    Random random = new Random(SEED);
    for (int round = 0; round < 60; round++) {
      List<String> names = IntStream.range(0, 200).mapToObj(i -> text(random, random.nextInt(7))).toList();
      NameIndex index = new NameIndex(names.size());
      names.forEach(index::add);
      for (int asked = 0; asked < 30; asked++) {
        String wanted = text(random, random.nextInt(4));
        List<Integer> expected = IntStream.range(0, names.size()).filter(i -> names.get(i).toLowerCase(Locale.ROOT).contains(wanted.toLowerCase(Locale.ROOT))).boxed().toList();
        assertThat(found(index, wanted)).as("seed %d, round %d, “%s”", SEED, round, wanted).isEqualTo(expected);
      }
    }
  }

  @Test
  void an_empty_text_is_in_every_name_and_a_longer_one_than_the_name_is_not() {
    NameIndex index = new NameIndex(3);
    List.of("", "a", "ab").forEach(index::add);
    assertThat(found(index, "")).containsExactly(0, 1, 2);
    assertThat(found(index, "abc")).isEmpty();
    assertThat(found(index, "B")).containsExactly(2);
  }

  @Test
  void a_text_is_not_found_across_the_border_of_two_names() {
    NameIndex index = new NameIndex(2);
    List.of("hul", "l plan").forEach(index::add);
    assertThat(found(index, "hull")).isEmpty();
  }
}
