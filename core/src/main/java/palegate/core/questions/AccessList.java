package palegate.core.questions;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
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
   * @param sameAs of a line that changes nothing, one that does and by itself says all that it says; null if it takes several
   */
  public record Line(
      Entry entry, Place source, boolean own, Rights rights, State state, int people, int outsiders, Entry sameAs) {}

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
    /** Without it everyone would have the same, also without all other such lines: those that act, or guards, make it idle. */
    SHADOWED
  }

  /** Own lines first, then those of each place above in turn. O(lines × (lines + people / 64)). */
  public static AccessList of(Snapshot snapshot, Instant instant, int place) {
    return of(snapshot, instant, place, snapshot.reachingEntries(place));
  }

  /** Own lines alone, in the same states; which line from above says the same is not looked for. O(own lines × (lines + people / 64)). */
  public static AccessList own(Snapshot snapshot, Instant instant, int place) {
    return of(snapshot, instant, place, snapshot.ownEntries(place));
  }

  private static AccessList of(Snapshot snapshot, Instant instant, int place, List<Entry> entries) {
    SnapshotAt moment = snapshot.at(instant);
    Place here = snapshot.place(place);
    HoldersByRight holders = moment.holders(place);
    List<Line> lines = new ArrayList<>();
    Set<Entry> idle = new HashSet<>();
    PersonSet byOne = reachedByOne(moment, place, snapshot.reachingEntries(place)).and(holders.anyone());
    for (Entry entry : entries) {
      if (here.isDocument() && !entry.touches(here.type())) {
        continue;
      }
      PersonSet named = peopleBehind(moment, entry);
      lines.add(new Line(
          entry, snapshot.structure().places().get(entry.place()), entry.place().equals(here.id()),
          snapshot.rightsOf(entry), state(moment, instant, place, entry, named, holders, byOne, idle), named.size(),
          named.sizeOfAnd(moment.activeOutsiders()), null));
    }
    return new AccessList(here, lines.stream().map(line -> line.state() == State.SHADOWED ? withSame(moment, line, lines) : line).toList());
  }

  /** Whoever is named by just one of the grants that reach a place now, and is no overseer there. O(grants × people / 64). */
  private static PersonSet reachedByOne(SnapshotAt moment, int place, List<Entry> entries) {
    PersonSet byAny = PersonSet.NOBODY;
    PersonSet byMore = PersonSet.NOBODY;
    Place here = moment.snapshot().place(place);
    for (Entry entry : entries) {
      if (entry instanceof Grant && entry.touches(here.type()) && entry.period().holdsAt(moment.instant())) {
        PersonSet named = moment.matching(entry.subject());
        byMore = byMore.or(byAny.and(named));
        byAny = byAny.or(named);
      }
    }
    // Oversight gives too, past breaks: of an overseer it is not known by what.
    for (int at = place; at >= 0; at = moment.snapshot().parent(at)) {
      for (Oversight oversight : moment.snapshot().ownOversights(at)) {
        byMore = byMore.or(moment.matching(oversight.subject()));
      }
    }
    return byAny.minus(byMore);
  }

  private static Line withSame(SnapshotAt moment, Line idle, List<Line> lines) {
    PersonSet people = peopleBehind(moment, idle.entry());
    Entry same = lines.stream().filter(line -> line.state() == State.ACTS && line.entry().getClass() == idle.entry().getClass()
        && line.rights().containsAll(idle.rights()) && touchesAllOf(line.entry(), idle.entry())
        && people.minus(peopleBehind(moment, line.entry())).isEmpty()).map(Line::entry).findFirst().orElse(null);
    return new Line(idle.entry(), idle.source(), idle.own(), idle.rights(), idle.state(), idle.people(), idle.outsiders(), same);
  }

  /** Whether an entry touches every document, and every other place, that another one touches. */
  static boolean touchesAllOf(Entry entry, Entry other) {
    return entry.types().isEmpty() || !other.types().isEmpty() && entry.types().containsAll(other.types());
  }

  /** The active people whom an entry names, by any chain of memberships. */
  public static PersonSet peopleBehind(SnapshotAt moment, Entry entry) {
    return moment.matching(entry.subject()).and(moment.active());
  }

  private static State state(SnapshotAt moment, Instant instant, int place, Entry entry, PersonSet named, HoldersByRight holders, PersonSet byOne, Set<Entry> idle) {
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
    if (forDocumentsBelow) {
      return State.ACTS;
    }
    // Whoever has something there, and is named by no other grant, has it by this one.
    if (entry instanceof Grant && open.intersects(byOne)) {
      return State.ACTS;
    }
    // Of two that say the same, one acts: each is left out together with those that were found idle before it.
    idle.add(entry);
    if (holders.sameAs(moment.holdersWithout(place, idle))) {
      return State.SHADOWED;
    }
    idle.remove(entry);
    return State.ACTS;
  }

  private static PersonSet cleared(SnapshotAt moment, Instant instant, DocumentType type) {
    return moment.matchingAny(type.clearances().stream().filter(clearance -> clearance.period().holdsAt(instant))
        .map(Clearance::subject).toList());
  }
}
