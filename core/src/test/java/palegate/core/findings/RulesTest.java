package palegate.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallProof;

/** Each rule finds what is planted for it in a small structure, and is quiet beside it. */
class RulesTest {
  private static final Instant NOW = Harbour.NOW;
  private static final Structure HARBOUR = Harbour.structure();

  private static List<String> found(Structure structure, String code) {
    Rule rule = Rules.of(code).orElseThrow();
    return Findings.of(Snapshot.of(structure), NOW, Limits.USUAL, List.of(rule)).stream().map(Finding::thing).toList();
  }

  private static Structure with(Grant... grants) {
    Map<String, Grant> more = new HashMap<>();
    List.of(grants).forEach(grant -> more.put(grant.id(), grant));
    return HARBOUR.withGrants(more);
  }

  private static Structure given(Structure to, Grant grant) {
    return to.withGrants(Map.of(grant.id(), grant));
  }

  private static Structure with(Group group) {
    return HARBOUR.withGroups(Map.of(group.id(), group));
  }

  private static Structure withStaff(String... ids) {
    Map<String, Person> more = new HashMap<>();
    List.of(ids).forEach(id -> more.put(id, new Person(id, id, null, null, false, true, "u-all")));
    return HARBOUR.withPeople(more);
  }

  private static Membership person(String id) {
    return new Membership(new Membership.PersonMember(id), Period.ALWAYS);
  }

  private static Membership group(String id) {
    return new Membership(new Membership.GroupMember(id), Period.ALWAYS);
  }

  private static Period until(Instant instant) {
    return new Period(null, instant);
  }

  private static Structure with(Wall wall) {
    return HARBOUR.withWalls(Map.of(wall.id(), wall));
  }

  private static Wall seal(Scope scope, Wall.State state, Period period, Wall.Exempt... exceptions) {
    return new Wall("w", "Inquiry", null, state, period, new Barrier.Seal(scope, List.of(new Subject.OfPerson("ola"))), List.of(exceptions));
  }

  @Test
  void outsiders_in_a_group_of_staff_and_none_where_they_are_as_many() {
    Structure staff = withStaff("a", "b");
    Group team = new Group("team", "Team", null, List.of(person("a"), person("b"), person("per")));
    assertThat(found(staff.withGroups(Map.of("team", team)), "outsider-in-staff-group")).containsExactly("group:team");
    assertThat(found(staff.withGroups(Map.of("team", team.with(List.of(person("a"), person("per"))))), "outsider-in-staff-group")).isEmpty();
    assertThat(found(staff.withGroups(Map.of("team", team.with(List.of(person("a"), person("b"), new Membership(new Membership.PersonMember("per"), until(NOW)))))), "outsider-in-staff-group")).as("who was a member").isEmpty();
  }

  @Test
  void outsiders_who_govern_and_not_those_who_read() {
    assertThat(found(with(Harbour.grant("x", "c1", new Subject.OfPerson("per"), "keeper")), "outsider-with-staff-role")).containsExactly("entry:x");
    assertThat(found(with(Harbour.grant("x", "c1", new Subject.OfPerson("per"), "reader")), "outsider-with-staff-role")).isEmpty();
    assertThat(found(with(Harbour.grant("x", "c1", new Subject.OfPerson("ola"), "keeper")), "outsider-with-staff-role")).isEmpty();
  }

  @Test
  void everybody_who_governs() {
    assertThat(found(with(Harbour.grant("x", "c1", Subject.BuiltIn.STAFF, "keeper")), "everyone-can-govern")).containsExactly("entry:x");
    assertThat(found(with(Harbour.grant("x", "c1", Subject.BuiltIn.STAFF, "preparer")), "everyone-can-govern")).isEmpty();
  }

  @Test
  void a_place_that_nobody_keeps_once_and_not_each_below_it() {
    assertThat(found(HARBOUR, "no-keeper")).containsExactly("place:c2");
    assertThat(found(with(Harbour.grant("x", "c2", new Subject.OfPerson("mia"), "keeper")), "no-keeper")).isEmpty();
    assertThat(found(with(Harbour.grant("x", "c2", new Subject.OfPerson("una"), "keeper")), "no-keeper")).as("who has left keeps nothing").containsExactly("place:c2");
  }

  @Test
  void a_guarded_type_for_nobody_and_one_for_everybody() {
    DocumentType letter = HARBOUR.types().get("letter").guarded(true);
    assertThat(found(HARBOUR.withTypes(Map.of("letter", letter)), "type-cleared-for-nobody")).containsExactly("type:letter");
    DocumentType forAll = letter.cleared(List.of(new Clearance(Subject.BuiltIn.STAFF, "reader", Period.ALWAYS)));
    assertThat(found(HARBOUR.withTypes(Map.of("letter", forAll)), "type-cleared-for-nobody")).isEmpty();
    assertThat(found(HARBOUR.withTypes(Map.of("letter", forAll)), "type-cleared-for-everybody")).containsExactly("type:letter");
    DocumentType ended = letter.cleared(List.of(new Clearance(Subject.BuiltIn.STAFF, "reader", until(NOW))));
    assertThat(found(HARBOUR.withTypes(Map.of("letter", ended)), "type-cleared-for-nobody")).containsExactly("type:letter");
    assertThat(found(HARBOUR, "type-cleared-for-everybody")).as("an open type is for everybody").isEmpty();
  }

  @Test
  void walls_that_cover_nothing_or_everything_are_overdue_or_let_somebody_pass_for_ever() {
    assertThat(found(with(seal(Scope.ofLabel("case", "none"), Wall.State.STANDING, Period.ALWAYS)), "wall-covers-nothing")).containsExactly("wall:w");
    assertThat(found(with(seal(Scope.ofPlaces("root"), Wall.State.STANDING, Period.ALWAYS)), "wall-covers-everything")).containsExactly("wall:w");
    Wall sound = seal(Scope.ofPlaces("c1"), Wall.State.STANDING, Period.ALWAYS, new Wall.Exempt(new Subject.OfPerson("mia"), NOW.plusSeconds(60)));
    for (String code : List.of("wall-covers-nothing", "wall-covers-everything", "wall-overdue", "wall-exception-without-end", "wall-conflict", "wall-gap")) {
      assertThat(found(with(sound), code)).as(code).isEmpty();
    }
    assertThat(found(with(seal(Scope.ofPlaces("c1"), Wall.State.STANDING, until(NOW))), "wall-overdue")).containsExactly("wall:w");
    assertThat(found(with(seal(Scope.ofPlaces("c1"), Wall.State.PLANNED, new Period(NOW, null))), "wall-overdue")).containsExactly("wall:w");
    assertThat(found(with(seal(Scope.ofPlaces("c1"), Wall.State.PLANNED, new Period(NOW.plusSeconds(1), null))), "wall-overdue")).isEmpty();
    assertThat(found(with(seal(Scope.ofPlaces("c1"), Wall.State.STANDING, Period.ALWAYS, new Wall.Exempt(new Subject.OfPerson("mia"), null))), "wall-exception-without-end")).containsExactly("wall:w");
    assertThat(found(with(seal(Scope.ofLabel("case", "none"), Wall.State.LIFTED, Period.ALWAYS)), "wall-covers-nothing")).as("a lifted wall covers nothing by nature").isEmpty();
  }

  @Test
  void a_person_on_two_sides_and_what_was_filed_under_a_slip() {
    Barrier sides = new Barrier.Sides(List.of(new Barrier.Side("Hull", List.of(new Subject.OfGroup("trainees")), Scope.ofPlaces("c1")), new Barrier.Side("Cargo", List.of(new Subject.OfPerson("mia")), Scope.ofPlaces("c2"))));
    assertThat(found(with(new Wall("w", "Collision", null, Wall.State.STANDING, Period.ALWAYS, sides, List.of())), "wall-conflict")).containsExactly("wall:w");
    Structure filed = HARBOUR.withPlaces(Map.of("c1", HARBOUR.places().get("c1").labelled(Map.of("case", "C-2417")), "c2", HARBOUR.places().get("c2").labelled(Map.of("case", "C-2471"))));
    assertThat(found(filed.withWalls(Map.of("w", seal(Scope.ofLabel("case", "C-2417"), Wall.State.STANDING, Period.ALWAYS))), "wall-gap")).containsExactly("wall:w");
    Structure byName = filed.withWalls(Map.of("w", new Wall("w", "W", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(Scope.ofLabel("case", "C-2417"), List.of(new Subject.OfPerson("mia"))), List.of())));
    assertThat(found(byName, "wall-gap-given")).as("it lies outside, and nobody has handed it to her").isEmpty();
    Grant toMia = Harbour.grant("e-mia", "let2", new Subject.OfPerson("mia"), "reader");
    assertThat(found(given(byName, toMia), "wall-gap-given")).containsExactly("entry:e-mia");
    assertThat(found(given(byName, new Grant("e-sh", "c2", new Subject.OfGroup("trainees"), "reader", Set.of(), Period.ALWAYS, null, "ola", null)), "wall-gap-given")).as("shared with a group").containsExactly("entry:e-sh");
    assertThat(found(given(byName, Harbour.grant("e-group", "c2", new Subject.OfGroup("trainees"), "reader")), "wall-gap-given")).as("a group on a list is not somebody by name").isEmpty();
    assertThat(found(given(byName, Harbour.grant("e-ola", "c2", new Subject.OfPerson("ola"), "reader")), "wall-gap-given")).as("she is not kept out").isEmpty();
    assertThat(found(given(byName, new Grant("e-old", "c2", new Subject.OfPerson("mia"), "reader", Set.of(), until(NOW), null)), "wall-gap-given")).as("it has ended").isEmpty();
    Structure misfiled = HARBOUR.withPlaces(Map.of("c1", HARBOUR.places().get("c1").labelled(Map.of("case", "C-2417")), "val1", HARBOUR.places().get("val1").labelled(Map.of("about", "C-2502"))));
    assertThat(found(misfiled.withWalls(Map.of("w", seal(Scope.ofLabel("case", "C-2417"), Wall.State.STANDING, Period.ALWAYS))), "wall-misfit")).containsExactly("wall:w");
    assertThat(found(misfiled.withWalls(Map.of("w", seal(Scope.ofLabel("case", "C-2417"), Wall.State.LIFTED, Period.ALWAYS))), "wall-misfit")).as("a lifted one has no inside").isEmpty();
    assertThat(found(filed.withWalls(Map.of("w", seal(Scope.ofLabel("case", "C-2417"), Wall.State.STANDING, Period.ALWAYS))), "wall-misfit")).isEmpty();
  }

  @Test
  void one_that_has_more_than_at_the_places_beside_it() {
    Map<String, Place> folders = new HashMap<>();
    List<Grant> grants = new ArrayList<>();
    for (int i = 0; i < 9; i++) {
      folders.put("f" + i, Place.plain("f" + i, PlaceKind.FOLDER, "cas", "F" + i, false, Map.of(), null, null, null));
      grants.add(Harbour.grant("g" + i, "f" + i, new Subject.OfGroup("trainees"), i == 4 ? "keeper" : "preparer"));
    }
    assertThat(found(with(grants.toArray(Grant[]::new)).withPlaces(folders), "rights-beyond-peers")).as("its own and its neighbours’ pattern").containsOnly("entry:g4");
    grants.replaceAll(grant -> Harbour.grant(grant.id(), grant.place(), grant.subject(), "preparer"));
    assertThat(found(with(grants.toArray(Grant[]::new)).withPlaces(folders), "rights-beyond-peers")).as("where all are alike").isEmpty();
    List<Grant> mixed = new ArrayList<>();
    for (int i = 0; i < 9; i++) {
      mixed.add(Harbour.grant("g" + i, "f" + i, new Subject.OfGroup("trainees"), i % 2 == 0 ? "keeper" : "preparer"));
    }
    assertThat(found(with(mixed.toArray(Grant[]::new)).withPlaces(folders), "rights-beyond-peers")).as("where there is no pattern").isEmpty();
  }

  @Test
  void a_library_that_one_keeps_alone() {
    assertThat(found(HARBOUR, "single-keeper")).containsExactly("place:cas");
    assertThat(found(with(Harbour.grant("x", "cas", new Subject.OfPerson("mia"), "keeper")), "single-keeper")).isEmpty();
  }

  @Test
  void what_is_withheld_above_and_given_again_below_a_break() {
    Withholding withheld = new Withholding("w", "cas", new Subject.OfPerson("ola"), Rights.parse(List.of("read")), Set.of(), Period.ALWAYS, null);
    assertThat(found(HARBOUR.withWithholdings(Map.of("w", withheld)), "withholding-worked-around")).as("Ola reads C-2, which stands alone").containsExactly("place:c2");
    Structure following = HARBOUR.withPlaces(Map.of("c2", HARBOUR.places().get("c2").following()));
    assertThat(found(following.withWithholdings(Map.of("w", withheld)), "withholding-worked-around")).isEmpty();
  }

  @Test
  void overseers_who_left_and_those_without_an_end() {
    Oversight una = new Oversight("o", "cas", new Subject.OfPerson("una"), Period.ALWAYS, null);
    Oversight mia = new Oversight("o", "cas", new Subject.OfPerson("mia"), Period.ALWAYS, null);
    assertThat(found(HARBOUR.withOversights(Map.of("o", una)), "overseer-inactive")).containsExactly("place:cas");
    assertThat(found(HARBOUR.withOversights(Map.of("o", una)), "oversight-without-end")).isEmpty();
    assertThat(found(HARBOUR.withOversights(Map.of("o", mia)), "overseer-inactive")).isEmpty();
    assertThat(found(HARBOUR.withOversights(Map.of("o", mia)), "oversight-without-end")).containsExactly("place:cas");
    assertThat(found(HARBOUR.withOversights(Map.of("o", new Oversight("o", "cas", new Subject.OfPerson("mia"), until(Harbour.JULY), null))), "oversight-without-end")).isEmpty();
  }

  @Test
  void what_is_checked_out_for_longer_than_a_fortnight_and_whose_owner_has_left() {
    Place letter = HARBOUR.places().get("let2");
    assertThat(found(HARBOUR.withPlaces(Map.of("let2", letter.in(new Conditions(false, false, "mia", NOW.minus(Duration.ofDays(14)).minusSeconds(1))))), "condition-too-long")).containsExactly("place:let2");
    assertThat(found(HARBOUR.withPlaces(Map.of("let2", letter.in(new Conditions(false, false, "mia", NOW.minus(Duration.ofDays(14)))))), "condition-too-long")).isEmpty();
    assertThat(found(HARBOUR.withPlaces(Map.of("let2", letter.as("letter", "una"))), "owner-inactive")).containsExactly("person:una");
    assertThat(found(HARBOUR.withPlaces(Map.of("let2", letter.as("letter", "mia"))), "owner-inactive")).isEmpty();
  }

  /** A state is kept for all instants at which the same holds; days go by among them, in findings from cold and in those made from what was kept. */
  @Test
  void what_is_near_or_too_long_is_so_of_the_day_that_is_asked_about_though_nothing_began_or_ended_since_the_state_was_first_asked() {
    Place letter = HARBOUR.places().get("let2");
    Structure structure = with(new Grant("x", "c1", new Subject.OfPerson("mia"), "reader", Set.of(), until(NOW.plus(Duration.ofDays(20))), null))
        .withPlaces(Map.of("let2", letter.in(new Conditions(false, false, "mia", NOW))));
    Snapshot snapshot = Snapshot.of(structure);
    List<Rule> rules = List.of(Rules.of("ends-soon").orElseThrow(), Rules.of("condition-too-long").orElseThrow());
    KeptFindings kept = KeptFindings.of(snapshot, NOW, Limits.USUAL, rules);
    assertThat(kept.findings()).isEmpty();
    Instant later = NOW.plus(Duration.ofDays(15));
    assertThat(snapshot.sameBetween(NOW, later)).isTrue();
    assertThat(Findings.of(snapshot, later, Limits.USUAL, rules)).extracting(Finding::thing).containsExactlyInAnyOrder("entry:x", "place:let2");
    assertThat(kept.next(snapshot, later, Limits.USUAL, rules).findings()).isEqualTo(Findings.of(Snapshot.of(structure), later, Limits.USUAL, rules));
    Wall wall = new Wall("w", "Wall", "", Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(new Scope(Set.of("c1"), Set.of(), Map.of()), List.of(new Subject.OfPerson("mia"))), List.of());
    Snapshot walled = Snapshot.of(HARBOUR.withWalls(Map.of("w", wall)));
    walled.at(NOW);
    assertThat(WallProof.of(walled, wall, later, 10, 1, WallProof.Progress.NONE).at()).as("a certificate is of the day on which it is made").isEqualTo(later);
  }

  @Test
  void what_ends_within_a_fortnight_and_what_has_ended() {
    Instant soon = NOW.plus(Duration.ofDays(14));
    Grant ending = new Grant("x", "c1", new Subject.OfPerson("mia"), "reader", Set.of(), until(soon.minusSeconds(1)), null);
    assertThat(found(with(ending), "ends-soon")).containsExactly("entry:x");
    assertThat(found(with(new Grant("x", "c1", new Subject.OfPerson("mia"), "reader", Set.of(), until(soon), null)), "ends-soon")).isEmpty();
    assertThat(found(with(new Grant("x", "c1", new Subject.OfPerson("mia"), "reader", Set.of(), until(NOW), null)), "entry-ended")).containsExactly("entry:x");
    assertThat(found(with(ending), "entry-ended")).isEmpty();
    Group divers = new Group("divers", "Divers", null, List.of(new Membership(new Membership.PersonMember("mia"), until(NOW)), new Membership(new Membership.PersonMember("ola"), until(soon.minusSeconds(1)))));
    assertThat(found(with(divers), "membership-ended")).containsExactly("group:divers");
    assertThat(found(with(divers), "ends-soon")).containsExactly("group:divers");
  }

  @Test
  void entries_that_do_nothing_and_people_named_who_have_the_same_through_a_group() {
    assertThat(found(with(Harbour.grant("x", "c1", new Subject.OfGroup("divers"), "reader")), "entry-without-effect")).as("nobody is in it").containsExactly("entry:x");
    assertThat(found(with(Harbour.grant("x", "c1", new Subject.OfUnit("u-cas"), "reader")), "entry-without-effect")).as("Mia has more from above").isEmpty();
    assertThat(found(with(Harbour.grant("x", "cas", new Subject.OfPerson("ola"), "reader")), "entry-without-effect")).isEmpty();
    assertThat(found(with(Harbour.grant("x", "cas", new Subject.OfPerson("ola"), "reader")), "person-entry-covered-by-group")).as("Ola keeps everything").containsExactly("entry:x");
    assertThat(found(with(Harbour.grant("x", "c1", new Subject.OfPerson("mia"), "preparer")), "person-entry-covered-by-group")).as("from July on Mia has it by this alone").isEmpty();
  }

  @Test
  void a_withholding_that_takes_nothing_where_it_stands_and_something_below_is_not_idle() {
    Withholding withheld = new Withholding("w", "c2", new Subject.OfPerson("mia"), Rights.parse(List.of("add")), Set.of(), Period.ALWAYS, null);
    Structure idle = HARBOUR.withWithholdings(Map.of("w", withheld));
    assertThat(found(idle, "entry-without-effect")).containsExactly("entry:w");
    Place below = Place.plain("sub", PlaceKind.FOLDER, "c2", "SUB", false, Map.of(), null, null, null);
    Structure needed = idle.withPlaces(Map.of("sub", below)).withGrants(Map.of("x", Harbour.grant("x", "sub", new Subject.OfPerson("mia"), "preparer")));
    assertThat(found(needed, "entry-without-effect")).isEmpty();
  }

  @Test
  void people_named_one_by_one_who_together_are_a_group() {
    Structure staff = withStaff("a", "b", "c").withGroups(Map.of("team", new Group("team", "Team", null, List.of(person("a"), person("b"), person("c")))));
    Map<String, Grant> grants = new HashMap<>();
    List.of("a", "b", "c").forEach(id -> grants.put("x" + id, Harbour.grant("x" + id, "c1", new Subject.OfPerson(id), "reader")));
    assertThat(found(staff.withGrants(grants), "person-entries-equal-a-group")).containsExactly("place:c1");
    grants.put("xa", Harbour.grant("xa", "c1", new Subject.OfPerson("a"), "preparer"));
    assertThat(found(staff.withGrants(grants), "person-entries-equal-a-group")).isEmpty();
  }

  @Test
  void groups_that_nobody_is_in_that_are_the_same_and_that_are_in_another_twice() {
    assertThat(found(HARBOUR, "group-empty")).containsExactly("group:divers");
    Structure staff = withStaff("a", "b").withGroups(Map.of("one", new Group("one", "One", null, List.of(person("a"), person("b"))), "two", new Group("two", "Two", null, List.of(person("b"), person("a")))));
    assertThat(found(staff, "group-same-as-another")).containsExactly("group:two");
    assertThat(found(HARBOUR, "group-same-as-another")).as("one person is no pattern").isEmpty();
    Group twice = new Group("twice", "Twice", null, List.of(group("trainees"), group("adjusters")));
    Structure nested = HARBOUR.withGroups(Map.of("adjusters", new Group("adjusters", "Adjusters", null, List.of(group("trainees"))), "twice", twice));
    assertThat(found(nested, "group-nested-twice")).containsExactly("group:twice");
    assertThat(found(HARBOUR.withGroups(Map.of("twice", twice)), "group-nested-twice")).as("only until July").isEmpty();
  }

  @Test
  void breaks_that_do_nothing_or_little() {
    Structure withheld = HARBOUR.withPlaces(Map.of("c2", HARBOUR.places().get("c2").following(), "c1", HARBOUR.places().get("c1").broken()))
        .withGrants(Map.of("k", Harbour.grant("k", "c1", new Subject.OfPerson("ola"), "keeper"), "a", Harbour.grant("a", "c1", new Subject.OfGroup("adjusters"), "preparer")));
    assertThat(found(withheld, "break-nearly-same")).as("at the place everybody has the same, Mia on the valuation below does not").containsExactly("place:c1");
    Structure same = withheld.withWithholdings(Collections.singletonMap("w-val", null));
    assertThat(found(same, "break-same-as-parent")).containsExactly("place:c1");
    assertThat(found(same, "break-nearly-same")).isEmpty();
    assertThat(found(same.withGrants(Collections.singletonMap("a", null)), "break-same-as-parent")).isEmpty();
    assertThat(found(same.withGrants(Collections.singletonMap("a", null)), "break-nearly-same")).as("Mia alone has less").containsExactly("place:c1");
  }

  @Test
  void documents_that_lack_what_is_required() {
    DocumentType letter = DocumentType.open("letter", "Letter", List.of(new DocumentType.Field("case", "Case", DocumentType.Kind.TEXT, List.of(), true)));
    assertThat(found(HARBOUR.withTypes(Map.of("letter", letter)), "required-field-missing")).containsExactly("type:letter");
    Structure labelled = HARBOUR.withTypes(Map.of("letter", letter)).withPlaces(Map.of("c2", HARBOUR.places().get("c2").labelled(Map.of("case", "C-2"))));
    assertThat(found(labelled, "required-field-missing")).as("what a folder above says counts").isEmpty();
  }

  @Test
  void roles_that_nothing_uses_and_that_are_the_same() {
    Structure roles = HARBOUR.withRoles(Map.of("looker", new Role("looker", "Looker", HARBOUR.roles().get("reader").rights())));
    assertThat(found(roles, "role-unused")).containsExactly("role:looker");
    assertThat(found(roles, "role-same-as-another")).containsExactly("role:reader");
    assertThat(found(HARBOUR, "role-unused")).isEmpty();
    assertThat(found(HARBOUR, "role-same-as-another")).isEmpty();
  }

  @Test
  void duties_of_outsiders_without_an_end_and_people_who_reach_nothing() {
    DutyAssignment duty = new DutyAssignment("d", new Subject.OfPerson("per"), Duty.AUDIT, null, null, null, Period.ALWAYS);
    assertThat(found(HARBOUR.administeredBy(List.of(duty)), "duty-without-end")).containsExactly("duty:d");
    assertThat(found(HARBOUR.administeredBy(List.of(new DutyAssignment("d", new Subject.OfPerson("ola"), Duty.AUDIT, null, null, null, Period.ALWAYS))), "duty-without-end")).isEmpty();
    assertThat(found(HARBOUR, "people-with-nothing")).as("Una has left, Per is active").containsExactly("person:per");
  }
}
