package palegate.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.structure.Structure;

/** Places and groups that come after everything was numbered: those that were there keep their numbers. */
class ComingPlacesTest {
  private final Snapshot harbour = Harbour.snapshot();

  private static Place folder(String id, String parent) {
    return Place.plain(id, PlaceKind.FOLDER, parent, id.toUpperCase(Locale.ROOT), false, Map.of(), null, null, null);
  }

  private Snapshot with(Place... places) {
    Map<String, Place> come = new HashMap<>();
    for (Place place : places) {
      come.put(place.id(), place);
    }
    return harbour.next(harbour.structure().withPlaces(come));
  }

  private static List<String> ids(Snapshot snapshot, IntStream places) {
    return places.mapToObj(place -> snapshot.place(place).id()).toList();
  }

  @Test
  void what_was_there_keeps_its_number_and_what_comes_is_found_by_its_id() {
    Snapshot grown = with(folder("n1", "c1"), folder("n2", "cas"));
    for (int place = 0; place < harbour.placeCount(); place++) {
      assertThat(grown.place(place)).isSameAs(harbour.place(place));
    }
    assertThat(grown.placeCount()).isEqualTo(harbour.placeCount() + 2);
    assertThat(grown.place(grown.placeNumber("n1")).id()).isEqualTo("n1");
    assertThat(harbour.placeNumber("n1")).as("the snapshot it was made from does not know it").isEqualTo(-1);
  }

  @Test
  void whoever_keeps_what_was_made_is_told_what_of_it_is_not_shared() {
    Snapshot named = harbour.next(harbour.structure().withPlaces(Map.of("c1", harbour.structure().places().get("c1").named("Another"))));
    Snapshot given = harbour.next(harbour.structure().withGrants(Map.of("e-new", new Grant("e-new", "c1", new Subject.OfGroup("trainees"), "r", Set.of(), Period.ALWAYS, null))));
    Snapshot grown = with(folder("n1", "c1"));
    assertThat(harbour.bytesBeside(harbour)).isZero();
    assertThat(given.bytesBeside(harbour)).as("a grant lays nothing out").isZero();
    assertThat(named.bytesBeside(harbour)).as("types and flags").isGreaterThanOrEqualTo(3L * harbour.placeCount());
    assertThat(grown.bytesBeside(harbour)).as("parents and ends too").isGreaterThanOrEqualTo(named.bytesBeside(harbour) + 8L * harbour.placeCount());
  }

  @Test
  void a_place_that_comes_stands_below_the_one_it_names_and_everything_above_that() {
    Snapshot grown = with(folder("n1", "c1"), folder("n2", "n1"), folder("n3", "n2"));
    assertThat(ids(grown, grown.below(grown.placeNumber("n1")))).containsExactly("n1", "n2", "n3");
    assertThat(ids(grown, grown.below(grown.placeNumber("c1")))).contains("val1", "n1", "n2", "n3");
    assertThat(ids(grown, grown.below(grown.placeNumber("c2")))).doesNotContain("n1", "n2", "n3");
    assertThat(grown.pathText(grown.placeNumber("n3"))).endsWith("C1 / N1 / N2 / N3");
    assertThat(grown.children(grown.placeNumber("c1"))).extracting(child -> grown.place(child).id()).contains("n1").doesNotContain("n2");
  }

  @Test
  void more_may_come_below_what_came_before() {
    Snapshot grown = with(folder("n1", "c1"));
    Snapshot more = grown.next(grown.structure().withPlaces(Map.of("n2", folder("n2", "n1"), "m", folder("m", "root"))));
    assertThat(ids(more, more.below(more.placeNumber("n1")))).containsExactly("n1", "n2");
    assertThat(ids(more, more.inDisplayOrder())).containsExactlyElementsOf(ids(Snapshot.of(more.structure()), Snapshot.of(more.structure()).inDisplayOrder()));
  }

  @Test
  void the_tree_is_read_in_its_usual_order() {
    Snapshot grown = with(folder("a", "cas"), folder("z", "cas"));
    assertThat(ids(grown, grown.inDisplayOrder())).isEqualTo(ids(Snapshot.of(grown.structure()), Snapshot.of(grown.structure()).inDisplayOrder()));
    assertThat(IntStream.range(0, grown.placeCount()).boxed().sorted(grown.inTreeOrder()).map(place -> grown.place(place).id()))
        .isEqualTo(ids(grown, grown.inDisplayOrder()));
  }

  @Test
  void it_is_found_by_its_name_and_those_that_are_gone_are_not() {
    Snapshot grown = with(folder("needle", "cas"));
    assertThat(ids(grown, IntStream.of(grown.placesNamed("NEED")))).containsExactly("needle");
    Snapshot gone = grown.next(harbour.structure());
    assertThat(gone.placesNamed("need")).isEmpty();
    assertThat(gone.placeCount()).isEqualTo(harbour.placeCount());
  }

  @Test
  void a_kept_snapshot_keeps_the_numbers_and_still_reads_in_order() {
    Snapshot kept = with(folder("n1", "c1")).detached();
    Snapshot fresh = Snapshot.of(kept.structure());
    assertThat(kept.placeNumber("n1")).isEqualTo(harbour.placeCount());
    assertThat(ids(kept, kept.inDisplayOrder())).isEqualTo(ids(fresh, fresh.inDisplayOrder()));
  }

  @Test
  void however_many_groups_come_everybody_in_them_is_known() {
    Snapshot snapshot = harbour;
    for (int round = 0; round < 4; round++) {
      Map<String, Group> come = new HashMap<>();
      for (int i = 0; i < 30; i++) {
        String id = "n" + round + "-" + i;
        come.put(id, new Group(id, id, null, List.of(new Membership(new Membership.PersonMember(i % 2 == 0 ? "mia" : "ola"), Period.ALWAYS))));
      }
      snapshot = snapshot.next(snapshot.structure().withGroups(come));
    }
    SnapshotAt moment = snapshot.at(Harbour.NOW);
    for (int round = 0; round < 4; round++) {
      for (int i = 0; i < 30; i++) {
        int person = snapshot.personNumber(i % 2 == 0 ? "mia" : "ola");
        assertThat(moment.matching(new Subject.OfGroup("n" + round + "-" + i)).toArray()).containsExactly(person);
        assertThat(moment.matches(person, new Subject.OfGroup("n" + round + "-" + i))).isTrue();
      }
    }
  }

  @Test
  void a_repository_that_comes_to_an_empty_structure_is_numbered_like_any_other() {
    Place root = Place.plain("root", PlaceKind.REPOSITORY, null, "Root", true, Map.of(), null, null, null);
    Snapshot begun = Snapshot.of(Structure.EMPTY).next(Structure.EMPTY.withPlaces(Map.of("root", root)));
    assertThat(ids(begun, begun.below(0))).containsExactly("root");
    Snapshot grown = begun.next(begun.structure().withPlaces(Map.of("lib", Place.plain("lib", PlaceKind.LIBRARY, "root", "Lib", false, Map.of(), null, null, null))));
    assertThat(ids(grown, grown.inDisplayOrder())).containsExactly("root", "lib");
  }

  @Test
  void very_many_places_however_deep_they_stand_are_numbered_in_order() {
    Map<String, Place> chain = new HashMap<>();
    for (int i = 0; i < 20_000; i++) {
      chain.put("n" + i, folder("n" + i, i == 0 ? "cas" : "n" + (i - 1)));
    }
    Snapshot grown = harbour.next(harbour.structure().withPlaces(chain));
    assertThat(grown.depth(grown.placeNumber("n19999"))).isEqualTo(20_001);
    assertThat(grown.below(grown.placeNumber("n0")).count()).isEqualTo(20_000);
  }

  @Test
  void memberships_of_very_many_groups_may_change_without_anybody_being_numbered_anew() {
    Map<String, Group> come = new HashMap<>();
    for (int i = 0; i < 200; i++) {
      come.put("n" + i, new Group("n" + i, "N" + i, null, List.of()));
    }
    Snapshot many = Snapshot.of(harbour.structure().withGroups(come));
    come.replaceAll((id, group) -> group.with(List.of(new Membership(new Membership.PersonMember("mia"), Period.ALWAYS))));
    Snapshot filled = many.next(many.structure().withGroups(come));
    assertThat(filled.numbersPeopleLike(many)).isTrue();
    assertThat(filled.at(Harbour.NOW).comparableTo(many.at(Harbour.NOW))).as("made from the other").isTrue();
    assertThat(filled.at(Harbour.NOW).matching(new Subject.OfGroup("n199")).toArray()).containsExactly(filled.personNumber("mia"));
  }

  @Test
  void a_group_that_goes_and_one_that_comes_in_its_place_are_two() {
    Structure structure = harbour.structure();
    Snapshot first = harbour.next(structure.withGroups(Map.of("n", new Group("n", "N", null, List.of(new Membership(new Membership.PersonMember("mia"), Period.ALWAYS))))));
    Map<String, Group> swap = new HashMap<>();
    swap.put("n", null);
    swap.put("m", new Group("m", "M", null, List.of(new Membership(new Membership.PersonMember("ola"), Period.ALWAYS))));
    Snapshot second = first.next(first.structure().withGroups(swap));
    assertThat(second.at(Harbour.NOW).matching(new Subject.OfGroup("m")).toArray()).containsExactly(second.personNumber("ola"));
    assertThat(second.at(Harbour.NOW).matches(second.personNumber("mia"), new Subject.OfGroup("m"))).isFalse();
  }
}
