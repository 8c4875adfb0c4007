package palegate.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;

class SnapshotTest {
  private final Snapshot snapshot = Harbour.snapshot();

  @Test
  void a_membership_counts_from_its_first_instant_and_no_longer_at_its_last() {
    int mia = snapshot.personNumber("mia");
    int c1 = snapshot.placeNumber("c1");
    assertThat(snapshot.at(Harbour.JULY.minusNanos(1)).rights(mia, c1)).hasToString("find read copy add describe revise");
    assertThat(snapshot.at(Harbour.JULY).rights(mia, c1)).isEqualTo(Rights.NONE);
  }

  @Test
  void a_break_stops_what_comes_from_above_for_the_place_and_all_below() {
    int ola = snapshot.personNumber("ola");
    SnapshotAt moment = snapshot.at(Harbour.NOW);
    assertThat(moment.rights(ola, snapshot.placeNumber("c1"))).isEqualTo(Rights.ALL);
    assertThat(moment.rights(ola, snapshot.placeNumber("let2"))).hasToString("find read copy");
  }

  @Test
  void a_narrowed_entry_touches_documents_of_its_types_only() {
    int mia = snapshot.personNumber("mia");
    SnapshotAt moment = snapshot.at(Harbour.NOW);
    assertThat(moment.rights(mia, snapshot.placeNumber("val1"))).hasToString("find read add describe revise");
    assertThat(moment.rights(mia, snapshot.placeNumber("c1")).words()).contains("copy");
  }

  @Test
  void what_may_be_added_is_asked_of_an_imagined_document_of_the_type() {
    int mia = snapshot.personNumber("mia");
    SnapshotAt moment = snapshot.at(Harbour.NOW);
    int c1 = snapshot.placeNumber("c1");
    assertThat(moment.rightsOnNew(mia, c1, "valuation").words()).contains("add").doesNotContain("copy");
    assertThat(moment.rightsOnNew(mia, c1, "letter").words()).contains("add", "copy");
  }

  @Test
  void places_with_the_same_entries_share_a_class_and_instants_with_the_same_facts_share_a_moment() {
    SnapshotAt moment = snapshot.at(Harbour.NOW);
    assertThat(moment.classOf(snapshot.placeNumber("cas"))).isEqualTo(moment.classOf(snapshot.placeNumber("c1")));
    assertThat(snapshot.at(Harbour.NOW.plusSeconds(60))).isSameAs(moment);
    assertThat(snapshot.at(Harbour.JULY)).isNotSameAs(moment);
  }

  @Test
  void everything_below_a_place_follows_it_directly() {
    int cas = snapshot.placeNumber("cas");
    assertThat(snapshot.below(cas).count()).isEqualTo(5);
    assertThat(snapshot.children(cas)).extracting(child -> snapshot.place(child).id()).isEqualTo(List.of("c1", "c2"));
    assertThat(snapshot.pathText(snapshot.placeNumber("let2"))).isEqualTo("CAS / C2 / LET2");
  }

  @Test
  void breaks_below_a_place_are_counted_without_the_place_itself() {
    assertThat(snapshot.breaksBelow(snapshot.placeNumber("root"))).isEqualTo(1);
    assertThat(snapshot.breaksBelow(snapshot.placeNumber("cas"))).isEqualTo(1);
    assertThat(snapshot.breaksBelow(snapshot.placeNumber("c2"))).isZero();
  }

  @Test
  void moments_are_comparable_only_if_one_was_made_from_the_other() {
    Structure structure = Harbour.structure();
    Snapshot basis = Snapshot.of(structure);
    Snapshot one = basis.next(structure.withPlaces(Map.of("c1", structure.places().get("c1").broken())));
    Snapshot other = basis.next(structure.withPlaces(Map.of("c2", structure.places().get("c2").following())));
    assertThat(one.at(Harbour.NOW).comparableTo(basis.at(Harbour.NOW))).isTrue();
    assertThat(one.at(Harbour.NOW).comparableTo(other.at(Harbour.NOW))).isFalse();
    assertThat(one.detached().at(Harbour.NOW).comparableTo(basis.at(Harbour.NOW))).isFalse();
    assertThat(basis.next(structure)).isSameAs(basis);
  }

  @Test
  void a_changed_role_and_changed_people_are_taken_over_into_the_next_snapshot() {
    for (long seed = 1; seed <= 600; seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      Random random = new Random(seed);
      Map<String, Role> roles = new HashMap<>();
      roles.put("r0", new Role("r0", "Role 0", Rights.ofMask(random.nextInt(512))));
      Map<String, Person> people = new HashMap<>();
      before.people().values().stream().filter(person -> random.nextBoolean()).forEach(person -> people.put(person.id(),
          new Person(person.id(), person.name(), null, null, random.nextBoolean(), random.nextBoolean(), person.unit())));
      Structure after = new Structure(before.units(), before.people().with(people), before.groups(), before.roles().with(roles),
          before.types(), before.places(), before.grants(), before.withholdings(), before.oversights(), before.walls(), before.approvals(), before.duties(),
          before.sharing(), before.passes(), before.shortlists(), before.separations());
      Snapshot basis = Snapshot.of(before);
      Snapshot next = basis.next(after);
      Snapshot fresh = Snapshot.of(after);
      for (int person = 0; person < fresh.personCount(); person++) {
        for (int place = 0; place < fresh.placeCount(); place++) {
          assertThat(next.at(RandomStructures.NOW).rights(person, place)).as("seed %d", seed)
              .isEqualTo(fresh.at(RandomStructures.NOW).rights(person, place));
        }
      }
      assertThat(RightsDifference.between(basis, next, RandomStructures.NOW).pairs().toList()).as("seed %d", seed)
          .isEqualTo(RightsDifference.between(basis, fresh, RandomStructures.NOW).pairs().toList());
    }
  }

  @Test
  void places_that_come_go_or_move_are_compiled_afresh() {
    Structure structure = Harbour.structure();
    Place moved = Place.plain("c1", PlaceKind.FOLDER, "c2", "C1", false, Map.of(), null, null, null);
    Snapshot next = Snapshot.of(structure).next(structure.withPlaces(Map.of("c1", moved)));
    assertThat(next.pathText(next.placeNumber("val1"))).isEqualTo("CAS / C2 / C1 / VAL1");
    assertThat(next.at(Harbour.NOW).rights(next.personNumber("mia"), next.placeNumber("val1"))).hasToString("find read");
  }
}
