package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

class PlacesNamedTest {
  private static Place place(String id, PlaceKind kind, String parent, String name) {
    return Place.plain(id, kind, parent, name, false, Map.of(), null, null, kind == PlaceKind.LINK ? "hand" : null);
  }

  private static Snapshot with(List<Place> more) {
    List<Place> all = new ArrayList<>(List.of(place("root", PlaceKind.REPOSITORY, null, "Repository"), place("cas", PlaceKind.LIBRARY, "root", "Casualties"), place("hand", PlaceKind.LIBRARY, "root", "Handbook")));
    all.addAll(more);
    Map<String, Place> places = new HashMap<>();
    all.forEach(place -> places.put(place.id(), place));
    return Snapshot.of(Structure.EMPTY.withPlaces(places));
  }

  private static List<String> found(Snapshot snapshot, String text) {
    return IntStream.of(PlacesNamed.of(snapshot, text)).mapToObj(place -> snapshot.place(place).id()).toList();
  }

  @Test
  void what_is_called_just_so_comes_first_then_containers_before_documents_before_links_and_beginnings_before_others() {
    Snapshot snapshot = with(List.of(place("a", PlaceKind.LINK, "cas", "Handbook"), place("b", PlaceKind.DOCUMENT, "cas", "Handbook"), place("c", PlaceKind.FOLDER, "cas", "Old handbook"),
        place("d", PlaceKind.FOLDER, "cas", "Handbook 2024"), place("e", PlaceKind.FOLDER, "cas", "Shorthandbook"), place("f", PlaceKind.FOLDER, "cas", "Nothing of it"), place("g", PlaceKind.DOCUMENT, "cas", "Handbook, annex")));
    assertThat(found(snapshot, "HANDBOOK")).containsExactly("hand", "b", "a", "d", "c", "e", "g");
    assertThat(found(snapshot, "no such")).isEmpty();
    assertThat(PlacesNamed.of(Snapshot.of(Structure.EMPTY), "a")).isEmpty();
  }

  @Test
  void of_many_documents_the_folder_among_them_is_still_first_and_everything_is_there_once() {
    List<Place> many = new ArrayList<>();
    IntStream.range(0, 6_000).forEach(i -> many.add(place("d" + i, PlaceKind.DOCUMENT, "cas", "Letter " + i)));
    many.add(place("folder", PlaceKind.FOLDER, "hand", "Letter 1"));
    List<String> found = found(with(many), "letter");
    assertThat(found).hasSize(6_001).doesNotHaveDuplicates();
    assertThat(found.get(0)).isEqualTo("folder");
  }
}
