package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.collections.PersonSet;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

class NestedGroupsTest {
  private static Membership group(String id) {
    return new Membership(new Membership.GroupMember(id), Period.ALWAYS);
  }

  @Test
  void somebody_wears_two_hats_who_is_directly_in_a_group_that_neither_holds_the_other_nor_lies_in_it() {
    Map<String, Group> more = Map.of("divers", new Group("divers", "Divers", null, List.of(new Membership(new Membership.PersonMember("mia"), Period.ALWAYS))));
    Snapshot snapshot = Snapshot.of(Harbour.structure().withGroups(more));
    SnapshotAt moment = snapshot.at(Harbour.NOW);
    NestedGroups nested = new NestedGroups(moment);
    PersonSet trainees = moment.matching(new Subject.OfGroup("trainees"));
    assertThat(nested.liesIn("trainees", "adjusters")).isTrue();
    assertThat(nested.liesIn("adjusters", "trainees")).isFalse();
    assertThat(nested.withAnotherHat("trainees", trainees)).as("Mia is in the divers too").isEqualTo(1);
    assertThat(nested.withAnotherHat("adjusters", moment.matching(new Subject.OfGroup("adjusters")).and(moment.active()))).isEqualTo(1);
    assertThat(new NestedGroups(Harbour.snapshot().at(Harbour.NOW)).withAnotherHat("trainees", trainees)).as("trainees lie in the adjusters").isZero();
    assertThat(nested.subjectsOf("trainees")).containsExactly(new Subject.OfGroup("trainees"), new Subject.OfGroup("adjusters"));
  }

  @Test
  void an_organisation_of_groups_nested_like_diamonds_is_found_without_walking_every_way() {
    Map<String, Group> diamonds = new HashMap<>();
    IntStream.range(0, 48).forEach(i -> diamonds.put("n" + i, new Group("n" + i, "N" + i, null,
        i < 46 ? List.of(group("n" + (i / 2 * 2 + 2)), group("n" + (i / 2 * 2 + 3))) : List.of(group("trainees")))));
    SnapshotAt moment = Snapshot.of(Harbour.structure().withGroups(diamonds)).at(Harbour.NOW);
    assertTimeoutPreemptively(Duration.ofSeconds(5), () -> {
      NestedGroups nested = new NestedGroups(moment);
      assertThat(nested.outerOf("trainees")).hasSize(49);
      assertThat(nested.liesIn("trainees", "n0")).isTrue();
      for (String id : moment.snapshot().structure().groups().keySet()) {
        nested.withAnotherHat(id, moment.matching(new Subject.OfGroup(id)));
      }
    });
  }
}
