package palegate.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.ContentEvidence;
import palegate.core.wallsatwork.SearchTerm;
import palegate.core.wallsatwork.WallGap;
import palegate.core.wallsatwork.WallGapClues;
import palegate.core.wallsatwork.WallGaps;

/**
 * How many of the gaps that were planted beside walls are found, and how much of what is said besides is none of them: papers that look a
 * little like it are planted too.
 */
final class PlantedGaps {
  private static final long SEED = 20_261_129;
  private static final int WALLS = 40;

  private final Random random = new Random(SEED);
  private final Map<String, Place> planted = new HashMap<>();
  private final Set<String> gaps = new TreeSet<>();
  private final List<List<String>> copies = new ArrayList<>();
  private final List<ContentEvidence.Mention> mentions = new ArrayList<>();
  private int numbers;

  private PlantedGaps() {}

  static void run(Snapshot snapshot) {
    new PlantedGaps().measure(snapshot);
  }

  private void measure(Snapshot generated) {
    Structure structure = generated.structure();
    Map<String, Place> cases = new HashMap<>();
    List<Wall> walls = new ArrayList<>();
    List<String> folders = structure.places().values().stream().filter(place -> place.kind() == PlaceKind.FOLDER).map(Place::id).sorted().toList();
    String somebody = structure.people().keySet().stream().min(String::compareTo).orElseThrow();
    for (int i = 0; i < WALLS; i++) {
      String number = "C-" + (70_000 + i * 13);
      String folder = folders.get((int) ((long) i * folders.size() / WALLS));
      cases.put(folder, structure.places().get(folder).labelled(Map.of("case", number)));
      walls.add(new Wall("w-" + i, "Wall of " + number, null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(Scope.ofLabel("case", number), List.of(new Subject.OfPerson(somebody))), List.of()));
    }
    Snapshot before = Snapshot.of(structure.withPlaces(cases));
    String elsewhere = structure.places().values().stream().filter(place -> place.kind() == PlaceKind.LIBRARY).map(Place::id).min(String::compareTo).orElseThrow();
    Map<String, Set<String>> known = new HashMap<>();
    walls.forEach(wall -> known.put(wall.id(), places(before, wall, ContentEvidence.NONE)));
    walls.forEach(wall -> plant(before, wall, elsewhere));
    Snapshot after = Snapshot.of(before.structure().withPlaces(planted));
    long start = System.nanoTime();
    int found = 0;
    int said = 0;
    for (Wall wall : walls) {
      Set<String> now = places(after, wall, new ContentEvidence(copies, mentions));
      now.removeAll(known.get(wall.id()));
      said += now.size();
      now.retainAll(gaps);
      found += now.size();
    }
    System.out.printf(Locale.UK, "  planted gaps (seed %d): %d of %d found, %d of %d said are planted, beside %d walls, %d ms%n", SEED, found, gaps.size(), found, said, walls.size(), (System.nanoTime() - start) / 1_000_000);
  }

  private static Set<String> places(Snapshot snapshot, Wall wall, ContentEvidence content) {
    return WallGaps.of(snapshot, wall, WallGapClues.of(snapshot).with(content)).stream().map(WallGap::place).collect(Collectors.toCollection(TreeSet::new));
  }

  /** One of each kind that belongs inside, and one of each that only looks a little as if it did. */
  private void plant(Snapshot snapshot, Wall wall, String elsewhere) {
    Map<String, Set<String>> labels = wall.barrier().scopes().get(0).labels();
    String key = labels.keySet().iterator().next();
    String value = labels.get(key).iterator().next();
    String inside = WallCoverage.covered(snapshot, wall.barrier().scopes().get(0)).stream().filter(snapshot::isDocument).mapToObj(place -> snapshot.place(place).id()).findFirst().orElse(null);
    String folder = add(PlaceKind.FOLDER, elsewhere, "Loose papers", Map.of(key, random.nextBoolean() ? value.toLowerCase(Locale.ROOT) : value.replace('-', ' ')));
    gaps.add(folder);
    add(PlaceKind.DOCUMENT, folder, "Letter of thanks", Map.of());
    gaps.add(add(PlaceKind.DOCUMENT, elsewhere, "Report, " + value, Map.of()));
    String original = "Terms agreed with " + wall.id() + " in spring";
    String reply = add(PlaceKind.DOCUMENT, elsewhere, "Re: " + original, Map.of());
    add(PlaceKind.DOCUMENT, elsewhere, "Re: Terms agreed with another in spring", Map.of());
    if (inside != null) {
      planted.put(inside, snapshot.structure().places().get(inside).named(original));
      gaps.add(reply);
      String copy = add(PlaceKind.DOCUMENT, elsewhere, "Scan", Map.of());
      gaps.add(copy);
      copies.add(List.of(inside, copy));
    }
    WallGaps.searchTerms(snapshot, wall).stream().filter(term -> term.kind() == SearchTerm.Kind.NUMBER).findFirst().ifPresent(term -> {
      String letter = add(PlaceKind.DOCUMENT, elsewhere, "Scan", Map.of());
      gaps.add(letter);
      mentions.add(new ContentEvidence.Mention(letter, term, value, random.nextInt(2_000)));
    });
    add(PlaceKind.DOCUMENT, elsewhere, "Report, " + value + "7", Map.of());
    add(PlaceKind.FOLDER, elsewhere, "Other papers", Map.of(key, value + "x"));
  }

  private String add(PlaceKind kind, String parent, String name, Map<String, String> labels) {
    String id = "planted-" + numbers++;
    planted.put(id, Place.plain(id, kind, parent, name, false, labels, null, null, null));
    return id;
  }
}
