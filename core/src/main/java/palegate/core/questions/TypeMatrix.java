package palegate.core.questions;

import java.util.ArrayList;
import java.util.List;
import palegate.core.people.PersonSet;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.types.DocumentType;

/** Who of some subjects may see, add and delete documents of each type, put newly into a container (issue "per-type matrix"). */
public final class TypeMatrix {
  /**
   * One subject and one type.
   *
   * @param people how many active people the subject names
   * @param every the rights that all of them would have on such a document
   * @param some the rights that any of them would have
   * @param finds how many would find it, and so on
   */
  public record Cell(int people, Rights every, Rights some, int finds, int reads, int adds, int deletes) {}

  private final Cell[][] cells;

  private TypeMatrix(Cell[][] cells) {
    this.cells = cells;
  }

  /** O(subjects × their people × types). */
  public static TypeMatrix of(Moment moment, int container, List<Subject> subjects, List<DocumentType> types) {
    Cell[][] cells = new Cell[subjects.size()][types.size()];
    List<PersonSet> people = new ArrayList<>();
    subjects.forEach(subject -> people.add(moment.matching(subject).and(moment.active())));
    for (int type = 0; type < types.size(); type++) {
      short[] held = new short[moment.snapshot().personCount()];
      PersonSet all = people.stream().reduce(PersonSet.NOBODY, PersonSet::or);
      String id = types.get(type).id();
      all.forEach(person -> held[person] = (short) moment.rightsOnNew(person, container, id).mask());
      for (int subject = 0; subject < cells.length; subject++) {
        cells[subject][type] = cell(people.get(subject), held);
      }
    }
    return new TypeMatrix(cells);
  }

  public Cell cell(int subject, int type) {
    return cells[subject][type];
  }

  private static Cell cell(PersonSet people, short[] held) {
    int every = people.isEmpty() ? 0 : Rights.ALL.mask();
    int some = 0;
    int[] counts = new int[Right.values().length];
    for (int person : people.toArray()) {
      every &= held[person];
      some |= held[person];
      for (Right right : Right.values()) {
        counts[right.ordinal()] += (held[person] & Rights.bit(right)) == 0 ? 0 : 1;
      }
    }
    return new Cell(people.size(), Rights.ofMask(every), Rights.ofMask(some), counts[Right.FIND.ordinal()], counts[Right.READ.ordinal()],
        counts[Right.ADD.ordinal()], counts[Right.DELETE.ordinal()]);
  }
}
