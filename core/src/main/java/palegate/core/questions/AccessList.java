package palegate.core.questions;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.stages.HoldersByRight;
import palegate.core.collections.PersonSet;
import palegate.core.places.Place;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;

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

  /** Whether a line does anything at the instant asked about, and why not. */
  public enum State {
    /** It changes what somebody may do here, or, narrowed to types, on documents below. */
    ACTS,
    /** It has not begun. */
    NOT_YET,
    /** It has ended. */
    ENDED,
    /** It names nobody who is active. */
    NOBODY,
    /** Walls bar everyone it names. */
    WALLED,
    /** The document's type is guarded, and nobody it names is cleared. */
    NOBODY_CLEARED,
    /** Without it everyone would have the same: other lines or guards make it idle. */
    SHADOWED
  }

  /** Own lines first, then those of each place above in turn. O(lines × (lines + people / 64)). */
  public static AccessList of(Snapshot snapshot, Instant instant, int place) {
    SnapshotAt moment = snapshot.at(instant);
    Place here = snapshot.place(place);
    HoldersByRight holders = moment.holders(place);
    List<Line> lines = new ArrayList<>();
    for (Entry entry : snapshot.reachingEntries(place)) {
      if (here.isDocument() && !entry.touches(here.type())) {
        continue;
      }
      PersonSet named = peopleBehind(moment, entry);
      lines.add(new Line(
          entry, snapshot.structure().places().get(entry.place()), entry.place().equals(here.id()),
          snapshot.rightsOf(entry), state(moment, instant, place, entry, named, holders), named.size(),
          named.sizeOfAnd(moment.activeOutsiders())));
    }
    return new AccessList(here, lines);
  }

  /** The active people whom an entry names, by any chain of memberships. */
  public static PersonSet peopleBehind(SnapshotAt moment, Entry entry) {
    return moment.matching(entry.subject()).and(moment.active());
  }

  private static State state(SnapshotAt moment, Instant instant, int place, Entry entry, PersonSet named, HoldersByRight holders) {
    if (entry.period().endedBy(instant)) {
      return State.ENDED;
    }
    if (!entry.period().holdsAt(instant)) {
      return State.NOT_YET;
    }
    if (named.isEmpty()) {
      return State.NOBODY;
    }
    PersonSet open = named.minus(moment.walls().barredFrom(place));
    if (open.isEmpty()) {
      return State.WALLED;
    }
    Place here = moment.snapshot().place(place);
    DocumentType type = here.type() == null ? null : moment.snapshot().structure().types().get(here.type());
    if (type != null && type.guarded() && !open.intersects(cleared(moment, instant, type))) {
      return State.NOBODY_CLEARED;
    }
    boolean forDocumentsBelow = !entry.touches(here.type());
    return forDocumentsBelow || !holders.sameAs(moment.holdersWithout(place, entry)) ? State.ACTS : State.SHADOWED;
  }

  private static PersonSet cleared(SnapshotAt moment, Instant instant, DocumentType type) {
    return moment.matchingAny(type.clearances().stream().filter(clearance -> clearance.period().holdsAt(instant))
        .map(Clearance::subject).toList());
  }
}
