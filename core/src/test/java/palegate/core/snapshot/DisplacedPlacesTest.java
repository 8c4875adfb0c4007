package palegate.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.structure.Structure;

/** Places that move, go and come back: everything keeps its number, and the tree reads as if it had been numbered afresh. */
class DisplacedPlacesTest {
  /** The harbour, and a library beside the cases. */
  private final Snapshot harbour = Snapshot.of(Harbour.snapshot().structure().withPlaces(
      Map.of("han", Place.plain("han", PlaceKind.LIBRARY, "root", "Handbook", false, Map.of(), null, null, null))));

  private static Snapshot moved(Snapshot snapshot, String place, String parent) {
    return snapshot.next(snapshot.structure().withPlaces(Map.of(place, snapshot.structure().places().get(place).movedTo(parent))));
  }

  private static Snapshot without(Snapshot snapshot, String... places) {
    Map<String, Place> gone = new HashMap<>();
    for (String place : places) {
      gone.put(place, null);
    }
    return snapshot.next(snapshot.structure().withPlaces(gone));
  }

  private static Snapshot with(Snapshot snapshot, Place place) {
    return snapshot.next(snapshot.structure().withPlaces(Map.of(place.id(), place)));
  }

  private static Place folder(String id, String parent) {
    return Place.plain(id, PlaceKind.FOLDER, parent, id, false, Map.of(), null, null, null);
  }

  private static List<String> ids(Snapshot snapshot, IntStream places) {
    return places.mapToObj(place -> snapshot.place(place).id()).toList();
  }

  private static void assertReadsLikeFresh(Snapshot snapshot) {
    Snapshot fresh = Snapshot.of(snapshot.structure());
    assertThat(ids(snapshot, snapshot.inDisplayOrder())).isEqualTo(ids(fresh, fresh.inDisplayOrder()));
    assertThat(snapshot.placeCount()).isEqualTo(fresh.placeCount());
    snapshot.places().forEach(place -> assertThat(snapshot.breaksBelow(place)).isEqualTo(fresh.breaksBelow(fresh.placeNumber(snapshot.place(place).id()))));
  }

  @Test
  void what_moves_keeps_its_number_and_so_does_what_is_below_it() {
    Snapshot after = moved(harbour, "c1", "han");
    for (String id : List.of("c1", "val1", "c2", "cas", "han")) {
      assertThat(after.placeNumber(id)).as(id).isEqualTo(harbour.placeNumber(id));
    }
    assertThat(after.pathText(after.placeNumber("val1"))).contains(" / C1 / ").doesNotContain("Cases");
    assertThat(ids(after, after.below(after.placeNumber("han")))).contains("c1", "val1");
    assertThat(ids(after, after.below(after.placeNumber("cas")))).doesNotContain("c1", "val1").contains("c2");
    assertReadsLikeFresh(after);
  }

  @Test
  void every_place_is_named_after_the_one_above_it() {
    Snapshot after = moved(moved(harbour, "c1", "c2"), "c2", "han");
    int[] places = after.places().toArray();
    IntStream.range(0, places.length).forEach(i -> {
      int parent = after.parent(places[i]);
      assertThat(parent < 0 || IntStream.range(0, i).anyMatch(before -> places[before] == parent)).as(after.place(places[i]).id()).isTrue();
    });
    assertThat(places).hasSize(harbour.placeCount());
    assertReadsLikeFresh(after);
  }

  @Test
  void what_moves_back_stands_where_it_stood() {
    Snapshot back = moved(moved(harbour, "c1", "han"), "c1", "cas");
    assertThat(ids(back, back.inDisplayOrder())).isEqualTo(ids(harbour, harbour.inDisplayOrder()));
    assertReadsLikeFresh(back);
  }

  @Test
  void what_has_gone_is_nowhere_and_its_number_is_nobody_elses() {
    int number = harbour.placeNumber("val1");
    Snapshot gone = without(harbour, "val1");
    assertThat(gone.placeNumber("val1")).isEqualTo(-1);
    assertThat(gone.hasPlace(number)).isFalse();
    assertThat(gone.placesNamed(harbour.place(number).name())).doesNotContain(number);
    assertThat(gone.documentsOf("valuation")).doesNotContain(number);
    assertThat(gone.at(Harbour.NOW).classOf(number)).isEqualTo(-1);
    Snapshot more = with(gone, folder("fresh", "c1"));
    assertThat(more.placeNumber("fresh")).isNotEqualTo(number);
    assertReadsLikeFresh(more);
  }

  @Test
  void what_comes_back_is_the_same_place_with_its_old_number() {
    int number = harbour.placeNumber("val1");
    Snapshot back = without(harbour, "val1").next(harbour.structure());
    assertThat(back.placeNumber("val1")).isEqualTo(number);
    assertThat(back.at(Harbour.NOW).rights(back.personNumber("mia"), number)).isEqualTo(harbour.at(Harbour.NOW).rights(harbour.personNumber("mia"), number));
    assertReadsLikeFresh(back);
  }

  @Test
  void another_kind_of_place_with_the_id_of_one_that_has_gone_is_another_place() {
    int number = harbour.placeNumber("val1");
    Snapshot other = with(without(harbour, "val1"), folder("val1", "c1"));
    assertThat(other.placeNumber("val1")).isNotEqualTo(number);
    assertThat(other.isDocument(other.placeNumber("val1"))).isFalse();
    assertReadsLikeFresh(other);
  }

  @Test
  void folders_that_came_are_moved_and_taken_away_like_any_other() {
    Snapshot grown = with(with(harbour, folder("outer", "c1")), folder("inner", "outer"));
    Snapshot moved = moved(grown, "inner", "c2");
    assertThat(ids(moved, moved.below(moved.placeNumber("outer")))).containsExactly("outer");
    assertThat(ids(moved, moved.below(moved.placeNumber("c2")))).contains("inner");
    assertReadsLikeFresh(moved);
    assertReadsLikeFresh(without(moved, "outer"));
  }

  @Test
  void after_very_many_moves_all_are_numbered_in_order_again() {
    Map<String, Place> folders = new HashMap<>();
    IntStream.range(0, 1_200).forEach(i -> folders.put("n" + i, folder("n" + i, i % 2 == 0 ? "c1" : "c2")));
    Structure large = harbour.structure().withPlaces(folders);
    Snapshot snapshot = Snapshot.of(large);
    Map<String, Place> moves = new HashMap<>();
    folders.forEach((id, place) -> moves.put(id, place.movedTo("han")));
    Snapshot after = snapshot.next(large.withPlaces(moves));
    assertThat(IntStream.range(0, after.placeRoom()).allMatch(after::hasPlace)).isTrue();
    assertThat(ids(after, after.below(after.placeNumber("han")))).hasSizeGreaterThan(1_200);
    assertReadsLikeFresh(after);
  }

  @Test
  void very_many_places_that_come_together_are_one_piece_of_the_tree_wherever_it_is_put() {
    Map<String, Place> come = new HashMap<>();
    come.put("boxes", folder("boxes", "c1"));
    IntStream.range(0, 3_000).forEach(i -> come.put("box" + i, folder("box" + i, "boxes")));
    Snapshot grown = harbour.next(harbour.structure().withPlaces(come));
    assertThat(grown.placeNumber("val1")).isEqualTo(harbour.placeNumber("val1"));
    Snapshot moved = moved(grown, "boxes", "han");
    assertThat(moved.placeNumber("box2999")).isEqualTo(grown.placeNumber("box2999"));
    assertThat(ids(moved, moved.below(moved.placeNumber("han")))).hasSize(3_002);
    assertReadsLikeFresh(moved);
  }

  @Test
  void another_repository_is_another_structure() {
    Place root = harbour.place(0);
    Structure other = Structure.EMPTY.withPlaces(Map.of("elsewhere", Place.plain("elsewhere", PlaceKind.REPOSITORY, null, "Elsewhere", true, Map.of(), null, null, null)));
    Snapshot after = harbour.next(other);
    assertThat(after.placeCount()).isEqualTo(1);
    assertThat(after.placeNumber(root.id())).isEqualTo(-1);
  }
}
