package palegate.core.snapshot;

import java.time.Instant;
import java.util.Arrays;
import palegate.core.collections.PersonSet;
import palegate.core.roles.Right;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;

/**
 * The clearances of the guarded types at one instant (section 6, stage 4), as lines, by set. The set of a type is one
 * more than its number; set 0 is empty. A set keeps its number while what it says changes: then no document needs to be
 * sorted anew when somebody is cleared.
 */
final class Clearances {
  private static final int[] NO_LINES = {};

  /** By set; null for an open type. */
  private final int[][] lines;

  private Clearances(int[][] lines) {
    this.lines = lines;
  }

  static Clearances of(Snapshot snapshot, Instant instant, Matching matching) {
    int[][] lines = new int[snapshot.typeRoom() + 1][];
    lines[0] = NO_LINES;
    for (DocumentType type : snapshot.structure().types().values()) {
      lines[snapshot.typeNumber(type.id()) + 1] = type.guarded() ? lines(type, snapshot.structure(), instant, matching) : null;
    }
    return new Clearances(lines);
  }

  private static int[] lines(DocumentType type, Structure structure, Instant instant, Matching matching) {
    return ClassRow.lines(type.clearances().stream().filter(clearance -> clearance.period().holdsAt(instant))
        .mapToLong(clearance -> ClassRow.pending(matching.subjects.numberOf(clearance.subject()),
            structure.roles().get(clearance.role()).rights().mask())).toArray());
  }

  int count() {
    return lines.length;
  }

  boolean isGuarded(int type) {
    return type > 0 && type < lines.length && lines[type] != null;
  }

  int[] lines(int set) {
    return lines[set] == null ? NO_LINES : lines[set];
  }

  /** By set, then by right: whom it leaves the right. What another moment knows of the same lines and people is taken over. */
  PersonSet[][] people(Matching matching, Clearances known, PersonSet[][] knownPeople) {
    PersonSet[][] bySet = new PersonSet[lines.length][];
    for (int set = 0; set < lines.length; set++) {
      boolean same = known != null && set < known.lines.length && Arrays.equals(lines(set), known.lines(set));
      bySet[set] = same ? knownPeople[set] : byRight(lines(set), matching);
    }
    return bySet;
  }

  private static PersonSet[] byRight(int[] lines, Matching matching) {
    PersonSet[] byRight = new PersonSet[Right.values().length];
    if (lines.length == 0) {
      Arrays.fill(byRight, PersonSet.NOBODY);
      return byRight;
    }
    for (Right right : Right.values()) {
      long[] bits = new long[Matching.words(matching.room)];
      for (int line : lines) {
        if ((ClassRow.rights(line) & 1 << right.ordinal()) != 0) {
          matching.of(ClassRow.subject(line)).addTo(bits);
        }
      }
      byRight[right.ordinal()] = PersonSet.copyOf(bits);
    }
    return byRight;
  }
}
