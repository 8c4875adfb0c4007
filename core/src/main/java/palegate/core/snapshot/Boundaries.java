package palegate.core.snapshot;

import java.time.Instant;
import java.util.List;
import java.util.NavigableSet;
import java.util.Objects;
import java.util.TreeSet;
import java.util.stream.Stream;
import palegate.core.people.Period;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.walls.Wall;

/** The instants at which anything in a structure begins or ends: between two of them the same holds. */
final class Boundaries {
  private final NavigableSet<Instant> instants;

  private Boundaries(NavigableSet<Instant> instants) {
    this.instants = instants;
  }

  static Boundaries of(Structure structure) {
    NavigableSet<Instant> found = new TreeSet<>();
    structure.groups().values().forEach(group -> group.members().forEach(member -> add(found, member.period())));
    structure.entries().forEach(entry -> add(found, entry.period()));
    structure.oversights().values().forEach(oversight -> add(found, oversight.period()));
    structure.types().values().forEach(type -> type.clearances().forEach(clearance -> add(found, clearance.period())));
    structure.walls().values().forEach(wall -> add(found, wall));
    structure.duties().values().forEach(given -> add(found, given.period()));
    // They give nothing by themselves; what is said of them is not the same before and after.
    structure.passes().values().forEach(pass -> add(found, pass.period()));
    return new Boundaries(found);
  }

  /** These and those of what has changed; those of what is gone may stay, at no harm but an extra view. */
  Boundaries with(StructureDifference difference) {
    Structure after = difference.after();
    NavigableSet<Instant> fresh = new TreeSet<>();
    present(difference.groups().stream().map(after.groups()::get))
        .forEach(group -> group.members().forEach(member -> add(fresh, member.period())));
    present(difference.grants().stream().map(after.grants()::get))
        .forEach(grant -> add(fresh, grant.period()));
    present(difference.withholdings().stream().map(after.withholdings()::get))
        .forEach(taken -> add(fresh, taken.period()));
    present(difference.oversights().stream().map(after.oversights()::get))
        .forEach(oversight -> add(fresh, oversight.period()));
    present(difference.types().stream().map(after.types()::get))
        .forEach(type -> type.clearances().forEach(clearance -> add(fresh, clearance.period())));
    present(difference.walls().stream().map(after.walls()::get))
        .forEach(wall -> add(fresh, wall));
    present(difference.duties().stream().map(after.duties()::get))
        .forEach(given -> add(fresh, given.period()));
    present(difference.passes().stream().map(after.passes()::get))
        .forEach(pass -> add(fresh, pass.period()));
    if (instants.containsAll(fresh)) {
      return this;
    }
    fresh.addAll(instants);
    return new Boundaries(fresh);
  }

  /** The last boundary not after an instant; the beginning of time if there is none. */
  Instant since(Instant instant) {
    Instant since = instants.floor(instant);
    return since == null ? Instant.MIN : since;
  }

  /** The boundaries after an instant, ascending. */
  List<Instant> after(Instant instant) {
    return List.copyOf(instants.tailSet(instant, false));
  }

  private static <T> Stream<T> present(Stream<T> parts) {
    return parts.filter(Objects::nonNull);
  }

  private static void add(NavigableSet<Instant> found, Wall wall) {
    add(found, wall.period());
    wall.exceptions().forEach(exception -> add(found, new Period(null, exception.until())));
  }

  private static void add(NavigableSet<Instant> found, Period period) {
    if (period.from() != null) {
      found.add(period.from());
    }
    if (period.until() != null) {
      found.add(period.until());
    }
  }
}
