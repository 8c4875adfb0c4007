package palegate.core.matrix;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Subject;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

class MatrixTest {
  private final Snapshot snapshot = Harbour.snapshot();

  private Matrix matrix(Subject subject, String place) {
    return Matrix.of(snapshot.at(Harbour.NOW), Harbour.NOW, List.of(subject), new int[] {snapshot.placeNumber(place)});
  }

  @Test
  void a_cell_tells_given_here_from_above_and_from_through_another_group() {
    assertThat(matrix(new Subject.OfGroup("adjusters"), "cas").cell(0, 0).from()).isEqualTo(Matrix.From.HERE);
    assertThat(matrix(new Subject.OfGroup("adjusters"), "c1").cell(0, 0).from()).isEqualTo(Matrix.From.ABOVE);
    assertThat(matrix(new Subject.OfGroup("trainees"), "c1").cell(0, 0).from()).isEqualTo(Matrix.From.THROUGH_GROUP);
    assertThat(matrix(new Subject.OfGroup("divers"), "c1").cell(0, 0)).isEqualTo(
        new Matrix.Cell(Rights.NONE, Rights.NONE, Matrix.From.NOTHING, 0, 0, 0, 0));
  }

  @Test
  void people_with_less_than_the_cell_are_counted_with_the_reason() {
    Matrix matrix = matrix(new Subject.OfGroup("adjusters"), "val1");
    Matrix.Cell cell = matrix.cell(0, 0);
    assertThat(cell.rights().words()).contains("copy");
    assertThat(List.of(cell.people(), cell.exactly(), cell.more(), cell.less())).containsExactly(1, 0, 0, 1);
    assertThat(matrix.because(0, 0, 10)).isEqualTo(new Matrix.Reasons(Map.of(Matrix.Because.WITHHOLDING, 1), 1, 1));
    assertThat(matrix.because(0, 0, 0)).isEqualTo(new Matrix.Reasons(Map.of(), 1, 0));
  }

  @Test
  void counts_are_those_of_asking_for_every_person_in_random_structures() {
    for (long seed = 1; seed <= 400; seed++) {
      Snapshot random = Snapshot.of(RandomStructures.fromSeed(seed));
      SnapshotAt moment = random.at(RandomStructures.NOW);
      List<Subject> subjects = new ArrayList<>(List.of(Subject.BuiltIn.STAFF));
      random.structure().groups().keySet().forEach(id -> subjects.add(new Subject.OfGroup(id)));
      random.structure().units().keySet().forEach(id -> subjects.add(new Subject.OfUnit(id)));
      int[] places = IntStream.range(0, random.placeCount()).toArray();
      Matrix matrix = Matrix.of(moment, RandomStructures.NOW, subjects, places);
      for (int row = 0; row < subjects.size(); row++) {
        int[] people = moment.matching(subjects.get(row)).and(moment.active()).toArray();
        for (int place : places) {
          Matrix.Cell cell = matrix.cell(row, place);
          int[] counts = new int[3];
          for (int person : people) {
            Rights held = moment.rights(person, place);
            counts[0] += held.equals(cell.rights()) ? 1 : 0;
            counts[1] += held.minus(cell.rights()).isEmpty() ? 0 : 1;
            counts[2] += cell.rights().minus(held).isEmpty() ? 0 : 1;
          }
          assertThat(new int[] {cell.people(), cell.exactly(), cell.more(), cell.less()}).as("seed %d", seed)
              .containsExactly(people.length, counts[0], counts[1], counts[2]);
        }
      }
    }
  }
}
