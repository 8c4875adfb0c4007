package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class QuestionsTest {
  private final Snapshot snapshot = Harbour.snapshot();

  @Test
  void the_access_list_has_own_lines_first_and_names_the_source_of_the_others() {
    AccessList list = AccessList.of(snapshot, Harbour.NOW, snapshot.placeNumber("c1"));
    assertThat(list.lines()).extracting(line -> line.entry().id(), AccessList.Line::own, line -> line.source().id())
        .containsExactly(tuple("w-val", true, "c1"), tuple("e-adj", false, "cas"), tuple("e-keep", false, "root"));
  }

  @Test
  void the_people_behind_a_line_are_the_active_ones_by_any_chain() {
    AccessList list = AccessList.of(snapshot, Harbour.NOW, snapshot.placeNumber("cas"));
    assertThat(list.lines().get(0).people()).as("Mia, but not Una, who has left").isEqualTo(1);
    AccessList later = AccessList.of(snapshot, Harbour.JULY, snapshot.placeNumber("cas"));
    assertThat(later.lines().get(0).state()).isEqualTo(AccessList.State.NOBODY);
  }

  @Test
  void a_documents_list_leaves_out_entries_narrowed_to_other_types() {
    AccessList letter = AccessList.of(snapshot, Harbour.NOW, snapshot.placeNumber("let2"));
    assertThat(letter.lines()).extracting(line -> line.entry().id()).containsExactly("e-c2");
  }

  @Test
  void who_can_tells_given_here_from_above_and_from_through_another_group() {
    assertThat(WhoCan.at(snapshot, Harbour.NOW, snapshot.placeNumber("c1")))
        .extracting(holder -> holder.person().id(), WhoCan.Holder::origin)
        .containsExactly(tuple("mia", Origin.THROUGH_GROUP), tuple("ola", Origin.ABOVE));
    assertThat(WhoCan.at(snapshot, Harbour.NOW, snapshot.placeNumber("c2")))
        .extracting(WhoCan.Holder::origin).containsOnly(Origin.HERE);
  }

  @Test
  void the_reach_of_a_person_is_every_place_with_a_right_in_tree_order() {
    assertThat(ReachOf.person(snapshot.at(Harbour.JULY), snapshot.personNumber("mia")).stream())
        .extracting(reached -> reached.place().id()).containsExactly("c2", "let2");
  }

  @Test
  void built_in_subjects_count_active_people_of_their_kind() {
    Structure base = Harbour.structure();
    Snapshot opened = Snapshot.of(Structure.of(base.units().values(), base.people().values(), base.groups().values(),
        base.roles().values(), base.types().values(), base.places().values(),
        List.of(Harbour.grant("s", "root", Subject.BuiltIn.STAFF, "reader"),
            Harbour.grant("x", "root", Subject.BuiltIn.OUTSIDERS, "reader")), List.of()));
    AccessList list = AccessList.of(opened, Harbour.NOW, 0);
    assertThat(list.lines()).extracting(AccessList.Line::people, AccessList.Line::outsiders)
        .containsExactly(tuple(2, 0), tuple(1, 1));
  }
}
