package palegate.core.questions;

import java.util.Comparator;
import java.util.Locale;
import java.util.stream.IntStream;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;

/** Places found by a part of their name, as somebody who types it means them: the likeliest first. */
public final class PlacesNamed {
  /** So many are put into order; of more the first are as good as any, for more letters are asked for. */
  private static final int SORTED_AT_MOST = 5_000;

  private PlacesNamed() {}

  /**
   * The numbers of the places whose name contains the text, in capitals or not: those first of which it is the whole name; then what holds others
   * before documents, and links last; among these those of which it is the beginning, then of a word in it; then in tree order. Of many documents,
   * what holds others alone is put into order. O(places) to find them.
   */
  public static int[] of(Snapshot snapshot, String text) {
    if (snapshot.placeCount() == 0) {
      return new int[0];
    }
    int[] found = snapshot.placesNamed(text);
    if (found.length <= SORTED_AT_MOST) {
      return sorted(snapshot, found, text);
    }
    int[] containers = IntStream.of(found).filter(place -> !snapshot.isDocument(place)).toArray();
    return IntStream.concat(IntStream.of(containers.length <= SORTED_AT_MOST ? sorted(snapshot, containers, text) : containers), IntStream.of(found).filter(snapshot::isDocument)).toArray();
  }

  private static int[] sorted(Snapshot snapshot, int[] found, String text) {
    String wanted = text.toLowerCase(Locale.ROOT);
    Comparator<Integer> byLikeness = Comparator.comparing(place -> likeness(snapshot.place(place).name().toLowerCase(Locale.ROOT), wanted));
    return IntStream.of(found).boxed().sorted(Comparator.comparing((Integer place) -> !snapshot.place(place).name().toLowerCase(Locale.ROOT).equals(wanted)).thenComparing(place -> weight(snapshot.place(place)))
        .thenComparing(byLikeness).thenComparing(snapshot.inTreeOrder())).mapToInt(Integer::intValue).toArray();
  }

  private static int likeness(String name, String wanted) {
    if (name.startsWith(wanted)) {
      return name.length() == wanted.length() ? 0 : 1;
    }
    for (int at = name.indexOf(wanted); at > 0; at = name.indexOf(wanted, at + 1)) {
      if (!Character.isLetterOrDigit(name.charAt(at - 1))) {
        return 2;
      }
    }
    return 3;
  }

  private static int weight(Place place) {
    return place.kind() == PlaceKind.LINK ? 2 : place.isDocument() ? 1 : 0;
  }
}
