package palegate.server.drafts;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;

/**
 * What the building rooms show: the structure as the asker's draft would have it, each thing with whether the draft made,
 * changed or removed it. Without a draft it is what is in force.
 */
@Component
public class DraftedState {
  /** What the asker's draft does to a thing. */
  public enum Drafted {
    NO, MADE, CHANGED
  }

  /** The two states, before and after the draft. */
  public record State(Snapshot before, Snapshot after, Instant now) {
    public Structure structure() {
      return after.structure();
    }

    public SnapshotAt moment() {
      return after.at(now);
    }

    /** Whether the draft made or changed a thing of a kind. */
    public <T> Drafted drafted(Function<Structure, Parts<T>> kind, String id) {
      T was = kind.apply(before.structure()).get(id);
      return was == null ? Drafted.MADE : was.equals(kind.apply(after.structure()).get(id)) ? Drafted.NO : Drafted.CHANGED;
    }
  }

  private final Drafts drafts;
  private final Clock clock;

  DraftedState(Drafts drafts, Clock clock) {
    this.drafts = drafts;
    this.clock = clock;
  }

  public State to(String account) {
    var rehearsal = drafts.rehearse(account).rehearsal();
    return new State(rehearsal.before(), rehearsal.after(), clock.instant());
  }

  /** Now, and every later instant from which the asker's draft makes a difference. */
  public List<Instant> instants(String account) {
    return drafts.rehearse(account).rehearsal().differences().stream().map(RightsDifference::instant).toList();
  }
}
