package palegate.core.snapshot;

import java.util.Comparator;
import palegate.core.places.Place;

/** The order of places below one parent: containers first, then by name, then by id. */
final class PlaceOrder {
  static final Comparator<Place> BY_KIND_AND_NAME =
      Comparator.comparing((Place place) -> place.kind().ordinal())
          .thenComparing(Place::name, String.CASE_INSENSITIVE_ORDER)
          .thenComparing(Place::name)
          .thenComparing(Place::id);

  private PlaceOrder() {}
}
