package palegate.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;
import palegate.core.people.Subject;

/** A subject in four columns, of which exactly one is filled. */
final class SubjectColumns {
  private SubjectColumns() {}

  static Subject read(ResultSet row) throws SQLException {
    for (String kind : List.of("person", "group", "unit", "builtin")) {
      String id = row.getString("subject_" + kind);
      if (id != null) {
        return Subject.of(kind, id);
      }
    }
    throw new IllegalStateException("A row names no subject, which the database forbids.");
  }

  /** Values for subject_person, subject_group, subject_unit and subject_builtin, in the middle of others. */
  static Object[] values(Object[] before, Subject subject, Object... after) {
    Object[] all = new Object[before.length + 4 + after.length];
    System.arraycopy(before, 0, all, 0, before.length);
    all[before.length] = subject instanceof Subject.OfPerson ? subject.id() : null;
    all[before.length + 1] = subject instanceof Subject.OfGroup ? subject.id() : null;
    all[before.length + 2] = subject instanceof Subject.OfUnit ? subject.id() : null;
    all[before.length + 3] = subject instanceof Subject.BuiltIn ? subject.id() : null;
    System.arraycopy(after, 0, all, before.length + 4, after.length);
    return all;
  }
}
