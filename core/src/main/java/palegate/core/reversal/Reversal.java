package palegate.core.reversal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.FormerPlace;
import palegate.core.changes.Refusal;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.StructureDifference;

/**
 * The reverse of a change put in force, as a draft on what holds today: whatever the change made goes, whatever it took
 * comes back, and what it altered is again as it was before (section 8). It takes back that one change and nothing later: what
 * was added, removed or altered since stays as it is now, and each thing that therefore cannot be taken back is named.
 */
public final class Reversal {
  /**
   * Something that cannot simply be turned back.
   *
   * @param thing what it is about, as {@link Change#thing} has it
   * @param why in a sentence
   */
  public record Left(String thing, String why) {}

  private final List<Change> changes;
  private final List<Left> left;

  private Reversal(List<Change> changes, List<Left> left) {
    this.changes = List.copyOf(changes);
    this.left = List.copyOf(left);
  }

  /** From what the change made of the state before it, and the state in force at an instant. O(what the change altered), and making the draft. */
  public static Reversal of(StructureDifference undone, Snapshot now, Instant instant) {
    Undoing undoing = new Undoing(undone, now);
    UndoingRest rest = new UndoingRest(undoing);
    UndoingPlaces places = new UndoingPlaces(undoing);
    // What is to come back must be there before anything names it again, and what is to go must be named by nothing.
    rest.bringBackNamed();
    rest.setBackPeople();
    places.setBack();
    UndoingSharing sharing = new UndoingSharing(undoing);
    sharing.bringBackPasses();
    new UndoingLists(undoing).setBack();
    rest.setBackMemberships();
    rest.setBackClearances();
    rest.setBackWalls();
    rest.setBackApprovals();
    rest.setBackDuties();
    sharing.setBack();
    sharing.removeMadePasses();
    places.removeMade();
    rest.removeMade();
    return madeOn(now, undoing, instant, undone.before().places());
  }

  /** In an order in which they can be made. */
  public List<Change> changes() {
    return changes;
  }

  public List<Left> left() {
    return left;
  }

  /** What cannot be made today, because something later stands in its way, is left out and named; one that only came too early is made last. */
  private static Reversal madeOn(Snapshot now, Undoing undoing, Instant instant, Map<String, Place> before) {
    // What comes back may be as it was, even if it could not be made so today.
    Function<String, FormerPlace> gone = id -> before.containsKey(id) ? new FormerPlace(before.get(id), Set.of()) : null;
    List<Change> ordered = undoing.changes;
    List<Refusal> refusals = DraftApplication.of(now, ordered, instant, gone).refusals();
    if (!refusals.isEmpty()) {
      Set<Integer> refused = positions(refusals);
      List<Change> again = new ArrayList<>(without(ordered, refused));
      refused.stream().sorted().map(undoing.changes::get).forEach(again::add);
      ordered = again;
      refusals = DraftApplication.of(now, ordered, instant, gone).refusals();
    }
    List<Left> left = new ArrayList<>(undoing.left);
    refusals.forEach(refusal -> left.add(new Left(refusal.thing(), refusal.what())));
    return new Reversal(without(ordered, positions(refusals)), left.stream().distinct().toList());
  }

  private static Set<Integer> positions(List<Refusal> refusals) {
    Set<Integer> positions = new HashSet<>();
    refusals.forEach(refusal -> positions.add(refusal.change()));
    return positions;
  }

  private static List<Change> without(List<Change> changes, Set<Integer> positions) {
    List<Change> kept = new ArrayList<>();
    for (int i = 0; i < changes.size(); i++) {
      if (!positions.contains(i)) {
        kept.add(changes.get(i));
      }
    }
    return kept;
  }
}
