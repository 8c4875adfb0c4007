package palegate.core.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class RehearsalTest {
  private static Rehearsal rehearse(Change... changes) {
    return Rehearsal.of(Harbour.snapshot(), List.of(changes), Harbour.NOW, "ola");
  }

  @Test
  void an_empty_draft_changes_nothing() {
    Rehearsal nothing = rehearse();
    assertThat(nothing.now().isEmpty()).isTrue();
    assertThat(nothing.after()).as("what would be, and what is").isSameAs(nothing.before());
  }

  @Test
  void a_grant_is_counted_over_people_places_and_documents() {
    RightsDifference difference = rehearse(
        new AccessChange.AddGrant(Harbour.grant("n", "cas", Subject.BuiltIn.OUTSIDERS, "reader"))).now();
    assertThat(difference.totals()).isEqualTo(new RightsDifference.Totals(1, 0, 3, 1, 3, 0, 1));
    assertThat(difference.people()).singleElement().satisfies(shift -> {
      assertThat(shift.person().id()).isEqualTo("per");
      assertThat(shift.gained()).hasToString("find read copy");
      assertThat(shift.documents()).isEqualTo(1);
    });
    assertThat(difference.places()).extracting(shift -> shift.place().id()).containsExactly("cas", "c1", "val1");
  }

  @Test
  void later_instants_at_which_a_touched_entry_begins_or_ends_are_rehearsed_too() {
    Instant from = Harbour.NOW.plusSeconds(100);
    Instant until = Harbour.NOW.plusSeconds(200);
    Rehearsal rehearsal = rehearse(new AccessChange.AddGrant(new Grant(
        "n", "cas", new Subject.OfPerson("per"), "reader", Set.of(), new Period(from, until), null)));
    assertThat(rehearsal.differences()).extracting(RightsDifference::instant).containsExactly(Harbour.NOW, from, until);
    assertThat(rehearsal.differences()).extracting(RightsDifference::isEmpty).containsExactly(true, false, true);
    assertThat(rehearsal.withoutEffect()).isEmpty();
  }

  @Test
  void an_entry_that_gives_what_is_there_already_is_reported_as_without_effect() {
    assertThat(rehearse(new AccessChange.AddGrant(Harbour.grant("n", "c1", new Subject.OfPerson("ola"), "reader"))).withoutEffect())
        .extracting(Entry::id).containsExactly("n");
  }

  @Test
  void a_break_that_leaves_nobody_with_govern_is_refused_and_names_who_could_be_named() {
    Rehearsal rehearsal = rehearse(new AccessChange.BreakPlace("c1", AccessChange.Start.EMPTY, List.of(), "b"));
    assertThat(rehearsal.refusedBreaks()).singleElement().satisfies(refused -> {
      assertThat(refused.place().id()).isEqualTo("c1");
      assertThat(refused.candidates()).extracting(Person::id).containsExactly("ola");
    });
    assertThat(rehearsal.lockOuts().stream()).extracting(Place::id).containsExactly("c1", "val1");
    assertThat(rehearsal.authorLosesGovern().stream()).extracting(Place::id).containsExactly("c1", "val1");
  }

  @Test
  void naming_who_governs_lets_the_break_through() {
    AccessChange.Keeper keeper = new AccessChange.Keeper(new Subject.OfPerson("mia"), "keeper");
    assertThat(rehearse(new AccessChange.BreakPlace("c1", AccessChange.Start.EMPTY, List.of(keeper), "b")).refusedBreaks()).isEmpty();
  }

  @Test
  void an_outsider_or_a_person_who_has_left_does_not_count_as_a_keeper() {
    AccessChange.Keeper outsider = new AccessChange.Keeper(new Subject.OfPerson("per"), "keeper");
    AccessChange.Keeper left = new AccessChange.Keeper(new Subject.OfPerson("una"), "keeper");
    assertThat(rehearse(new AccessChange.BreakPlace("c1", AccessChange.Start.EMPTY, List.of(outsider, left), "b")).refusedBreaks()).hasSize(1);
  }

  @Test
  void a_keeper_whose_grant_will_end_leaves_a_lock_out_at_that_instant() {
    Grant brief = new Grant("k", "c1", new Subject.OfPerson("mia"), "keeper", Set.of(), new Period(null, Harbour.JULY), null);
    assertThat(rehearse(new AccessChange.BreakPlace("c1", AccessChange.Start.EMPTY, List.of(), "b"), new AccessChange.AddGrant(brief)).refusedBreaks()).hasSize(1);
  }

  @Test
  void removing_the_last_keeper_is_reported_as_a_lock_out() {
    Rehearsal rehearsal = rehearse(new AccessChange.RemoveGrant("root", "e-keep"));
    assertThat(rehearsal.lockOuts().stream()).extracting(Place::id).containsExactly("root", "cas", "c1", "val1");
    assertThat(rehearsal.refusedBreaks()).isEmpty();
  }

  @Test
  void people_and_places_that_only_one_state_has_count_as_without_rights_in_the_other() {
    var base = Harbour.structure();
    var smaller = Structure.of(base.units().values(),
        base.people().values().stream().filter(person -> !person.id().equals("mia")).toList(),
        List.of(), base.roles().values(), base.types().values(),
        base.places().values().stream().filter(place -> !Set.of("c2", "let2").contains(place.id())).toList(),
        base.grants().values().stream().filter(grant -> grant.id().equals("e-keep")).toList(), List.of());
    RightsDifference difference = RightsDifference.between(
        Harbour.snapshot(), Snapshot.of(smaller), Harbour.NOW);
    assertThat(difference.pairs().map(pair -> pair.person().id() + " " + pair.place().id()))
        .containsExactly("mia cas", "mia c1", "mia val1", "mia c2", "ola c2", "mia let2", "ola let2");
    assertThat(difference.pairs()).allSatisfy(pair -> assertThat(pair.after().isEmpty()).isTrue());
  }
}
