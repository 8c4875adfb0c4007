package palegate.core.matrix;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** One cell: what it has by its own entries and by others, and what is wanted of it. */
final class CellPlan {
  final CellAt cell;
  /** Entries at the place that name the subject itself, and are for the place, or for the type alone. */
  final List<Entry> own = new ArrayList<>();
  /** Whatever else gives or takes something here from the whole subject. */
  final List<Entry> others = new ArrayList<>();
  private final Rights has;
  /** What is wanted; null where the cell's own entries are to go, and nothing else is asked. */
  private final Rights wanted;

  CellPlan(SnapshotAt moment, Instant instant, CellAt cell, Set<Subject> containing, CellCommand command) {
    this.cell = cell;
    Snapshot snapshot = moment.snapshot();
    String type = cell.column().typeIn(snapshot);
    String here = snapshot.place(cell.column().place()).id();
    Set<String> narrowing = narrowing();
    for (Entry entry : snapshot.reachingEntries(cell.column().place())) {
      if (containing.contains(entry.subject()) && entry.period().holdsAt(instant) && entry.touches(type)) {
        boolean mine = entry.subject().equals(cell.subject()) && entry.place().equals(here) && entry.types().equals(narrowing);
        (mine ? own : others).add(entry);
      }
    }
    has = Rights.ofMask(Rights.close((given(snapshot, own) | given(snapshot, others)) & ~taken(snapshot, own) & ~taken(snapshot, others)));
    wanted = wanted(snapshot, command, has);
  }

  private static Rights wanted(Snapshot snapshot, CellCommand command, Rights has) {
    if (command instanceof CellCommand.SetRole set) {
      Role role = snapshot.structure().roles().get(set.role());
      return role == null ? Rights.NONE : role.rights();
    }
    return command instanceof CellCommand.Add add ? has.union(add.rights().complete())
        : command instanceof CellCommand.Withhold withhold ? has.minus(withhold.rights()).close()
        : command instanceof CellCommand.Match match ? match.rights() : null;
  }

  /** To which types an entry made for the cell is narrowed. */
  Set<String> narrowing() {
    return cell.column().type() == null ? Set.of() : Set.of(cell.column().type());
  }

  /** Null where nothing but the cell's own entries is to go. */
  Rights wanted() {
    return wanted;
  }

  boolean already() {
    return wanted == null ? own.isEmpty() : has.equals(wanted);
  }

  /** What others give beyond what is wanted. */
  int excess(Snapshot snapshot) {
    return wanted == null ? 0 : given(snapshot, others) & ~taken(snapshot, others) & ~wanted.mask();
  }

  static int given(Snapshot snapshot, List<Entry> entries) {
    return mask(snapshot, entries, true);
  }

  static int taken(Snapshot snapshot, List<Entry> entries) {
    return mask(snapshot, entries, false);
  }

  private static int mask(Snapshot snapshot, List<Entry> entries, boolean grants) {
    int mask = 0;
    for (Entry entry : entries) {
      mask |= entry instanceof Grant == grants ? snapshot.rightsOf(entry).mask() : 0;
    }
    return mask;
  }
}
