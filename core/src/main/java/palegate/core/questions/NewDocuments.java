package palegate.core.questions;

import java.util.Collection;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Consumer;
import palegate.core.access.Entry;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * What could be done with documents that are not there yet (section 6: imagined directly below a container). A difference of rights counts the places that
 * there are; an entry narrowed to a type of which there is no document is seen only here.
 */
public final class NewDocuments {
  private NewDocuments() {}

  /**
   * Whether everybody could do the same, before and after, with a document of any type put into any container at or below some places. Only types that an
   * entry there is narrowed to are asked about: for the others a container says it all. O(places below × entries that reach them + such types × people / 64).
   *
   * @param places by id; those that are not in both states are left out
   */
  public static boolean alike(SnapshotAt before, SnapshotAt after, Collection<String> places) {
    Snapshot was = before.snapshot();
    Snapshot is = after.snapshot();
    return places.stream().distinct().mapToInt(was::placeNumber).filter(top -> top >= 0).allMatch(top -> was.below(top).filter(place -> was.place(place).kind().isContainer()).allMatch(place -> {
      int other = is.placeNumber(was.place(place).id());
      return other < 0 || narrowedTo(was, place, is, other).stream().filter(type -> is.structure().types().containsKey(type))
          .allMatch(type -> before.holdersOnNew(place, type).sameAs(after.holdersOnNew(other, type)));
    }));
  }

  private static Set<String> narrowedTo(Snapshot was, int place, Snapshot is, int other) {
    Set<String> types = new TreeSet<>();
    Consumer<Entry> take = entry -> types.addAll(entry.types());
    was.reachingEntries(place).forEach(take);
    is.reachingEntries(other).forEach(take);
    return types;
  }
}
