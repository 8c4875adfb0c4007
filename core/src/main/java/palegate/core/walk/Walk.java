package palegate.core.walk;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import palegate.core.duties.Duty;
import palegate.core.papers.FoundPlaces;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.viewpoint.Asker;
import palegate.core.walls.Wall;

/**
 * What one person finds now, as far as the walker may know of it: never past the walker's own walls, and only where a duty lets them
 * look. With the walker's eyes too, so that what is hidden from the person can be marked.
 */
public final class Walk {
  /** Why a place that the walker knows does not show to the person. */
  public enum Hidden {
    /** A wall keeps them out. */
    WALL,
    /** They have no right there to find it. */
    NO_RIGHT,
    /** It would be found but for a condition of the document. */
    CONDITION,
    /** They are not active. */
    NOT_ACTIVE
  }

  /** Besides {@code audit}, which has no scope. */
  private static final Set<Duty> LOOKING = Set.of(Duty.ACCESS, Duty.OVERSIGHT);

  private final FoundPlaces theirs;
  private final Asker walker;
  private final int person;

  private Walk(FoundPlaces theirs, Asker walker, int person) {
    this.theirs = theirs;
    this.walker = walker;
    this.person = person;
  }

  /**
   * @param state as it is, or was, or a draft would have it: as far as the walker may know it, so that nothing leads to what they may not
   * @param person the id of the person walked as
   * @param walker null for whoever has the whole in hand, as a bundle
   * @return empty if there is no such person, or none that the walker may know
   */
  public static Optional<Walk> of(SnapshotAt state, String person, Asker walker) {
    int number = state.snapshot().personNumber(person);
    return number < 0 ? Optional.empty() : Optional.of(through(FoundPlaces.of(state, number), number, walker));
  }

  /** The same through what was found already, with the walker's duties as they are now. */
  public static Walk through(FoundPlaces theirs, int person, Asker walker) {
    return new Walk(theirs, walker, person);
  }

  /** Whether the walker may see that a place is there: a duty for looking covers it, or it leads down to what one covers. O(duties × depth). */
  public boolean maySee(int place) {
    return covers(place) || place >= 0 && snapshot().place(place).kind().isContainer() && leadsToScope(place);
  }

  /** Whether a duty for looking covers the place. */
  private boolean covers(int place) {
    if (place < 0 || walker == null) {
      return place >= 0;
    }
    String id = snapshot().place(place).id();
    return walker.holds(Duty.AUDIT) || LOOKING.stream().anyMatch(duty -> walker.holdsAt(duty, snapshot().structure(), id));
  }

  private boolean leadsToScope(int place) {
    return walker.held().stream().filter(given -> LOOKING.contains(given.duty()) && given.place() != null).mapToInt(given -> snapshot().placeNumber(given.place()))
        .anyMatch(scope -> scope >= 0 && snapshot().path(scope).contains(place));
  }

  public Snapshot snapshot() {
    return theirs.at().snapshot();
  }

  /** Whether it shows to both: to the person in their tree, to the walker by what they may know. */
  public boolean shows(int place) {
    return theirs.shows(place) && maySee(place);
  }

  public boolean finds(int place) {
    return theirs.finds(place) && covers(place);
  }

  /** What the person may do there now; nothing where it only leads on. */
  public Rights rights(int place) {
    return finds(place) ? theirs.rights(place) : Rights.NONE;
  }

  /** What shows directly below, in display order; with {@code hidden} also what the walker knows and the person does not find. */
  public List<Integer> children(int place, boolean hidden) {
    return snapshot().children(place).stream().filter(child -> hidden ? maySee(child) : shows(child)).toList();
  }

  /** Why it does not show to the person; empty where it does. Reasons of conditions and walls as the stages have them. */
  public Optional<Hidden> hidden(int place) {
    if (theirs.shows(place)) {
      return Optional.empty();
    }
    SnapshotAt at = theirs.at();
    if (!at.active().contains(person)) {
      return Optional.of(Hidden.NOT_ACTIVE);
    }
    if (!barring(place).isEmpty()) {
      return Optional.of(Hidden.WALL);
    }
    return Optional.of(at.rights(person, place).contains(Right.FIND) ? Hidden.CONDITION : Hidden.NO_RIGHT);
  }

  /** The walls that keep the person out of a place. */
  public List<Wall> barring(int place) {
    return theirs.at().walls().barring(person, place);
  }

  public SnapshotAt at() {
    return theirs.at();
  }

  /** The number of the person walked as. */
  public int person() {
    return person;
  }

  /** How many places they find of those that the walker may see. O(places found × duties × depth). */
  public int count() {
    return walker == null || walker.holds(Duty.AUDIT) ? theirs.count() : (int) theirs.stream().filter(this::finds).count();
  }

  /** The path down to a place, without what does not show to the walker. */
  public List<Integer> path(int place) {
    return snapshot().path(place).stream().filter(this::maySee).toList();
  }
}
