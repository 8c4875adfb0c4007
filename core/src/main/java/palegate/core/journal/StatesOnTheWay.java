package palegate.core.journal;

import java.util.List;
import java.util.Set;
import java.util.function.BiConsumer;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Alteration;

/**
 * The states on the way from one to another, of the part that bears on the rights of some people at some places alone: rights there are
 * the same, and a change that alters nothing of it is passed over. No two of them are held.
 */
public final class StatesOnTheWay {
  private final Snapshot first;
  private final List<Between.Made> made;
  private final Bearing bearing;

  private StatesOnTheWay(Snapshot first, List<Between.Made> made, Bearing bearing) {
    this.first = first;
    this.made = made;
    this.bearing = bearing;
  }

  /** O(parts of the first state + alterations). */
  public static StatesOnTheWay of(Snapshot first, List<Between.Made> made, Set<String> people, Set<String> places) {
    Bearing bearing = Bearing.on(people, places, first.structure(), made.stream().map(Between.Made::alterations).toList());
    return new StatesOnTheWay(Snapshot.of(bearing.of(first.structure())), made, bearing);
  }

  /** The part of the first state. */
  public Snapshot first() {
    return first;
  }

  /** Each change in order, with the state that it led to; with null if it altered nothing of the part. O(changes that bear on it × what they altered). */
  public void forEach(BiConsumer<Between.Made, Snapshot> visit) {
    Snapshot state = first;
    for (Between.Made change : made) {
      List<Alteration> bears = bearing.of(change.alterations());
      if (bears.isEmpty()) {
        visit.accept(change, null);
      } else {
        Snapshot after = state.next(Alteration.applied(state.structure(), bears));
        // What is asked is worked out from the state before; then the two are parted, or all on the way would be held.
        after.at(change.at());
        state = after.detached();
        visit.accept(change, state);
      }
    }
  }
}
