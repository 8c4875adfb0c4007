package palegate.server.bundle;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import org.springframework.stereotype.Service;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.server.store.ChangeLog;
import palegate.server.store.StructureStore;
import palegate.server.store.Transactions;

/** Brings whole structures into the database and out of it. */
@Service
public class Bundles {
  private static final int TRIES = 8;

  /** A structure and the change that it is as of. */
  public record Export(Structure structure, long change) {}

  private final StructureStore store;
  private final ChangeLog log;
  private final Transactions transactions;

  Bundles(StructureStore store, ChangeLog log, Transactions transactions) {
    this.store = store;
    this.log = log;
    this.transactions = transactions;
  }

  /**
   * Makes a structure the current one, as one change: what differs from the state in force ends and
   * begins, what is the same stays as it is.
   *
   * @return the number of the change, or 0 if nothing differs
   */
  public long bringIn(Structure structure, String author, String authorName, String note, Instant at) {
    if (structure.repository().isEmpty()) {
      throw new IllegalArgumentException("The bundle has no repository. Add one place of kind repository.");
    }
    for (int tries = 0; tries < TRIES; tries++) {
      long head = store.head();
      Structure before = store.asOf(head);
      StructureDifference altered = StructureDifference.between(before, structure);
      Set<String> touches = altered.things();
      if (touches.isEmpty()) {
        return 0;
      }
      long number = head + 1;
      ChangeLog.Logged logged = new ChangeLog.Logged(number, author, authorName, at.truncatedTo(ChronoUnit.MICROS), note, "import");
      boolean written = transactions.write(() -> {
        if (log.takeNextNumber() != number) {
          return false;
        }
        log.write(logged, "[]", touches);
        store.write(altered, number);
        return true;
      });
      if (written) {
        return number;
      }
    }
    throw new IllegalArgumentException("Change after change was put in force meanwhile. Nothing was brought in; try again.");
  }

  /**
   * What bringing in a structure would undo of what has been changed since the state that it stems from: what is not any more as
   * it was then, and would become what the structure says.
   *
   * @param change the change that the structure stems from
   * @return names of things, each with its kind
   */
  public List<String> undoes(Structure structure, long change) {
    Structure then = store.asOf(change);
    Structure now = store.asOf(store.head());
    List<String> undone = new ArrayList<>();
    compare(undone, "unit", Structure::units, then, now, structure);
    compare(undone, "person", Structure::people, then, now, structure);
    compare(undone, "group", Structure::groups, then, now, structure);
    compare(undone, "role", Structure::roles, then, now, structure);
    compare(undone, "type", Structure::types, then, now, structure);
    compare(undone, "place", Structure::places, then, now, structure);
    compare(undone, "grant", Structure::grants, then, now, structure);
    compare(undone, "withholding", Structure::withholdings, then, now, structure);
    compare(undone, "oversight", Structure::oversights, then, now, structure);
    compare(undone, "wall", Structure::walls, then, now, structure);
    compare(undone, "rule of approval", Structure::approvals, then, now, structure);
    compare(undone, "duty", Structure::duties, then, now, structure);
    return undone;
  }

  private static <T> void compare(List<String> undone, String kind, Function<Structure, Parts<T>> parts, Structure then, Structure now, Structure structure) {
    parts.apply(then).differing(parts.apply(now)).stream().sorted()
        .filter(id -> !Objects.equals(parts.apply(now).get(id), parts.apply(structure).get(id))).forEach(id -> undone.add(kind + " [" + id + "]"));
  }

  /** The number of the newest change. */
  public long newest() {
    return store.head();
  }

  /** The structure as of a change; 0 means the newest. */
  public Export takeOut(long change) {
    long head = store.head();
    if (change > head || change < 0) {
      throw new IllegalArgumentException("There is no change " + change + "; the newest is " + head + ".");
    }
    long wanted = change == 0 ? head : change;
    return new Export(store.asOf(wanted), wanted);
  }
}
