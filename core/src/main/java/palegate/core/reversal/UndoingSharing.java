package palegate.core.reversal;

import java.util.Set;
import java.util.function.Function;
import palegate.core.changes.Change;
import palegate.core.changes.PassChange;
import palegate.core.changes.SeparationChange;
import palegate.core.changes.ShareChange;
import palegate.core.changes.ShortlistChange;
import palegate.core.separations.Separation;
import palegate.core.sharing.SharingRule;
import palegate.core.sharing.Shortlist;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;

/** Undoes what a change did to rules of sharing, passes, shortlists and separations; the grants made by sharing are undone with the access lists. */
final class UndoingSharing {
  private final Undoing undoing;

  UndoingSharing(Undoing undoing) {
    this.undoing = undoing;
  }

  /** A pass must be there before what was opened through it comes back. */
  void bringBackPasses() {
    setBack("pass", undoing.undone.passes(), Structure::passes, "The pass", true, PassChange.SetPass::new, null);
  }

  /** What a change made goes once nothing is named by it any more. */
  void removeMadePasses() {
    setBack("pass", undoing.undone.passes(), Structure::passes, "The pass", false, null, PassChange.TakeBackPass::new);
  }

  void setBack() {
    setBack("place", undoing.undone.sharing(), Structure::sharing, "What it says about sharing", null, (SharingRule was) -> new ShareChange.SetSharing(was), ShareChange.RemoveSharing::new);
    setBack("unit", undoing.undone.shortlists(), Structure::shortlists, "The shortlist", null, (Shortlist was) -> new ShortlistChange.SetShortlist(was), ShortlistChange.RemoveShortlist::new);
    setBack("separation", undoing.undone.separations(), Structure::separations, "The separation", null, (Separation was) -> new SeparationChange.SetSeparation(was),
        SeparationChange.RemoveSeparation::new);
  }

  /** @param wasThere whether only what was there before is set back, or only what was not; null for both */
  private <T> void setBack(String kind, Set<String> altered, Function<Structure, Parts<T>> parts, String what, Boolean wasThere, Function<T, Change> again, Function<String, Change> gone) {
    for (String id : Undoing.inOrder(altered)) {
      T was = parts.apply(undoing.before).get(id);
      boolean wanted = wasThere == null || wasThere == (was != null);
      if (wanted && undoing.setsBack(kind + ":" + id, was, parts.apply(undoing.after).get(id), parts.apply(undoing.now).get(id), what)) {
        undoing.changes.add(was != null ? again.apply(was) : gone.apply(id));
      }
    }
  }
}
