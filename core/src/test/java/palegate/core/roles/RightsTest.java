package palegate.core.roles;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;

class RightsTest {
  @Test
  void a_set_without_find_closes_to_nothing() {
    assertThat(Rights.ALL.minus(Rights.of(Right.FIND)).close()).isEqualTo(Rights.NONE);
  }

  @Test
  void a_right_falls_with_its_need_and_takes_along_what_needs_it() {
    assertThat(Rights.ALL.minus(Rights.of(Right.READ)).close()).hasToString("find add describe delete govern");
  }

  @Test
  void closing_is_the_largest_closed_subset_for_all_512_sets() {
    for (int mask = 0; mask < 512; mask++) {
      Rights closed = Rights.ofMask(mask).close();
      assertThat(Rights.ofMask(mask).containsAll(closed)).isTrue();
      assertThat(closed.complete()).as("needs of %s", closed).isEqualTo(closed);
      for (Right left : Rights.ofMask(mask).minus(closed).list()) {
        assertThat(Rights.ofMask(mask).containsAll(Rights.of(left).complete()))
            .as("%s was dropped from %s though its needs are there", left, Rights.ofMask(mask)).isFalse();
      }
    }
  }

  @Test
  void completing_adds_every_need_up_to_find() {
    assertThat(Rights.of(Right.SHARE).complete()).hasToString("find read share");
  }

  @Test
  void a_role_is_saved_with_what_its_rights_need() {
    assertThat(new Role("r", "Filer", Rights.of(Right.REVISE)).rights()).hasToString("find read revise");
  }

  @Test
  void words_come_in_the_fixed_order_however_they_were_given() {
    assertThat(Rights.parse(List.of("govern", "find", "share", "read")).words())
        .containsExactly("find", "read", "share", "govern");
  }

  @Test
  void an_unknown_word_is_refused_by_name() {
    assertThatThrownBy(() -> Rights.parse(List.of("write"))).hasMessageContaining("[write]");
  }
}
