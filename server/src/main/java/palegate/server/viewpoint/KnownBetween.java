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

  /** For whoever may know everything from what was altered, else from every state on the way, cut to what they may know: then of a bounded number. */
  public Between of(String account, Instant from, Instant until) {
    if (viewpoints.of(account).whole()) {
      History.Way way = history.way(from, until);
      return Between.of(way.first().snapshot(), way.last().snapshot(), way.made(), from, until);
    }
    return Between.of(viewpoints.known(account, history.between(from, until)), from, until);
  }
}
