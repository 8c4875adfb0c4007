package palegate.core.wallsatwork;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.changes.Change;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.WallChange;
import palegate.core.places.Place;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * What looks as if it belonged behind a wall and does not lie there. Nothing is found without a text that speaks for it; of what lies
 * one below another only the topmost is said, unless more speaks for the other. O(places + found × depth).
 */
public final class WallGaps {
  /** A shorter name is any folder's. */
  private static final int NAME_AT_LEAST = 8;
  /** What more places outside are called than so many is not a name of one matter. */
  public static final int CALLED_AT_MOST = 40;
  /** What has more copies is a form. */
  private static final int COPIES_AT_MOST = 12;
  /** What a letter is about stands at its head. */
  private static final int HEAD_OF_A_TEXT = 300;

  private final Snapshot snapshot;
  private final Wall wall;
  private final Barrier.Side side;
  private final BitSet covered;
  private final WallGapClues clues;
  private final Map<Integer, WallGap> found = new HashMap<>();

  private WallGaps(Snapshot snapshot, Wall wall, Barrier.Side side, WallGapClues clues) {
    this.snapshot = snapshot;
    this.wall = wall;
    this.side = side;
    this.clues = clues;
    covered = WallCoverage.covered(snapshot, side.scope());
  }

  /** Of every scope of the wall; the surest first, then in tree order. A confinement has none: what lies outside it is meant. */
  public static List<WallGap> of(Snapshot snapshot, Wall wall) {
    return of(snapshot, wall, WallGapClues.of(snapshot));
  }

  /** The same where several walls are asked about, or where content is known. O(values of labels + letters that answer others + content said + found × depth). */
  public static List<WallGap> of(Snapshot snapshot, Wall wall, WallGapClues clues) {
    return of(snapshot, wall, clues, WallGap.Confidence.POSSIBLE);
  }

  /** Those that are likely at least, without looking for the others: names and neighbours are the most work, and prove the least. Order and bounds as above. */
  public static List<WallGap> likely(Snapshot snapshot, Wall wall, WallGapClues clues) {
    return of(snapshot, wall, clues, WallGap.Confidence.LIKELY);
  }

  private static List<WallGap> of(Snapshot snapshot, Wall wall, WallGapClues clues, WallGap.Confidence atLeast) {
    if (snapshot.placeCount() == 0) {
      return List.of();
    }
    List<Barrier.Side> sides = sides(wall);
    Comparator<WallGap> order = Comparator.comparing(WallGap::confidence);
    return sides.stream().flatMap(side -> new WallGaps(snapshot, wall, side, clues).find(atLeast)).sorted(order.thenComparing(gap -> snapshot.placeNumber(gap.place()), snapshot.inTreeOrder())).toList();
  }

  /** What is to be looked for in the text of documents, to be given back as {@link ContentEvidence}: numbers before names. O(covered places × depth). */
  public static List<SearchTerm> searchTerms(Snapshot snapshot, Wall wall) {
    if (snapshot.placeCount() == 0) {
      return List.of();
    }
    List<WallGaps> each = sides(wall).stream().map(side -> new WallGaps(snapshot, wall, side, null)).toList();
    return Stream.concat(each.stream().flatMap(WallGaps::numbersToSearch), each.stream().flatMap(WallGaps::namesToSearch)).distinct().toList();
  }

  /** In which something may be missing. */
  static Stream<Scope> scopes(Wall wall) {
    return sides(wall).stream().map(Barrier.Side::scope);
  }

  /** A number without letters may be a sum, a date, anything. */
  private Stream<SearchTerm> numbersToSearch() {
    Map<String, SearchTerm> terms = new TreeMap<>();
    numbers().forEach((number, from) -> {
      if (!number.equals(CaseNumbers.digits(number))) {
        terms.put(number, new SearchTerm(SearchTerm.Kind.NUMBER, number, from));
      }
    });
    return terms.values().stream();
  }

  private Stream<SearchTerm> namesToSearch() {
    return names().entrySet().stream().map(name -> new SearchTerm(SearchTerm.Kind.NAME, name.getKey(), name.getValue()));
  }

  /** A confinement has none: what lies outside it is meant. */
  private static List<Barrier.Side> sides(Wall wall) {
    if (wall.barrier() instanceof Barrier.Confine) {
      return List.of();
    }
    return wall.barrier() instanceof Barrier.Sides many ? many.sides() : List.of(new Barrier.Side("", wall.barrier().subjects(), wall.barrier().scopes().get(0)));
  }

  /** What is less sure neither hides nor replaces what is surer. */
  private Stream<WallGap> find(WallGap.Confidence atLeast) {
    boolean all = atLeast == WallGap.Confidence.POSSIBLE;
    byLabels();
    byNumbers();
    if (all) {
      byNames();
    }
    byCopies();
    byCorrespondence();
    byTexts();
    if (all) {
      bySiblings();
    }
    found.values().removeIf(gap -> gap.confidence().compareTo(atLeast) > 0);
    return found.entrySet().stream().filter(entry -> snapshot.path(entry.getKey()).stream().noneMatch(above -> !above.equals(entry.getKey()) && found.containsKey(above) && found.get(above).confidence().compareTo(entry.getValue().confidence()) <= 0))
        .map(Map.Entry::getValue);
  }

  private void byLabels() {
    Map<String, Set<String>> asked = side.scope().labels();
    if (asked.isEmpty()) {
      return;
    }
    asked.forEach((wantedKey, values) -> values.forEach(wanted -> {
      String plainWanted = LabelsInUse.plain(wanted);
      for (LabelsInUse.Value label : clues.labels().values()) {
        boolean same = label.plain().equals(plainWanted);
        if (label.key().equals(wantedKey) && !values.contains(label.text()) && (same || oneSlip(label.plain(), plainWanted))) {
          outside(label, same ? WallGap.Kind.WRITTEN_DIFFERENTLY : WallGap.Kind.MISTYPED, same ? WallGap.Confidence.NEARLY_SURE : WallGap.Confidence.LIKELY, wantedKey + ": " + wanted);
        } else if (!label.key().equals(wantedKey) && same && plainWanted.chars().anyMatch(Character::isDigit)) {
          outside(label, WallGap.Kind.OTHER_LABEL, WallGap.Confidence.LIKELY, wantedKey + ": " + wanted);
        }
      }
    }));
  }

  private void outside(LabelsInUse.Value label, WallGap.Kind kind, WallGap.Confidence confidence, String like) {
    label.places().stream().filter(place -> !covered.get(place)).forEach(place -> add(place, kind, confidence, label.key() + ": " + label.text(), like));
  }

  /** The numbers of the wall's values, and those of the folders it names, in the names of places outside. */
  private void byNumbers() {
    numbers().forEach((number, from) -> {
      for (int place : snapshot.placesNamed(CaseNumbers.digits(number))) {
        if (!covered.get(place) && CaseNumbers.says(snapshot.place(place).name(), number)) {
          add(place, WallGap.Kind.SAME_NUMBER, number.equals(CaseNumbers.digits(number)) ? WallGap.Confidence.POSSIBLE : WallGap.Confidence.LIKELY, snapshot.place(place).name(), from);
        }
      }
    });
  }

  private Map<String, String> numbers() {
    return numbers(snapshot, side.scope());
  }

  /** The numbers of a scope's values and of the folders that it names, each with what gives it. */
  static Map<String, String> numbers(Snapshot snapshot, Scope scope) {
    Map<String, String> numbers = new TreeMap<>();
    scope.labels().values().forEach(values -> values.forEach(value -> CaseNumbers.in(value).forEach(number -> numbers.putIfAbsent(number, value))));
    scope.places().stream().map(snapshot::placeNumber).filter(place -> place >= 0).forEach(place -> CaseNumbers.in(snapshot.place(place).name()).forEach(number -> numbers.putIfAbsent(number, snapshot.pathText(place))));
    return numbers;
  }

  /** The names of the topmost folders inside, without their numbers, and values of labels that are names, in the names of places outside. */
  private void byNames() {
    names().forEach((name, from) -> {
      int[] outside = snapshot.placesNamed(name, this::isOutside, CALLED_AT_MOST);
      for (int place : outside.length > CALLED_AT_MOST ? new int[0] : outside) {
        add(place, WallGap.Kind.SAME_NAME, WallGap.Confidence.POSSIBLE, snapshot.place(place).name(), from);
      }
    });
  }

  private Map<String, String> names() {
    Map<String, String> names = new LinkedHashMap<>();
    side.scope().labels().forEach((key, values) -> values.forEach(value -> takeName(value, key + ": " + value, names)));
    covered.stream().filter(place -> !snapshot.isDocument(place) && snapshot.depth(place) > 1 && (snapshot.parent(place) < 0 || !covered.get(snapshot.parent(place)))).boxed().sorted(snapshot.inTreeOrder())
        .forEach(place -> takeName(snapshot.place(place).name(), snapshot.place(place).name(), names));
    return names;
  }

  private static void takeName(String text, String from, Map<String, String> names) {
    String name = CaseNumbers.without(text).replaceAll("[\\s,:;–-]+", " ").strip();
    if (name.length() >= NAME_AT_LEAST && name.contains(" ")) {
      names.putIfAbsent(name, from);
    }
  }

  private void byCopies() {
    for (List<String> same : clues.content().copies()) {
      int[] known = known(same);
      Optional<Integer> inside = firstInside(IntStream.of(known));
      if (inside.isPresent() && known.length <= COPIES_AT_MOST) {
        IntStream.of(known).filter(place -> !covered.get(place))
            .forEach(place -> add(place, WallGap.Kind.SAME_CONTENT, WallGap.Confidence.NEARLY_SURE, snapshot.place(place).name(), snapshot.pathText(inside.get())));
      }
    }
  }

  /** In tree order: how the state came to be, and with it which number a place has, must not decide what is said. */
  private Optional<Integer> firstInside(IntStream places) {
    return places.filter(covered::get).boxed().min(snapshot.inTreeOrder());
  }

  /** Those of some documents that there are in this state. */
  private int[] known(List<String> documents) {
    return documents.stream().mapToInt(snapshot::placeNumber).filter(place -> place >= 0).sorted().toArray();
  }

  private void byCorrespondence() {
    for (Correspondence.Thread thread : clues.correspondence().threads()) {
      Optional<Integer> inside = firstInside(thread.documents().stream().mapToInt(Integer::intValue));
      inside.ifPresent(like -> thread.documents().stream().filter(place -> !covered.get(place))
          .forEach(place -> add(place, WallGap.Kind.SAME_CORRESPONDENCE, WallGap.Confidence.LIKELY, snapshot.place(place).name(), snapshot.pathText(like))));
    }
  }

  /** A number at the head of a text is most often what it is about; further down it may be named in passing. */
  private void byTexts() {
    Map<SearchTerm, List<ContentEvidence.Mention>> byTerm = new LinkedHashMap<>();
    clues.content().mentions().stream().filter(mention -> isOutside(snapshot.placeNumber(mention.document()))).forEach(mention -> byTerm.computeIfAbsent(mention.term(), any -> new ArrayList<>()).add(mention));
    if (byTerm.isEmpty()) {
      return;
    }
    Stream.concat(numbersToSearch(), namesToSearch()).forEach(term -> {
      List<ContentEvidence.Mention> mentions = byTerm.getOrDefault(term, List.of());
      boolean number = term.kind() == SearchTerm.Kind.NUMBER;
      if (number || mentions.size() <= CALLED_AT_MOST) {
        mentions.forEach(mention -> add(snapshot.placeNumber(mention.document()), WallGap.Kind.IN_ITS_TEXT,
            number && mention.at() <= HEAD_OF_A_TEXT ? WallGap.Confidence.LIKELY : WallGap.Confidence.POSSIBLE, mention.said(), term.from()));
      }
    });
  }

  private void bySiblings() {
    WallGapSiblings.of(snapshot, side.scope(), covered, numbers().keySet())
        .forEach(sibling -> add(sibling.place(), WallGap.Kind.SIBLING, WallGap.Confidence.POSSIBLE, snapshot.place(sibling.place()).name(), sibling.beside()));
  }

  private boolean isOutside(int place) {
    return place >= 0 && !covered.get(place);
  }

  /** The surest of what speaks for a place is kept. What leads to something inside is not meant to be inside. */
  private void add(int place, WallGap.Kind kind, WallGap.Confidence confidence, String said, String like) {
    WallGap known = found.get(place);
    if (known != null && known.confidence().compareTo(confidence) <= 0 || snapshot.below(place).anyMatch(covered::get) || isOfAnotherSide(place)) {
      return;
    }
    int documents = (int) snapshot.below(place).filter(snapshot::isDocument).count();
    if (documents > 0) {
      found.put(place, new WallGap(snapshot.place(place).id(), side.name().isEmpty() ? null : side.name(), kind, confidence, documents, said, like, fix(place)));
    }
  }

  private boolean isOfAnotherSide(int place) {
    return wall.barrier() instanceof Barrier.Sides many && many.sides().stream().anyMatch(other -> other != side && WallCoverage.covers(snapshot, other.scope(), place));
  }

  /** A label if the wall hangs on labels, a place more if it hangs on places; nothing simple if types or several values must be chosen among. */
  private Change fix(int place) {
    Scope scope = side.scope();
    Place here = snapshot.place(place);
    if (!scope.labels().isEmpty() && scope.places().isEmpty() && scope.labels().values().stream().allMatch(values -> values.size() == 1)) {
      Map<String, String> labels = new TreeMap<>(here.labels());
      scope.labels().forEach((key, values) -> labels.put(key, values.iterator().next()));
      return new PlaceChange.SetLabels(here.id(), labels);
    }
    if (scope.labels().isEmpty() && scope.types().isEmpty()) {
      Set<String> places = new TreeSet<>(scope.places());
      places.add(here.id());
      return new WallChange.SetWall(new Wall(wall.id(), wall.name(), wall.reason(), wall.state(), wall.period(), with(new Scope(places, Set.of(), Map.of())), wall.exceptions()));
    }
    return null;
  }

  private Barrier with(Scope scope) {
    if (wall.barrier() instanceof Barrier.Sides many) {
      List<Barrier.Side> sides = new ArrayList<>();
      many.sides().forEach(one -> sides.add(one == side ? new Barrier.Side(one.name(), one.subjects(), scope) : one));
      return new Barrier.Sides(sides);
    }
    return wall.barrier() instanceof Barrier.Screen ? new Barrier.Screen(scope, wall.barrier().subjects()) : new Barrier.Seal(scope, wall.barrier().subjects());
  }

  /** Whether two neighbours are swapped, in values with a number of three digits at least: another digit is another case. */
  static boolean oneSlip(String one, String other) {
    if (one.length() != other.length()) {
      return false;
    }
    int at = 0;
    while (at < one.length() && one.charAt(at) == other.charAt(at)) {
      at++;
    }
    return at + 1 < one.length() && one.charAt(at) == other.charAt(at + 1) && one.charAt(at + 1) == other.charAt(at) && one.startsWith(other.substring(at + 2), at + 2)
        && CaseNumbers.digits(other).length() >= 3 && one.replaceAll("\\d", "").equals(other.replaceAll("\\d", ""));
  }
}
