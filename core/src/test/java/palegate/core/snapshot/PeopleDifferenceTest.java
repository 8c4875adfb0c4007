package palegate.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Right;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;

/** What differs for people where a place stays in its class: clearances and memberships, and who has become active or not. */
class PeopleDifferenceTest {
  private final Snapshot guarded = guarded(Harbour.snapshot());
  private final String role = guarded.structure().roles().values().stream().filter(one -> one.rights().contains(Right.READ)).findFirst().orElseThrow().id();

  private static DocumentType valuation(Snapshot snapshot) {
    return snapshot.structure().types().get("valuation");
  }

  private static Snapshot with(Snapshot snapshot, DocumentType type) {
    return snapshot.next(snapshot.structure().withTypes(Map.of(type.id(), type)));
  }

  private static Snapshot guarded(Snapshot snapshot) {
    return Snapshot.of(with(snapshot, valuation(snapshot).guarded(true)).structure());
  }

  private Snapshot cleared(String... people) {
    return with(guarded, valuation(guarded).cleared(List.of(people).stream()
        .map(person -> new Clearance(new Subject.OfPerson(person), role, Period.ALWAYS)).toList()));
  }

  @Test
  void clearing_somebody_sorts_no_place_anew() {
    SnapshotAt before = guarded.at(Harbour.NOW);
    SnapshotAt after = cleared("mia").at(Harbour.NOW);
    assertThat(after.changedRanges()).isEmpty();
    IntStream.range(0, guarded.placeCount()).forEach(place -> assertThat(after.classOf(place)).isEqualTo(before.classOf(place)));
    assertThat(after.alteredSince(before).people().toArray()).containsExactly(guarded.personNumber("mia"));
  }

  @Test
  void it_concerns_the_classes_of_that_type_and_no_others() {
    SnapshotAt before = guarded.at(Harbour.NOW);
    SnapshotAt after = cleared("mia").at(Harbour.NOW);
    PeopleDifference altered = after.alteredSince(before);
    for (int place = 0; place < guarded.placeCount(); place++) {
      assertThat(altered.concerns(after.classOf(place))).as(guarded.place(place).id()).isEqualTo("valuation".equals(guarded.place(place).type()));
    }
    assertThat(altered.anywhere()).isFalse();
  }

  @Test
  void guarding_a_type_sorts_its_documents_anew() {
    Snapshot open = Harbour.snapshot();
    Snapshot after = with(open, valuation(open).guarded(true));
    int document = after.placeNumber("val1");
    assertThat(after.at(Harbour.NOW).classOf(document)).isNotEqualTo(open.at(Harbour.NOW).classOf(document));
    assertThat(after.at(Harbour.NOW).holders(document).anyone().isEmpty()).as("nobody is cleared yet").isTrue();
  }

  @Test
  void a_clearance_taken_for_another_gives_one_person_what_the_other_loses() {
    Snapshot mia = Snapshot.of(cleared("mia").structure());
    Snapshot ola = with(mia, valuation(mia).cleared(List.of(new Clearance(new Subject.OfPerson("ola"), role, Period.ALWAYS))));
    RightsDifference difference = RightsDifference.between(mia, ola, Harbour.NOW);
    RightsDifference fresh = RightsDifference.between(mia, Snapshot.of(ola.structure()), Harbour.NOW);
    assertThat(difference.totals()).isEqualTo(fresh.totals());
    assertThat(difference.pairs()).containsExactlyElementsOf(fresh.pairs().toList());
    assertThat(difference.people()).extracting(shift -> shift.person().id()).contains("ola");
  }

  @Test
  void a_set_of_clearances_of_the_same_lines_is_not_worked_out_again() {
    SnapshotAt before = guarded.at(Harbour.NOW);
    Person mia = guarded.structure().people().get("mia");
    Snapshot renamed = guarded.next(guarded.structure().withPeople(Map.of("mia", new Person("mia", "Mia Other", mia.login(), mia.email(), mia.external(), mia.active(), mia.unit()))));
    assertThat(renamed.at(Harbour.NOW).clearedBySet()[1]).isSameAs(before.clearedBySet()[1]);
  }

  @Test
  void whoever_becomes_inactive_alters_something_anywhere() {
    Person mia = guarded.structure().people().get("mia");
    Snapshot left = guarded.next(guarded.structure().withPeople(Map.of("mia", new Person("mia", mia.name(), mia.login(), mia.email(), mia.external(), false, mia.unit()))));
    PeopleDifference altered = left.at(Harbour.NOW).alteredSince(guarded.at(Harbour.NOW));
    assertThat(altered.anywhere()).isTrue();
    assertThat(altered.people().contains(guarded.personNumber("mia"))).isTrue();
  }
}
