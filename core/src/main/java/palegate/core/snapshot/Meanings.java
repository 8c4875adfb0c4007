package palegate.core.snapshot;

import java.util.Arrays;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.collections.Interner;
import palegate.core.collections.Renumbering;

/**
 * What entries say, wherever they stand: whether they give or take, to whom, which rights, for which types. The
 * same said twice, or at different heights, is one meaning with one number.
 */
final class Meanings {
  private static final int[] NO_NUMBERS = {};
  private static final int GIVES = 0;
  private static final int SUBJECT = 1;
  private static final int RIGHTS = 2;
  private static final int TYPES = 3;
  /** The number of the empty set of types: not narrowed. */
  private static final int ANY_TYPE = 0;

  private final Snapshot snapshot;
  private final Subjects subjects;
  private final Interner typeSets;
  private final Interner rows;

  private Meanings(Snapshot snapshot, Subjects subjects, Interner typeSets, Interner rows) {
    this.snapshot = snapshot;
    this.subjects = subjects;
    this.typeSets = typeSets;
    this.rows = rows;
  }

  static Meanings of(Snapshot snapshot, Subjects subjects) {
    Interner typeSets = new Interner();
    typeSets.intern(NO_NUMBERS);
    return new Meanings(snapshot, subjects, typeSets, new Interner());
  }

  /** A layer that knows all of these under the same numbers. */
  Meanings layer(Snapshot next) {
    return new Meanings(next, next.subjects(), typeSets.layer(), rows.layer());
  }

  Meanings flattened(Snapshot kept) {
    return new Meanings(kept, kept.subjects(), typeSets.flattened(), rows.flattened());
  }

  /** Adds whatever only a twin knows. */
  Renumbering takeOver(Meanings twin) {
    Renumbering types = typeSets.takeOver(twin.typeSets);
    Renumbering numbers = new Renumbering(twin.rows.first(), twin.rows.count() - twin.rows.first());
    while (numbers.next() < twin.rows.count()) {
      int[] meaning = twin.rows.row(numbers.next()).clone();
      meaning[TYPES] = types.of(meaning[TYPES]);
      numbers.add(rows.intern(meaning));
    }
    return numbers;
  }

  int numberOf(Entry entry) {
    int[] types = entry.types().isEmpty() ? NO_NUMBERS
        : entry.types().stream().mapToInt(snapshot::typeNumber).sorted().toArray();
    return rows.intern(new int[] {entry instanceof Grant ? 1 : 0, subjects.numberOf(entry.subject()),
        snapshot.rightsOf(entry).mask(), typeSets.intern(types)});
  }

  /** The lines of all entries of an environment that touch a type, those that give or those that take; one a subject. */
  int[] lines(int[] environment, int type, boolean gives) {
    int first = EnvironmentRow.firstMeaning(environment);
    long[] found = new long[environment.length - first];
    int count = 0;
    for (int i = first; i < environment.length; i++) {
      int[] meaning = rows.row(environment[i]);
      if (meaning[GIVES] == 1 == gives && touches(meaning, type)) {
        found[count++] = ClassRow.pending(meaning[SUBJECT], meaning[RIGHTS]);
      }
    }
    return ClassRow.lines(found, count);
  }

  /** Whether no entry of an environment treats documents of a type otherwise than what has no type. */
  boolean treatAsUntyped(int[] environment, int type) {
    for (int i = EnvironmentRow.firstMeaning(environment); i < environment.length; i++) {
      int[] meaning = rows.row(environment[i]);
      if (meaning[TYPES] != ANY_TYPE && touches(meaning, type)) {
        return false;
      }
    }
    return true;
  }

  /**
   * The lines of the entries of an environment that are narrowed to a type: how many of them give, those, then those
   * that take. Empty if there are none.
   */
  int[] narrowedLines(int[] environment, int type) {
    int[] lines = NO_NUMBERS;
    for (int gives = 1; gives >= 0 && type > 0; gives--) {
      for (int i = EnvironmentRow.firstMeaning(environment); i < environment.length; i++) {
        int[] meaning = rows.row(environment[i]);
        if (meaning[TYPES] != ANY_TYPE && meaning[GIVES] == gives && touches(meaning, type)) {
          lines = lines.length == 0 ? new int[] {0} : lines;
          lines = Arrays.copyOf(lines, lines.length + 1);
          lines[0] += gives;
          lines[lines.length - 1] = ClassRow.line(meaning[RIGHTS], meaning[SUBJECT]);
        }
      }
    }
    return lines;
  }

  /** The lines of those meanings that are not narrowed and give, or take; {@code addition} begins with another number. */
  int[] unnarrowedLines(int[] addition, boolean takes) {
    int[] found = new int[addition.length - 1];
    int count = 0;
    for (int i = 1; i < addition.length; i++) {
      int[] meaning = rows.row(addition[i]);
      if (meaning[TYPES] == ANY_TYPE && meaning[GIVES] == 0 == takes) {
        found[count++] = ClassRow.line(meaning[RIGHTS], meaning[SUBJECT]);
      }
    }
    return Arrays.copyOf(found, count);
  }

  /** Whether any of some meanings is narrowed to types. */
  boolean anyNarrowed(int[] meanings) {
    return Arrays.stream(meanings).anyMatch(meaning -> rows.row(meaning)[TYPES] != ANY_TYPE);
  }

  private boolean touches(int[] meaning, int type) {
    return meaning[TYPES] == ANY_TYPE || type > 0 && Arrays.binarySearch(typeSets.row(meaning[TYPES]), type - 1) >= 0;
  }
}
