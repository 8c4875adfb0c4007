package palegate.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.questions.WhoCan;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Right;
import palegate.core.statements.AccessRows;
import palegate.core.statements.Statement;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** People who come after everybody was numbered: those who were there keep their numbers. */
class ComingPeopleTest {
  private final Snapshot harbour = Harbour.snapshot();

  private static Person person(String id, boolean external, boolean active) {
    return new Person(id, id, null, null, external, active, null);
  }

  private static Snapshot with(Snapshot basis, Person... people) {
    Map<String, Person> come = new HashMap<>();
    for (Person person : people) {
      come.put(person.id(), person);
    }
    return basis.next(basis.structure().withPeople(come));
  }

  @Test
  void whoever_was_there_keeps_their_number_and_whoever_comes_is_found_by_their_id() {
    Snapshot grown = with(harbour, person("aaa", false, true));
    for (int number = 0; number < harbour.personCount(); number++) {
      assertThat(grown.person(number)).isSameAs(harbour.person(number));
    }
    assertThat(grown.personCount()).isEqualTo(harbour.personCount() + 1);
    assertThat(grown.personNumber("aaa")).isEqualTo(harbour.personCount());
    assertThat(harbour.personNumber("aaa")).as("the snapshot it was made from does not know them").isEqualTo(-1);
    assertThat(grown.numbersPeopleLike(harbour)).isTrue();
    assertThat(harbour.numbersPeopleLike(grown)).isTrue();
  }

  @Test
  void only_the_active_are_staff_or_outsiders() {
    Snapshot grown = with(harbour, person("in", false, true), person("out", true, true), person("away", false, false));
    SnapshotAt moment = grown.at(Harbour.NOW);
    assertThat(moment.activeStaff().contains(grown.personNumber("in"))).isTrue();
    assertThat(moment.activeOutsiders().contains(grown.personNumber("out"))).isTrue();
    assertThat(moment.matches(grown.personNumber("in"), Subject.BuiltIn.STAFF)).isTrue();
    assertThat(moment.matches(grown.personNumber("out"), Subject.BuiltIn.OUTSIDERS)).isTrue();
    assertThat(moment.matches(grown.personNumber("out"), Subject.BuiltIn.STAFF)).isFalse();
    assertThat(moment.active().contains(grown.personNumber("away"))).isFalse();
  }

  @Test
  void whoever_comes_into_a_seal_that_does_not_name_them_is_barred() {
    Map<String, Wall> walls = Map.of("w-seal", new Wall("w-seal", "Sealed", "Because.", Wall.State.STANDING, Period.ALWAYS,
        new Barrier.Seal(new Scope(Set.of("cas"), Set.of(), Map.of()), List.of(new Subject.OfPerson("mia"))), List.of()));
    Snapshot sealed = harbour.next(harbour.structure().withWalls(walls));
    Snapshot grown = with(sealed, person("late", false, true));
    int place = grown.placeNumber("cas");
    assertThat(grown.at(Harbour.NOW).walls().barredFrom(place).contains(grown.personNumber("late"))).isTrue();
    assertThat(grown.at(Harbour.NOW).walls().barredFrom(place).contains(grown.personNumber("mia"))).isFalse();
    assertThat(sealed.at(Harbour.NOW).walls().barredFrom(place).size()).as("nobody is counted who is not there").isEqualTo(sealed.personCount() - 1);
  }

  @Test
  void two_drafts_in_which_different_people_come_number_them_differently_and_are_compared_by_who_they_are() {
    Snapshot one = with(harbour, person("n1", false, true));
    Snapshot other = with(harbour, person("n0", false, true), person("n1", false, true));
    assertThat(other.numbersPeopleLike(one)).isFalse();
    RightsDifference difference = RightsDifference.between(one, other, Harbour.NOW);
    assertThat(difference.people()).extracting(shift -> shift.person().id()).doesNotContain("n1");
    RightsDifference fresh = RightsDifference.between(Snapshot.of(one.structure()), Snapshot.of(other.structure()), Harbour.NOW);
    assertThat(difference.totals()).isEqualTo(fresh.totals());
  }

  @Test
  void lists_name_them_in_byte_order_of_ids_as_if_they_had_always_been_there() {
    Structure more = harbour.structure().withPeople(Map.of("aaa", person("aaa", false, true), "zzz", person("zzz", false, true)));
    RightsDifference difference = RightsDifference.between(harbour, harbour.next(more), Harbour.NOW);
    RightsDifference fresh = RightsDifference.between(harbour, Snapshot.of(more), Harbour.NOW);
    assertThat(difference.people()).isEqualTo(fresh.people());
    assertThat(difference.pairs()).containsExactlyElementsOf(fresh.pairs().toList());
  }

  @Test
  void more_than_there_are_numbers_to_spare_are_numbered_with_everybody_else() {
    Snapshot snapshot = harbour;
    for (int round = 0; round < 4; round++) {
      int first = round * 100;
      snapshot = with(snapshot, IntStream.range(first, first + 100).mapToObj(i -> person("n" + i, false, true)).toArray(Person[]::new));
    }
    for (int i = 0; i < 400; i++) {
      int number = snapshot.personNumber("n" + i);
      assertThat(snapshot.person(number).id()).isEqualTo("n" + i);
      assertThat(snapshot.at(Harbour.NOW).activeStaff().contains(number)).isTrue();
    }
  }

  @Test
  void a_kept_snapshot_keeps_the_numbers_and_still_tells_everybody_in_order() {
    Snapshot kept = with(harbour, person("aaa", false, true)).detached();
    assertThat(kept.numbersPeopleLike(harbour)).isTrue();
    assertThat(kept.peopleInOrder().mapToObj(kept::person)).extracting(Person::id).isSorted().hasSize(kept.personCount()).startsWith("aaa");
  }

  @Test
  void lists_of_rows_and_of_who_can_do_not_show_that_somebody_came_late() throws IOException {
    Snapshot kept = with(harbour, new Person("aaa", "Aaa", "aaa", null, false, true, harbour.structure().people().get("mia").unit())).detached();
    Snapshot fresh = Snapshot.of(kept.structure());
    int library = kept.placeNumber("cas");
    assertThat(WhoCan.holding(kept.at(Harbour.NOW), Right.FIND, library).stream()).containsExactlyElementsOf(WhoCan.holding(fresh.at(Harbour.NOW), Right.FIND, library).stream().toList());
    assertThat(rows(kept)).isEqualTo(rows(fresh));
    assertThat(new Statement(kept, Harbour.NOW, new Statement.Scope.PlaceAndBelow(0), true).rows()).containsExactlyElementsOf(
        new Statement(fresh, Harbour.NOW, new Statement.Scope.PlaceAndBelow(0), true).rows().toList());
  }

  private static String rows(Snapshot snapshot) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    AccessRows.write(snapshot.at(Harbour.NOW), AccessRows.Format.CSV, false, out);
    return out.toString(StandardCharsets.UTF_8);
  }

  @Test
  void whoever_comes_into_a_group_is_in_those_that_hold_it_too() {
    Map<String, Group> groups = Map.of("inner", new Group("inner", "Inner", null, List.of()),
        "outer", new Group("outer", "Outer", null, List.of(new Membership(new Membership.GroupMember("inner"), Period.ALWAYS))));
    Snapshot basis = harbour.next(harbour.structure().withGroups(groups));
    Structure filled = basis.structure().withPeople(Map.of("late", person("late", false, true)))
        .withGroups(Map.of("inner", new Group("inner", "Inner", null, List.of(new Membership(new Membership.PersonMember("late"), Period.ALWAYS)))));
    Snapshot grown = basis.next(filled);
    assertThat(grown.numbersPeopleLike(basis)).isTrue();
    assertThat(grown.at(Harbour.NOW).matching(new Subject.OfGroup("outer")).toArray()).containsExactly(grown.personNumber("late"));
    assertThat(grown.at(Harbour.NOW).alteredSince(basis.at(Harbour.NOW)).people().toArray()).containsExactly(grown.personNumber("late"));
  }

  @Test
  void nobody_who_was_there_counts_as_altered_because_somebody_came() {
    Snapshot grown = with(harbour, person("late", false, true));
    assertThat(grown.at(Harbour.NOW).alteredSince(harbour.at(Harbour.NOW)).anywhere()).isFalse();
    assertThat(grown.at(Harbour.NOW).comparableTo(harbour.at(Harbour.NOW))).isTrue();
    assertThat(harbour.at(Harbour.NOW).rights(grown.personNumber("late"), 0).isEmpty()).as("before they came they had nothing").isTrue();
  }
}
