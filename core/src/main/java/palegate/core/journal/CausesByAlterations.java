package palegate.core.journal;

import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import palegate.core.journal.Between.Cause;
import palegate.core.journal.Between.Knowing;
import palegate.core.journal.Between.Made;
import palegate.core.journal.Between.PersonAtPlace;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Alteration;

/**
 * Causes read from what the changes altered. Of the first state only the part is kept that bears on who and where is asked about; a change
 * that alters nothing of it alters nobody's rights there. O(parts of the first state + alterations + for each change that bears on it that part).
 */
record CausesByAlterations(Snapshot first, List<Made> made, Instant from, Instant until, Knowing knowing) implements Between.Causes {
  /** So many alterations take about the room of one state at a million documents. */
  private static final int ALTERATIONS_A_STATE = 2_000;

  @Override
  public List<List<Cause>> of(List<PersonAtPlace> pairs) {
    if (pairs.isEmpty()) {
      return List.of();
    }
    Set<String> people = pairs.stream().map(PersonAtPlace::person).collect(Collectors.toCollection(HashSet::new));
    people.addAll(knowing.people());
    Set<String> places = pairs.stream().map(PersonAtPlace::place).collect(Collectors.toCollection(HashSet::new));
    places.addAll(knowing.places());
    Bearing bearing = Bearing.on(people, places, first.structure(), made.stream().map(Made::alterations).toList());
    Snapshot state = Snapshot.of(bearing.of(first.structure()));
    RightsOnTheWay way = new RightsOnTheWay(pairs, knowing.of(state), from);
    for (Made change : made) {
      List<Alteration> bears = bearing.of(change.alterations());
      if (bears.isEmpty()) {
        way.change(change.at());
      } else {
        Snapshot after = state.next(Alteration.applied(state.structure(), bears));
        // What is asked is worked out from the state before; then the two are parted, or all on the way would be held.
        after.at(change.at());
        state = after.detached();
        way.change(change.change(), change.at(), knowing.of(state));
      }
    }
    return way.until(until);
  }

  @Override
  public int statesHeld() {
    return 2 + made.stream().mapToInt(change -> change.alterations().size()).sum() / ALTERATIONS_A_STATE;
  }
}
