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
    StatesOnTheWay states = StatesOnTheWay.of(first, made, people, places);
    RightsOnTheWay way = new RightsOnTheWay(pairs, knowing.of(states.first()), from);
    states.forEach((change, state) -> {
      if (state == null) {
        way.change(change.at());
      } else {
        way.change(change.change(), change.at(), knowing.of(state));
      }
    });
    return way.until(until);
  }

  @Override
  public int statesHeld() {
    return 2 + made.stream().mapToInt(change -> change.alterations().size()).sum() / ALTERATIONS_A_STATE;
  }
}
