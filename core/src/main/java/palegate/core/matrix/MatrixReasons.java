package palegate.core.matrix;

import java.time.Instant;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.Map;
import palegate.core.access.Trace;
import palegate.core.collections.PersonSet;
import palegate.core.questions.Explanation;
import palegate.core.roles.Rights;
import palegate.core.snapshot.SnapshotAt;

/** Why people behind a cell of a matrix have more or less than the cell says; from their explanations. */
final class MatrixReasons {
  private MatrixReasons() {}

  /** Of at most so many people; O(people + those asked about × stages). */
  static Matrix.Reasons of(SnapshotAt moment, Instant instant, PersonSet people, int place, Rights cell, int atMost) {
    Map<Matrix.Because, Integer> reasons = new EnumMap<>(Matrix.Because.class);
    int[] differing = people.stream().filter(person -> !moment.rights(person, place).equals(cell)).toArray();
    for (int person : differing.length > atMost ? Arrays.copyOf(differing, atMost) : differing) {
      Trace trace = Explanation.of(moment, instant, person, place, Explanation.WallReasons.HIDDEN);
      for (Trace.Step step : trace.stages()) {
        Matrix.Because because = because(step, cell);
        if (because != null) {
          reasons.merge(because, 1, Integer::sum);
        }
      }
    }
    return new Matrix.Reasons(reasons, differing.length, Math.min(differing.length, atMost));
  }

  private static Matrix.Because because(Trace.Step step, Rights cell) {
    Rights taken = step.before().minus(step.after());
    Rights added = step.after().minus(step.before());
    return switch (step.number()) {
      case 1 -> step.guards().isEmpty() ? null : Matrix.Because.WALL;
      case 2 -> added.minus(cell).isEmpty() ? null : Matrix.Because.OTHER_GRANT;
      case 3 -> taken.intersect(cell).isEmpty() ? null : Matrix.Because.WITHHOLDING;
      case 4 -> taken.isEmpty() ? null : Matrix.Because.CLEARANCE;
      case 5 -> taken.isEmpty() ? null : Matrix.Because.CEILING;
      case 7 -> taken.isEmpty() ? null : Matrix.Because.HOUSE_RULE;
      case 9 -> added.isEmpty() ? null : Matrix.Because.OVERSIGHT;
      default -> null;
    };
  }
}
