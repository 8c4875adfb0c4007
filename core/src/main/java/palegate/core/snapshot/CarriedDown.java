package palegate.core.snapshot;

import java.util.Arrays;
import palegate.core.collections.IntPages;

/**
 * What becomes of environments and classes further down when entries are added further up and nothing else is altered there.
 * Whatever follows them gets the same entries united with what it had; so what becomes of one environment, or of one class,
 * is worked out once and holds for all places that were in it. Not for places that stand alone: they do not follow.
 */
final class CarriedDown {
  static final int UNKNOWN = -1;

  /** The meanings that are added; ascending. */
  final int[] added;
  /** By number before: the number now, if it is known. */
  private final int[] environments;
  /** The same of classes; null where an entry is narrowed to types, as classes do not tell those apart. */
  private final int[] classes;
  /** By class before: how many places and documents have gone from it. */
  private final int[] places;
  private final int[] documents;

  CarriedDown(int[] added, boolean narrowed, int environmentCount, int classCount) {
    this.added = added;
    environments = unknown(environmentCount);
    classes = narrowed ? null : unknown(classCount);
    places = new int[classCount];
    documents = new int[classCount];
  }

  /**
   * What one environment has beyond another, or null if it lacks something of it or differs in anything but entries.
   *
   * @param before a row of an environment
   * @param after another
   */
  static int[] added(int[] before, int[] after) {
    int overseers = EnvironmentRow.firstMeaning(before);
    if (EnvironmentRow.firstMeaning(after) != overseers || !Arrays.equals(before, 0, overseers, after, 0, overseers)) {
      return null;
    }
    int[] added = new int[after.length - overseers];
    int count = 0;
    int at = overseers;
    for (int i = overseers; i < after.length; i++) {
      if (at < before.length && before[at] == after[i]) {
        at++;
      } else {
        added[count++] = after[i];
      }
    }
    return at == before.length ? Arrays.copyOf(added, count) : null;
  }

  int environmentOf(int before) {
    return environments[before];
  }

  void learnEnvironment(int before, int now) {
    environments[before] = now;
  }

  int classOf(int before) {
    return classes == null ? UNKNOWN : classes[before];
  }

  void learnClass(int before, int now) {
    if (classes != null) {
      classes[before] = now;
    }
  }

  /** Counts a place that goes from a class to the one that has become of it. */
  void count(int before, boolean document) {
    places[before]++;
    documents[before] += document ? 1 : 0;
  }

  /** Whether every place of one class goes to one class, so that they are counted together. */
  boolean countsTogether() {
    return classes != null;
  }

  /** Takes the places counted so far out of their classes, and puts them into the new ones. */
  void tally(IntPages placesIn, IntPages documentsIn) {
    for (int before = 0; before < places.length; before++) {
      if (places[before] != 0) {
        placesIn.add(before, -places[before]);
        placesIn.add(classes[before], places[before]);
        documentsIn.add(before, -documents[before]);
        documentsIn.add(classes[before], documents[before]);
        places[before] = 0;
        documents[before] = 0;
      }
    }
  }

  private static int[] unknown(int count) {
    int[] numbers = new int[count];
    Arrays.fill(numbers, UNKNOWN);
    return numbers;
  }
}
