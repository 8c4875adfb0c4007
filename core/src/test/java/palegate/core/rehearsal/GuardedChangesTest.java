package palegate.core.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.changes.Change;
import palegate.core.changes.FormerPlace;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.RoleChange;
import palegate.core.duties.Duty;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** What walls and guards hang on is guarded itself, at every instant and in every kind of change (section 7). */
class GuardedChangesTest {
  private static final Instant NOW = Harbour.NOW;
  private static final Instant SOON = NOW.plus(Duration.ofMinutes(1));

  private static Structure walled(Wall.State state, Period period, Barrier barrier) {
    return Harbour.structure().guardedBy(List.of(), List.of(new Wall("w", "Wall", null, state, period, barrier, List.of())));
  }

  private static Structure sealed(Period period) {
    return walled(Wall.State.STANDING, period, new Barrier.Seal(Scope.ofPlaces("c1"), List.of(new Subject.OfGroup("divers"))));
  }

  private static Structure cleared(Clearance... clearances) {
    return Harbour.structure().withTypes(Map.of("valuation", new DocumentType("valuation", "Valuation", true, List.of(), List.of(clearances))));
  }

  private static Clearance clearance(Subject subject) {
    return new Clearance(subject, "reader", Period.ALWAYS);
  }

  private static Set<Duty> needed(Structure structure, Change... changes) {
    Rehearsal rehearsal = Rehearsal.of(Snapshot.of(structure), List.of(changes), NOW, null);
    assertThat(rehearsal.refusals()).isEmpty();
    return GuardedChanges.of(rehearsal).keySet();
  }

  private static Change join(String group, String person, Period period) {
    return new MembershipChange.AddMember(group, new Membership(new Membership.PersonMember(person), period));
  }

  private static Change person(String id, boolean external, boolean active, String unit) {
    return new PeopleChange.SetPerson(new Person(id, id, null, null, external, active, unit));
  }

  @Nested
  class Walls {
    @Test
    void moving_a_document_out_of_a_seal_that_begins_in_a_minute_is_guarded_today() {
      assertThat(needed(sealed(new Period(SOON, null)), new PlaceChange.MovePlace("val1", "c2"))).containsExactly(Duty.WALLS);
    }

    @Test
    void and_so_is_moving_it_out_of_one_that_is_only_planned_but_not_out_of_one_that_was_lifted_or_is_over() {
      Barrier seal = new Barrier.Seal(Scope.ofPlaces("c1"), List.of(new Subject.OfGroup("divers")));
      Change move = new PlaceChange.MovePlace("val1", "c2");
      assertThat(needed(walled(Wall.State.PLANNED, Period.ALWAYS, seal), move)).containsExactly(Duty.WALLS);
      assertThat(needed(walled(Wall.State.LIFTED, Period.ALWAYS, seal), move)).isEmpty();
      assertThat(needed(walled(Wall.State.STANDING, new Period(null, NOW), seal), move)).isEmpty();
    }

    @Test
    void and_so_it_is_where_it_bars_somebody_only_later_once_they_join_or_once_their_exception_ends() {
      Barrier screen = new Barrier.Screen(Scope.ofPlaces("c1"), List.of(new Subject.OfGroup("g-later")));
      Structure joinsLater = walled(Wall.State.STANDING, Period.ALWAYS, screen).withGroups(Map.of("g-later",
          new Group("g-later", "Later", null, List.of(new Membership(new Membership.PersonMember("mia"), new Period(SOON, null))))));
      assertThat(needed(joinsLater, new PlaceChange.MovePlace("val1", "c2"))).containsExactly(Duty.WALLS);
      assertThat(needed(joinsLater, new PlaceChange.RemovePlace("val1"))).containsExactly(Duty.WALLS);
      Subject mia = new Subject.OfPerson("mia");
      Structure exceptedUntilSoon = Harbour.structure().guardedBy(List.of(), List.of(new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS,
          new Barrier.Screen(Scope.ofPlaces("c1"), List.of(mia)), List.of(new Wall.Exempt(mia, SOON)))));
      assertThat(needed(exceptedUntilSoon, new PlaceChange.MovePlace("val1", "c2"))).containsExactly(Duty.WALLS);
    }

    @Test
    void what_comes_back_into_the_scope_of_another_side_is_unbarred_for_one_of_them() {
      Structure sides = walled(Wall.State.STANDING, Period.ALWAYS, new Barrier.Sides(List.of(
          new Barrier.Side("One", List.of(new Subject.OfPerson("mia")), new Scope(Set.of(), Set.of("letter"), Map.of("party", Set.of("one")))),
          new Barrier.Side("Other", List.of(new Subject.OfPerson("ola")), new Scope(Set.of(), Set.of("letter"), Map.of("party", Set.of("other")))))));
      Place folder = sides.places().get("c2");
      Place letter = sides.places().get("let2");
      Snapshot last = Snapshot.of(sides.withPlaces(Map.of("c2", folder.labelled(Map.of("party", "one")))));
      Map<String, Place> since = new HashMap<>(Map.of("c2", folder.labelled(Map.of("party", "other"))));
      since.put("let2", null);
      Rehearsal rehearsal = Rehearsal.of(last.next(last.structure().withPlaces(since)), List.of(new PlaceChange.AddPlace(letter)), NOW, null,
          id -> FormerPlace.in(last, id));
      assertThat(rehearsal.refusals()).isEmpty();
      assertThat(GuardedChanges.of(rehearsal)).containsKey(Duty.WALLS);
    }

    @Test
    void removing_what_stands_behind_a_wall_is_guarded_like_moving_it() {
      assertThat(needed(sealed(Period.ALWAYS), new PlaceChange.RemovePlace("val1"))).containsExactly(Duty.WALLS);
      assertThat(needed(sealed(Period.ALWAYS), new PlaceChange.RemovePlace("let2"))).isEmpty();
    }

    @Test
    void putting_somebody_into_a_group_that_a_seal_admits_is_guarded_also_for_a_later_day() {
      assertThat(needed(sealed(Period.ALWAYS), join("divers", "mia", Period.ALWAYS))).containsExactly(Duty.WALLS);
      assertThat(needed(sealed(Period.ALWAYS), join("divers", "mia", new Period(SOON, null)))).containsExactly(Duty.WALLS);
      assertThat(needed(sealed(Period.ALWAYS), join("trainees", "ola", Period.ALWAYS))).as("that group admits nobody").isEmpty();
    }

    @Test
    void somebody_new_is_admitted_by_nobody_elses_leave_either() {
      assertThat(needed(sealed(Period.ALWAYS), person("new", false, true, null), join("divers", "new", Period.ALWAYS))).containsExactly(Duty.WALLS);
      assertThat(needed(sealed(Period.ALWAYS), person("new", false, true, null))).as("a seal bars whoever comes").isEmpty();
    }

    @Test
    void taking_somebody_out_of_a_group_that_a_screen_names_or_ending_it_is_guarded() {
      Structure screened = walled(Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(Scope.ofPlaces("c1"), List.of(new Subject.OfGroup("trainees"))));
      Membership mia = new Membership(new Membership.PersonMember("mia"), Period.ALWAYS);
      assertThat(needed(screened, new MembershipChange.RemoveMember("trainees", mia))).containsExactly(Duty.WALLS);
      assertThat(needed(screened, new MembershipChange.RemoveMember("trainees", mia), join("trainees", "mia", new Period(null, Harbour.JULY)))).as("barred until July only").containsExactly(Duty.WALLS);
      assertThat(needed(screened, join("trainees", "ola", Period.ALWAYS))).as("bars more").isEmpty();
    }

    @Test
    void a_group_inside_a_group_counts_and_so_does_a_unit_that_moves() {
      Structure byGroup = walled(Wall.State.STANDING, Period.ALWAYS, new Barrier.Seal(Scope.ofPlaces("c1"), List.of(new Subject.OfGroup("divers"))));
      assertThat(needed(byGroup, new MembershipChange.AddMember("divers", new Membership(new Membership.GroupMember("trainees"), Period.ALWAYS)))).containsExactly(Duty.WALLS);
      Structure byUnit = walled(Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(Scope.ofPlaces("c1"), List.of(new Subject.OfUnit("u-all"))));
      assertThat(needed(byUnit, new PeopleChange.SetUnit(new Unit("u-cas", "Casualty", null)))).as("Mia leaves the unit that is screened").containsExactly(Duty.WALLS);
      assertThat(needed(byUnit, person("mia", false, true, null))).containsExactly(Duty.WALLS);
    }

    @Test
    void turning_an_outsider_into_staff_is_guarded_where_a_wall_names_all_outsiders() {
      Structure screened = walled(Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(Scope.ofPlaces("c1"), List.of(Subject.BuiltIn.OUTSIDERS)));
      assertThat(needed(screened, person("per", false, true, null))).containsExactly(Duty.WALLS);
      assertThat(needed(screened, person("mia", true, true, "u-cas"))).as("bars more").isEmpty();
    }

    @Test
    void somebody_who_becomes_active_again_in_a_group_that_a_seal_admits_is_admitted_by_it() {
      Structure sealed = walled(Wall.State.STANDING, Period.ALWAYS, new Barrier.Seal(Scope.ofPlaces("c1"), List.of(new Subject.OfGroup("adjusters"))));
      assertThat(needed(sealed, person("una", false, true, "u-cas"))).containsExactly(Duty.WALLS);
      assertThat(needed(sealed, person("mia", false, false, "u-cas"))).as("leaves").isEmpty();
    }

    @Test
    void a_document_that_goes_from_one_side_to_the_other_is_unbarred_for_one_of_them() {
      Structure sides = walled(Wall.State.STANDING, Period.ALWAYS, new Barrier.Sides(List.of(
          new Barrier.Side("One", List.of(new Subject.OfPerson("mia")), Scope.ofPlaces("c1")),
          new Barrier.Side("Other", List.of(new Subject.OfPerson("ola")), Scope.ofPlaces("c2")))));
      assertThat(needed(sides, new PlaceChange.MovePlace("val1", "c2"))).containsExactly(Duty.WALLS);
    }

    @Test
    void what_comes_behind_a_wall_or_changes_nothing_about_it_waits_for_nobody() {
      assertThat(needed(sealed(Period.ALWAYS), new PlaceChange.MovePlace("let2", "c1"))).isEmpty();
      assertThat(needed(sealed(Period.ALWAYS), new PlaceChange.RenamePlace("val1", "Other"))).isEmpty();
      assertThat(needed(sealed(Period.ALWAYS), new PlaceChange.SetLabels("c2", Map.of("k", "v")))).isEmpty();
    }
  }

  @Nested
  class GuardedTypes {
    @Test
    void widening_a_role_that_people_are_cleared_with_is_guarded() {
      Structure guarded = cleared(clearance(new Subject.OfGroup("adjusters")));
      assertThat(needed(guarded, new RoleChange.SetRole(new Role("reader", "Reader", Rights.parse(List.of("copy", "revise")))))).containsExactly(Duty.TYPES);
      assertThat(needed(guarded, new RoleChange.SetRole(new Role("reader", "Reader", Rights.parse(List.of("find")))))).as("narrowing it is not").isEmpty();
      assertThat(needed(guarded, new RoleChange.SetRole(new Role("preparer", "Preparer", Rights.ALL)))).as("nobody is cleared with that one").isEmpty();
    }

    @Test
    void putting_somebody_into_a_cleared_group_is_guarded_and_taking_them_out_is_not() {
      Structure guarded = cleared(clearance(new Subject.OfGroup("trainees")));
      assertThat(needed(guarded, join("trainees", "ola", Period.ALWAYS))).containsExactly(Duty.TYPES);
      assertThat(needed(guarded, new MembershipChange.RemoveMember("trainees", new Membership(new Membership.PersonMember("mia"), Period.ALWAYS)))).isEmpty();
    }

    @Test
    void a_document_that_becomes_one_of_an_open_type_or_goes_is_guarded() {
      Structure guarded = cleared(clearance(new Subject.OfGroup("trainees")));
      assertThat(needed(guarded, new PlaceChange.SetDocument("val1", "letter", null))).containsExactly(Duty.TYPES);
      assertThat(needed(guarded, new PlaceChange.SetDocument("let2", "valuation", null))).as("cuts down").isEmpty();
      assertThat(needed(guarded, new PlaceChange.RemovePlace("val1"))).containsExactly(Duty.TYPES);
    }

    @Test
    void a_document_of_another_guarded_type_is_guarded_where_somebody_is_cleared_for_that_one_alone_even_if_later() {
      Structure both = cleared(clearance(new Subject.OfGroup("trainees"))).withTypes(Map.of("letter",
          new DocumentType("letter", "Letter", true, List.of(), List.of(clearance(new Subject.OfGroup("g-later")))))).withGroups(Map.of("g-later",
          new Group("g-later", "Later", null, List.of(new Membership(new Membership.PersonMember("ola"), new Period(SOON, null))))));
      assertThat(needed(both, new PlaceChange.SetDocument("val1", "letter", null))).containsExactly(Duty.TYPES);
      Structure alike = both.withTypes(Map.of("letter", new DocumentType("letter", "Letter", true, List.of(), List.of(clearance(new Subject.OfGroup("trainees"))))));
      assertThat(needed(alike, new PlaceChange.SetDocument("val1", "letter", null))).as("the same people").isEmpty();
    }

    @Test
    void staff_come_and_go_without_it_where_all_staff_are_cleared() {
      Structure guarded = cleared(clearance(Subject.BuiltIn.STAFF));
      assertThat(needed(guarded, person("new", false, true, null))).isEmpty();
      assertThat(needed(guarded, person("per", false, true, null))).as("an outsider becomes staff").containsExactly(Duty.TYPES);
    }
  }
}
