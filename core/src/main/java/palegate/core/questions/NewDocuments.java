package palegate.core.questions;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;

/**
 * What could be done with documents that are not there yet (section 6: imagined directly below a container). A difference of rights counts the places that
 * there are; an entry narrowed to a type of which there is no document is seen only here.
 */
public final class NewDocuments {
  private NewDocuments() {}

  /** A state in which an imagined document is there, and its number in it. */
  public record Imagined(Snapshot snapshot, int place) {}

  /** The state with a document of a type directly below a container, without labels, owner and conditions: to be asked why. As {@link Snapshot#next}. */
  public static Imagined in(Snapshot snapshot, int container, DocumentType type) {
    String id = Stream.iterate("new", tried -> tried + "-").filter(tried -> snapshot.placeNumber(tried) < 0).findFirst().orElseThrow();
    Place document = Place.plain(id, PlaceKind.DOCUMENT, snapshot.place(container).id(), "New " + type.name(), false, Map.of(), type.id(), null, null);
    Snapshot with = snapshot.next(snapshot.structure().withPlaces(Map.of(id, document)));
    return new Imagined(with, with.placeNumber(id));
  }

  /**
   * Whether everybody could do the same, before and after, with a document of any type put into any container at or below some places. Only types that an
   * entry there is narrowed to, or that people are confined to, are asked about: for the others a container says it all. Containers that are alike are asked about once. O(places below + different containers × entries + such types × people / 64).
   *
   * @param places by id; those that are not in both states are left out
   */
  public static boolean alike(SnapshotAt before, SnapshotAt after, Collection<String> places) {
    Snapshot was = before.snapshot();
    Snapshot is = after.snapshot();
    Set<Long> asked = new HashSet<>();
    return places.stream().distinct().mapToInt(was::placeNumber).filter(top -> top >= 0).allMatch(top -> was.below(top).filter(place -> !was.isDocument(place)).allMatch(place -> {
      int other = is.placeNumber(was.place(place).id());
      return other < 0 || !asked.add((long) before.environmentOf(place) << 32 | after.environmentOf(other)) || asked(was, was.reachingEntries(place), is.reachingEntries(other)).filter(type -> is.structure().types().containsKey(type))
          .allMatch(type -> before.holdersOnNew(place, type).sameAs(after.holdersOnNew(other, type)));
    }));
  }

  /** The same for a structure without one entry, which is not made for that. O(places below + different containers × entries + such types × people / 64). */
  public static boolean alikeWithout(SnapshotAt moment, Entry entry) {
    Snapshot snapshot = moment.snapshot();
    Set<Integer> asked = new HashSet<>();
    return snapshot.below(snapshot.placeNumber(entry.place())).filter(place -> !snapshot.isDocument(place) && asked.add(moment.environmentOf(place)))
        .allMatch(place -> asked(snapshot, snapshot.reachingEntries(place), List.of()).allMatch(type -> moment.holdersOnNew(place, type).sameAs(moment.holdersOnNewWithout(place, type, entry))));
  }

  private static Stream<String> asked(Snapshot snapshot, Collection<Entry> some, Collection<Entry> others) {
    return Stream.concat(Stream.concat(some.stream(), others.stream()).flatMap(entry -> entry.types().stream()), withinConfinements(snapshot)).distinct().sorted();
  }

  /** Whoever is confined to documents of some types is barred from every container, and not from such a document in it. */
  private static Stream<String> withinConfinements(Snapshot snapshot) {
    return snapshot.structure().walls().values().stream().filter(wall -> wall.barrier() instanceof Barrier.Confine).flatMap(wall -> wall.barrier().scopes().stream()).flatMap(scope -> scope.types().stream());
  }
}
