package palegate.core.structure;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.random.RandomStructures;

/** The repository is above every place, whichever comes first. */
class RepositoryTest {
  private static Structure of(List<Place> places) {
    return Structure.of(List.of(), List.of(), List.of(), List.of(), List.of(), places, List.of(), List.of());
  }

  @Test
  void it_is_found_from_whichever_place_comes_first() {
    for (long seed = 1; seed <= 60; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      List<Place> places = new ArrayList<>(structure.places().values());
      Collections.shuffle(places, new Random(seed));
      Place expected = places.stream().filter(place -> place.kind() == PlaceKind.REPOSITORY).findFirst().orElseThrow();
      assertThat(of(places).repository()).as("seed %d", seed).contains(expected);
      assertThat(structure.withPlaces(Map.of(places.get(0).id(), places.get(0))).repository()).as("seed %d", seed).contains(expected);
    }
  }

  @Test
  void what_is_not_sound_yet_is_looked_through() {
    Place one = Place.plain("a", PlaceKind.FOLDER, "b", "A", false, Map.of(), null, null, null);
    Place other = Place.plain("b", PlaceKind.FOLDER, "a", "B", false, Map.of(), null, null, null);
    Place lost = Place.plain("c", PlaceKind.FOLDER, "nowhere", "C", false, Map.of(), null, null, null);
    Place root = Place.plain("root", PlaceKind.REPOSITORY, null, "Repository", true, Map.of(), null, null, null);
    assertThat(of(List.of(one, other, root)).repository()).contains(root);
    assertThat(of(List.of(lost, root)).repository()).contains(root);
    assertThat(of(List.of(one, other, lost)).repository()).isEmpty();
    assertThat(of(List.of()).repository()).isEmpty();
  }
}
