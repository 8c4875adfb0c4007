package palegate.server.store;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import palegate.core.journal.Between;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Alteration;
import palegate.server.shell.Problem;

/** The structure at earlier instants: what was in force then, and every state from one instant to another. */
@Component
public class History {
  /** More states than these are not held in memory at once. */
  public static final int CHANGES_AT_MOST = 400;

  /** Nor what has been altered in more rows than these. */
  private static final long ALTERED_AT_MOST = 400_000;

  private final ChangeLog log;
  private final Snapshots snapshots;
  private final StructureStore structures;

  History(ChangeLog log, Snapshots snapshots, StructureStore structures) {
    this.log = log;
    this.snapshots = snapshots;
    this.structures = structures;
  }

  /** What was in force at an instant. Before the first change there is nothing to ask. */
  public Snapshots.Numbered at(Instant instant) {
    long number = log.inForceAt(instant);
    if (number == 0) {
      throw Problem.of(HttpStatus.NOT_FOUND, "before-the-beginning", "Nothing was in force yet",
          "The journal begins later than that. Choose a later day.");
    }
    return snapshots.asOf(number);
  }

  /** The state that held at one instant, then every later one up to another; empty if they are more than are held at once. O(first state + changes). */
  public Optional<List<Between.State>> between(Instant from, Instant until) {
    Snapshots.Numbered first = at(from);
    List<ChangeLog.Logged> changes = log.between(first.change(), log.inForceAt(until));
    return changes.size() > CHANGES_AT_MOST ? Optional.empty() : Optional.of(states(first, from, changes));
  }

  /** As many states before an instant as are held at once, each since its change: all of them, if there are no more. O(first state + changes). */
  public List<Between.State> lastBefore(Instant until) {
    long last = log.inForceAt(until);
    long first = Math.max(1, last - CHANGES_AT_MOST);
    return states(snapshots.asOf(first), madeAt(first), log.between(first, last));
  }

  /**
   * The states that held from one instant to another, the newest first, each since its change, or since the first of the instants; as many as
   * the last some hundred changes made. Each is made from the one after it when it is asked for, and none is held: however large they are,
   * whoever has no more time stops. They end where more was altered at once than is held. O(what was altered since it) each.
   */
  public Iterator<Between.State> newestFirst(Instant from, Instant until) {
    long last = log.inForceAt(until);
    long first = Math.max(Math.max(1, log.inForceAt(from)), last - CHANGES_AT_MOST);
    return new NewestFirst(from, snapshots.asOf(last), first == last ? List.of() : log.between(first, last), madeAt(first));
  }

  private final class NewestFirst implements Iterator<Between.State> {
    /** What so many changes altered is read at a time. */
    private static final int AT_A_TIME = 25;

    private final Instant from;
    private final List<ChangeLog.Logged> changes;
    private final Instant firstMade;
    private final Map<Long, List<Alteration>> altered = new HashMap<>();
    private Snapshot at;
    private long number;
    private boolean begun;
    /** How many of the changes are not gone back over yet. */
    private int left;

    NewestFirst(Instant from, Snapshots.Numbered newest, List<ChangeLog.Logged> changes, Instant firstMade) {
      this.from = from;
      this.changes = changes;
      this.firstMade = firstMade;
      at = newest.snapshot();
      number = newest.change();
      left = changes.size();
    }

    @Override
    public boolean hasNext() {
      if (begun && left > 0 && !altered.containsKey(number)) {
        int first = Math.max(0, left - AT_A_TIME);
        long after = changes.get(first).number() - 1;
        if (structures.sizeOfAlterations(after, number) > ALTERED_AT_MOST) {
          left = 0;
        } else {
          changes.subList(first, left).forEach(change -> altered.put(change.number(), List.of()));
          altered.putAll(structures.alteredBetween(after, number));
        }
      }
      return !begun || left > 0;
    }

    @Override
    public Between.State next() {
      if (!hasNext()) {
        throw new NoSuchElementException();
      }
      if (begun) {
        left--;
        Snapshot before = at.next(Alteration.undone(at.structure(), altered.remove(number)));
        // What held until the change is worked out from what held after it, before the two are parted.
        before.at(changes.get(left).at());
        at = before.detached();
        number = changes.get(left).number() - 1;
      }
      begun = true;
      Instant made = left == 0 ? firstMade : changes.get(left - 1).at();
      return new Between.State(number, made.isBefore(from) ? from : made, at);
    }
  }

  /** Two states, and what every change from the one to the other altered. */
  public record Way(Snapshots.Numbered first, Snapshots.Numbered last, List<Between.Made> made) {}

  /** The states that held at two instants, and what lies between; no state on the way is made. O(what has been altered since the first). */
  public Way way(Instant from, Instant until) {
    Snapshots.Numbered first = at(from);
    Snapshots.Numbered last = snapshots.asOf(log.inForceAt(until));
    if (structures.sizeOfAlterations(first.change(), last.change()) > ALTERED_AT_MOST) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-changes", "Too much was changed at once",
          "More than " + ALTERED_AT_MOST + " places, entries and memberships were altered between the two days, as when everything is brought in anew. Choose days that do not span it.");
    }
    return wayBetween(first, last);
  }

  /** Everything from the first change to an instant; empty if more has been altered than is held at once. O(first state + what has been altered). */
  public Optional<Way> wayOfAll(Instant until) {
    long last = log.inForceAt(until);
    return structures.sizeOfAlterations(1, last) > ALTERED_AT_MOST ? Optional.empty() : Optional.of(wayBetween(snapshots.asOf(1), snapshots.asOf(last)));
  }

  private Way wayBetween(Snapshots.Numbered first, Snapshots.Numbered last) {
    Map<Long, List<Alteration>> altered = structures.alteredBetween(first.change(), last.change());
    return new Way(first, last, log.between(first.change(), last.change()).stream()
        .map(change -> new Between.Made(change.number(), change.at(), altered.getOrDefault(change.number(), List.of()))).toList());
  }

  /** When a change was put in force. */
  public Instant madeAt(long change) {
    return log.find(change).orElseThrow(() -> new IllegalStateException("There is no change " + change + ".")).at();
  }

  private List<Between.State> states(Snapshots.Numbered first, Instant from, List<ChangeLog.Logged> changes) {
    List<Between.State> states = new ArrayList<>();
    states.add(new Between.State(first.change(), from, first.snapshot()));
    Map<Long, List<Alteration>> altered = changes.isEmpty() ? Map.of() : structures.alteredBetween(first.change(), changes.get(changes.size() - 1).number());
    Snapshot at = first.snapshot();
    for (ChangeLog.Logged change : changes) {
      // It stays with the one before it, which is kept anyway: parted from it, it would take eighty times the memory.
      at = at.next(Alteration.applied(at.structure(), altered.getOrDefault(change.number(), List.of())));
      at.at(change.at());
      states.add(new Between.State(change.number(), change.at(), at));
    }
    return states;
  }
}
