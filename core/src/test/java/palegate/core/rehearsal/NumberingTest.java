package palegate.core.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.snapshot.Snapshot;

/** Common numbers for the people of two states, however each numbers them. */
class NumberingTest {
  private final Snapshot harbour = Harbour.snapshot();

  private static Snapshot with(Snapshot snapshot, String id) {
    return snapshot.next(snapshot.structure().withPeople(Map.of(id, new Person(id, id, null, null, false, true, null))));
  }

  private static void assertEverybodyHasOneNumber(Snapshot before, Snapshot after) {
    Numbering numbering = new Numbering(before, after);
    for (Snapshot snapshot : new Snapshot[] {before, after}) {
      for (int number = 0; number < snapshot.personCount(); number++) {
        String id = snapshot.person(number).id();
        int common = snapshot == before ? numbering.ofBefore(number) : numbering.ofAfter(number);
        assertThat(numbering.person(common).id()).isEqualTo(id);
        assertThat(numbering.numberOf(id)).isEqualTo(common);
      }
    }
    PersonSet all = PersonSet.of(IntStream.range(0, numbering.count()).toArray());
    assertThat(numbering.inOrder(all).mapToObj(number -> numbering.person(number).id())).isSorted().hasSize(numbering.count());
    assertThat(numbering.numberOf("nobody")).isEqualTo(-1);
  }

  @Test
  void one_was_made_from_the_other() {
    assertEverybodyHasOneNumber(harbour, harbour);
    assertEverybodyHasOneNumber(harbour, with(harbour, "aaa"));
    assertEverybodyHasOneNumber(with(harbour, "aaa"), harbour);
    assertEverybodyHasOneNumber(with(harbour, "aaa"), with(with(harbour, "aaa"), "bbb"));
  }

  @Test
  void each_was_made_from_a_third_and_somebody_else_came_in_it() {
    assertEverybodyHasOneNumber(with(harbour, "zzz"), with(harbour, "aaa"));
    assertEverybodyHasOneNumber(with(with(harbour, "zzz"), "aaa"), with(harbour, "aaa"));
  }

  @Test
  void both_were_compiled_for_themselves() {
    assertEverybodyHasOneNumber(harbour, Snapshot.of(with(harbour, "aaa").structure()));
    assertEverybodyHasOneNumber(with(harbour, "zzz"), Snapshot.of(with(harbour, "aaa").structure()));
  }

  @Test
  void where_both_have_the_same_people_in_the_same_order_nothing_is_translated() {
    long[] bits = {5};
    Numbering same = new Numbering(harbour, Snapshot.of(harbour.structure()));
    assertThat(same.bitsFromBefore(bits)).isSameAs(bits);
    assertThat(same.bitsFromAfter(bits)).isSameAs(bits);
    assertThat(same.words() * 64).isEqualTo(harbour.personRoom());
    Numbering other = new Numbering(harbour, Snapshot.of(with(harbour, "aaa").structure()));
    assertThat(other.bitsFromBefore(bits)).isNotSameAs(bits);
    assertThat(PersonSet.copyOf(other.bitsFromBefore(new long[] {1})).toArray()).containsExactly(other.numberOf(harbour.person(0).id()));
  }
}
