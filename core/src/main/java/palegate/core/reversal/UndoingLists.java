package palegate.core.reversal;

import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.OversightChange;
import palegate.core.places.Place;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;

/** Undoes what a change did to access lists: breaks and rejoinings first, since both discard entries; then entry by entry. */
final class UndoingLists {
  private final Undoing undoing;
  /** The entries that an undone break discards by rejoining. */
  private final Set<String> discarded = new HashSet<>();
  private final Set<String> rejoined = new HashSet<>();

  UndoingLists(Undoing undoing) {
    this.undoing = undoing;
  }

  void setBack() {
    for (String id : Undoing.inOrder(undoing.undone.places())) {
      Place was = undoing.before.places().get(id);
      Place made = undoing.after.places().get(id);
      Place is = undoing.now.places().get(id);
      if (was != null && made != null && is != null && was.standsAlone() != made.standsAlone()) {
        if (is.standsAlone() != made.standsAlone()) {
          undoing.leave("place:" + id, "It was " + (is.standsAlone() ? "broken" : "rejoined") + " again since.");
        } else if (was.standsAlone()) {
          undoing.changes.add(new AccessChange.BreakPlace(id, AccessChange.Start.EMPTY, List.of(), "undo"));
        } else {
          rejoin(id);
        }
      }
    }
    setBack(undoing.undone.grants(), Structure::grants);
    setBack(undoing.undone.withholdings(), Structure::withholdings);
    for (String id : Undoing.inOrder(undoing.undone.oversights())) {
      Oversight was = undoing.before.oversights().get(id);
      Oversight made = undoing.after.oversights().get(id);
      Oversight is = undoing.now.oversights().get(id);
      if (undoing.setsBack("place:" + (was == null ? made : was).place(), was, made, is, "An oversight of it")) {
        if (made != null) {
          undoing.changes.add(new OversightChange.RemoveOversight(made.place(), id));
        }
        if (was != null) {
          undoing.changes.add(new OversightChange.AddOversight(was));
        }
      }
    }
  }

  /** Discards what the break made, where it is still as the break made it, and nothing else. */
  private void rejoin(String place) {
    Set<String> keep = new TreeSet<>();
    for (Entry entry : undoing.newest.ownEntries(undoing.newest.placeNumber(place))) {
      boolean madeByIt = undoing.before.entry(entry.id()) == null && entry.equals(undoing.after.entry(entry.id()));
      if (madeByIt) {
        discarded.add(entry.id());
      } else {
        keep.add(entry.id());
      }
    }
    undoing.changes.add(new AccessChange.RejoinPlace(place, false, keep));
    rejoined.add(place);
  }

  private <T extends Entry> void setBack(Set<String> altered, Function<Structure, Parts<T>> parts) {
    for (String id : Undoing.inOrder(altered)) {
      T was = parts.apply(undoing.before).get(id);
      T made = parts.apply(undoing.after).get(id);
      T is = parts.apply(undoing.now).get(id);
      if (!discarded.contains(id) && undoing.setsBack("place:" + (was == null ? made : was).place(), was, made, is, "An entry of it")) {
        if (made != null) {
          undoing.changes.add(made instanceof Grant ? new AccessChange.RemoveGrant(made.place(), id) : new AccessChange.RemoveWithholding(made.place(), id));
        }
        if (was != null) {
          undoing.changes.add(was instanceof Grant grant ? AccessChange.adding(grant) : new AccessChange.AddWithholding((Withholding) was));
        }
      } else if (was == null && is == null && !Objects.equals(made, is)) {
        undoing.leave("place:" + made.place(), rejoined.contains(made.place())
            ? "An entry that came with the break has been taken away since. If it was carried over, what it was copied from reaches the place again."
            : "An entry of it has been taken away since.");
      }
    }
  }
}
