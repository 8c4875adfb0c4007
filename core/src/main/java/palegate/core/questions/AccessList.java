package palegate.core.questions;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.roaringbitmap.RoaringBitmap;
import palegate.core.access.Entry;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;

/**
 * The access list of a place: its own entries and those that reach it from above, each with its
 * source and the people behind it (job capability 5).
 */
public record AccessList(Place place, List<Line> lines) {
  public AccessList {
    lines = List.copyOf(lines);
  }

  /**
   * One line.
   *
   * @param source the place where the entry stands
   * @param rights what it gives or takes
   * @param people how many active people it names now, by any chain of memberships
   * @param outsiders how many of them are outsiders
   */
  public record Line(
      Entry entry, Place source, boolean own, Rights rights, State state, int people, int outsiders) {}

  /** Whether a line does anything at the instant asked about. */
  public enum State {
    ACTS,
    NOT_YET,
    ENDED,
    NOBODY
  }

  /** Own lines first, then those of each place above in turn. O(entries that reach the place). */
  public static AccessList of(Snapshot snapshot, Instant instant, int place) {
    Moment moment = snapshot.at(instant);
    Place here = snapshot.place(place);
    List<Line> lines = new ArrayList<>();
    for (Entry entry : snapshot.reachingEntries(place)) {
      if (here.isDocument() && !entry.touches(here.type())) {
        continue;
      }
      RoaringBitmap named = peopleBehind(moment, entry);
      int outsiders = RoaringBitmap.andCardinality(named, moment.activeOutsiders());
      lines.add(new Line(
          entry, snapshot.structure().places().get(entry.place()), entry.place().equals(here.id()),
          snapshot.rightsOf(entry), state(entry, instant, named), named.getCardinality(), outsiders));
    }
    return new AccessList(here, lines);
  }

  /** The active people whom an entry names, by any chain of memberships; a new bitmap. */
  public static RoaringBitmap peopleBehind(Moment moment, Entry entry) {
    return RoaringBitmap.and(moment.matching(entry.subject()), moment.active());
  }

  private static State state(Entry entry, Instant instant, RoaringBitmap named) {
    if (entry.period().endedBy(instant)) {
      return State.ENDED;
    }
    if (!entry.period().holdsAt(instant)) {
      return State.NOT_YET;
    }
    return named.isEmpty() ? State.NOBODY : State.ACTS;
  }
}
