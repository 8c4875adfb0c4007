package palegate.core.wallsatwork;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.WallChange;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** What a draft does against the purpose of a standing wall is told while it is a draft (section 7). */
class WallWatchTest {
  private static final Membership MIA = new Membership(new Membership.PersonMember("mia"), Period.ALWAYS);

  private static Wall wall(Scope scope, Wall.State state) {
    return new Wall("w", "Wall", null, state, Period.ALWAYS, new Barrier.Screen(scope, List.of(new Subject.OfGroup("trainees"))), List.of());
  }

  private static Place place(String id, PlaceKind kind, String parent, String name, Map<String, String> labels) {
    return Place.plain(id, kind, parent, name, false, labels, null, null, null);
  }

  private static Snapshot snapshot(Wall wall) {
    Structure base = Harbour.structure();
    List<Place> all = new ArrayList<>(base.places().values());
    all.addAll(List.of(place("f1", PlaceKind.FOLDER, "cas", "C-7101 Amber Tern", Map.of("case", "C-7101")), place("d1", PlaceKind.DOCUMENT, "f1", "Letter", Map.of()),
        place("f2", PlaceKind.FOLDER, "cas", "C-7102 Blue Heron", Map.of("case", "C-7102")), place("d2", PlaceKind.DOCUMENT, "f2", "Survey report C-7102", Map.of())));
    return Snapshot.of(base.withPlaces(Parts.of(all, Place::id)).withWalls(Map.of("w", wall)));
  }

  private static List<WallWatch.Notice> notices(Wall wall, Change... changes) {
    Snapshot before = snapshot(wall);
    return between(before, before.next(DraftApplication.of(before, List.of(changes), Harbour.NOW).difference()), Harbour.NOW, Harbour.JULY);
  }

  @Test
  void what_is_put_outside_and_looks_as_if_it_belonged_inside_is_told_with_what_speaks_for_it() {
    Wall wall = wall(Scope.ofLabel("case", "C-7101"), Wall.State.STANDING);
    assertThat(notices(wall, new PlaceChange.AddPlace(place("new", PlaceKind.DOCUMENT, "c1", "Valuation C 7101", Map.of())))).extracting(WallWatch.Notice::kind, WallWatch.Notice::place, WallWatch.Notice::said)
        .containsExactly(tuple(WallWatch.Kind.OUTSIDE, "new", "Valuation C 7101"));
    assertThat(notices(wall, new PlaceChange.SetLabels("c1", Map.of("case", "c 7101")))).extracting(WallWatch.Notice::kind, WallWatch.Notice::place).containsExactly(tuple(WallWatch.Kind.OUTSIDE, "c1"));
    assertThat(notices(wall, new PlaceChange.RenamePlace("let2", "Re: C-7101, the offer"))).extracting(WallWatch.Notice::place).containsExactly("let2");
    assertThat(notices(wall, new PlaceChange.RenamePlace("let2", "Holidays"))).isEmpty();
  }

  @Test
  void what_comes_to_lie_inside_and_is_of_another_matter_is_told_once_for_all_that_comes_along() {
    Wall byPlace = wall(Scope.ofPlaces("f1"), Wall.State.STANDING);
    assertThat(notices(byPlace, new PlaceChange.MovePlace("f2", "f1"))).extracting(WallWatch.Notice::kind, WallWatch.Notice::place, WallWatch.Notice::said, WallWatch.Notice::like)
        .containsExactly(tuple(WallWatch.Kind.INSIDE, "f2", "C-7102 Blue Heron", "C-7101"));
    assertThat(notices(byPlace, new PlaceChange.MovePlace("c2", "f1"))).as("it says nothing of another matter").isEmpty();
    assertThat(notices(byPlace, new PlaceChange.RenamePlace("d1", "Letter of C-7101 and C-7102"))).as("it says both").isEmpty();
  }

  @Test
  void what_is_given_or_shared_to_those_who_are_kept_out_of_it_is_told_and_what_a_wall_takes_from_some_is_not() {
    Wall wall = wall(Scope.ofPlaces("f1"), Wall.State.STANDING);
    assertThat(notices(wall, grant("d1", new Subject.OfPerson("mia"), "mia"))).extracting(WallWatch.Notice::kind, WallWatch.Notice::wall, WallWatch.Notice::place, WallWatch.Notice::person)
        .containsExactly(tuple(WallWatch.Kind.IN_VAIN, "w", "d1", "mia"));
    assertThat(notices(wall, grant("f1", new Subject.OfGroup("trainees"), null))).extracting(WallWatch.Notice::kind, WallWatch.Notice::person).containsExactly(tuple(WallWatch.Kind.IN_VAIN, null));
    assertThat(notices(wall, grant("f1", Subject.BuiltIn.STAFF, null))).as("others of the staff have it").isEmpty();
    assertThat(notices(wall, grant("cas", new Subject.OfPerson("mia"), null))).as("it gives her the rest").isEmpty();
    Grant later = new Grant("e-new", "d1", new Subject.OfPerson("mia"), Harbour.structure().roles().keySet().iterator().next(), Set.of(), new Period(Harbour.JULY, null), null);
    assertThat(notices(wall, new AccessChange.AddGrant(later))).as("it begins later").extracting(WallWatch.Notice::kind, WallWatch.Notice::from).containsExactly(tuple(WallWatch.Kind.IN_VAIN, Harbour.JULY));
    Wall gone = new Wall("w", "Wall", null, Wall.State.STANDING, new Period(null, Harbour.JULY), wall.barrier(), List.of());
    assertThat(notices(gone, new AccessChange.AddGrant(later))).as("the wall ends as it begins").isEmpty();
    assertThat(notices(wall(Scope.ofPlaces("f1"), Wall.State.LIFTED), grant("d1", new Subject.OfPerson("mia"), null))).isEmpty();
  }

  @Test
  void what_lies_outside_and_looks_as_if_it_belonged_inside_is_told_when_it_is_given_to_somebody_who_is_kept_out() {
    Wall wall = wall(Scope.ofLabel("case", "C-7101"), Wall.State.STANDING);
    Snapshot before = with(snapshot(wall), new PlaceChange.AddPlace(place("oth", PlaceKind.LIBRARY, "root", "Others", Map.of())), new PlaceChange.AddPlace(place("stray", PlaceKind.FOLDER, "oth", "Valuation C 7101", Map.of())), new PlaceChange.AddPlace(place("deep", PlaceKind.DOCUMENT, "stray", "Page", Map.of())));
    assertThat(told(before, grant("stray", new Subject.OfPerson("mia"), "mia"))).extracting(WallWatch.Notice::kind, WallWatch.Notice::place, WallWatch.Notice::person, WallWatch.Notice::said)
        .containsExactly(tuple(WallWatch.Kind.GAINED_OUTSIDE, "stray", "mia", "Valuation C 7101"));
    assertThat(told(before, grant("deep", new Subject.OfPerson("mia"), null))).as("what lies in it").extracting(WallWatch.Notice::kind, WallWatch.Notice::place).containsExactly(tuple(WallWatch.Kind.GAINED_OUTSIDE, "deep"));
    assertThat(told(before, grant("oth", new Subject.OfGroup("trainees"), null))).as("it comes along").extracting(WallWatch.Notice::place, WallWatch.Notice::person, WallWatch.Notice::whom)
        .containsExactly(tuple("stray", "mia", "Mia"));
    assertThat(told(before, grant("f2", new Subject.OfPerson("mia"), null))).as("it is another matter").isEmpty();
    assertThat(told(before, grant("stray", new Subject.OfPerson("ola"), null))).as("she is not kept out").isEmpty();
    assertThat(told(with(before, grant("stray", new Subject.OfPerson("mia"), null)), new AccessChange.AddGrant(new Grant("e-2", "deep", new Subject.OfPerson("mia"), Harbour.structure().roles().keySet().iterator().next(), Set.of(), Period.ALWAYS, null)))).as("she had it").isEmpty();
    assertThat(told(before, grant("stray", new Subject.OfPerson("mia"), null), new AccessChange.AddGrant(new Grant("e-2", "deep", new Subject.OfPerson("mia"), Harbour.structure().roles().keySet().iterator().next(), Set.of(), Period.ALWAYS, null)))).as("of what is given twice, the whole").extracting(WallWatch.Notice::place).containsExactly("stray");
    Snapshot given = with(before, new PeopleChange.SetGroup("crew", "Crew", null), grant("stray", new Subject.OfGroup("crew"), null));
    assertThat(told(given, new MembershipChange.AddMember("crew", MIA))).as("by becoming a member").extracting(WallWatch.Notice::kind, WallWatch.Notice::place, WallWatch.Notice::whom).containsExactly(tuple(WallWatch.Kind.GAINED_OUTSIDE, "stray", "Mia"));
    assertThat(told(with(before, grant("stray", new Subject.OfPerson("mia"), null)), new PlaceChange.RenamePlace("f2", "C-7102 Heron"))).as("nobody gains anything").isEmpty();
    Grant later = new Grant("e-new", "stray", new Subject.OfPerson("mia"), Harbour.structure().roles().keySet().iterator().next(), Set.of(), new Period(Harbour.JULY, null), null);
    assertThat(told(before, new AccessChange.AddGrant(later))).extracting(WallWatch.Notice::kind, WallWatch.Notice::from).containsExactly(tuple(WallWatch.Kind.GAINED_OUTSIDE, Harbour.JULY));
  }

  @Test
  void whoever_is_let_in_for_a_while_is_told_of_for_when_that_ends() {
    Wall wall = wall(Scope.ofLabel("case", "C-7101"), Wall.State.STANDING);
    Wall letsIn = new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS, wall.barrier(), List.of(new Wall.Exempt(new Subject.OfPerson("mia"), Harbour.JULY)));
    Snapshot before = with(snapshot(letsIn), new PlaceChange.AddPlace(place("oth", PlaceKind.LIBRARY, "root", "Others", Map.of())), new PlaceChange.AddPlace(place("stray", PlaceKind.DOCUMENT, "oth", "Valuation C 7101", Map.of())));
    Snapshot after = with(before, grant("stray", new Subject.OfPerson("mia"), null));
    assertThat(between(before, after, Harbour.NOW)).extracting(WallWatch.Notice::kind, WallWatch.Notice::from).containsExactly(tuple(WallWatch.Kind.GAINED_OUTSIDE, Harbour.JULY));
    Grant until = new Grant("e-new", "stray", new Subject.OfPerson("mia"), Harbour.structure().roles().keySet().iterator().next(), Set.of(), new Period(null, Harbour.JULY), null);
    assertThat(between(before, with(before, new AccessChange.AddGrant(until)), Harbour.NOW)).as("it has ended by then").isEmpty();
  }

  @Test
  void what_belongs_to_one_side_is_told_when_it_is_given_to_those_of_another() {
    Wall apart = new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Sides(List.of(new Barrier.Side("Tern", List.of(new Subject.OfPerson("ola")), Scope.ofLabel("case", "C-7101")),
        new Barrier.Side("Heron", List.of(new Subject.OfPerson("mia")), Scope.ofLabel("case", "C-7102")))), List.of());
    Snapshot before = with(snapshot(apart), new PlaceChange.AddPlace(place("oth", PlaceKind.LIBRARY, "root", "Others", Map.of())), new PlaceChange.AddPlace(place("stray", PlaceKind.DOCUMENT, "oth", "Valuation C 7101", Map.of())));
    assertThat(told(before, grant("stray", new Subject.OfPerson("mia"), null))).extracting(WallWatch.Notice::kind, WallWatch.Notice::side).containsExactly(tuple(WallWatch.Kind.GAINED_OUTSIDE, "Tern"));
    assertThat(told(before, grant("stray", new Subject.OfPerson("per"), null))).as("of no side").isEmpty();
  }

  private static Snapshot with(Snapshot before, Change... changes) {
    DraftApplication.Result result = DraftApplication.of(before, List.of(changes), Harbour.NOW);
    assertThat(result.refusals()).isEmpty();
    return before.next(result.difference());
  }

  private static List<WallWatch.Notice> told(Snapshot before, Change... changes) {
    return between(before, with(before, changes), Harbour.NOW, Harbour.JULY);
  }

  private static List<WallWatch.Notice> between(Snapshot before, Snapshot after, Instant... instants) {
    return WallWatch.of(before, after, Stream.of(instants).map(at -> RightsDifference.between(before, after, at)).toList());
  }

  /** @param sharedBy who shares it; null for an entry of a list */
  private static Change grant(String place, Subject subject, String sharedBy) {
    String role = Harbour.structure().roles().keySet().iterator().next();
    Grant grant = new Grant("e-new", place, subject, role, Set.of(), Period.ALWAYS, null);
    return sharedBy == null ? new AccessChange.AddGrant(grant) : AccessChange.adding(new Grant("e-new", place, subject, role, Set.of(), Period.ALWAYS, null, sharedBy, null));
  }

  @Test
  void whoever_is_no_longer_kept_out_is_told_unless_the_wall_itself_is_altered() {
    Wall wall = wall(Scope.ofPlaces("f1"), Wall.State.STANDING);
    assertThat(notices(wall, new MembershipChange.RemoveMember("trainees", MIA))).extracting(WallWatch.Notice::kind, WallWatch.Notice::wall, WallWatch.Notice::person).containsExactly(tuple(WallWatch.Kind.LET_IN, "w", "mia"));
    assertThat(notices(wall, new MembershipChange.RemoveMember("trainees", MIA), new MembershipChange.AddMember("trainees", MIA))).as("together nothing").isEmpty();
    assertThat(notices(wall, new WallChange.SetWall(wall.in(Wall.State.LIFTED)), new MembershipChange.RemoveMember("trainees", MIA))).as("its page says what that does").isEmpty();
    assertThat(notices(wall(Scope.ofPlaces("f1"), Wall.State.PLANNED), new MembershipChange.RemoveMember("trainees", MIA))).as("it would keep her out once it stands").hasSize(1);
    assertThat(notices(wall(Scope.ofPlaces("f1"), Wall.State.LIFTED), new MembershipChange.RemoveMember("trainees", MIA))).isEmpty();
    assertThat(notices(ending(Harbour.NOW), new MembershipChange.RemoveMember("trainees", MIA))).as("its time is over").isEmpty();
  }

  @Test
  void whoever_is_let_in_later_is_told_with_the_day_and_not_of_a_wall_whose_time_is_over_by_then() {
    Membership untilJuly = new Membership(new Membership.PersonMember("mia"), new Period(null, Harbour.JULY));
    Change[] ends = {new MembershipChange.RemoveMember("trainees", MIA), new MembershipChange.AddMember("trainees", untilJuly)};
    assertThat(notices(wall(Scope.ofPlaces("f1"), Wall.State.STANDING), ends)).extracting(WallWatch.Notice::person, WallWatch.Notice::from).containsExactly(tuple("mia", Harbour.JULY));
    assertThat(notices(ending(Harbour.JULY), ends)).isEmpty();
  }

  private static Wall ending(Instant at) {
    return new Wall("w", "Wall", null, Wall.State.STANDING, new Period(null, at), new Barrier.Screen(Scope.ofPlaces("f1"), List.of(new Subject.OfGroup("trainees"))), List.of());
  }

  @Test
  void what_was_so_before_is_not_told_again() {
    Wall wall = wall(Scope.ofLabel("case", "C-7101"), Wall.State.STANDING);
    Snapshot before = snapshot(wall);
    Snapshot odd = before.next(DraftApplication.of(before, List.of(new PlaceChange.AddPlace(place("new", PlaceKind.DOCUMENT, "c1", "Valuation C 7101", Map.of()))), Harbour.NOW).difference());
    Snapshot later = odd.next(DraftApplication.of(odd, List.of(new PlaceChange.RenamePlace("let2", "Holidays")), Harbour.NOW).difference());
    assertThat(between(odd, later, Harbour.NOW)).isEmpty();
  }

  @Test
  void each_audience_of_a_wall_is_without_those_whom_it_keeps_out_but_for_their_own() {
    Wall wall = wall(Scope.ofPlaces("c1"), Wall.State.STANDING);
    Snapshot snapshot = snapshot(wall);
    assertThat(names(snapshot, wall, WallAudience.KEEPERS)).containsExactly("ola");
    assertThat(names(snapshot, wall, WallAudience.READERS)).containsExactly("ola");
    assertThat(names(snapshot, wall, WallAudience.KEPT_OUT)).containsExactly("mia");
    Wall none = new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(Scope.ofPlaces("c1"), List.of(new Subject.OfPerson("per"))), List.of());
    assertThat(names(snapshot(none), none, WallAudience.READERS)).containsExactlyInAnyOrder("mia", "ola");
    assertThat(WallAudience.READERS.mayStillRead(snapshot.at(Harbour.NOW), wall, "mia")).isFalse();
    assertThat(WallAudience.KEPT_OUT.mayStillRead(snapshot.at(Harbour.NOW), wall, "mia")).isTrue();
    assertThat(WallAudience.READERS.mayStillRead(snapshot.at(Harbour.NOW), wall, "nobody")).isFalse();
    assertThat(WallAudience.KEPT_OUT.mayStillRead(snapshot.at(Harbour.NOW), wall, "ola")).as("not kept out any more").isFalse();
    Wall lifted = wall(Scope.ofPlaces("c1"), Wall.State.LIFTED);
    assertThat(WallAudience.values()).noneMatch(audience -> audience.mayStillRead(snapshot.at(Harbour.NOW), lifted, "ola") || audience.mayStillRead(snapshot.at(Harbour.NOW), lifted, "mia"));
  }

  @Test
  void a_group_through_which_people_come_to_be_named_is_said_with_how_many_by_that_alone() {
    Wall out = new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(Scope.ofPlaces("c1"), List.of(new Subject.OfGroup("adjusters"))), List.of());
    Snapshot snapshot = snapshot(out);
    assertThat(WallNesting.of(snapshot.at(Harbour.NOW), out)).containsExactly(new WallNesting(WallNesting.As.KEPT_OUT, null, "adjusters", "trainees", 1));
    assertThat(WallNesting.of(snapshot.at(Harbour.JULY), out)).as("the membership has ended").isEmpty();
    Snapshot twice = snapshot.next(DraftApplication.of(snapshot, List.of(new MembershipChange.AddMember("adjusters", MIA)), Harbour.NOW).difference());
    assertThat(WallNesting.of(twice.at(Harbour.NOW), out)).as("she is a member herself").isEmpty();
    Wall seal = new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Seal(Scope.ofPlaces("c1"), List.of(new Subject.OfPerson("ola"))), List.of(new Wall.Exempt(new Subject.OfGroup("adjusters"), null)));
    assertThat(WallNesting.of(snapshot.at(Harbour.NOW), seal)).extracting(WallNesting::as).containsExactly(WallNesting.As.EXCEPTED);
  }

  private static List<String> names(Snapshot snapshot, Wall wall, WallAudience audience) {
    List<String> names = new ArrayList<>();
    audience.of(snapshot.at(Harbour.NOW), wall).forEach(person -> names.add(snapshot.person(person).id()));
    return names;
  }
}
