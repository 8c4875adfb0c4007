package palegate.core.matrix;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.people.Subject;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;

class GivenRightsTest {
  @Test
  void whole_matrices_say_the_same_as_cells_asked_one_by_one() {
    for (long seed = 1; seed <= 400; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      List<Subject> subjects = new ArrayList<>(List.of(Subject.BuiltIn.values()));
      snapshot.structure().groups().keySet().forEach(id -> subjects.add(new Subject.OfGroup(id)));
      snapshot.structure().units().keySet().forEach(id -> subjects.add(new Subject.OfUnit(id)));
      snapshot.structure().people().keySet().forEach(id -> subjects.add(new Subject.OfPerson(id)));
      List<Column> columns = new ArrayList<>(IntStream.range(0, snapshot.placeCount()).mapToObj(Column::of).toList());
      IntStream.range(0, snapshot.placeCount()).filter(place -> !snapshot.isDocument(place))
          .forEach(place -> snapshot.structure().types().keySet().forEach(type -> columns.add(Column.ofType(place, type))));
      GivenRights given = GivenRights.of(snapshot.at(RandomStructures.NOW), RandomStructures.NOW, subjects, columns);
      Matrix matrix = Matrix.of(snapshot.at(RandomStructures.NOW), RandomStructures.NOW, subjects, columns);
      for (int row = 0; row < subjects.size(); row++) {
        for (int column = 0; column < columns.size(); column++) {
          assertThat(given.rights(row, column)).as("seed %d, %s, %s", seed, subjects.get(row), columns.get(column)).isEqualTo(matrix.cell(row, column).rights());
          assertThat(given.from(row, column)).as("seed %d, %s, %s", seed, subjects.get(row), columns.get(column)).isEqualTo(matrix.cell(row, column).from());
        }
      }
    }
  }
}
