package palegate.core.wallsatwork;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.IntFunction;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import palegate.core.places.PlaceKind;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Scope;

/**
 * What a scope covers, while it is being described: jointly, criterion by criterion, and what is odd about it.
 *
 * @param covered numbers of the places; do not alter it
 * @param libraries by library, the most documents first
 * @param types by document type, the same
 * @param criteria what each criterion would cover alone
 */
public record ScopeDescription(BitSet covered, int documents, List<Part> libraries, List<Part> types, List<Criterion> criteria, List<Oddity> oddities) {
  /** Documents in one library or of one type; {@code id} is null for those of none. */
  public record Part(String id, String name, int documents) {}

  /** {@code kind} is places, types or label; {@code key} the label's. */
  public record Criterion(String kind, String key, int places, int documents) {}

  /** What is hardly ever meant. */
  public enum Oddity {
    NOTHING, NEARLY_EVERYTHING, MORE_THAN_ITS_NAME_SAYS
  }

  /** So many hundredths of all documents are nearly all of them. */
  private static final int NEARLY_ALL = 80;
  private static final Pattern WORD = Pattern.compile("[\\p{L}\\p{N}][\\p{L}\\p{N}-]*");
  /** Shorter words name nothing. */
  private static final int WORD_AT_LEAST = 4;

  public int places() {
    return covered.cardinality();
  }

  /**
   * @param name the wall's, or the side's, whose words are compared with what is covered; may be empty
   */
  public static ScopeDescription of(Snapshot snapshot, Scope scope, String name) {
    BitSet covered = WallCoverage.covered(snapshot, scope);
    int documents = documents(snapshot, covered);
    List<Criterion> criteria = new ArrayList<>();
    if (!scope.places().isEmpty()) {
      criteria.add(alone(snapshot, "places", null, new Scope(scope.places(), Set.of(), Map.of())));
    }
    if (!scope.types().isEmpty()) {
      criteria.add(alone(snapshot, "types", null, new Scope(Set.of(), scope.types(), Map.of())));
    }
    new TreeMap<>(scope.labels()).forEach((key, values) -> criteria.add(alone(snapshot, "label", key, new Scope(Set.of(), Set.of(), Map.of(key, values)))));
    return new ScopeDescription(covered, documents,
        parts(snapshot, covered, place -> library(snapshot, place), id -> snapshot.structure().places().get(id).name()),
        parts(snapshot, covered, place -> snapshot.place(place).type(), id -> snapshot.structure().types().get(id).name()), criteria, oddities(snapshot, covered, documents, name));
  }

  private static Criterion alone(Snapshot snapshot, String kind, String key, Scope scope) {
    BitSet covered = WallCoverage.covered(snapshot, scope);
    return new Criterion(kind, key, covered.cardinality(), documents(snapshot, covered));
  }

  private static int documents(Snapshot snapshot, BitSet covered) {
    return (int) covered.stream().filter(snapshot::isDocument).count();
  }

  private static String library(Snapshot snapshot, int place) {
    for (int at = place; at >= 0; at = snapshot.parent(at)) {
      if (snapshot.place(at).kind() == PlaceKind.LIBRARY) {
        return snapshot.place(at).id();
      }
    }
    return null;
  }

  private static List<Part> parts(Snapshot snapshot, BitSet covered, IntFunction<String> of, java.util.function.UnaryOperator<String> named) {
    Map<String, Integer> counts = new TreeMap<>();
    covered.stream().filter(snapshot::isDocument).forEach(place -> counts.merge(java.util.Objects.requireNonNullElse(of.apply(place), ""), 1, Integer::sum));
    return counts.entrySet().stream().map(entry -> entry.getKey().isEmpty() ? new Part(null, "none", entry.getValue()) : new Part(entry.getKey(), named.apply(entry.getKey()), entry.getValue()))
        .sorted(Comparator.comparing(Part::documents).reversed().thenComparing(Part::name)).toList();
  }

  private static List<Oddity> oddities(Snapshot snapshot, BitSet covered, int documents, String name) {
    if (covered.isEmpty()) {
      return List.of(Oddity.NOTHING);
    }
    List<Oddity> odd = new ArrayList<>();
    long all = snapshot.places().filter(snapshot::isDocument).count();
    if (all > 0 && documents * 100L >= all * NEARLY_ALL) {
      odd.add(Oddity.NEARLY_EVERYTHING);
    }
    // Only if the name does speak of something inside: a wall called after its people says nothing of places.
    Set<String> words = WORD.matcher(name.toLowerCase(Locale.ROOT)).results().map(found -> found.group()).filter(word -> word.length() >= WORD_AT_LEAST).collect(Collectors.toSet());
    long meant = words.isEmpty() ? 0 : covered.stream().filter(place -> snapshot.isDocument(place) && speaksOf(snapshot, place, words)).count();
    if (meant > 0 && meant * 2 < documents) {
      odd.add(Oddity.MORE_THAN_ITS_NAME_SAYS);
    }
    return odd;
  }

  private static boolean speaksOf(Snapshot snapshot, int place, Set<String> words) {
    for (int at = place; at >= 0; at = snapshot.parent(at)) {
      String said = (snapshot.place(at).name() + " " + String.join(" ", snapshot.place(at).labels().values())).toLowerCase(Locale.ROOT);
      if (words.stream().anyMatch(said::contains)) {
        return true;
      }
    }
    return false;
  }
}
