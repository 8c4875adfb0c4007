package palegate.core.reversal;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import palegate.core.changes.Change;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;

/**
 * The states around a change that is being undone, the newest one, and what has been found so far. Each single part of
 * what the change altered is set back only if it is still as the change left it; if it has become something else since, it
 * stays as it is and is named.
 */
final class Undoing {
  final StructureDifference undone;
  final Structure before;
  final Structure after;
  final Structure now;
  final Snapshot newest;
  final List<Change> changes = new ArrayList<>();
  final Set<Reversal.Left> left = new LinkedHashSet<>();

  Undoing(StructureDifference undone, Snapshot newest) {
    this.undone = undone;
    before = undone.before();
    after = undone.after();
    this.newest = newest;
    now = newest.structure();
  }

  /**
   * Whether one part is to be set back; if it has been altered again since, it is named.
   *
   * @param what what was altered again, as the beginning of a sentence
   */
  boolean setsBack(String thing, Object was, Object made, Object is, String what) {
    if (Objects.equals(was, made)) {
      return false;
    }
    if (Objects.equals(is, made)) {
      return true;
    }
    if (!Objects.equals(is, was)) {
      left.add(new Reversal.Left(thing, what + " was altered again since."));
    }
    return false;
  }

  /** What a part becomes: as it was, if it is to be set back, else as it is. */
  <T> T merged(String thing, T was, T made, T is, String what) {
    return setsBack(thing, was, made, is, what) ? was : is;
  }

  void leave(String thing, String why) {
    left.add(new Reversal.Left(thing, why));
  }

  /** Ids of what the change altered, in order. */
  static List<String> inOrder(Set<String> altered) {
    return altered.stream().sorted().toList();
  }
}
