package palegate.core.snapshot;

import java.util.concurrent.CompletableFuture;
import palegate.core.collections.IdIndex;
import palegate.core.collections.NameIndex;
import palegate.core.places.Place;

/** All places by id and by name. Nothing but questions needs it, so it is made after everything else, aside. */
final class AllPlaces {
  /** The index of so few takes less time than a thread takes to begin. */
  private static final int FEW = 4_096;

  private final Place[] places;
  private CompletableFuture<IdIndex> made;
  private NameIndex names;

  AllPlaces(Place[] places) {
    this.places = places;
  }

  /** Begins to make the index by id, if nobody has; that of a few is made by whoever asks for it. */
  void indexSoon() {
    if (places.length > FEW) {
      begin();
    }
  }

  IdIndex index() {
    return begin().join();
  }

  synchronized NameIndex names() {
    if (names == null) {
      NameIndex index = new NameIndex(places.length);
      for (Place place : places) {
        index.add(place.name());
      }
      names = index;
    }
    return names;
  }

  private synchronized CompletableFuture<IdIndex> begin() {
    if (made == null) {
      made = places.length > FEW ? CompletableFuture.supplyAsync(this::make) : CompletableFuture.completedFuture(make());
    }
    return made;
  }

  private IdIndex make() {
    String[] ids = new String[places.length];
    for (int number = 0; number < ids.length; number++) {
      ids[number] = places[number].id();
    }
    return new IdIndex(ids);
  }
}
