package palegate.server.drafts;

import java.time.Clock;
import java.time.Instant;
import java.util.function.Function;
import org.springframework.stereotype.Component;
import palegate.core.rehearsal.Rehearsal;
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
    Rehearsal rehearsal = rehearsed(account);
    return new State(rehearsal.before(), rehearsal.after(), clock.instant());
  }

  /** Both states, and the differences between them now and at every later instant, all of one rehearsal. */
  public Rehearsal rehearsed(String account) {
    return drafts.rehearse(account).rehearsal();
  }
}
