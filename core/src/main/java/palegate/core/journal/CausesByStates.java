package palegate.core.journal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import palegate.core.journal.Between.Cause;
import palegate.core.journal.Between.PersonAtPlace;
import palegate.core.journal.Between.State;

/** Causes read from every state on the way. O(states) a pair. */
record CausesByStates(List<State> states, Instant from, Instant until) implements Between.Causes {
  @Override
  public List<List<Cause>> of(List<PersonAtPlace> pairs) {
    return pairs.stream().map(this::of).toList();
  }

  private List<Cause> of(PersonAtPlace pair) {
    RightsOnTheWay way = new RightsOnTheWay(List.of(pair), states.get(0).snapshot(), from);
    states.subList(1, states.size()).forEach(state -> way.change(state.change(), state.since(), state.snapshot()));
    return new ArrayList<>(way.until(until).get(0));
  }

  @Override
  public int statesHeld() {
    return states.size();
  }
}
