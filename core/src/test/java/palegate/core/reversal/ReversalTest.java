package palegate.core.reversal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.FormerPlace;
import palegate.core.changes.GuardChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.WallChange;
import palegate.core.people.Group;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomLayouts;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

class ReversalTest {
  @Test
  void turned_back_at_once_everything_is_as_it_was_but_that_people_who_came_stay_inactive() {
    for (long seed = 1; seed <= 1_000; seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      List<Change> changes = new ArrayList<>(RandomDrafts.fromSeed(before, seed));
      changes.addAll(RandomLayouts.fromSeed(before, seed));
      Structure after = after(before, changes);
      Reversal reversal = of(before, after, after);
      DraftApplication.Result back = DraftApplication.of(Snapshot.of(after), reversal.changes(), RandomStructures.NOW);
      assertThat(back.refusals()).as("seed %d", seed).isEmpty();
      // What has an end that is over cannot be added again; nothing else is in the way.
      if (reversal.left().isEmpty()) {
        assertThat(sorted(back.structure(), before)).as("seed %d: %s", seed, reversal.changes()).isEqualTo(sorted(before, before));
      } else {
        assertThat(reversal.left()).as("seed %d", seed).allSatisfy(left -> assertThat(left.why()).contains("already have ended"));
      }
    }
  }

  @Test
  void a_break_with_carry_over_is_turned_back_by_rejoining_and_the_list_that_stood_before_comes_back() {
    Structure before = after(Harbour.structure(), List.of(new AccessChange.AddGrant(grant("own", "c1", "divers"))));
    Structure after = after(before, List.of(new AccessChange.BreakPlace("c1", AccessChange.Start.CARRY_OVER, List.of(), "b")));
    Reversal reversal = of(before, after, after);

    assertThat(reversal.left()).isEmpty();
    assertThat(after(after, reversal.changes())).isEqualTo(before);
  }

  @Test
  void undoing_a_break_keeps_what_was_granted_since_and_does_not_bring_back_what_was_removed_since() {
    Structure before = after(Harbour.structure(), List.of(new AccessChange.AddGrant(grant("own", "c1", "divers")), new AccessChange.AddGrant(grant("old", "c1", "trainees"))));
    Structure after = after(before, List.of(new AccessChange.BreakPlace("c1", AccessChange.Start.CARRY_OVER, List.of(), "b")));
    String carried = after.grants().keySet().stream().filter(id -> !before.grants().containsKey(id)).sorted().findFirst().orElseThrow();
    Structure now = after(after, List.of(new AccessChange.AddGrant(grant("since", "c1", "adjusters")), new AccessChange.RemoveGrant("c1", "old"), new AccessChange.RemoveGrant("c1", carried)));
    Reversal reversal = of(before, after, now);
    Structure back = after(now, reversal.changes());

    assertThat(back.places().get("c1").standsAlone()).isFalse();
    assertThat(back.grants()).containsKeys("own", "since").doesNotContainKeys("old", carried);
    assertThat(back.grants().values().stream().filter(grant -> grant.place().equals("c1"))).hasSize(2);
    assertThat(reversal.left()).singleElement().satisfies(left -> {
      assertThat(left.thing()).isEqualTo("place:c1");
      assertThat(left.why()).contains("has been taken away since", "reaches the place again");
    });
  }

  @Test
  void what_was_made_stays_and_is_named_if_something_has_been_made_of_it_since() {
    Structure before = Harbour.structure();
    Structure after = after(before, List.of(new PlaceChange.AddPlace(Place.plain("new", PlaceKind.FOLDER, "cas", "New", false, Map.of(), null, null, null))));
    Structure now = after(after, List.of(new AccessChange.AddGrant(grant("since", "new", "divers"))));
    assertThat(of(before, after, now).changes()).isEmpty();
    assertThat(of(before, after, now).left()).extracting(Reversal.Left::thing).containsExactly("place:new");
    assertThat(of(before, after, after).changes()).containsExactly(new PlaceChange.RemovePlace("new"));
  }

  @Test
  void labels_and_fields_of_a_person_are_turned_back_one_by_one() {
    Structure before = Harbour.structure();
    Person mia = before.people().get("mia");
    Structure after = after(before, List.of(new PlaceChange.SetLabels("c1", Map.of("case", "1", "port", "x")),
        new PeopleChange.SetPerson(new Person("mia", "Mia New", mia.login(), null, false, true, mia.unit()))));
    Structure now = after(after, List.of(new PlaceChange.SetLabels("c1", Map.of("case", "2", "port", "x", "ship", "y")),
        new PeopleChange.SetPerson(new Person("mia", "Mia New", mia.login(), null, false, true, "u-all"))));
    Reversal reversal = of(before, after, now);
    Structure back = after(now, reversal.changes());
    assertThat(back.places().get("c1").labels()).containsOnly(Map.entry("case", "2"), Map.entry("ship", "y"));
    assertThat(back.people().get("mia")).isEqualTo(new Person("mia", mia.name(), mia.login(), null, false, true, "u-all"));
    assertThat(reversal.left()).containsExactly(new Reversal.Left("place:c1", "Its label case was altered again since."));
  }

  @Test
  void what_was_altered_again_since_is_left_alone_and_named() {
    Structure before = Harbour.structure();
    Structure after = after(before, List.of(new AccessChange.AddGrant(grant("n", "c1", "divers")),
        new GuardChange.SetGuards("cas", new Guards("reader", false, false)), new PlaceChange.RenamePlace("c2", "Two")));
    Structure now = after(after, List.of(new AccessChange.RemoveGrant("c1", "n"), new GuardChange.SetGuards("cas", new Guards("preparer", false, false))));
    Reversal reversal = of(before, after, now);

    assertThat(reversal.changes()).containsExactly(new PlaceChange.RenamePlace("c2", before.places().get("c2").name()));
    assertThat(reversal.left()).extracting(Reversal.Left::thing).containsExactlyInAnyOrder("place:c1", "place:cas");
  }

  @Test
  void a_release_is_turned_back_by_putting_the_document_under_the_condition_again() {
    Conditions all = new Conditions(true, true, "ola", Harbour.NOW.minusSeconds(60));
    Structure before = Harbour.structure();
    before = before.withPlaces(Map.of("val1", before.places().get("val1").as(before.places().get("val1").type(), "ola").in(all)));
    Structure after = after(before, Stream.of(Conditions.Condition.values()).<Change>map(condition -> new GuardChange.Release("val1", condition)).toList());
    Reversal reversal = of(before, after, after);

    assertThat(after.places().get("val1").conditions().any()).isFalse();
    assertThat(reversal.left()).isEmpty();
    assertThat(after(after, reversal.changes())).isEqualTo(before);
  }

  @Test
  void an_exception_from_a_wall_is_turned_back_though_the_wall_has_been_altered_otherwise_since() {
    Wall wall = new Wall("w", "Wall", "why", Wall.State.PLANNED, Period.ALWAYS, new Barrier.Screen(Scope.ofPlaces("c1"), List.of(new Subject.OfGroup("divers"))), List.of());
    Structure before = Harbour.structure().withWalls(Map.of("w", wall));
    Wall.Exempt mia = new Wall.Exempt(new Subject.OfPerson("mia"), null);
    Structure after = after(before, List.of(new WallChange.AddException("w", mia)));
    Structure now = after(after, List.of(new WallChange.SetWall(after.walls().get("w").in(Wall.State.STANDING))));

    Reversal reversal = of(before, after, now);
    assertThat(reversal.changes()).containsExactly(new WallChange.RemoveException("w", mia));
    assertThat(after(now, reversal.changes()).walls().get("w")).isEqualTo(wall.in(Wall.State.STANDING));
    assertThat(of(after, before, before).changes()).containsExactly(new WallChange.AddException("w", mia));
    assertThat(of(before, after, before).left()).extracting(Reversal.Left::thing).containsExactly("wall:w");
  }

  @Test
  void a_document_that_lacked_what_its_type_requires_comes_back_as_it_was_and_another_is_still_refused() {
    DocumentType report = DocumentType.open("report", "Report", List.of(new DocumentType.Field("day", "Surveyed on", DocumentType.Kind.DATE, List.of(), true, null, false, null)));
    Place lacking = Place.plain("d", PlaceKind.DOCUMENT, "cas", "Report 01", false, Map.of(), "report", null, null);
    Structure before = Harbour.snapshot().structure().withTypes(Map.of("report", report)).withPlaces(Map.of("d", lacking));
    Structure after = after(before, List.of(new PlaceChange.RemovePlace("d")));
    Reversal reversal = of(before, after, after);
    assertThat(reversal.left()).isEmpty();
    DraftApplication.Result back = DraftApplication.of(Snapshot.of(after), reversal.changes(), RandomStructures.NOW, id -> id.equals("d") ? new FormerPlace(lacking, Set.of()) : null);
    assertThat(back.refusals()).isEmpty();
    assertThat(back.structure().places().get("d")).isEqualTo(lacking);
    Place another = Place.plain("d2", PlaceKind.DOCUMENT, "cas", "Report 02", false, Map.of(), "report", null, null);
    assertThat(DraftApplication.of(Snapshot.of(after), List.of(new PlaceChange.AddPlace(another)), RandomStructures.NOW).refusals()).hasSize(1);
  }

  private static Reversal of(Structure before, Structure after, Structure now) {
    return Reversal.of(StructureDifference.between(before, after), Snapshot.of(now), RandomStructures.NOW);
  }

  private static Grant grant(String id, String place, String group) {
    return new Grant(id, place, new Subject.OfGroup(group), "reader", Set.of(), Period.ALWAYS, null);
  }

  private static Structure after(Structure structure, List<Change> changes) {
    return DraftApplication.of(Snapshot.of(structure), changes, RandomStructures.NOW).structure();
  }

  /** Without the people who came, and without what is not part of a structure: the order of members, of clearances and of exceptions. */
  private static Structure sorted(Structure structure, Structure known) {
    Map<String, Group> groups = structure.groups().values().stream().collect(Collectors.toMap(Group::id, group -> group.with(
        group.members().stream().sorted(Comparator.comparing(Object::toString)).toList())));
    Map<String, DocumentType> types = structure.types().values().stream().collect(Collectors.toMap(DocumentType::id, type -> type.cleared(
        type.clearances().stream().distinct().sorted(Comparator.comparing(Object::toString)).toList())));
    Map<String, Wall> walls = structure.walls().values().stream().collect(Collectors.toMap(Wall::id, wall -> wall.except(
        wall.exceptions().stream().sorted(Comparator.comparing(Object::toString)).toList())));
    Structure ordered = structure.withGroups(groups).withTypes(types).withWalls(walls);
    for (String id : structure.people().keySet()) {
      if (!known.people().containsKey(id)) {
        ordered = ordered.withPeople(Collections.singletonMap(id, null));
      }
    }
    return ordered;
  }
}
