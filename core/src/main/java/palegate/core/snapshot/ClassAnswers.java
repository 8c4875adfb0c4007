package palegate.core.snapshot;

import palegate.core.access.stages.EntryLines;
import palegate.core.access.stages.EveryoneAtPlace;
import palegate.core.access.stages.PersonAtPlace;
import palegate.core.collections.PersonSet;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.roles.Right;

/** What the stages ask, answered from the row of an access class. */
final class ClassAnswers {
  private ClassAnswers() {}

  /** About one person. The row is read from front to back, once. */
  static final class One implements PersonAtPlace {
    private final Matching matching;
    private final int person;
    private final int[] row;
    private final int at;
    private final Classes classes;
    private final boolean barred;
    private final Place document;
    private final String personId;

    /** {@code document} is the document whose conditions count, or null for standing rights. */
    One(Matching matching, int person, int[] row, int at, Classes classes, boolean barred, Place document, String personId) {
      this.matching = matching;
      this.person = person;
      this.row = row;
      this.at = at;
      this.classes = classes;
      this.barred = barred;
      this.document = document;
      this.personId = personId;
    }

    @Override
    public boolean active() {
      return matching.isActive(person);
    }

    @Override
    public boolean external() {
      return matching.isActiveOutsider(person);
    }

    @Override
    public boolean barred() {
      return barred;
    }

    @Override
    public int granted() {
      return united(row, at + ClassRow.HEADER, ClassRow.grantsEnd(row, at));
    }

    @Override
    public int withheld() {
      return united(row, ClassRow.grantsEnd(row, at), ClassRow.withholdingsEnd(row, at));
    }

    @Override
    public boolean guarded() {
      return ClassRow.has(row, at, ClassRow.GUARDED);
    }

    @Override
    public int cleared() {
      int[] clearances = classes.clearances.lines(ClassRow.clearances(row, at));
      return united(clearances, 0, clearances.length);
    }

    @Override
    public int ceiling() {
      return ClassRow.ceiling(row, at);
    }

    @Override
    public boolean reserveSharing() {
      return ClassRow.has(row, at, ClassRow.RESERVE_SHARING);
    }

    @Override
    public boolean noTakeaway() {
      return ClassRow.has(row, at, ClassRow.NO_TAKEAWAY);
    }

    @Override
    public boolean privateToAnother() {
      return document != null && document.conditions().isPrivate() && !personId.equals(document.owner());
    }

    @Override
    public boolean frozen() {
      return document != null && document.conditions().frozen();
    }

    @Override
    public boolean checkedOutByAnother() {
      return document != null && document.conditions().checkedOutBy() != null
          && !personId.equals(document.conditions().checkedOutBy());
    }

    @Override
    public boolean overseen() {
      int end = ClassRow.end(row, at);
      for (int i = ClassRow.withholdingsEnd(row, at); i < end; i++) {
        if (matching.matches(person, row[i])) {
          return true;
        }
      }
      return false;
    }

    private int united(int[] lines, int from, int until) {
      return matching.united(person, lines, from, until);
    }
  }

  /** About everyone at once. */
  static final class Everyone implements EveryoneAtPlace {
    private final Matching matching;
    private final int[] row;
    private final PersonSet[] cleared;
    private final PersonSet barred;
    private final Conditions conditions;
    private final int owner;
    private final int checkedOutBy;

    Everyone(Matching matching, int[] row, PersonSet[] cleared, PersonSet barred, Conditions conditions, int owner, int checkedOutBy) {
      this.matching = matching;
      this.row = row;
      this.cleared = cleared;
      this.barred = barred;
      this.conditions = conditions;
      this.owner = owner;
      this.checkedOutBy = checkedOutBy;
    }

    @Override
    public PersonSet active() {
      return matching.active;
    }

    @Override
    public PersonSet external() {
      return matching.external;
    }

    @Override
    public PersonSet barred() {
      return barred == null ? PersonSet.NOBODY : barred;
    }

    @Override
    public EntryLines grants() {
      return new RowLines(matching, row, ClassRow.HEADER, ClassRow.grantsEnd(row, 0));
    }

    @Override
    public EntryLines withholdings() {
      return new RowLines(matching, row, ClassRow.grantsEnd(row, 0), ClassRow.withholdingsEnd(row, 0));
    }

    @Override
    public boolean guarded() {
      return ClassRow.has(row, 0, ClassRow.GUARDED);
    }

    @Override
    public PersonSet cleared(Right right) {
      return cleared[right.ordinal()];
    }

    @Override
    public int ceiling() {
      return ClassRow.ceiling(row, 0);
    }

    @Override
    public boolean reserveSharing() {
      return ClassRow.has(row, 0, ClassRow.RESERVE_SHARING);
    }

    @Override
    public boolean noTakeaway() {
      return ClassRow.has(row, 0, ClassRow.NO_TAKEAWAY);
    }

    @Override
    public boolean isPrivate() {
      return conditions.isPrivate();
    }

    @Override
    public int owner() {
      return owner;
    }

    @Override
    public boolean frozen() {
      return conditions.frozen();
    }

    @Override
    public int checkedOutBy() {
      return checkedOutBy;
    }

    @Override
    public PersonSet overseers() {
      int first = ClassRow.withholdingsEnd(row, 0);
      if (first == row.length) {
        return PersonSet.NOBODY;
      }
      PersonSet overseers = matching.of(row[first]);
      for (int i = first + 1; i < row.length; i++) {
        overseers = overseers.or(matching.of(row[i]));
      }
      return overseers;
    }
  }

  record RowLines(Matching matching, int[] row, int from, int until) implements EntryLines {
    @Override
    public int count() {
      return until - from;
    }

    @Override
    public PersonSet people(int line) {
      return matching.of(ClassRow.subject(row[from + line]));
    }

    @Override
    public int rights(int line) {
      return ClassRow.rights(row[from + line]);
    }
  }
}
