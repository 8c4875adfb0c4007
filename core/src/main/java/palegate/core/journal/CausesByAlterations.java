package palegate.core.journal;

import java.time.Instant;
import java.util.List;
import java.util.stream.Collectors;
import palegate.core.journal.Between.Cause;
import palegate.core.journal.Between.Made;
import palegate.core.journal.Between.PersonAtPlace;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Alteration;

/**
 * Causes read from what the changes altered. Of the first state only the part is kept that bears on who and where is asked about; a change
 * that alters nothing of it alters nobody's rights there. O(parts of the first state + alterations + for each change that bears on it that part).
 */
record CausesByAlterations(Snapshot first, List<Made> made, Instant from, Instant until) implements Between.Causes {
  /** So many alterations take about the room of one state at a million documents. */
  private static final int ALTERATIONS_A_STATE = 2_000;

  @Override
  public List<List<Cause>> of(List<PersonAtPlace> pairs) {
    if (pairs.isEmpty()) {
      return List.of();
    }
    Bearing bearing = Bearing.on(pairs.stream().map(PersonAtPlace::person).collect(Collectors.toSet()), pairs.stream().map(PersonAtPlace::place).toList(),
        first.structure(), made.stream().map(Made::alterations).toList());
    RightsOnTheWay way = new RightsOnTheWay(pairs, Snapshot.of(bearing.of(first.structure())), from);
    for (Made change : made) {
      List<Alteration> bears = bearing.of(change.alterations());
      if (bears.isEmpty()) {
        way.change(change.at());
      } else {
        Snapshot before = way.snapshot();
        Snapshot after = before.next(Alteration.applied(before.structure(), bears));
        // What is asked is worked out from the state before; then the two are parted, or all on the way would be held.
        after.at(change.at());
        way.change(change.change(), change.at(), after.detached());
      }
    }
    return way.until(until);
  }

  @Override
  public int statesHeld() {
    return 2 + made.stream().mapToInt(change -> change.alterations().size()).sum() / ALTERATIONS_A_STATE;
  }
}
