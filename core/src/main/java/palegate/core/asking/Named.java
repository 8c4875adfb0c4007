package palegate.core.asking;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;

/**
 * A thing that a typed name may mean. Names are found whole, by their beginning, by a part, and with a slip of the pen; the first of these
 * that finds anything decides.
 *
 * @param kind place, person, group, unit, builtin or wall
 * @param about what tells it from others of its name
 */
public record Named(String kind, String id, String name, String about) {
  /** So many are asked back at most. */
  public static final int ASKED_BACK_AT_MOST = 8;
  /** More places than these are not put in order to choose among them. */
  private static final int PUT_IN_ORDER = 5_000;
  /** Among more places than these no slip of the pen is looked for. */
  private static final int SLIPS_AMONG = 60_000;

  static List<Named> people(Snapshot snapshot, String text) {
    return best(snapshot.structure().people().values().stream().map(person -> person(person, snapshot.structure())), text);
  }

  private static Named person(Person person, Structure structure) {
    return new Named("person", person.id(), person.name(), (person.external() ? "outsider" : person.unit() == null ? "staff" : structure.units().get(person.unit()).name()) + (person.active() ? "" : ", not active"));
  }

  /** People, groups, units and the built-in groups. */
  static List<Named> subjects(Snapshot snapshot, String text) {
    Structure structure = snapshot.structure();
    return best(Stream.of(structure.people().values().stream().map(person -> person(person, structure)), structure.groups().values().stream().map(group -> new Named("group", group.id(), group.name(), "group")),
        structure.units().values().stream().map(unit -> new Named("unit", unit.id(), unit.name(), "unit")),
        Stream.of(Subject.BuiltIn.values()).map(one -> new Named("builtin", one.id(), one.title(), "built in"))).flatMap(all -> all), text);
  }

  static List<Named> walls(Snapshot snapshot, String text) {
    return best(snapshot.structure().walls().values().stream().map((Wall wall) -> new Named("wall", wall.id(), wall.name(), wall.barrier().kind())), text);
  }

  /** A name, or names from the inside out: "Valuation in C-2406", or from the outside in: "C-2406 / Valuation". */
  static List<Named> places(Snapshot snapshot, String text) {
    if (snapshot.placeCount() == 0) {
      return List.of();
    }
    List<String> parts = parts(text);
    List<Named> whole = placesNamed(snapshot, text, List.of());
    return parts.size() < 2 || !whole.isEmpty() && whole.get(0).name().equalsIgnoreCase(text) ? whole : placesNamed(snapshot, parts.get(0), parts.subList(1, parts.size()));
  }

  /** The innermost first. */
  private static List<String> parts(String text) {
    List<String> parts = new ArrayList<>(Stream.of(text.split("\\s+/\\s+")).map(String::strip).filter(part -> !part.isEmpty()).toList());
    if (parts.size() > 1) {
      Collections.reverse(parts);
      return parts;
    }
    return Stream.of(text.split("(?i)\\s+(in|of|below)\\s+")).map(String::strip).filter(part -> !part.isEmpty()).toList();
  }

  private static List<Named> placesNamed(Snapshot snapshot, String name, List<String> above) {
    int byId = snapshot.placeNumber(name);
    int[] found = byId >= 0 ? new int[] {byId} : snapshot.placesNamed(name);
    // Of very many those that are called just so are looked at, and of the others as many as one could tell apart.
    IntStream some = found.length <= PUT_IN_ORDER ? IntStream.of(found)
        : IntStream.concat(IntStream.of(found).filter(place -> snapshot.place(place).name().equalsIgnoreCase(name)), IntStream.of(found).limit(PUT_IN_ORDER)).distinct();
    List<Integer> places = some.filter(place -> liesIn(snapshot, place, above)).boxed().toList();
    if (places.isEmpty() && snapshot.placeCount() <= SLIPS_AMONG) {
      int slips = slips(name);
      places = snapshot.places().filter(place -> !snapshot.isDocument(place) && nearly(snapshot.place(place).name(), name, slips) && liesIn(snapshot, place, above)).boxed().toList();
    }
    String wanted = name.toLowerCase(Locale.ROOT);
    // Of several the one that is called just so, that begins so, that is further up.
    Comparator<Integer> order = Comparator.<Integer>comparingInt(place -> rank(snapshot.place(place).name().toLowerCase(Locale.ROOT), wanted)).thenComparingInt(place -> snapshot.isDocument(place) ? 1 : 0)
        .thenComparingInt(snapshot::depth).thenComparing(snapshot.inTreeOrder());
    List<Integer> sorted = places.stream().sorted(order).limit(2_000).toList();
    if (sorted.isEmpty()) {
      return List.of();
    }
    int first = sorted.get(0);
    List<Named> alike = sorted.stream().filter(place -> rank(snapshot.place(place).name().toLowerCase(Locale.ROOT), wanted) == rank(snapshot.place(first).name().toLowerCase(Locale.ROOT), wanted)
        && snapshot.isDocument(place) == snapshot.isDocument(first)).limit(ASKED_BACK_AT_MOST).map(place -> place(snapshot, place)).toList();
    return alike;
  }

  private static Named place(Snapshot snapshot, int number) {
    Place place = snapshot.place(number);
    return new Named("place", place.id(), place.name(), place.kind().word() + ", " + snapshot.pathText(number));
  }

  /** Whether the path has a place of each name above, in their order from the inside out. */
  private static boolean liesIn(Snapshot snapshot, int place, List<String> above) {
    int at = snapshot.parent(place);
    for (String name : above) {
      String wanted = name.toLowerCase(Locale.ROOT);
      while (at >= 0 && !snapshot.place(at).name().toLowerCase(Locale.ROOT).contains(wanted) && !snapshot.place(at).id().equals(name)) {
        at = snapshot.parent(at);
      }
      if (at < 0) {
        return false;
      }
      at = snapshot.parent(at);
    }
    return true;
  }

  private static int rank(String name, String wanted) {
    return name.equals(wanted) ? 0 : name.startsWith(wanted + " ") ? 1 : name.startsWith(wanted) ? 2 : 3;
  }

  /** Those that the text means best, all of one kind of likeness; empty if nothing is like it. */
  private static List<Named> best(Stream<Named> all, String text) {
    List<Named> named = all.toList();
    String wanted = text.toLowerCase(Locale.ROOT).strip().replaceFirst("^the ", "");
    int slips = slips(wanted);
    List<Function<Named, Boolean>> likeness = List.of(one -> one.id.equals(text.strip()) || one.name.equalsIgnoreCase(wanted), one -> one.name.toLowerCase(Locale.ROOT).startsWith(wanted),
        one -> words(one.name).containsAll(words(wanted)), one -> one.name.toLowerCase(Locale.ROOT).contains(wanted), one -> nearly(one.name, wanted, slips),
        one -> words(one.name).stream().anyMatch(word -> wanted.indexOf(' ') < 0 && nearly(word, wanted, slips)));
    for (Function<Named, Boolean> like : likeness) {
      List<Named> found = named.stream().filter(like::apply).sorted(Comparator.comparing(Named::name).thenComparing(Named::id)).limit(ASKED_BACK_AT_MOST).toList();
      if (!found.isEmpty()) {
        return found;
      }
    }
    return List.of();
  }

  private static List<String> words(String text) {
    return Arrays.asList(text.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"));
  }

  private static int slips(String text) {
    return text.length() < 4 ? 0 : text.length() < 8 ? 1 : 2;
  }

  private static boolean nearly(String name, String wanted, int slips) {
    return slips > 0 && Math.abs(name.length() - wanted.length()) <= slips && distance(name.toLowerCase(Locale.ROOT), wanted.toLowerCase(Locale.ROOT), slips) <= slips;
  }

  /** How many letters are to be put in, left out, changed or swapped with their neighbour; more than {@code most} is not told apart. */
  private static int distance(String one, String other, int most) {
    int[] before = new int[other.length() + 1];
    int[] last = IntStream.rangeClosed(0, other.length()).toArray();
    for (int i = 1; i <= one.length(); i++) {
      int[] now = new int[other.length() + 1];
      now[0] = i;
      int least = i;
      for (int j = 1; j <= other.length(); j++) {
        int same = one.charAt(i - 1) == other.charAt(j - 1) ? 0 : 1;
        now[j] = Math.min(Math.min(now[j - 1], last[j]) + 1, last[j - 1] + same);
        if (i > 1 && j > 1 && one.charAt(i - 1) == other.charAt(j - 2) && one.charAt(i - 2) == other.charAt(j - 1)) {
          now[j] = Math.min(now[j], before[j - 2] + 1);
        }
        least = Math.min(least, now[j]);
      }
      if (least > most) {
        return most + 1;
      }
      before = last;
      last = now;
    }
    return last[other.length()];
  }
}
