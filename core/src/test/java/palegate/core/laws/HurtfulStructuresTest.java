package palegate.core.laws;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.io.ByteArrayOutputStream;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.bundle.BundleReader;
import palegate.core.bundle.BundleWriter;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.RoleChange;
import palegate.core.changes.TypeChange;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.Explanation;
import palegate.core.questions.MembershipPaths;
import palegate.core.rehearsal.ApprovalsNeeded;
import palegate.core.rehearsal.GuardedChanges;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.reversal.Reversal;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.PathSearch;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** Structures made to hurt: very deep, very wide, and with very many ways through them. Nothing is quadratic, nothing recurses per node. */
class HurtfulStructuresTest {
  private static final Instant NOW = Instant.parse("2026-10-01T08:00:00Z");
  private static final int DEEP = 8_000;
  private static final Duration SOON = Duration.ofSeconds(20);
  private static final Role READER = new Role("reader", "Reader", Rights.parse(List.of("find", "read")));
  private static final Role KEEPER = new Role("keeper", "Keeper", Rights.ALL);
  private static final Person MIA = new Person("mia", "Mia", "mia", null, false, true, null);

  private static Place place(String id, PlaceKind kind, String parent) {
    return Place.plain(id, kind, parent, id, false, Map.of(), null, null, null);
  }

  private static Structure structure(List<Person> people, List<Unit> units, List<Group> groups, List<Place> places, List<Grant> grants) {
    List<Place> all = new ArrayList<>(List.of(place("root", PlaceKind.REPOSITORY, null), place("lib", PlaceKind.LIBRARY, "root")));
    all.addAll(places);
    return Structure.of(units, people, groups, List.of(READER, KEEPER), List.of(DocumentType.open("letter", "Letter", List.of())), all, grants, List.of());
  }

  private static Grant grant(String place, Subject subject) {
    return new Grant("e-" + place, place, subject, "reader", Set.of(), Period.ALWAYS, null);
  }

  private static Membership group(String id) {
    return new Membership(new Membership.GroupMember(id), Period.ALWAYS);
  }

  private static Membership person(String id) {
    return new Membership(new Membership.PersonMember(id), Period.ALWAYS);
  }

  private static List<Place> folders(int count) {
    return IntStream.range(0, count).mapToObj(i -> place("f" + i, PlaceKind.FOLDER, i == 0 ? "lib" : "f" + (i - 1))).toList();
  }

  private static Rehearsal rehearsed(Structure structure, List<Change> changes) {
    Rehearsal rehearsal = Rehearsal.of(Snapshot.of(structure), changes, NOW, "mia");
    assertThat(rehearsal.refusals()).isEmpty();
    rehearsal.digest();
    rehearsal.withoutEffect();
    GuardedChanges.of(rehearsal);
    ApprovalsNeeded.of(rehearsal, changes);
    return rehearsal;
  }

  @Test
  void folders_nested_thousands_deep_are_added_moved_searched_and_undone() {
    assertTimeoutPreemptively(SOON, () -> {
      Structure empty = structure(List.of(MIA), List.of(), List.of(), List.of(), List.of(grant("lib", new Subject.OfPerson("mia"))));
      List<Change> adding = new ArrayList<>(folders(DEEP).stream().map(PlaceChange.AddPlace::new).toList());
      Rehearsal added = rehearsed(empty, adding);
      assertThat(added.now().totals().places()).isEqualTo(DEEP);
      Structure deep = added.after().structure();
      Snapshot fresh = Snapshot.of(deep);
      assertThat(new PathSearch(fresh, "nothing like it").finds(fresh.placeNumber("f" + (DEEP - 1)))).isFalse();
      assertThat(fresh.at(NOW).rights(fresh.personNumber("mia"), fresh.placeNumber("f" + (DEEP - 1)))).isEqualTo(READER.rights());
      rehearsed(deep, List.of(new PlaceChange.MovePlace("f" + DEEP / 2, "lib"), new PlaceChange.SetLabels("f1", Map.of("k", "v"))));
      assertThat(Reversal.of(StructureDifference.between(empty, deep), fresh, NOW).changes()).hasSize(DEEP);
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      BundleWriter.write(deep, out);
      assertThat(BundleReader.read(out.toByteArray()).structure()).isEqualTo(deep);
    });
  }

  @Test
  void units_and_groups_nested_thousands_deep_are_asked_and_changed() {
    assertTimeoutPreemptively(SOON, () -> {
      List<Unit> units = IntStream.range(0, DEEP).mapToObj(i -> new Unit("u" + i, "Unit " + i, i == 0 ? null : "u" + (i - 1))).toList();
      List<Group> groups = IntStream.range(0, DEEP).mapToObj(i -> new Group("g" + i, "Group " + i, null, List.of(i == DEEP - 1 ? person("mia") : group("g" + (i + 1))))).toList();
      Structure deep = structure(List.of(new Person("mia", "Mia", "mia", null, false, true, "u" + (DEEP - 1))), units, groups, List.of(),
          List.of(grant("lib", new Subject.OfGroup("g0")), grant("root", new Subject.OfUnit("u0"))))
          .guardedBy(List.of(), List.of(new Wall("w", "Wall", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(Scope.ofPlaces("lib"), List.of(new Subject.OfGroup("g1"))), List.of())));
      Snapshot snapshot = Snapshot.of(deep);
      assertThat(Explanation.of(snapshot, NOW, snapshot.personNumber("mia"), snapshot.placeNumber("lib"), Explanation.WallReasons.SHOWN)).isNotNull();
      rehearsed(deep, List.of(new PeopleChange.SetUnit(new Unit("u" + DEEP / 2, "Unit", null)), new MembershipChange.RemoveMember("g" + (DEEP - 1), person("mia"))));
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      BundleWriter.write(deep, out);
      assertThat(BundleReader.read(out.toByteArray()).structure()).isEqualTo(deep);
    });
  }

  @Test
  void groups_with_millions_of_ways_through_them_are_explained_at_once_shortest_way_first() {
    assertTimeoutPreemptively(SOON, () -> {
      int layers = 40;
      List<Group> groups = new ArrayList<>();
      for (int layer = 0; layer < layers; layer++) {
        List<Membership> inside = layer == layers - 1 ? List.of(person("mia")) : List.of(group("g" + (layer + 1) + "a"), group("g" + (layer + 1) + "b"));
        groups.add(new Group("g" + layer + "a", "A" + layer, null, inside));
        groups.add(new Group("g" + layer + "b", "B" + layer, null, inside));
      }
      groups.add(new Group("top", "Top", null, List.of(group("g0a"), group("g0b"), group("g" + (layers - 2) + "a"))));
      Structure diamonds = structure(List.of(MIA), List.of(), groups, List.of(), List.of(grant("lib", new Subject.OfGroup("top"))));
      Snapshot snapshot = Snapshot.of(diamonds);
      MembershipPaths.Found found = new MembershipPaths(snapshot.at(NOW)).find(MIA, new Subject.OfGroup("top"));
      assertThat(found.more()).isTrue();
      assertThat(found.paths().get(0).links()).hasSize(3);
      assertThat(found.paths()).extracting(path -> path.links().size()).isSorted();
      rehearsed(diamonds, List.of(new MembershipChange.RemoveMember("g" + (layers - 1) + "a", person("mia"))));
    });
  }

  @Test
  void hundreds_of_places_groups_units_roles_and_types_are_removed_from_a_large_structure_at_once() {
    assertTimeoutPreemptively(SOON, () -> {
      int many = 600;
      List<Place> places = new ArrayList<>(folders(1));
      IntStream.range(0, 200_000).forEach(i -> places.add(place("d" + i, PlaceKind.DOCUMENT, "f0")));
      List<Person> people = IntStream.range(0, 20_000).mapToObj(i -> new Person("p" + i, "Person " + i, "login" + i, null, false, true, null)).toList();
      List<Group> groups = IntStream.range(0, many).mapToObj(i -> new Group("g" + i, "Group " + i, null, List.of())).toList();
      List<Unit> units = IntStream.range(0, many).mapToObj(i -> new Unit("u" + i, "Unit " + i, null)).toList();
      Structure large = structure(people, units, groups, places, List.of(grant("lib", new Subject.OfPerson("p1"))));
      Snapshot snapshot = Snapshot.of(large);
      List<Change> changes = new ArrayList<>();
      for (int i = 0; i < many; i++) {
        changes.add(new PlaceChange.RemovePlace("d" + i));
        changes.add(new PeopleChange.RemoveGroup("g" + i));
        changes.add(new PeopleChange.RemoveUnit("u" + i));
        changes.add(new RoleChange.SetRole(new Role("r" + i, "Role", READER.rights())));
        changes.add(new RoleChange.RemoveRole("r" + i));
        changes.add(new TypeChange.SetType(DocumentType.open("t" + i, "Type", List.of())));
        changes.add(new TypeChange.RemoveType("t" + i));
        changes.add(new PeopleChange.SetPerson(new Person("n" + i, "New " + i, "new" + i, null, false, true, null)));
      }
      assertThat(DraftApplication.of(snapshot, changes, NOW).refusals()).isEmpty();
    });
  }

  @Test
  void what_is_still_used_is_refused_also_if_it_came_to_be_used_in_the_draft_itself_and_no_longer_if_it_stopped() {
    Structure structure = structure(List.of(MIA), List.of(new Unit("u", "Unit", null)), List.of(new Group("g", "Group", null, List.of())), folders(2), List.of());
    Snapshot snapshot = Snapshot.of(structure);
    List<Change> used = List.of(new AccessChange.AddGrant(grant("f0", new Subject.OfGroup("g"))), new PeopleChange.RemoveGroup("g"));
    assertThat(DraftApplication.of(snapshot, used, NOW).refusals()).singleElement().satisfies(refusal -> assertThat(refusal.what()).contains("a grant at f0"));
    List<Change> noLonger = List.of(new AccessChange.AddGrant(grant("f0", new Subject.OfGroup("g"))), new AccessChange.RemoveGrant("f0", "e-f0"), new PeopleChange.RemoveGroup("g"));
    assertThat(DraftApplication.of(snapshot, noLonger, NOW).refusals()).isEmpty();
    List<Change> sitting = List.of(new PeopleChange.SetPerson(new Person("mia", "Mia", "mia", null, false, true, "u")), new PeopleChange.RemoveUnit("u"));
    assertThat(DraftApplication.of(snapshot, sitting, NOW).refusals()).hasSize(1);
    List<Change> linked = List.of(new PlaceChange.AddPlace(Place.plain("l", PlaceKind.LINK, "lib", "Link", false, Map.of(), null, null, "f1")), new PlaceChange.RemovePlace("f1"));
    assertThat(DraftApplication.of(snapshot, linked, NOW).refusals()).hasSize(1);
    List<Change> typed = List.of(new PlaceChange.AddPlace(Place.plain("d", PlaceKind.DOCUMENT, "f1", "Doc", false, Map.of(), "letter", null, null)), new TypeChange.RemoveType("letter"));
    assertThat(DraftApplication.of(snapshot, typed, NOW).refusals()).singleElement().satisfies(refusal -> assertThat(refusal.what()).contains("Doc is one"));
    List<Change> logins = List.of(new PeopleChange.SetPerson(new Person("a", "A", "Same", null, false, true, null)), new PeopleChange.SetPerson(new Person("b", "B", "same", null, false, true, null)));
    assertThat(DraftApplication.of(snapshot, logins, NOW).refusals()).hasSize(1);
    List<Change> freed = List.of(new PeopleChange.SetPerson(new Person("mia", "Mia", "other", null, false, true, null)), new PeopleChange.SetPerson(new Person("b", "B", "mia", null, false, true, null)));
    assertThat(DraftApplication.of(snapshot, freed, NOW).refusals()).isEmpty();
  }
}
