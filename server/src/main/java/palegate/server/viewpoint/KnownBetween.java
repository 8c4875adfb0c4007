package palegate.server.viewpoint;

import java.time.Instant;
import org.springframework.stereotype.Component;
import palegate.core.journal.Between;
import palegate.server.store.History;

/** What differs between two instants, and what did it, as far as somebody may know. */
@Component
public class KnownBetween {
  private final History history;
  private final Viewpoints viewpoints;

  KnownBetween(History history, Viewpoints viewpoints) {
    this.history = history;
    this.viewpoints = viewpoints;
  }

  /** From what was altered, cut to what the account may know: any number of changes. */
  public Between of(String account, Instant from, Instant until) {
    History.Way way = history.way(from, until);
    return Between.of(way.first().snapshot(), way.last().snapshot(), way.made(), from, until, viewpoints.of(account).knowing());
  }

  /** The same for whoever tells what did it of every pair, not of a page of them: from every state on the way where so many can be held, which answers each in no time. */
  public Between ofEach(String account, Instant from, Instant until) {
    return history.between(from, until).map(states -> Between.of(viewpoints.known(account, states), from, until)).orElseGet(() -> of(account, from, until));
  }
}
