package palegate.server.viewpoint;

import java.lang.ref.WeakReference;
import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import palegate.core.duties.Duty;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.store.ChangeLog;
import palegate.server.store.Snapshots;
import palegate.server.store.WeighedCache;

/**
 * Which changes whoever asks may know: their own, and those that touched something that they may know. Of one that touched other
 * things too the note is not told, since it may be about those.
 */
@Component
public class KnownChanges {
  /** In the place of a note that may be about what is not known. */
  public static final String PARTLY = "Also about what your duties do not cover.";

  private static final int CHANGES_KEPT_AT_MOST = 200_000;

  /** How much of a change is known. */
  public enum Known {
    ALL, PART
  }

  /** @param viewpoint not held: states are let go when nobody asks for them any more */
  private record Read(WeakReference<Viewpoint> viewpoint, long head, Map<Long, Known> known) {
    boolean isOf(Viewpoint asked, long change) {
      return viewpoint.refersTo(asked) && head == change;
    }
  }

  private final ChangeLog log;
  private final Viewpoints viewpoints;
  private final Snapshots snapshots;
  /** By account; some 100 bytes a change. */
  private final WeighedCache<String, Read> kept = new WeighedCache<>(CHANGES_KEPT_AT_MOST, Duration.ofHours(1), read -> 1 + read.known().size());

  KnownChanges(ChangeLog log, Viewpoints viewpoints, Snapshots snapshots) {
    this.log = log;
    this.viewpoints = viewpoints;
    this.snapshots = snapshots;
  }

  /** By number; null for whoever may know them all. O(touches), once a state; of large changes O(those that tell). */
  public Map<Long, Known> to(String account) {
    Viewpoint viewpoint = viewpoints.of(account);
    boolean all = viewpoint.whole() && viewpoint.asker().holdsAny(Duty.SYSTEM, Duty.AUDIT);
    long head = snapshots.current().change();
    return all ? null : kept.compute(account, (any, read) -> read != null && read.isOf(viewpoint, head) ? read : new Read(new WeakReference<>(viewpoint), head, read(viewpoint, account))).known();
  }

  private Map<Long, Known> read(Viewpoint viewpoint, String account) {
    Map<Long, boolean[]> knownAndNot = new HashMap<>();
    Structure structure = viewpoint.snapshot().structure();
    log.eachTouch((change, author, thing) -> {
      boolean[] both = knownAndNot.computeIfAbsent(change, any -> new boolean[2]);
      boolean known = author.equals(account) || knows(viewpoint, structure, thing);
      both[0] |= known;
      both[1] |= !known;
      return !(both[0] && both[1]);
    });
    Map<Long, Known> known = new HashMap<>();
    knownAndNot.forEach((change, both) -> {
      if (both[0]) {
        known.put(change, both[1] ? Known.PART : Known.ALL);
      }
    });
    return known;
  }

  private static boolean knows(Viewpoint viewpoint, Structure structure, String thing) {
    boolean duties = viewpoint.asker().holdsAny(Duty.SYSTEM, Duty.AUDIT);
    return (duties || !Things.kindOf(thing).equals("duty")) && Things.nameOf(structure, thing).isPresent();
  }

  /** Whether an account may know a thing, as {@code place:ID}. */
  public boolean knows(String account, String thing) {
    Viewpoint viewpoint = viewpoints.of(account);
    return knows(viewpoint, viewpoint.snapshot().structure(), thing);
  }

  /** A change as it may be told: its note only if all that it touched is known. */
  public static ChangeLog.Logged told(ChangeLog.Logged change, Map<Long, Known> known) {
    return known == null || known.get(change.number()) == Known.ALL ? change
        : new ChangeLog.Logged(change.number(), change.author(), change.authorName(), change.at(), PARTLY, change.origin(), change.scheduledFor());
  }
}
