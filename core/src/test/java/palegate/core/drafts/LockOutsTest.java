package palegate.core.drafts;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class LockOutsTest {
  @Test
  void a_keeper_who_leaves_staff_without_losing_a_right_leaves_a_lock_out() {
    Structure before = Harbour.structure();
    Person ola = before.people().get("ola");
    Structure after = before.withPeople(Map.of("ola", new Person("ola", ola.name(), ola.login(), ola.email(), true, true, ola.unit())));
    Snapshot was = Snapshot.of(before);
    Snapshot is = Snapshot.of(after);
    Difference difference = Difference.between(was, is, Harbour.NOW);
    assertThat(difference.isEmpty()).as("nobody's rights change").isTrue();
    assertThat(new PlaceSet(is, LockOuts.between(was, is, difference)).stream()).extracting(Place::id).containsExactly("root", "cas", "c1", "val1");
  }

  @Test
  void candidates_are_those_who_govern_the_place_or_else_the_nearest_above() {
    Snapshot snapshot = Harbour.snapshot();
    assertThat(LockOuts.candidates(snapshot, Harbour.NOW, snapshot.placeNumber("c1"))).extracting(Person::id).containsExactly("ola");
    assertThat(LockOuts.candidates(snapshot, Harbour.NOW, snapshot.placeNumber("c2"))).extracting(Person::id).containsExactly("ola");
  }

  @Test
  void without_anybody_who_governs_nobody_can_be_named() {
    Structure base = Harbour.structure();
    Snapshot nobody = Snapshot.of(Structure.of(base.units().values(), base.people().values(), base.groups().values(),
        base.roles().values(), base.types().values(), base.places().values(), List.of(), List.of()));
    assertThat(LockOuts.candidates(nobody, Harbour.NOW, 0)).isEmpty();
    assertThat(LockOuts.all(nobody, Harbour.NOW).size()).isEqualTo(base.places().size());
  }
}
