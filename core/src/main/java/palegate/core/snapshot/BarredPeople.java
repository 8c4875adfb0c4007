package palegate.core.snapshot;

import java.util.Arrays;
import palegate.core.collections.PersonSet;

/** Whom each set of walls bars. Immutable. */
final class BarredPeople {
  /** By set of walls; null for the empty one. */
  private final PersonSet[] bySet;
  /** The same as bits, set after set: whether a wall bars a person is one read. */
  private final long[] bits;
  private final int words;

  private BarredPeople(PersonSet[] bySet, long[] bits, int words) {
    this.bySet = bySet;
    this.bits = bits;
    this.words = words;
  }

  static BarredPeople of(Classes classes, int personRoom) {
    return new BarredPeople(new PersonSet[1], new long[Matching.words(personRoom)], Matching.words(personRoom)).with(classes);
  }

  /** The same walls, where classes may have come that lie behind other sets of them. */
  BarredPeople with(Classes classes) {
    int sets = classes.book().wallSetCount();
    if (bySet.length == sets) {
      return this;
    }
    BarredPeople more = new BarredPeople(Arrays.copyOf(bySet, sets), Arrays.copyOf(bits, words * sets), words);
    for (int set = bySet.length; set < sets; set++) {
      long[] people = bitsOf(classes.barriers, classes.book().wallSet(set), words);
      more.bySet[set] = PersonSet.copyOf(people);
      System.arraycopy(people, 0, more.bits, set * words, words);
    }
    return more;
  }

  /** Whom any of some walls bars, each given by what it reaches. */
  static PersonSet byAnyOf(StandingWalls barriers, int[] reaches, int personRoom) {
    return PersonSet.copyOf(bitsOf(barriers, reaches, Matching.words(personRoom)));
  }

  PersonSet by(int set) {
    return bySet[set];
  }

  /** All of them; not to be written to. */
  PersonSet[] bySet() {
    return bySet;
  }

  boolean bars(int person, int set) {
    return (bits[set * words + (person >> 6)] & 1L << person) != 0;
  }

  private static long[] bitsOf(StandingWalls barriers, int[] reaches, int words) {
    long[] bits = new long[words];
    for (int reach : reaches) {
      StandingWalls.Reach found = barriers.reach(reach);
      // A set that names a wall which no longer stands so belongs to classes without places.
      if (found != null) {
        found.barred().addTo(bits);
      }
    }
    return bits;
  }
}
