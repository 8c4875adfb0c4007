package palegate.core.questions;

import java.util.Arrays;
import java.util.List;
import palegate.core.access.stages.HoldersByRight;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.SnapshotAt;
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
   * @param common what most of them would have: exactly that
   * @param alike how many would have exactly that
   */
  public record Cell(int people, Rights every, Rights some, int finds, int reads, int adds, int deletes, Rights common, int alike) {}

  private final Cell[][] cells;

  private TypeMatrix(Cell[][] cells) {
    this.cells = cells;
  }

  /** O(types × subjects × people / 64). */
  public static TypeMatrix of(SnapshotAt moment, int container, List<Subject> subjects, List<DocumentType> types) {
    Cell[][] cells = new Cell[subjects.size()][types.size()];
    List<PersonSet> people = subjects.stream().map(subject -> moment.matching(subject).and(moment.active())).toList();
    for (int type = 0; type < types.size(); type++) {
      HoldersByRight holders = moment.holdersOnNew(container, types.get(type).id());
      List<PersonSet> byRight = Arrays.stream(Right.values()).map(holders::of).toList();
      for (int subject = 0; subject < cells.length; subject++) {
        cells[subject][type] = cell(people.get(subject), byRight);
      }
    }
    return new TypeMatrix(cells);
  }

  /** The people behind one cell, told apart by what they would have; most first. O(kinds × people / 64). */
  public static List<PeopleByRights.Alike> behind(SnapshotAt moment, int container, Subject subject, DocumentType type) {
    HoldersByRight holders = moment.holdersOnNew(container, type.id());
    return PeopleByRights.of(moment.matching(subject).and(moment.active()), Arrays.stream(Right.values()).map(holders::of).toList());
  }

  public Cell cell(int subject, int type) {
    return cells[subject][type];
  }

  private static Cell cell(PersonSet people, List<PersonSet> byRight) {
    int every = 0;
    int some = 0;
    int[] counts = new int[byRight.size()];
    for (Right right : Right.values()) {
      int count = people.sizeOfAnd(byRight.get(right.ordinal()));
      counts[right.ordinal()] = count;
      every |= count > 0 && count == people.size() ? Rights.bit(right) : 0;
      some |= count > 0 ? Rights.bit(right) : 0;
    }
    PeopleByRights.Alike most = PeopleByRights.of(people, byRight).stream().findFirst().orElse(new PeopleByRights.Alike(Rights.NONE, PersonSet.NOBODY));
    return new Cell(people.size(), Rights.ofMask(every), Rights.ofMask(some), counts[Right.FIND.ordinal()], counts[Right.READ.ordinal()],
        counts[Right.ADD.ordinal()], counts[Right.DELETE.ordinal()], most.rights(), most.people().size());
  }
}
