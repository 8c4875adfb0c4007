package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import palegate.core.people.Subject;
import palegate.core.places.PlaceKind;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;

class TypeMatrixTest {
  @Test
  void a_cell_counts_the_people_of_the_subject_by_what_each_would_have_on_a_new_document() {
    int cells = 0;
    for (long seed = 1; seed <= 200; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      SnapshotAt moment = Snapshot.of(structure).at(RandomStructures.NOW);
      List<Subject> subjects = new ArrayList<>();
      structure.groups().values().forEach(group -> subjects.add(new Subject.OfGroup(group.id())));
      structure.people().values().forEach(person -> subjects.add(new Subject.OfPerson(person.id())));
      List<DocumentType> types = List.copyOf(structure.types().values());
      for (int place = 0; place < moment.snapshot().placeCount(); place++) {
        if (moment.snapshot().place(place).kind() == PlaceKind.DOCUMENT || moment.snapshot().place(place).kind() == PlaceKind.LINK) {
          continue;
        }
        TypeMatrix matrix = TypeMatrix.of(moment, place, subjects, types);
        for (int subject = 0; subject < subjects.size(); subject++) {
          for (int type = 0; type < types.size(); type++) {
            check(moment, place, subjects.get(subject), types.get(type), matrix.cell(subject, type), seed);
            cells++;
          }
        }
      }
    }
    assertThat(cells).isGreaterThan(1_000);
  }

  private static void check(SnapshotAt moment, int place, Subject subject, DocumentType type, TypeMatrix.Cell cell, long seed) {
    List<Rights> each = new ArrayList<>();
    moment.matching(subject).and(moment.active()).forEach(person -> each.add(moment.rightsOnNew(person, place, type.id())));
    assertThat(cell.people()).as("seed %d", seed).isEqualTo(each.size());
    assertThat(cell.finds()).as("seed %d", seed).isEqualTo(having(each, Right.FIND));
    assertThat(cell.alike()).as("seed %d, exactly the common ones", seed).isEqualTo((int) each.stream().filter(cell.common()::equals).count());
    assertThat(each.stream().mapToInt(one -> (int) each.stream().filter(one::equals).count()).max().orElse(0)).as("seed %d, nothing is more common", seed).isEqualTo(cell.alike());
    assertThat(cell.reads()).as("seed %d", seed).isEqualTo(having(each, Right.READ));
    assertThat(cell.adds()).as("seed %d", seed).isEqualTo(having(each, Right.ADD));
    assertThat(cell.deletes()).as("seed %d", seed).isEqualTo(having(each, Right.DELETE));
    for (Right right : Right.values()) {
      assertThat(cell.some().contains(right)).as("seed %d, some %s", seed, right).isEqualTo(having(each, right) > 0);
      assertThat(cell.every().contains(right)).as("seed %d, every %s", seed, right).isEqualTo(!each.isEmpty() && having(each, right) == each.size());
    }
  }

  private static int having(List<Rights> each, Right right) {
    return (int) each.stream().filter(rights -> rights.contains(right)).count();
  }
}
