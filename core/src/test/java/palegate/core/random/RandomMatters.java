package palegate.core.random;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import palegate.core.Harbour;
import palegate.core.changes.Change;
import palegate.core.changes.PlaceChange;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;

/** Folders and documents below a library, made of the numbers, names and labels by which gaps of walls are found, and changes of them. */
public final class RandomMatters {
  private static final List<String> NAMES = List.of("C-7101 Amber Tern", "Amber Tern, survey", "Letter", "Re: Survey of the Amber Tern hull", "Survey of the Amber Tern hull", "c 7101 fees", "7101", "C-7110", "Blue Heron",
      "Minutes", "More of it", "Reply to Letter of the harbour master", "Letter of the harbour master", "C-7102 Blue Heron");
  private static final List<Map<String, String>> LABELS = List.of(Map.of(), Map.of(), Map.of("case", "C-7101"), Map.of("case", "c 7101"), Map.of("case", "C-7110"), Map.of("case", "C-7102"), Map.of("matter", "C-7101"), Map.of("year", "2026"));

  private RandomMatters() {}

  /** @param aloneOf how many in a hundred stand alone */
  public static Structure in(Random random, int places, int aloneOf) {
    Structure base = Harbour.structure();
    List<Place> all = new ArrayList<>(base.places().values());
    List<String> folders = new ArrayList<>(List.of("cas"));
    for (int i = 0; i < places; i++) {
      boolean folder = random.nextInt(3) == 0;
      all.add(Place.plain("p" + i, folder ? PlaceKind.FOLDER : PlaceKind.DOCUMENT, any(folders, random), any(NAMES, random), random.nextInt(100) < aloneOf, any(LABELS, random), null, null, null));
      if (folder) {
        folders.add("p" + i);
      }
    }
    return base.withPlaces(Parts.of(all, Place::id));
  }

  /** The library and the folders in it, in order of their ids. */
  public static List<String> folders(Structure structure) {
    List<String> folders = new ArrayList<>(List.of("cas"));
    own(structure).stream().filter(place -> !place.isDocument()).forEach(place -> folders.add(place.id()));
    return folders;
  }

  /** What was made at random, in order of the ids. */
  public static List<Place> own(Structure structure) {
    return structure.places().values().stream().filter(place -> place.id().startsWith("p")).sorted(Comparator.comparing(Place::id)).toList();
  }

  /** A place that comes, goes, moves, or is named or labelled otherwise. */
  public static Change change(Structure structure, Random random, int number) {
    List<Place> own = own(structure);
    List<String> folders = folders(structure);
    return switch (random.nextInt(own.isEmpty() ? 1 : 5)) {
      case 0 -> new PlaceChange.AddPlace(Place.plain("pn" + number, random.nextInt(3) == 0 ? PlaceKind.FOLDER : PlaceKind.DOCUMENT, any(folders, random), any(NAMES, random), false, any(LABELS, random), null, null, null));
      case 1 -> new PlaceChange.RenamePlace(any(own, random).id(), any(NAMES, random));
      case 2 -> new PlaceChange.SetLabels(any(own, random).id(), any(LABELS, random));
      case 3 -> new PlaceChange.MovePlace(any(own, random).id(), any(folders, random));
      default -> new PlaceChange.RemovePlace(any(own, random).id());
    };
  }

  public static <T> T any(List<T> some, Random random) {
    return some.get(random.nextInt(some.size()));
  }
}
