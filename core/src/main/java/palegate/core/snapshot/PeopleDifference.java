package palegate.core.snapshot;

import java.util.stream.IntStream;
import palegate.core.collections.PersonSet;

/**
 * What differs for people between two moments that number them and the classes alike, where a place stays in its class:
 * who matches whom, whom walls bar, who is cleared.
 */
public final class PeopleDifference {
  private final SnapshotAt before;
  private final SnapshotAt after;
  private final PersonSet people;
  private final boolean[] subjects;
  private final boolean[] wallSets;
  private final boolean[] clearanceSets;

  PeopleDifference(SnapshotAt before, SnapshotAt after) {
    this.before = before;
    this.after = after;
    Matching was = before.matching();
    Matching is = after.matching();
    subjects = was == is ? null : is.alteredSince(was);
    wallSets = new boolean[Math.min(before.wallSetCount(), after.wallSetCount())];
    for (int set = 1; set < wallSets.length; set++) {
      wallSets[set] = !before.barredBySet(set).equals(after.barredBySet(set));
    }
    clearanceSets = new boolean[Math.min(before.clearedBySet().length, after.clearedBySet().length)];
    PersonSet found = was == is ? PersonSet.NOBODY : is.alteredPeople(was);
    for (int set = 0; set < clearanceSets.length; set++) {
      PersonSet differing = differing(before.clearedBySet()[set], after.clearedBySet()[set]);
      clearanceSets[set] = !differing.isEmpty();
      found = found.or(differing);
    }
    people = found;
  }

  /** Everyone of whom something differs: active, an outsider, in a group or unit, cleared for a type. */
  public PersonSet people() {
    return people;
  }

  /** Whether a class can mean something else for somebody. */
  public boolean concerns(int classNumber) {
    int[] row = after.row(classNumber);
    int walls = ClassRow.walls(row, 0);
    int clearances = ClassRow.clearances(row, 0);
    return walls < wallSets.length && wallSets[walls] || clearances < clearanceSets.length && clearanceSets[clearances]
        || subjects != null && names(row);
  }

  /** Whether somebody who is in both moments has become active or not, or an outsider or not: that can matter anywhere. */
  public boolean anywhere() {
    Matching was = before.matching();
    Matching is = after.matching();
    return was != is && (differs(was.active, is.active) || differs(was.external, is.external));
  }

  private boolean differs(PersonSet was, PersonSet is) {
    int both = Math.min(before.snapshot().personCount(), after.snapshot().personCount());
    return !was.equals(is) && IntStream.concat(was.minus(is).stream(), is.minus(was).stream()).anyMatch(person -> person < both);
  }

  private boolean names(int[] row) {
    int withholdingsEnd = ClassRow.withholdingsEnd(row, 0);
    for (int i = ClassRow.HEADER; i < row.length; i++) {
      int subject = i < withholdingsEnd ? ClassRow.subject(row[i]) : row[i];
      if (subject < subjects.length && subjects[subject]) {
        return true;
      }
    }
    return false;
  }

  private static PersonSet differing(PersonSet[] was, PersonSet[] is) {
    PersonSet found = PersonSet.NOBODY;
    for (int right = 0; right < was.length && was != is; right++) {
      if (was[right] != is[right] && !was[right].equals(is[right])) {
        found = found.or(was[right].minus(is[right])).or(is[right].minus(was[right]));
      }
    }
    return found;
  }
}
