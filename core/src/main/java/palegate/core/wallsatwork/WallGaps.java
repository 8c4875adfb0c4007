package palegate.core.wallsatwork;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
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
 * one below another only the topmost is said. O(places + found × depth).
 */
public final class WallGaps {
  /** Letters that number a case, then its number, or a number of three digits and more alone. */
  private static final Pattern NUMBER = Pattern.compile("(?<![\\p{L}\\p{N}])(\\p{Lu}{1,4}[-/ ]?)?(\\d{3,})(?![\\p{L}\\p{N}])");
  /** A year numbers nothing. */
  private static final Pattern YEAR = Pattern.compile("(19|20)\\d\\d");
  /** A shorter name is any folder's. */
  private static final int NAME_AT_LEAST = 8;
  /** What more places are called than so many is not a name of one matter. */
  private static final int CALLED_AT_MOST = 40;

  private final Snapshot snapshot;
  private final Wall wall;
  private final Barrier.Side side;
  private final BitSet covered;
  private final LabelsInUse labels;
  private final Map<Integer, WallGap> found = new HashMap<>();

  private WallGaps(Snapshot snapshot, Wall wall, Barrier.Side side, LabelsInUse labels) {
    this.snapshot = snapshot;
    this.wall = wall;
    this.side = side;
    this.labels = labels;
    covered = WallCoverage.covered(snapshot, side.scope());
  }

  /** Of every scope of the wall; the surest first, then in tree order. A confinement has none: what lies outside it is meant. */
  public static List<WallGap> of(Snapshot snapshot, Wall wall) {
    return of(snapshot, wall, LabelsInUse.of(snapshot));
  }

  /** The same where several walls are asked about. O(values of labels + found × depth). */
  public static List<WallGap> of(Snapshot snapshot, Wall wall, LabelsInUse labels) {
    if (wall.barrier() instanceof Barrier.Confine || snapshot.placeCount() == 0) {
      return List.of();
    }
    List<Barrier.Side> sides = wall.barrier() instanceof Barrier.Sides many ? many.sides()
        : List.of(new Barrier.Side("", wall.barrier().subjects(), wall.barrier().scopes().get(0)));
    Comparator<WallGap> order = Comparator.comparing(WallGap::confidence);
    return sides.stream().flatMap(side -> new WallGaps(snapshot, wall, side, labels).find()).sorted(order.thenComparing(gap -> snapshot.placeNumber(gap.place()), snapshot.inTreeOrder())).toList();
  }

  private Stream<WallGap> find() {
    byLabels();
    byNumbers();
    byNames();
    return found.entrySet().stream().filter(entry -> snapshot.path(entry.getKey()).stream().noneMatch(above -> !above.equals(entry.getKey()) && found.containsKey(above)))
        .map(Map.Entry::getValue);
  }

  private void byLabels() {
    Map<String, Set<String>> asked = side.scope().labels();
    if (asked.isEmpty()) {
      return;
    }
    asked.forEach((wantedKey, values) -> values.forEach(wanted -> {
      String plainWanted = LabelsInUse.plain(wanted);
      for (LabelsInUse.Value label : labels.values()) {
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
    Map<String, String> numbers = new TreeMap<>();
    side.scope().labels().values().forEach(values -> values.forEach(value -> takeNumbers(value, value, numbers)));
    side.scope().places().stream().map(snapshot::placeNumber).filter(place -> place >= 0).forEach(place -> takeNumbers(snapshot.place(place).name(), snapshot.pathText(place), numbers));
    numbers.forEach((number, from) -> {
      for (int place : snapshot.placesNamed(digits(number))) {
        if (!covered.get(place) && hasNumber(snapshot.place(place).name(), number)) {
          add(place, WallGap.Kind.SAME_NUMBER, number.equals(digits(number)) ? WallGap.Confidence.POSSIBLE : WallGap.Confidence.LIKELY, snapshot.place(place).name(), from);
        }
      }
    });
  }

  private static void takeNumbers(String text, String from, Map<String, String> numbers) {
    for (Matcher matcher = NUMBER.matcher(text); matcher.find();) {
      if (matcher.group(1) != null || !YEAR.matcher(matcher.group(2)).matches()) {
        numbers.putIfAbsent(LabelsInUse.plain(matcher.group()), from);
      }
    }
  }

  private static boolean hasNumber(String name, String number) {
    for (Matcher matcher = NUMBER.matcher(name); matcher.find();) {
      // The wall says C-2411: 2411 alone may be another thing's, C 2411 is not.
      if (LabelsInUse.plain(matcher.group()).equals(number)) {
        return true;
      }
    }
    return false;
  }

  private static String digits(String number) {
    return number.replaceAll("\\D", "");
  }

  /** The names of the topmost folders inside, without their numbers, in the names of places outside. */
  private void byNames() {
    Map<String, String> names = new LinkedHashMap<>();
    covered.stream().filter(place -> !snapshot.isDocument(place) && (snapshot.parent(place) < 0 || !covered.get(snapshot.parent(place)))).forEach(place -> {
      String name = NUMBER.matcher(snapshot.place(place).name()).replaceAll(" ").replaceAll("[\\s,:;–-]+", " ").strip();
      if (name.length() >= NAME_AT_LEAST && name.contains(" ") && snapshot.depth(place) > 1) {
        names.putIfAbsent(name, snapshot.place(place).name());
      }
    });
    names.forEach((name, from) -> {
      int[] called = snapshot.placesNamed(name);
      for (int place : called.length > CALLED_AT_MOST ? new int[0] : called) {
        if (!covered.get(place)) {
          add(place, WallGap.Kind.SAME_NAME, WallGap.Confidence.POSSIBLE, snapshot.place(place).name(), from);
        }
      }
    });
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
  private static boolean oneSlip(String one, String other) {
    if (one.length() != other.length()) {
      return false;
    }
    int[] differing = IntStream.range(0, one.length()).filter(i -> one.charAt(i) != other.charAt(i)).limit(3).toArray();
    return differing.length == 2 && differing[1] == differing[0] + 1 && one.charAt(differing[0]) == other.charAt(differing[1]) && one.charAt(differing[1]) == other.charAt(differing[0])
        && digits(other).length() >= 3 && one.replaceAll("\\d", "").equals(other.replaceAll("\\d", ""));
  }
}
