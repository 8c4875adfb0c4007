package palegate.core.wallsatwork;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * What those gaps of some walls hang on that are likely at least, as words alone: by it one tells whether a place that came, went or is another can
 * alter what is found. Most cannot, and then nothing has to be looked for anew. It holds on to no state.
 */
public final class WallGapTerms {
  private final List<Scope> scopes;
  private final Set<String> numbers = new HashSet<>();
  private final Set<String> named = new HashSet<>();
  private final Set<String> subjects;

  private WallGapTerms(List<Scope> scopes, Set<String> subjects) {
    this.scopes = scopes;
    this.subjects = subjects;
  }

  /** Of the walls in a state, by the clues to their gaps. O(what the walls name). */
  public static WallGapTerms of(Snapshot snapshot, Collection<Wall> walls, WallGapClues clues) {
    WallGapTerms terms = new WallGapTerms(walls.stream().flatMap(WallGaps::scopes).toList(), clues.correspondence().subjects());
    terms.scopes.forEach(scope -> {
      terms.numbers.addAll(WallGaps.numbers(snapshot, scope).keySet());
      terms.named.addAll(scope.places());
    });
    return terms;
  }

  /**
   * Whether something else might be found because of one place; true where it cannot be told. O(depth × words).
   *
   * @param id of a place that came, went or is another
   */
  public boolean mayConcern(String id, Structure before, Structure after) {
    Place was = before.places().get(id);
    Place is = after.places().get(id);
    if (was != null && is != null && isAlike(was, is)) {
      return false;
    }
    boolean document = (was == null || was.isDocument()) && (is == null || is.isDocument());
    boolean plain = (was == null || is == null) && (was == null ? is : was).labels().isEmpty();
    // A container that moves, or is called or labelled otherwise, takes what is in it along.
    return named.contains(id) || !document && !plain || saysAnything(was, before) || saysAnything(is, after);
  }

  /** In all that gaps are found by. */
  private static boolean isAlike(Place one, Place other) {
    return one.kind() == other.kind() && one.name().equals(other.name()) && Objects.equals(one.parent(), other.parent()) && Objects.equals(one.type(), other.type()) && one.labels().equals(other.labels());
  }

  private boolean saysAnything(Place place, Structure structure) {
    if (place == null) {
      return false;
    }
    if (place.isDocument() && (!Correspondence.subject(place.name()).equals(place.name().strip()) || subjects.contains(LabelsInUse.plain(place.name())))) {
      return true;
    }
    for (Place at = place; at != null; at = at.parent() == null ? null : structure.places().get(at.parent())) {
      if (CaseNumbers.saysAny(at.name(), numbers) || isLabelledLike(at.labels())) {
        return true;
      }
    }
    return false;
  }

  /** As one of the values that a wall asks for, but for the value itself at its own key. */
  private boolean isLabelledLike(Map<String, String> labels) {
    return !labels.isEmpty() && scopes.stream().anyMatch(scope -> scope.labels().entrySet().stream().anyMatch(asked -> labels.entrySet().stream().anyMatch(label -> isLike(asked, label))));
  }

  private static boolean isLike(Map.Entry<String, Set<String>> asked, Map.Entry<String, String> label) {
    boolean sameKey = asked.getKey().equals(label.getKey());
    String plain = LabelsInUse.plain(label.getValue());
    return !(sameKey && asked.getValue().contains(label.getValue())) && asked.getValue().stream().map(LabelsInUse::plain).anyMatch(wanted -> wanted.equals(plain) || sameKey && WallGaps.oneSlip(plain, wanted));
  }
}
