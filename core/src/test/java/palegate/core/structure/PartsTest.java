package palegate.core.structure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import org.junit.jupiter.api.Test;

class PartsTest {
  private final Parts<String> three = Parts.of(List.of("a", "b", "c"), Function.identity());

  @Test
  void a_changed_copy_keeps_the_order_and_leaves_the_original_alone() {
    Map<String, String> changes = new LinkedHashMap<>();
    changes.put("d", "new");
    changes.put("b", "changed");
    changes.put("a", null);
    Parts<String> changed = three.with(changes);
    assertThat(changed.values()).containsExactly("changed", "c", "new");
    assertThat(changed.keySet()).containsExactly("b", "c", "d");
    assertThat(three.values()).containsExactly("a", "b", "c");
  }

  @Test
  void what_differs_is_found_whether_the_two_have_one_origin_or_not() {
    Parts<String> changed = three.with(Map.of("b", "other"));
    assertThat(three.differing(changed)).isEqualTo(Set.of("b"));
    assertThat(changed.differing(Parts.of(List.of("a", "b"), Function.identity()))).isEqualTo(Set.of("b", "c"));
    assertThat(changed.with(Map.of("b", "b")).differing(three)).as("changed and changed back").isEmpty();
  }

  @Test
  void the_same_id_twice_is_refused() {
    assertThatThrownBy(() -> Parts.of(List.of("a", "a"), Function.identity())).hasMessageContaining("[a]");
  }

  @Test
  void after_any_number_of_changes_it_is_what_a_plain_map_would_be() {
    Random random = new Random(1_124);
    Map<String, Integer> plain = new HashMap<>();
    Parts<Integer> parts = Parts.none();
    for (int round = 0; round < 3_000; round++) {
      String id = "i" + random.nextInt(2_000);
      Integer value = random.nextInt(3) == 0 ? null : round;
      Map<String, Integer> change = new HashMap<>();
      change.put(id, value);
      parts = parts.with(change);
      if (value == null) {
        plain.remove(id);
      } else {
        plain.put(id, value);
      }
      assertThat(parts.size()).as("round %d of seed 1124", round).isEqualTo(plain.size());
    }
    assertThat(new TreeMap<>(parts)).isEqualTo(new TreeMap<>(plain));
  }
}
